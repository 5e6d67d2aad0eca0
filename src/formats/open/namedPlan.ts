import { laidSize, type CookEvent, type NamedPlan, type ExchangePlan, type ExchangeRun, type Pin, type Pit } from '../../core/model';
import { batchOrders, type PlanInput } from '../../core/planning';
import type { BatchOrder } from '../../core/schedule';
import { MS_PER_MIN } from '../../core/units';
import type { Misread, Reading } from './read';

/**
 * A plan file as a plan of an event under a name: each of its runs is pinned where and when the file has it,
 * and hold and hands are worked out for that. Refused when it is about other pieces or pits.
 */
export function namedPlanFrom(
  plan: ExchangePlan,
  { event, pits, library }: Pick<PlanInput, 'event' | 'pits' | 'library'>,
  id: string,
): Reading<NamedPlan> {
  const problems = strangers(plan, event, pits);
  if (problems.length > 0) return { ok: false, problems };
  const orders = new Map(batchOrders({ event, library }).map((order) => [order.batch.id, order]));
  return {
    ok: true,
    value: {
      id,
      name: `${plan.event}, from a file`.slice(0, 80),
      confidence: plan.confidence,
      methodIds: Object.fromEntries(event.batches.map((batch) => [batch.id, batch.methodId])),
      pitIds: event.pitIds,
      pins: plan.runs.map((run) => pinFrom(plan, run, orders.get(run.batch)!)),
      scheme: {
        order: plan.runs.map((run) => run.batch).filter(first),
        overrides: {},
        // Trips are made of choices, which a plan file does not hold: those of the event as it is.
        ...(event.scheme?.travel && { travel: event.scheme.travel }),
        seed: plan.seed,
        iterations: plan.iterations,
      },
    },
  };
}

const first = <T>(each: T, i: number, all: readonly T[]) => all.indexOf(each) === i;
const heatAt = (plan: ExchangePlan, pitId: string, atMs: number) =>
  plan.pits
    .filter((pit) => pit.id === pitId)
    .flatMap((pit) => pit.setPoints)
    .sort((a, b) => a.atMs - b.atMs)
    .findLast((point) => point.atMs <= atMs)?.c;

function pinFrom(plan: ExchangePlan, run: ExchangeRun, { batch, cut, serving }: BatchOrder): Pin {
  const pitId = run.places[0]!.pit;
  const pitC = heatAt(plan, pitId, run.onAtMs);
  const carveLaterMin = (run.carveAtMs - serving.atMs) / MS_PER_MIN + serving.carveLeadMin;
  return {
    batchId: run.batch,
    ...(run.pieces.length < batch.pieces.length && { pieceIds: run.pieces }),
    pitId,
    onAtMs: run.onAtMs,
    ...(pitC !== undefined && { pitC }),
    finish: finishOf(plan, run),
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
function finishOf(plan: ExchangePlan, run: ExchangeRun): Pin['finish'] {
  const [here] = run.places;
  const elsewhere = run.places.find((place) => place.pit !== here!.pit);
  if (elsewhere) return { pitId: elsewhere.pit, pitC: heatAt(plan, elsewhere.pit, elsewhere.fromMs) ?? 121 };
  const hotC = run.wrapAtMs !== undefined && heatAt(plan, here!.pit, run.pullEarlyMs);
  return hotC && hotC !== heatAt(plan, here!.pit, run.onAtMs) ? { pitId: here!.pit, pitC: hotC } : undefined;
}

function strangers(plan: ExchangePlan, event: CookEvent, pits: readonly Pit[]): Misread[] {
  const problems: Misread[] = [];
  if (plan.runs.length === 0) problems.push({ path: '$.runs', reason: 'is empty: there is nothing to take up' });
  plan.runs.forEach((run, i) => {
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
