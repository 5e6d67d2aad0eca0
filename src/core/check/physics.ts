import type { Broken } from '../model';
import {
  cookSetup,
  holdTogether,
  openingsOf,
  predictiveLaw,
  runCook,
  SHIPPED_PARAMETERS,
  weatherWanderC,
  type HoldingPlace,
  type ParameterSet,
} from '../forecast';
import { findCut, type Cut } from '../model';
import { minutes, type Facts, type RunFacts } from './facts';

/** What forecasts on two grids may differ by. */
const ALLOWED_C = 1;
const DANGER_TOP_C = 57;
const BEEF_ROAST_C = 54;

/**
 * Rules 10 and 14 by running each run's cook again at the set points of the plan: the core stays hot until
 * carving when the run is done as expected; birds pass the danger zone in time even when slow.
 */
export function physicsRules({ event, plan, runs, places, pieces }: Facts, parameters: ParameterSet = SHIPPED_PARAMETERS): Broken[] {
  const broken: Broken[] = [];
  const law = predictiveLaw(parameters.record, weatherWanderC({ ...event.weather, blower: false }));
  for (const run of runs) {
    const cut = findCut(event.batches.find((batch) => batch.id === run.batch)!.cut);
    const first = places.filter((place) => place.of === run).sort((a, b) => a.from - b.from)[0];
    const pit = event.pits.find((each) => each.id === first?.pit);
    const fire = plan.pits.some((each) => each.id === first?.pit);
    if (!cut || !pit || !fire || run.late <= run.on) continue;
    const byWeight = run.run.pieces.map((piece) => pieces.get(piece)!).sort((a, b) => a.piece.kg - b.piece.kg);
    const steps = programme(
      run,
      plan.pits,
      places.filter((place) => place.of === run && place.piece === first!.piece),
    );
    const loadKg = byWeight.reduce((sum, { piece }) => sum + piece.kg, 0);
    const cook = (of: (typeof byWeight)[number]) =>
      runCook(
        cookSetup(
          cut,
          { massKg: of.piece.kg, thicknessMm: of.piece.thicknessMm, startC: of.piece.startC },
          { wrap: run.method.wrap, wrapWhen: run.method.wrapWhen ?? {}, unwrapAfterMin: run.method.unwrapAfterMin },
          parameters,
          {
            pit: { steps, ...openingsOf(pit, steps[0]!.pitC, event.weather, loadKg) },
            pitKind: pit.kind,
            altitudeM: event.altitudeM,
            hands: { pitId: pit.id },
          },
        ),
        parameters,
      );
    if (run.poultry || run.cut.safetyClass === 'ground') {
      const slow = cook(byWeight.at(-1)!);
      const passed = slow.trace.coreC.findIndex((core) => core >= DANGER_TOP_C);
      const slowMin = passed * slow.trace.stepMin * law.factor(cut.modelCutId ?? cut.id, plan.confidence);
      if (passed < 0 || slowMin > event.rules.dangerZoneMaxMin)
        broken.push({ rule: 14, code: 'tooSlowThroughDanger', batch: run.batch, by: Math.round(slowMin - event.rules.dangerZoneMaxMin) });
    }
    const floorC = roastServedRare(cut) ? BEEF_ROAST_C : event.rules.hotHoldC;
    const coolest = coreAtCarving(event, run, cut, cook(byWeight[0]!));
    if (coolest !== undefined && coolest < floorC - ALLOWED_C && !roastServedRare(cut))
      broken.push({ rule: 10, code: 'tooCool', batch: run.batch, by: floorC - coolest });
  }
  return broken;
}

const LONGEST_HOLD_MIN = 16 * 60;

const roastServedRare = (cut: Cut) => cut.done.by === 'core' && cut.done.coreC < 60;

/** The set points a piece lives through, minutes from going on. */
function programme(run: RunFacts, fires: Facts['plan']['pits'], stays: Facts['places']): { fromMin: number; pitC: number }[] {
  const steps: { fromMin: number; pitC: number }[] = [];
  for (const stay of stays.sort((a, b) => a.from - b.from)) {
    const set = fires
      .filter((fire) => fire.id === stay.pit)
      .flatMap((fire) => fire.setPoints)
      .sort((a, b) => a.atMs - b.atMs);
    const begun = set.filter((each) => each.atMs <= stay.from).at(-1);
    if (begun) steps.push({ fromMin: (stay.from - run.on) / minutes(1), pitC: begun.c });
    for (const each of set)
      if (each.atMs > stay.from && each.atMs < stay.to) steps.push({ fromMin: (each.atMs - run.on) / minutes(1), pitC: each.c });
  }
  return steps.length > 0 ? steps : [{ fromMin: 0, pitC: run.method.pitC }];
}

function coreAtCarving(event: Facts['event'], run: RunFacts, cut: Cut, cook: ReturnType<typeof runCook>): number | undefined {
  if (cook.status === 'never') return undefined;
  const wait = Math.round((run.carve - run.median) / minutes(1));
  if (wait <= 0) return undefined;
  const holds = run.run.holds.filter((hold) => hold.gear !== 'board' && hold.toMs > run.on).sort((a, b) => a.fromMs - b.fromMs);
  const curveIn = (gearId: string | undefined) => {
    const gear = event.holding.find((each) => each.id === gearId);
    const place: HoldingPlace = !gear
      ? { kind: 'tent' }
      : gear.kind === 'insulated-box'
        ? { kind: 'box', lossWPerK: gear.lossWPerK }
        : { kind: 'warmer', airC: gear.setC };
    return holdTogether([{ cook, pieces: run.run.pieces.length, softeningH: 1 }], SHIPPED_PARAMETERS, {
      ventMin: run.method.ventMin,
      restMin: gear ? 0 : run.method.restMin,
      restBare: cut.done.by === 'core',
      place,
      roomC: event.weather.airC,
      longestMin: LONGEST_HOLD_MIN,
    })[0]!.coreC;
  };
  const [first, ...later] = holds;
  let curve = curveIn(first?.gear);
  let minute = 0;
  let since = 0;
  for (const hold of later) {
    // Taken over into the next as warm as it is by then: from there it cools as it would have there.
    const switchMin = Math.max(0, Math.round((hold.fromMs - run.median) / minutes(1)));
    const core = curve[Math.min(curve.length - 1, minute + switchMin - since)]!;
    curve = curveIn(hold.gear);
    minute = curve.findLastIndex((each) => each >= core);
    since = switchMin;
  }
  return curve[Math.min(curve.length - 1, Math.max(0, minute) + wait - since)];
}
