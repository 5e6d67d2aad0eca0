import { advanceCook, type Conclusion, type Effect } from './advance';
import { mayUndo, type Entry } from './entry';
import { emptyDay, type KeptDay } from './keptDay';
import type { DayState } from './state';

/** A day's entries with the state they fold to. */
export interface Journal {
  /** In order of instant, then of id: whatever order they came in. */
  entries: readonly Entry[];
  state: DayState;
}

const inOrder = (a: Entry, b: Entry): number => a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** What was taken back: an undo takes back one entry of a person, and may be taken back itself. */
function takenBack(entries: readonly Entry[]): ReadonlySet<string> {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const undone = new Set<string>();
  const undos = entries.filter((entry) => entry.deed.kind === 'undo').sort(inOrder);
  // The last word first: an undo that was itself taken back takes nothing back.
  for (const undo of undos.toReversed()) {
    if (undone.has(undo.id) || undo.deed.kind !== 'undo') continue;
    const target = byId.get(undo.deed.entryId);
    if (target && (mayUndo(target) || (target.deed.kind === 'undo' && inOrder(target, undo) < 0))) undone.add(target.id);
  }
  return undone;
}

/** The state that entries in any order, each any number of times, come to. */
export function foldDay(kept: KeptDay, entries: readonly Entry[]): DayState {
  // Of two with one id the first counts.
  const once = [...new Map(entries.toReversed().map((entry) => [entry.id, entry])).values()].sort(inOrder);
  const undone = takenBack(once);
  return once.reduce((state, entry) => (undone.has(entry.id) ? state : advanceCook(kept, state, entry).state), emptyDay(kept));
}

export const emptyJournal = (kept: KeptDay): Journal => ({ entries: [], state: emptyDay(kept) });

/**
 * Takes in one entry, wherever its instant lies. One that is known already changes nothing. One that lies before others
 * folds the day anew, and says when it changed what had been concluded without it.
 */
export function admit(kept: KeptDay, journal: Journal, entry: Entry): { journal: Journal; effects: Effect[] } {
  const { entries, state } = journal;
  if (entries.some((each) => each.id === entry.id)) return { journal, effects: [] };
  const last = entries.at(-1);
  const late = last !== undefined && inOrder(entry, last) < 0;
  // An undo that came before what it takes back waits for it.
  const waitedFor = entries.some((each) => each.deed.kind === 'undo' && each.deed.entryId === entry.id);
  if (!late && !waitedFor && entry.deed.kind !== 'undo') {
    const next = advanceCook(kept, state, entry);
    return { journal: { entries: [...entries, entry], state: next.state }, effects: next.effects };
  }
  const all = [...entries, entry].sort(inOrder);
  const folded = foldDay(kept, all);
  const effects: Effect[] = [{ kind: 'reforecast' }];
  if (entry.deed.kind === 'undo') {
    const { entryId } = entry.deed;
    const target = entries.find((each) => each.id === entryId);
    if (!target) effects.push({ kind: 'ignored', entryId: entry.id, why: 'noSuchEntry' });
    else if (!mayUndo(target) && target.deed.kind !== 'undo') effects.push({ kind: 'ignored', entryId: entry.id, why: 'notYours' });
  } else {
    const own = advanceCook(kept, folded, entry).effects.filter((effect) => effect.kind === 'ignored');
    effects.push(...own);
    const what = conclusionsChanged(state, folded, entry);
    if (late && what.length > 0) effects.push({ kind: 'changedConclusion', entryId: entry.id, what });
  }
  return { journal: { entries: all, state: folded }, effects };
}

export function admitAll(kept: KeptDay, journal: Journal, entries: readonly Entry[]): { journal: Journal; effects: Effect[] } {
  const effects: Effect[] = [];
  let now = journal;
  for (const entry of entries) {
    const next = admit(kept, now, entry);
    now = next.journal;
    effects.push(...next.effects);
  }
  return { journal: now, effects };
}

/** What the screens said before and no longer say, beyond what the entry itself tells. */
function conclusionsChanged(before: DayState, after: DayState, { deed }: Entry): Conclusion[] {
  const own = new Set(deed.kind === 'piece' ? deed.pieces : deed.kind === 'checked' || deed.kind === 'reading' ? [deed.piece] : []);
  const ownTask = deed.kind === 'task' ? deed.taskId : undefined;
  const changed: Conclusion[] = [];
  if (before.phase !== after.phase) changed.push({ about: 'phase', was: before.phase, is: after.phase });
  for (const [key, was] of Object.entries(before.pieces)) {
    const is = after.pieces[key]!;
    const moved = was.pulledAtMs !== is.pulledAtMs || was.wrappedAtMs !== is.wrappedAtMs || was.onAtMs !== is.onAtMs;
    // Its own piece: only where something later was already known of it.
    if ((moved || was.step !== is.step) && (!own.has(key) || was.step !== undefined))
      changed.push({ about: 'piece', key, was: was.step, is: is.step, wasAtMs: was.stepAtMs, isAtMs: is.stepAtMs });
  }
  for (const [taskId, was] of Object.entries(before.tasks)) {
    const is = after.tasks[taskId]?.did ?? 'waiting';
    if (was.did !== is && taskId !== ownTask) changed.push({ about: 'task', taskId, was: was.did, is });
  }
  return changed;
}
