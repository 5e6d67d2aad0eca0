import {
  CUTS,
  DEFAULT_VENUE,
  MILD_DAY,
  placesOf,
  servingPlaceId,
  standsAt,
  type Cut,
  type ExchangeBatch,
  type ExchangeCut,
  type ExchangeEvent,
  type ExchangeFire,
  type ExchangeMethod,
  type ExchangePit,
  type ExchangePlan,
  type ExchangeRack,
  type ExchangeRun,
  type ExchangeTrip,
  type Firing,
  type ClockMethod,
  type Pit,
  type Plan,
  type Rack,
  type Run,
  type Standing,
  type Trip,
} from '../model';
import { newForecastCache } from '../schedule';
import { driveMinOf, setUpMinOf } from '../travel';
import { addMinutes, MS_PER_MIN } from '../units';
import { exchangeTasksOf } from './exchangeTasks';
import { parametersOf, type PlanInput } from './planInput';
import { batchOrders, searchInputOf } from './searchInput';
import { rulesOf } from './travelOf';

/** What of an event the rules are about, as the checker reads it. Only batches that can be planned are there. */
export function exchangeEventOf(input: PlanInput): ExchangeEvent {
  const { event } = input;
  const venue = { ...DEFAULT_VENUE, ...event.venue };
  const orders = batchOrders(input);
  const { limits, airGapMm } = searchInputOf(input, newForecastCache(), parametersOf(input));
  const rules = rulesOf(input);
  const at = (kind: Standing['kind'], id: string) => (rules === 1 ? {} : { place: standsAt(event, kind, id) });
  const own = [...new Map(orders.map(({ cut }) => [cut.id, cut])).values()].filter((cut) => isOwn(cut));
  return {
    version: rules,
    ...(rules === 2 && {
      places: [...placesOf(event)],
      roads: (event.roads ?? []).map(({ fromId, toId, minutes }) => ({ from: fromId, to: toId, min: minutes })),
    }),
    name: event.name,
    timeZone: event.timeZone,
    altitudeM: event.altitudeM,
    workFromMs: input.earliestMs,
    confidence: event.confidence,
    weather: { ...(event.weather ?? MILD_DAY), rain: false },
    quietHours: { from: venue.quietFrom, to: venue.quietTo },
    rules: { airGapMm, hotHoldC: limits.hotHold, minPitC: limits.bareMeatPit, dangerZoneMaxMin: limits.dangerZone },
    servings: event.servings.map((serving) => ({
      id: serving.id,
      name: serving.name,
      atMs: serving.atMs,
      serveForMin: Math.round(serving.serveForMin),
      guests: { adults: serving.guests.adults, children: serving.guests.children },
      carveLeadMin: Math.round(serving.carveLeadMin),
      setUpMin: setUpMinOf(event, serving),
      ...(rules === 1
        ? { travelMin: driveMinOf(event, serving) }
        : { place: servingPlaceId(event, serving), ...(serving.handsThere !== undefined && { handsThere: serving.handsThere }) }),
    })),
    batches: orders.map(({ batch, cut, method, nonIntact }): ExchangeBatch => ({
      id: batch.id,
      serving: batch.servingId,
      cut: cut.id,
      method: exchangeMethodOf(method),
      pieces: batch.pieces.map(({ id, kg, lengthMm, widthMm, thicknessMm, startC = 4 }) => ({
        id,
        kg,
        lengthMm,
        widthMm,
        thicknessMm,
        startC,
      })),
      ...(batch.label && { label: batch.label }),
      ...(nonIntact && { nonIntact: true }),
    })),
    pits: input.pits.map((pit) => ({ ...exchangePitOf(pit), ...at('pit', pit.id) })),
    holding: [
      ...input.boxes.map(({ id, litres, lossWPerK, travels = false }) => ({
        id,
        ...at('gear', id),
        ...(rules === 2 && { travels }),
        kind: 'insulated-box' as const,
        litres,
        lossWPerK,
      })),
      ...(input.warmers ?? []).map(({ id, kind, slots, setC, travels = false }) => ({
        id,
        ...at('gear', id),
        ...(rules === 2 && { travels }),
        kind: kind === 'steam table' ? ('steam-table' as const) : ('warmer' as const),
        slots,
        setC,
      })),
    ],
    crew: (event.duty ?? []).map(({ memberId, fromMs, toMs }) => ({
      id: memberId,
      fromMs,
      toMs,
      ...at('crew', memberId),
      ...(rules === 2 && { drives: Boolean(input.crew?.find((member) => member.id === memberId)?.drives) }),
    })),
    ...(own.length > 0 && { cuts: own.map(exchangeCutOf) }),
  };
}

