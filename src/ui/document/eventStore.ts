import { applyChanges, diffOf, insisted, mergeChanges, newProblems, reversed, sameValue, type Change } from '../../core/edits';
import type { CookEvent } from '../../core/model';
import { failure, isWriteFault, success, type Outcome, type Problem } from '../../core/outcome';
import { libraryFor, type DocumentFacts } from '../../document';
import type { DocumentState, EditOptions, Step, StoreDeps } from './documentState';
import { Unsaved } from './unsaved';

const SAVE_AFTER_MS = 250;
const PAUSE_MS = 1200;
const TRY_AGAIN_MS = 5000;
const MOST_STEPS = 200;

const withoutRevision = ({ revision: _, ...event }: CookEvent) => event;
const between = (before: CookEvent, after: CookEvent): Change[] => diffOf(withoutRevision(before), withoutRevision(after));

/**
 * One event as its owner has it open: every edit shows at once, is one step of undo, and is saved behind it
 * with the revision it was made from. What is saved and what is shown are two documents; the difference
 * between them is what is still to be sent.
 */
export class EventStore {
  private saved: CookEvent;
  private state: DocumentState;
  private done: Step[] = [];
  private undone: Step[] = [];
  private steps = 0;
  private savedStep = 0;
  private busy = false;
  private callOffSave?: () => void;
  private callOffPause?: () => void;
  private readonly listeners = new Set<() => void>();
  private readonly unsaved: Unsaved;

  constructor(
    event: CookEvent,
    facts: DocumentFacts,
    private readonly deps: StoreDeps,
  ) {
    this.saved = event;
    this.unsaved = new Unsaved(deps.storage);
    this.state = { event, facts, version: 1, saving: { state: 'saved' }, faulty: 0, canUndo: false, canRedo: false };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): DocumentState => this.state;

  private set(change: Partial<DocumentState>): void {
    this.state = { ...this.state, ...change, canUndo: this.done.length > 0, canRedo: this.undone.length > 0 };
    for (const listener of this.listeners) listener();
  }

  /** Told by a form that shows what is wrong at its fields. */
  tellFaulty(faulty: number): void {
    if (faulty !== this.state.faulty) this.set({ faulty });
  }

  /** Shows another event, and sees to it that it is saved. */
  private show(event: CookEvent): void {
    this.remember(event);
    const stuck = this.state.saving.state === 'stale';
    this.set({ event, version: this.state.version + 1, ...(!stuck && { saving: { state: 'waiting' as const } }) });
    if (!stuck) this.saveSoon();
  }

  /** What is not saved waits in the browser too: a page that is left or loaded again at once loses nothing. */
  private remember(event: CookEvent): void {
    this.unsaved.keep(event.id, this.saved.revision, between(this.saved, event));
  }

  /** Takes up what an earlier page could not save any more, or saved when this one was already on its way. */
  async resume(): Promise<void> {
    this.resumeUnsaved();
    if (this.unsaved.newest(this.saved.id) <= this.saved.revision) return;
    const newer = await this.deps.read(this.saved.id);
    if (newer.ok) this.refresh(newer.value.event, newer.value.facts);
  }

  private resumeUnsaved(): void {
    const changes = this.unsaved.of(this.saved.id);
    if (!changes) return;
    const event = applyChanges(this.state.event, changes, { skipMoved: true });
    if (event.ok && between(this.saved, event.value).length > 0) this.show(event.value);
    else this.unsaved.drop(this.saved.id);
  }

  /** Problems a change would bring that were not there before. */
  private problemsOf(event: CookEvent): Problem[] {
    const { facts } = this.state;
    return newProblems(event, this.state.event, this.saved, { library: libraryFor(event, facts).library, ...facts });
  }

