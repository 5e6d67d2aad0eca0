import type { PieceKey, PlanChange } from './entry';
import { laidOffsetC, type KeptDay } from './keptDay';
import { setPointAt, withPiece, withPit, type DayState } from './state';

/** What a change takes the place of. */
export function replacedBy(kept: KeptDay, state: DayState, change: PlanChange, atMs: number): number | string | undefined {
  switch (change.what) {
    case 'setPoint':
      return state.pits[change.pitId] && setPointAt(state.pits[change.pitId]!, atMs);
    case 'servingAt':
      return servingAtMs(kept, state, change.servingId);
    case 'finishIn':
      return state.pieces[change.pieces[0] ?? '']?.pits.at(-1)?.pitId;
    case 'warmerAt':
      return warmerSetC(kept, state, change.gearId);
    case 'holdIn':
      return kept.plan.runs.find((run) => run.id === state.pieces[change.pieces[0] ?? '']?.runId)?.hold.gearId;
    default:
      return undefined;
  }
}

/** What a warmer is set to, with what was turned on the day. */
export function warmerSetC(kept: KeptDay, { revisions }: DayState, gearId: string): number | undefined {
  const turned = revisions.flatMap((each) => each.changes).findLast((change) => change.what === 'warmerAt' && change.gearId === gearId);
  return turned?.what === 'warmerAt' ? turned.setC : kept.input.warmers?.find((each) => each.id === gearId)?.setC;
}

/** When a serving is, with what was put back so far. */
function servingAtMs(kept: KeptDay, { revisions }: DayState, servingId: string): number | undefined {
  const put = revisions.flatMap((each) => each.changes).findLast((change) => change.what === 'servingAt' && change.servingId === servingId);
  return put?.what === 'servingAt' ? put.atMs : kept.input.event.servings.find((each) => each.id === servingId)?.atMs;
}

/** What of a change is a fact as soon as somebody takes it: a dial that is turned, two pieces that change places. */
export function changed(kept: KeptDay, state: DayState, change: PlanChange, atMs: number): DayState {
  if (change.what === 'setPoint' && change.pitId in state.pits)
    return withPit(state, change.pitId, (pit) => ({ ...pit, setPoints: [...pit.setPoints, { atMs, pitC: change.pitC }] }));
  if (change.what === 'swap') {
    const [first, second] = change.pieces;
    if (!(first in state.pieces) || !(second in state.pieces)) return state;
    const hotterByC = laidNowC(kept, state, second) - laidNowC(kept, state, first);
    const shifted = (day: DayState, key: PieceKey, byC: number) =>
      withPiece(day, key, (piece) => ({ ...piece, shifts: [...piece.shifts, { atMs, hotterByC: byC }] }));
    return shifted(shifted(state, first, hotterByC), second, -hotterByC);
  }
  return state;
}

/** How much hotter than the set point a piece lies now. */
export const laidNowC = (kept: KeptDay, state: DayState, key: PieceKey): number =>
  (state.pieces[key]?.shifts ?? []).reduce((sum, shift) => sum + shift.hotterByC, laidOffsetC(kept, key));