/** Whether a cut differs from the shipped one in what a file holds; a trim learned on the scale does not make it another. */
const isOwn = (cut: Cut) =>
  !CUTS.some((shipped) => shipped.id === cut.id && JSON.stringify(exchangeCutOf(shipped)) === JSON.stringify(exchangeCutOf(cut)));

const exchangeCutOf = ({
  id,
  name,
  species,
  safetyClass,
  lengthMm,
  widthMm,
  thicknessMm,
  fillShare,
  thinEnd,
  done,
  carveMin,
  holdMaxMin,
}: Cut): ExchangeCut => ({
  id,
  name,
  species,
  safetyClass,
  lengthMm,
  widthMm,
  thicknessMm,
  fillShare,
  thinEnd,
  done: done.by === 'tender' ? 'tender' : { coreC: done.coreC },
  carveMin,
  holdMaxMin,
});

const exchangeMethodOf = (method: ClockMethod): ExchangeMethod => ({
  pitC: method.pitC,
  pitRangeC: method.pitRangeC,
  steps: method.steps ?? [],
  wrap: method.wrap,
  ...(method.wrap !== 'none' && { wrapWhen: method.wrapWhen }),
  finishOffSmoke: method.finishOffSmoke,
  finishRangeC: method.finishRangeC,
  ventMin: method.ventMin,
  restMin: method.restMin,
  holdIdealMin: method.holdIdealMin,
  holdMaxMin: method.holdMaxMin,
  ...(!method.needsSmoke && { smokeless: true }),
  ...(method.unwrapAfterMin !== undefined && { unwrapAfterMin: method.unwrapAfterMin }),
});

const exchangePitOf = (pit: Pit): ExchangePit => ({
  id: pit.id,
  name: pit.name,
  kind: pit.kind,
  smoke: pit.smoke,
  travels: pit.travels ?? false,
  ...(pit.untendedMaxMin !== undefined && { untendedMaxMin: pit.untendedMaxMin }),
  rangeC: pit.rangeC,
  warmUpMin: pit.warmUpMin,
  openingDropC: pit.openingDropC,
  recoverMin: pit.recoverMin,
  racks: pit.racks.map(exchangeRackOf),
});

const exchangeRackOf = ({ id, round, widthMm, depthMm, clearanceMm, maxKg, level, zones, blocked }: Rack): ExchangeRack => ({
  id,
  ...(round ? { shape: 'round' as const, diameterMm: widthMm } : { shape: 'rect' as const, widthMm, depthMm }),
  clearanceMm,
  maxKg,
  level,
  zones: zones ?? [],
  blocked: (blocked ?? []).map((part) => ({ xMm: part.xMm, yMm: part.yMm, widthMm: part.widthMm, depthMm: part.depthMm })),
});

/** What a search found beside its plan. */
export interface Verdict {
  proof?: boolean;
  conflict?: string[];
  remedies?: ExchangePlan['remedies'];
}

/** A plan as it is handed on: to the checker, to a file, to a message. */
export function exchangePlanOf(
  { event, pits, rules }: Pick<PlanInput, 'event' | 'pits' | 'rules'>,
  plan: Plan,
  verdict: Verdict = {},
): ExchangePlan {
  const version = rulesOf({ rules });
  const broken = plan.problems.some((problem) => problem.severity === 'broken');
  return {
    version,
    status: broken ? 'infeasible' : 'feasible',
    ...(broken && { proof: verdict.proof ?? false }),
    event: event.name,
    seed: plan.scheme.seed,
    iterations: plan.scheme.iterations,
    confidence: plan.confidence,
    pits: version === 1 ? pits.flatMap((pit) => exchangeFireOf(pit, plan.firings)) : firesOf(pits, plan.firings),
    runs: plan.runs.map((run) => exchangeRunOf(run, plan.trips)),
    tasks: exchangeTasksOf(plan, version),
    ...(version === 2 && { trips: plan.trips.map(exchangeTripOf) }),
    servings: plan.odds.map(({ servingId, onTimeShare, expectedLateMin }) => ({ id: servingId, onTime: onTimeShare, expectedLateMin })),
    objective: { value: [...plan.objective], lower: [...plan.lower] },
    problems: plan.problems.map((problem) => {
      const { code, severity, ...data } = problem;
      return { code, severity, ...exchangeData(data) };
    }),
    ...(broken && { conflict: verdict.conflict ?? [], remedies: verdict.remedies ?? [] }),
  };
}

/** Every fire on its own, pit by pit. */
const firesOf = (pits: readonly Pit[], firings: readonly Firing[]): ExchangeFire[] =>
  pits.flatMap((pit) =>
    firings
      .filter((firing) => firing.pitId === pit.id)
      .sort((a, b) => a.lightAtMs - b.lightAtMs)
      .flatMap((firing) => exchangeFireOf(pit, [firing])),
  );