  /** One edit. Refused, with nothing changed, where it would break the event's own rules. */
  edit(make: (event: CookEvent) => CookEvent, { undone, key, source = 'owner' }: EditOptions): Outcome<CookEvent> {
    const event = make(this.state.event);
    if (sameValue(withoutRevision(event), withoutRevision(this.state.event))) return success(this.state.event);
    const problems = this.problemsOf(event);
    if (problems.length > 0) return failure(...problems);
    const last = this.done.at(-1);
    const typingOn = key !== undefined && last?.key === key;
    const before = typingOn ? last.before : this.state.event;
    const step: Step = { id: typingOn ? last.id : ++this.steps, source, before, changes: between(before, event), undone, key };
    this.done = [...(typingOn ? this.done.slice(0, -1) : this.done), step].slice(-MOST_STEPS);
    this.undone = [];
    this.callOffPause?.();
    if (key !== undefined) this.callOffPause = this.deps.later(() => this.pause(), PAUSE_MS);
    this.show(event);
    return success(event);
  }

  /** What is typed from here on is another step. */
  pause(): void {
    const last = this.done.at(-1);
    if (last?.key !== undefined) this.done = [...this.done.slice(0, -1), { ...last, key: undefined }];
  }

  /** The number of the last step, to take just that one back later. */
  get lastStep(): number {
    return this.done.at(-1)?.id ?? 0;
  }

  /** Takes the last step back; what is to be said of it. */
  undo(): string | undefined {
    const step = this.done.at(-1);
    if (!step) return undefined;
    this.done = this.done.slice(0, -1);
    this.undone = [...this.undone, step];
    return this.turn(reversed(step.changes)) ? step.undone : undefined;
  }

  redo(): boolean {
    const step = this.undone.at(-1);
    if (!step) return false;
    this.undone = this.undone.slice(0, -1);
    this.done = [...this.done, { ...step, key: undefined }];
    return this.turn(step.changes);
  }

  /** Takes one step back, though others may have come after it: only what is still as that step left it. */
  undoStep(id: number): string | undefined {
    if (this.done.at(-1)?.id === id) return this.undo();
    const step = this.done.find((each) => each.id === id);
    if (!step) return undefined;
    const event = applyChanges(this.state.event, reversed(step.changes), { skipMoved: true });
    if (event.ok) this.edit(() => event.value, { undone: 'Done again.' });
    return step.undone;
  }

  private turn(changes: Change[]): boolean {
    const event = applyChanges(this.state.event, changes, { skipMoved: true });
    if (event.ok) this.show(event.value);
    return event.ok;
  }

  private saveSoon(ms = SAVE_AFTER_MS): void {
    this.callOffSave?.();
    this.callOffSave = this.deps.later(() => void this.save(), ms);
  }

  /** Sends what is not saved yet, until nothing is left to send. */
  async save(): Promise<void> {
    this.callOffSave?.();
    if (this.busy || this.state.saving.state === 'stale') return;
    this.busy = true;
    try {
      for (;;) {
        const sent = this.state.event;
        const sentStep = this.lastStep;
        const changes = between(this.saved, sent);
        if (changes.length === 0) break;
        this.set({ saving: { state: 'saving' } });
        const outcome = await this.deps.save({ eventId: sent.id, revision: this.saved.revision, changes });
        if (!outcome.ok) {
          if (!outcome.problems.some((problem) => problem.code === 'changedElsewhere')) return this.refused(outcome.problems);
          if (await this.putTogether(outcome.problems)) continue;
          return;
        }
        this.savedStep = sentStep;
        this.taken(outcome.value.event, sent, { ...this.state.facts, nowMs: outcome.value.nowMs });
      }
      this.set({ saving: { state: 'saved' } });
    } finally {
      this.busy = false;
    }
  }

  /** The server has it. What was changed meanwhile stays on top, to be sent next. */
  private taken(saved: CookEvent, sent: CookEvent, facts: DocumentFacts): void {
    const meanwhile = between(sent, this.state.event);
    const event = meanwhile.length === 0 ? saved : applyChanges(saved, meanwhile, { skipMoved: true });
    this.saved = saved;
    this.unsaved.keepNewest(saved.id, saved.revision);
    const next = 'ok' in event ? (event.ok ? event.value : saved) : event;
    // The same event under its next revision is no other plan: the version stays, and so does whatever was made for it.
    const same = sameValue(withoutRevision(next), withoutRevision(this.state.event));
    const shown = { ...(same ? this.state.event : next), revision: saved.revision };
    this.remember(shown);
    this.set({ event: shown, facts, version: this.state.version + (same ? 0 : 1) });
  }

