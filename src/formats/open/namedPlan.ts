import { laidSize, type CookEvent, type NamedPlan, type OpenPlan, type OpenRun, type Pin, type Pit } from '../../core/model';
import { batchOrders, type PlanInput } from '../../core/planning';
import type { BatchOrder } from '../../core/schedule';
import { MS_PER_MIN } from '../../core/units';
import type { Misread, Reading } from './read';

/**
 * A plan file as a plan of an event under a name: each of its runs is pinned where and when the file has it,
 * and hold and hands are worked out for that. Refused when it is about other pieces or pits.
 */
export function namedPlanFrom(
  open: OpenPlan,
  { event, pits, library }: Pick<PlanInput, 'event' | 'pits' | 'library'>,
  id: string,
): Reading<NamedPlan> {
  const problems = strangers(open, event, pits);
  if (problems.length > 0) return { ok: false, problems };
  const orders = new Map(batchOrders({ event, library }).map((order) => [order.batch.id, order]));
  return {
    ok: true,
    value: {
      id,
      name: `${open.event}, from a file`.slice(0, 80),
      confidence: open.confidence,
      methodIds: Object.fromEntries(event.batches.map((batch) => [batch.id, batch.methodId])),
      pitIds: event.pitIds,
      pins: open.runs.map((run) => pinFrom(open, run, orders.get(run.batch)!)),
      scheme: { order: open.runs.map((run) => run.batch).filter(first), overrides: {}, seed: open.seed, iterations: open.iterations },
    },
  };
}

const first = <T>(each: T, i: number, all: readonly T[]) => all.indexOf(each) === i;
const heatAt = (open: OpenPlan, pitId: string, at: string) =>
  open.pits.find((pit) => pit.id === pitId)?.setPoints.findLast((point) => Date.parse(point.at) <= Date.parse(at))?.c;

function pinFrom(open: OpenPlan, run: OpenRun, { batch, cut, serving }: BatchOrder): Pin {
  const pitId = run.places[0]!.pit;
  const pitC = heatAt(open, pitId, run.onAt);
  const carveLaterMin = (Date.parse(run.carveAt) - serving.atMs) / MS_PER_MIN + serving.carveLeadMin;
  return {
    batchId: run.batch,
    ...(run.pieces.length < batch.pieces.length && { pieceIds: run.pieces }),
    pitId,
    onAtMs: Date.parse(run.onAt),
    ...(pitC !== undefined && { pitC }),
    finish: finishOf(open, run),
    ...(carveLaterMin > 0 && { carveLaterMin }),
    places: run.places.map(({ piece, pit, rack, xMm, yMm, widthMm, depthMm }) => {
      const { lengthMm } = laidSize(
        cut,
        batch.pieces.find((each) => each.id === piece)!,
      );
      // Its length lies along the width, or away from the door.
      const turned = Math.abs(widthMm - lengthMm) > Math.abs(depthMm - lengthMm);
      return { pieceId: piece, pitId: pit, rackId: rack, xMm, yMm, turned };
    }),
  };
}

/** Where and how hot a run finishes once it is wrapped: in another pit, or in its own at another heat. */
function finishOf(open: OpenPlan, run: OpenRun): Pin['finish'] {
  const [here] = run.places;
  const elsewhere = run.places.find((place) => place.pit !== here!.pit);
  if (elsewhere) return { pitId: elsewhere.pit, pitC: heatAt(open, elsewhere.pit, elsewhere.from) ?? 121 };
  const hotC = run.wrapAt && heatAt(open, here!.pit, run.pullEarly);
  return hotC && hotC !== heatAt(open, here!.pit, run.onAt) ? { pitId: here!.pit, pitC: hotC } : undefined;
}

function strangers(open: OpenPlan, event: CookEvent, pits: readonly Pit[]): Misread[] {
  const problems: Misread[] = [];
  if (open.runs.length === 0) problems.push({ path: '$.runs', reason: 'is empty: there is nothing to take up' });
  open.runs.forEach((run, i) => {
    const batch = event.batches.find((each) => each.id === run.batch);
    if (!batch) problems.push({ path: `$.runs[${i}].batch`, reason: `${JSON.stringify(run.batch)} is no batch of this event` });
    else
      run.pieces.forEach((id, k) => {
        if (!batch.pieces.some((piece) => piece.id === id))
          problems.push({ path: `$.runs[${i}].pieces[${k}]`, reason: `${JSON.stringify(id)} is no piece of that batch` });
      });
    if (run.places.length === 0) problems.push({ path: `$.runs[${i}].places`, reason: 'is empty' });
    run.places.forEach(({ pit, rack, piece }, k) => {
      const path = `$.runs[${i}].places[${k}]`;
      const there = pits.find((each) => each.id === pit);
      if (!there) problems.push({ path: `${path}.pit`, reason: `${JSON.stringify(pit)} is no pit of this event` });
      else if (!there.racks.some((each) => each.id === rack))
        problems.push({ path: `${path}.rack`, reason: `${JSON.stringify(rack)} is no rack of that pit` });
      if (!run.pieces.includes(piece)) problems.push({ path: `${path}.piece`, reason: `${JSON.stringify(piece)} is no piece of this run` });
    });
  });
  return problems;
}