const exchangeTripOf = ({ leaveMs, arriveMs, fromId, toId, who, pieces, gearIds, pitIds }: Trip): ExchangeTrip => ({
  atMs: leaveMs,
  minutes: (arriveMs - leaveMs) / MS_PER_MIN,
  from: fromId,
  to: toId,
  who,
  pieces: pieces.map((piece) => piece.pieceId),
  gear: gearIds,
  pits: pitIds,
});

/** One fire for each pit: it is kept in between, as far as version 1 of the file goes. */
function exchangeFireOf(pit: Pit, firings: readonly Firing[]): ExchangeFire[] {
  const own = firings.filter((firing) => firing.pitId === pit.id);
  const [first] = own;
  if (!first) return [];
  const setPoints: ExchangeFire['setPoints'] = [];
  for (const firing of own)
    firing.setPoints.forEach(({ atMs, pitC }, i) => {
      if (setPoints.at(-1)?.c !== pitC) setPoints.push({ atMs: i === 0 ? firing.lightAtMs : atMs, c: pitC });
    });
  return [{ id: pit.id, lightAtMs: first.lightAtMs, readyAtMs: first.readyAtMs, setPoints, offAtMs: own.at(-1)!.offAtMs }];
}

function exchangeRunOf(run: Run, trips: readonly Trip[]): ExchangeRun {
  // Raw meat on a long way lies in cold gear.
  const cold = trips.flatMap(({ coldGearId, pieces, leaveMs, arriveMs }) =>
    coldGearId && pieces.some((piece) => run.batchId === piece.batchId && run.pieceIds.includes(piece.pieceId)) && leaveMs < run.onAtMs
      ? [{ gear: coldGearId, fromMs: leaveMs, toMs: arriveMs }]
      : [],
  );
  const ventedMs = addMinutes(run.pullLateMs, run.ventMin);
  return {
    batch: run.batchId,
    pieces: run.pieceIds,
    onAtMs: run.onAtMs,
    ...(run.wrapAtMs !== undefined && { wrapAtMs: run.wrapAtMs }),
    pullEarlyMs: run.pullEarlyMs,
    pullMedianMs: run.pullMedianMs,
    pullLateMs: run.pullLateMs,
    places: run.legs.flatMap((leg) =>
      leg.places.map(({ pieceId, xMm, yMm, widthMm, depthMm, thickEnd }) => ({
        piece: pieceId,
        pit: leg.pitId,
        rack: leg.rackId,
        xMm,
        yMm,
        widthMm,
        depthMm,
        thickEnd,
        fromMs: leg.fromMs,
        toMs: leg.toMs,
      })),
    ),
    holds: [...cold, ...heldFrom(run, ventedMs)],
    carveAtMs: run.carveAtMs,
    why: run.why.map(({ code, ...data }) => ({ code, ...exchangeData(data) })),
  };
}

/** Where it waits once it is vented, one thing after the other. */
function heldFrom({ hold, pullMedianMs, ventMin, carveAtMs }: Run, ventedMs: number): ExchangeRun['holds'] {
  const boxedMs = hold.first ? Math.max(ventedMs, hold.first.untilMs) : ventedMs;
  // What is boxed as late as this has waited elsewhere before, as a rule.
  const firstMs = Math.min(ventedMs, addMinutes(pullMedianMs, ventMin));
  return [
    ...(hold.first && firstMs < boxedMs ? [{ gear: hold.first.gearId, fromMs: firstMs, toMs: boxedMs }] : []),
    ...(boxedMs < carveAtMs ? [{ gear: hold.gearId, fromMs: boxedMs, toMs: carveAtMs }] : []),
  ];
}

const ID_KEYS: Record<string, string> = {
  placeId: 'place',
  batchId: 'batch',
  pitId: 'pit',
  rackId: 'rack',
  servingId: 'serving',
  runId: 'run',
  onTimeShare: 'onTime',
  batchIds: 'batches',
};

/** Data of a code: ids by what they name, figures to a thousandth; an instant of 0 is none. */
export function exchangeData(data: object): Record<string, unknown> {
  const exchanged = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(exchanged)
      : value !== null && typeof value === 'object'
        ? exchangeData(value)
        : typeof value === 'number'
          ? Math.round(value * 1000) / 1000
          : value;
  return Object.fromEntries(
    Object.entries(data)
      .filter(([key, value]) => value !== undefined && !(key.endsWith('Ms') && value === 0))
      .map(([key, value]) => [ID_KEYS[key] ?? key, exchanged(value)]),
  );
}