  /**
   * Someone else saved first. Where they changed other things, both hold at once: what was done here goes on top of what is
   * there now, to be sent next. Where both changed the same, it waits until the owner has said which holds.
   */
  private async putTogether(problems: Problem[]): Promise<boolean> {
    const newer = await this.deps.read(this.saved.id);
    if (!newer.ok) {
      this.refused(newer.problems);
      return false;
    }
    const { merged, conflicts } = mergeChanges(newer.value.event, between(this.saved, this.state.event));
    if (conflicts.length > 0) {
      this.set({ saving: { state: 'stale', message: problems[0]?.message ?? 'The same was changed elsewhere.', conflicts } });
      return false;
    }
    this.rebase(newer.value, merged);
    return true;
  }

  /** What is shown stands on a newer event from here on. Steps stay: each is taken back where it still stands as it left it. */
  private rebase(newer: { event: CookEvent; facts: DocumentFacts }, event: CookEvent): void {
    this.saved = newer.event;
    const shown = { ...event, revision: newer.event.revision };
    this.remember(shown);
    this.set({ event: shown, facts: newer.facts, version: this.state.version + 1 });
  }

  private refused(problems: Problem[]): void {
    const message = problems[0]?.message ?? 'That could not be saved.';
    const codes = problems.map((problem) => problem.code);
    if (codes.some((code) => code === 'unreachable' || isWriteFault(code))) {
      this.set({ saving: { state: 'failed', message } });
      return this.saveSoon(TRY_AGAIN_MS);
    }
    // The server would not have it: what was saved last stands again, and the steps that led away from it are gone.
    this.done = this.done.filter((step) => step.id <= this.savedStep);
    this.undone = [];
    this.remember(this.saved);
    this.set({ event: this.saved, version: this.state.version + 1, saving: { state: 'failed', message } });
  }

  /** Both changed the same: `keepMine` says of each conflict, by its place in the list, whether what was done here holds. Saves what comes of it. */
  async settle(keepMine: (index: number) => boolean): Promise<Outcome<object>> {
    const { saving } = this.state;
    if (saving.state !== 'stale') return success({});
    const newer = await this.deps.read(this.saved.id);
    if (!newer.ok) return newer;
    const { merged, conflicts } = mergeChanges(newer.value.event, between(this.saved, this.state.event));
    // What was changed once more meanwhile is asked about once more.
    if (!sameValue(conflicts, saving.conflicts)) {
      this.set({ saving: { ...saving, conflicts } });
      return success({});
    }
    const event = applyChanges(merged, conflicts.filter((_, i) => keepMine(i)).map(insisted), { skipMoved: true });
    this.set({ saving: { state: 'waiting' } });
    this.rebase(newer.value, event.ok ? event.value : merged);
    await this.save();
    return success({});
  }

  /** What the server has now, whenever it is read afresh. Edits that are not saved yet are not given up for it. */
  refresh(event: CookEvent, facts: DocumentFacts): void {
    const pending = between(this.saved, this.state.event).length > 0;
    const newer = event.revision > this.saved.revision && !pending;
    const sameFacts = sameValue({ ...facts, nowMs: 0 }, { ...this.state.facts, nowMs: 0 });
    if (newer) this.adopt(event, facts);
    else if (!sameFacts) this.set({ facts, version: this.state.version + 1 });
  }

  private adopt(event: CookEvent, facts: DocumentFacts): void {
    this.saved = event;
    this.done = [];
    this.undone = [];
    this.remember(event);
    this.set({ event, facts, version: this.state.version + 1, saving: { state: 'saved' } });
  }
}
