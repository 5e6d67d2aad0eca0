import type { DayState, DayTask, Deed, Entry, Feel, KeptDay } from '../../core/day';
import { hotHoldDue, isOn, piecesOfTask } from '../../core/day';
import { cutIn, isPoultry, methodIn } from '../../core/model';
import { MS_PER_MIN } from '../../core/units';
import type { SimulatedWorld } from '../../core/world';

/** How long a simulated crew takes from an alarm to seeing to it, min. */
const ANSWERS_AFTER_MIN = 3;

/**
 * A crew that does what the run sheet says when it says so, by what meat and fire truly are: for practice, for the demo's
 * hours before now, and to live whole days in tests. It sees what a crew sees, and nothing of what is to come.
 */
export class SimulatedCrew {
  private made = 0;

  constructor(
    private readonly kept: KeptDay,
    private readonly world: SimulatedWorld,
    private readonly habits: { tendsFires: boolean; readsByHand: boolean } = { tendsFires: true, readsByHand: false },
  ) {}

  /** What it does at this minute. */
  act(state: DayState, tasks: readonly DayTask[], nowMs: number): Entry[] {
    const entries: Entry[] = [];
    const nameOf = (id: string) => this.kept.input.crew?.find((member) => member.id === id)?.name ?? id;
    const say = (by: string, deed: Deed) =>
      entries.push({ id: `crew-${this.kept.id.slice(0, 8)}-${++this.made}`, atMs: nowMs, by: nameOf(by), source: 'practice', deed });
    if (state.phase !== 'running') return entries;
    for (const task of tasks) {
      if (task.status === 'done' || task.status === 'skipped' || task.dueMs > nowMs) continue;
      this.do(state, task, nowMs, (deed) => say(task.who?.[0] ?? 'crew', deed));
    }
    for (const mark of Object.values(state.alarms)) {
      if (mark.clearedAtMs !== undefined || mark.acknowledgedAtMs !== undefined) continue;
      if (nowMs - mark.raisedAtMs < ANSWERS_AFTER_MIN * MS_PER_MIN) continue;
      const alarm = mark.alarm as { who?: string; code?: string; pitId?: string; batchId?: string };
      say(alarm.who ?? 'crew', { kind: 'alarm', causeId: mark.causeId, did: 'acknowledged' });
      const falls = alarm.code === 'pitFalling' || alarm.code === 'pitLow' || alarm.code === 'reloadDue';
      if (falls && alarm.pitId !== undefined && this.habits.tendsFires)
        say(alarm.who ?? 'crew', { kind: 'pit', pitId: alarm.pitId, did: 'fuelled' });
    }
    for (const due of hotHoldDue(this.kept, state, nowMs)) {
      if (nowMs < due.dueMs - 5 * MS_PER_MIN) continue;
      const held = Object.values(state.pieces).find((piece) => piece.batchId === due.batchId && piece.heldAtMs !== undefined);
      const tempC = held && this.world.truth(held.key)?.coreC;
      if (tempC !== undefined) say('crew', { kind: 'safety', line: 'hotHold', batchId: due.batchId, tempC: Math.round(tempC * 10) / 10 });
    }
    return entries;
  }

  private do(state: DayState, task: DayTask, nowMs: number, say: (deed: Deed) => void): void {
    const { input } = this.kept;
    const done = () => say({ kind: 'task', taskId: task.id, did: 'done' });
    const pieces = piecesOfTask(this.kept, task)
      .map((key) => state.pieces[key])
      .filter((piece) => piece !== undefined);
    const batch = input.event.batches.find((each) => each.id === pieces[0]?.batchId);
    const cut = batch && cutIn(input.library, batch.cutId);
    const method = batch && methodIn(input.library, batch.methodId);
    switch (task.kind) {
      case 'wrap': {
        const wrapC = method?.wrapWhen.coreC;
        const cold = pieces.filter(
          (piece) => isOn(piece) && piece.wrappedAtMs === undefined && (this.world.truth(piece.key)?.coreC ?? 0) < (wrapC ?? 0) - 1.5,
        );
        if (cold.length > 0) say({ kind: 'task', taskId: task.id, did: 'notYet', minutes: 12 });
        else done();
        return;
      }
      case 'check':
      case 'pull': {
        let left = 0;
        for (const piece of pieces) {
          if (!isOn(piece)) continue;
          const truth = this.world.truth(piece.key);
          if (!truth || !cut) continue;
          const coreC = Math.round(truth.coreC * 10) / 10;
          if (cut.done.by === 'tender') {
            const feel = feelOf(truth.tenderShare);
            say({ kind: 'checked', piece: piece.key, feel, coreC });
            if (feel !== 'tender') left++;
            else say({ kind: 'piece', pieces: [piece.key], step: 'pulled', coreC });
          } else if (truth.coreC >= cut.done.coreC - (isPoultry(cut) ? -1 : 3)) {
            say({ kind: 'piece', pieces: [piece.key], step: 'pulled', coreC });
            if (isPoultry(cut)) say({ kind: 'safety', line: 'poultryPeak', piece: piece.key, batchId: piece.batchId, tempC: coreC });
          } else left++;
        }
        if (left > 0) say({ kind: 'task', taskId: task.id, did: 'notYet', minutes: cut?.done.by === 'tender' ? 15 : 6 });
        else if (task.kind === 'check') done();
        return;
      }
      case 'load':
        if (this.habits.readsByHand)
          for (const piece of pieces)
            say({ kind: 'reading', piece: piece.key, spot: 'thickest', coreC: this.world.truth(piece.key)?.coreC ?? 4 });
        done();
        return;
      case 'vent':
      case 'rest':
      case 'hold':
      case 'carve':
        // Only what is off the pit.
        if (pieces.every((piece) => piece.pulledAtMs !== undefined)) done();
        else if (pieces.some((piece) => piece.pulledAtMs !== undefined)) {
          const step = { vent: 'vented', rest: 'resting', hold: 'held', carve: 'carved' } as const;
          const ready = pieces.filter(
            (piece) =>
              piece.pulledAtMs !== undefined &&
              piece.carvedAtMs === undefined &&
              (task.kind === 'carve' || !stepDone(piece, task.kind as 'vent' | 'rest' | 'hold')),
          );
          if (ready.length > 0) say({ kind: 'piece', pieces: ready.map((piece) => piece.key), step: step[task.kind as keyof typeof step] });
        }
        return;
      case 'reload':
      case 'wood':
        if (this.habits.tendsFires || task.kind === 'wood') done();
        return;
      default:
        if (nowMs >= task.dueMs) done();
    }
  }
}

const stepDone = (piece: DayState['pieces'][string], kind: 'vent' | 'rest' | 'hold'): boolean =>
  kind === 'vent' ? piece.ventedAtMs !== undefined : kind === 'rest' ? piece.restingAtMs !== undefined : piece.heldAtMs !== undefined;

const feelOf = (share: number): Feel => (share >= 1 ? 'tender' : share >= 0.8 ? 'almost' : share >= 0.55 ? 'some give' : 'tight');
