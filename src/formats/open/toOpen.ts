import {
  CUTS,
  DEFAULT_VENUE,
  MILD_DAY,
  type Cut,
  type Firing,
  type Method,
  type Pit,
  type Plan,
  type Rack,
  type Run,
} from '../../core/model';
import { batchOrders, searchInputOf, travelOf, type PlanInput } from '../../core/planning';
import { SHIPPED_PARAMETERS } from '../../core/forecast';
import { newForecastCache } from '../../core/schedule';
import { addMinutes } from '../../core/units';
import { rfc3339 } from '../clock';
import { openTasksOf } from './openTasks';
import type { OpenBatch, OpenCut, OpenEvent, OpenFire, OpenMethod, OpenPit, OpenPlan, OpenRack, OpenRun } from '../../core/model';

/** What of an event the rules are about, as the checker reads it. Only batches that can be planned are there. */
export function openEventOf(input: PlanInput): OpenEvent {
  const { event } = input;
  const time = (ms: number) => rfc3339(ms, event.timeZone);
  const venue = { ...DEFAULT_VENUE, ...event.venue };
  const orders = batchOrders(input);
  const { limits, airGapMm } = searchInputOf(input, newForecastCache(), SHIPPED_PARAMETERS);
  const own = [...new Map(orders.map(({ cut }) => [cut.id, cut])).values()].filter((cut) => isOwn(cut));
  return {
    format: 'anachron-event',
    version: 1,
    name: event.name,
    timeZone: event.timeZone,
    altitudeM: event.altitudeM,
    workFrom: time(input.earliestMs),
    confidence: event.confidence,
    weather: { ...(event.weather ?? MILD_DAY), rain: false },
    quietHours: { from: venue.quietFrom, to: venue.quietTo },
    rules: { airGapMm, hotHoldC: limits.hotHold, minPitC: limits.bareMeatPit, dangerZoneMaxMin: limits.dangerZone },
    servings: event.servings.map((serving) => ({
      id: serving.id,
      name: serving.name,
      at: time(serving.atMs),
      serveForMin: Math.round(serving.serveForMin),
      guests: { adults: serving.guests.adults, children: serving.guests.children },
      carveLeadMin: Math.round(serving.carveLeadMin),
      ...travelOf(event, serving),
    })),
    batches: orders.map(({ batch, cut, method, nonIntact }): OpenBatch => ({
      id: batch.id,
      serving: batch.servingId,
      cut: cut.id,
      method: openMethodOf(method),
      pieces: batch.pieces.map(({ id, kg, lengthMm, widthMm, thicknessMm, startC = 4 }) => ({
        id,
        kg,
        lengthMm,
        widthMm,
        thicknessMm,
        startC,
      })),
      ...(batch.label && { 'x-label': batch.label }),
      ...(nonIntact && { 'x-nonIntact': true }),
    })),
    pits: input.pits.map(openPitOf),
    holding: [
      ...input.boxes.map(({ id, litres, lossWPerK }) => ({ id, kind: 'insulated-box' as const, litres, lossWPerK })),
      ...(input.warmers ?? []).map(({ id, kind, slots, setC }) => ({
        id,
        kind: kind === 'steam table' ? ('steam-table' as const) : ('warmer' as const),
        slots,
        setC,
      })),
    ],
    crew: (event.duty ?? []).map(({ memberId, fromMs, toMs }) => ({ id: memberId, from: time(fromMs), to: time(toMs) })),
    ...(own.length > 0 && { cuts: own.map(openCutOf) }),
  };
}

/** Whether a cut differs from the shipped one in what a file holds; a trim learned on the scale does not make it another. */
const isOwn = (cut: Cut) =>
  !CUTS.some((shipped) => shipped.id === cut.id && JSON.stringify(openCutOf(shipped)) === JSON.stringify(openCutOf(cut)));

