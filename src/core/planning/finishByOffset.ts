import type { Run } from '../model';
import { newForecastCache, offsetFactor, type ForecastCache } from '../schedule';
import { MS_PER_MIN } from '../units';
import { cookOfRun } from './cookOfRun';
import { cookContext } from './searchInput';
import type { FinishByOffset } from './finishAt';
import type { PlanInput } from './planInput';
import { keyOf } from './rackMap';

/** Offsets at which a piece's finish is worked out ahead, C. */
const OFFSETS_C = [-24, -16, -8, -4, 0, 4, 8, 12, 16, 24] as const;

/** When a piece would be done at other places of its pit: what the map shows while it is dragged. */
export function finishByOffset(
  input: PlanInput,
  run: Run,
  pieceId: string,
  cache: ForecastCache = newForecastCache(),
): FinishByOffset | undefined {
  const cooked = cookOfRun(input, run);
  const piece = cooked?.order.batch.pieces.find((each) => each.id === pieceId);
  const pull = run.pulls.find((each) => each.pieceId === pieceId);
  if (!cooked || !piece || !pull) return undefined;
  const context = cookContext(input, input.event.confidence);
  const factorAt = (offsetC: number) => offsetFactor(cache, context, cooked, piece, offsetC);
  const here = run.legs[0]?.places.find((place) => place.pieceId === pieceId)?.offsetC ?? 0;
  const evenMin = (pull.medianMs - run.onAtMs) / MS_PER_MIN / factorAt(here);
  return {
    key: keyOf(run.batchId, pieceId),
    points: OFFSETS_C.map((offsetC) => ({ offsetC, medianMin: evenMin * factorAt(offsetC) })),
  };
}
