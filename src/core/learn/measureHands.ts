import { pieceKey, piecesOfTask, type DayState, type DayTask, type KeptDay } from '../day';
import { HANDLED } from '../model';
import { handMinutes } from '../quantities';
import { MS_PER_MIN } from '../units';
import { figureKey } from './figure';
import type { Measure } from './measuredDay';

/** Whoever is longer at it forgot to say that it was done. */
const LONGEST_MIN = 120;

/** From "I begin now" to "done", over the usual minutes for such pieces. */
export function measureHands(kept: KeptDay, tasks: readonly DayTask[], begun: DayState['begun']): Measure[] {
  const kgOf = new Map(
    kept.input.event.batches.flatMap(({ id, pieces }) => pieces.map((piece) => [pieceKey(id, piece.id), piece.kg] as const)),
  );
  return tasks.flatMap((task): Measure[] => {
    const kind = HANDLED.find((each) => each === task.kind);
    const from = begun[task.id];
    if (!kind || !from || task.status !== 'done' || task.doneAtMs === undefined) return [];
    const minutes = (task.doneAtMs - from.atMs) / MS_PER_MIN;
    const kgs = piecesOfTask(kept, task).flatMap((key) => kgOf.get(key) ?? []);
    if (kgs.length === 0 || minutes <= 0 || minutes > LONGEST_MIN) return [];
    return [[figureKey('hands', kind), task.doneAtMs, minutes / handMinutes(kind, kgs)]];
  });
}