const openCutOf = ({
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
}: Cut): OpenCut => ({
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

const openMethodOf = (method: Method): OpenMethod => ({
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
  ...(!method.needsSmoke && { 'x-smokeless': true }),
  ...(method.unwrapAfterMin !== undefined && { 'x-unwrapAfterMin': method.unwrapAfterMin }),
});

const openPitOf = (pit: Pit): OpenPit => ({
  id: pit.id,
  name: pit.name,
  kind: pit.kind,
  smoke: pit.smoke,
  travels: pit.travels ?? false,
  rangeC: pit.rangeC,
  warmUpMin: pit.warmUpMin,
  openingDropC: pit.openingDropC,
  recoverMin: pit.recoverMin,
  racks: pit.racks.map(openRackOf),
});

const openRackOf = ({ id, round, widthMm, depthMm, clearanceMm, maxKg, level, zones, blocked }: Rack): OpenRack => ({
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
  remedies?: OpenPlan['remedies'];
}

/** A plan of the product as its file has it. */
export function openPlanOf({ event, pits }: Pick<PlanInput, 'event' | 'pits'>, plan: Plan, verdict: Verdict = {}): OpenPlan {
  const time = (ms: number) => rfc3339(ms, event.timeZone);
  const broken = plan.problems.some((problem) => problem.severity === 'broken');
  return {
    format: 'anachron-plan',
    version: 1,
    status: broken ? 'infeasible' : 'feasible',
    ...(broken && { proof: verdict.proof ?? false }),
    event: event.name,
    seed: plan.scheme.seed,
    iterations: plan.scheme.iterations,
    confidence: plan.confidence,
    pits: pits.flatMap((pit) => openFireOf(pit, plan.firings, time)),
    runs: plan.runs.map((run) => openRunOf(run, time)),
    tasks: openTasksOf(plan, time),
    servings: plan.odds.map(({ servingId, onTimeShare, expectedLateMin }) => ({ id: servingId, onTime: onTimeShare, expectedLateMin })),
    objective: { value: [...plan.objective], lower: [...plan.lower] },
    problems: plan.problems.map((problem) => {
      const { code, severity, ...data } = problem;
      return { code, severity, ...openData(data, time) };
    }),
    ...(broken && { conflict: verdict.conflict ?? [], remedies: verdict.remedies ?? [] }),
  };
}

/** One fire for each pit: it is kept in between, as far as the file goes. */
function openFireOf(pit: Pit, firings: readonly Firing[], time: (ms: number) => string): OpenFire[] {
  const own = firings.filter((firing) => firing.pitId === pit.id);
  const [first] = own;
  if (!first) return [];
  const setPoints: OpenFire['setPoints'] = [];
  for (const firing of own)
    firing.setPoints.forEach(({ atMs, pitC }, i) => {
      if (setPoints.at(-1)?.c !== pitC) setPoints.push({ at: time(i === 0 ? firing.lightAtMs : atMs), c: pitC });
    });
  return [{ id: pit.id, lightAt: time(first.lightAtMs), readyAt: time(first.readyAtMs), setPoints, offAt: time(own.at(-1)!.offAtMs) }];
}

function openRunOf(run: Run, time: (ms: number) => string): OpenRun {
  const ventedMs = addMinutes(run.pullLateMs, run.ventMin);
  return {
    batch: run.batchId,
    pieces: run.pieceIds,
    onAt: time(run.onAtMs),
    ...(run.wrapAtMs !== undefined && { wrapAt: time(run.wrapAtMs) }),
    pullEarly: time(run.pullEarlyMs),
    pullMedian: time(run.pullMedianMs),
    pullLate: time(run.pullLateMs),
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
        from: time(leg.fromMs),
        to: time(leg.toMs),
      })),
    ),
    holds: ventedMs < run.carveAtMs ? [{ gear: run.hold.gearId, from: time(ventedMs), to: time(run.carveAtMs) }] : [],
    carveAt: time(run.carveAtMs),
    why: run.why.map(({ code, ...data }) => ({ code, ...openData(data, time) })),
  };
}

const ID_KEYS: Record<string, string> = {
  batchId: 'batch',
  pitId: 'pit',
  rackId: 'rack',
  servingId: 'serving',
  runId: 'run',
  onTimeShare: 'onTime',
  batchIds: 'batches',
};

/** Data of a code as the files have it: instants as text, ids by what they name. */
export function openData(data: object, time: (ms: number) => string): Record<string, unknown> {
  const open = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(open)
      : value !== null && typeof value === 'object'
        ? openData(value, time)
        : typeof value === 'number'
          ? Math.round(value * 1000) / 1000
          : value;
  return Object.fromEntries(
    Object.entries(data)
      .filter(([, value]) => value !== undefined)
      .map(([key, value]) =>
        key.endsWith('Ms') && typeof value === 'number'
          ? [key.slice(0, -2), value === 0 ? undefined : time(value)]
          : [ID_KEYS[key] ?? key, open(value)],
      )
      .filter(([, value]) => value !== undefined),
  );
}
