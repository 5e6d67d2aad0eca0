import { chanceWithin, type ParameterSet } from '../forecast';
import {
  isPoultry,
  isRoast,
  type Batch,
  type Cut,
  type HoldingBox,
  type Leg,
  type Method,
  type Pit,
  type PlanProblem,
  type Rack,
  type Reason,
  type Run,
  type Serving,
} from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { forecastBatch, type BatchForecast, type ForecastCache, type ForecastContext } from './batchForecast';
import type { BoxLedger } from './boxLedger';
import type { HeatLedger } from './heatLedger';
import type { RackLedger } from './rackLedger';
import { claimedMm2, fitsAlone, footprintOf, type Footprint, type RackRefusal } from './rackLedger';

/** Everything a placement reads; the ledgers are what it writes. */
export interface PlacementContext {
  pits: Pit[];
  boxes: HoldingBox[];
  parameters: ParameterSet;
  altitudeM: number;
  confidence: number;
  earliestMs: number;
  cache: ForecastCache;
  racks: RackLedger;
  heat: HeatLedger;
  boxLedger: BoxLedger;
}

export interface BatchOrder {
  batch: Batch;
  cut: Cut;
  method: Method;
  serving: Serving;
}

/** One way to cook a batch: a pit, its heat, and perhaps another source once it is wrapped. */
interface Option {
  pit: Pit;
  pitC: number;
  finish?: Pit;
  forecast: BatchForecast;
  hotHoldC: number;
}

export interface Placed {
  runs: Run[];
  left: Footprint[];
  problems: PlanProblem[];
  /** Minutes earlier than its serving would allow, summed over pieces. */
  earlierMin: number;
}

const SHIFT_STEP_MIN = 15;
/** A tent keeps meat for this long after its rest; beyond it a box is wanted. */
const TENT_HOLD_MIN = 60;
const HOT_HOLD_C = 60;
/** Food Code 3-401.11(B) with 3-501.16(A): a roast cooked by the table may be held from 54 C. */
const ROAST_HOLD_C = 54;
export const DANGER_ZONE_MAX_MIN = 240;
export const MIN_PIT_C = 107;

const floorFor = (cut: Cut) => (isRoast(cut) && cut.done.by === 'core' && cut.done.coreC < HOT_HOLD_C ? ROAST_HOLD_C : HOT_HOLD_C);

/** Places one batch as late as its serving allows, moving earlier where it must; whoever stays out is reported. */
export function placeBatch(order: BatchOrder, context: PlacementContext): Placed {
  const { batch, cut, method } = order;
  const pieces = batch.pieces.map((piece) => footprintOf(cut, piece)).sort((a, b) => b.kg - a.kg || (a.pieceId < b.pieceId ? -1 : 1));
  const suitable = suitablePits(cut, method, context.pits, pieces);
  if (suitable.problem)
    return { runs: [], left: pieces, problems: [{ ...suitable.problem, batchId: batch.id, pieces: pieces.length }], earlierMin: 0 };

  const options = optionsFor(order, suitable.pits, context);
  const blocked = options.length === 0 ? undefined : unplaceable(order, options);
  if (options.length === 0 || blocked) {
    const problem: PlanProblem = blocked ?? {
      code: 'noSuitablePit',
      severity: 'broken',
      batchId: batch.id,
      pieces: pieces.length,
      need: 'heat',
    };
    return { runs: [], left: pieces, problems: [problem], earlierMin: 0 };
  }

  const longestShiftMin = Math.max(...options.map((option) => slackMin(order, option)));
  const whole = placeTogether(order, context, options, pieces, longestShiftMin);
  if (whole) return whole;
  return placePieceByPiece(order, context, options, pieces, longestShiftMin);
}

function suitablePits(
  cut: Cut,
  method: Method,
  pits: Pit[],
  pieces: Footprint[],
): { pits: Pit[]; problem?: Pick<Extract<PlanProblem, { code: 'noSuitablePit' }>, 'code' | 'severity' | 'need'> } {
  const broken = (need: 'smoke' | 'heat' | 'size') => ({
    pits: [],
    problem: { code: 'noSuitablePit' as const, severity: 'broken' as const, need },
  });
  const smoky = pits.filter((pit) => pit.smoke || !method.needsSmoke);
  if (smoky.length === 0) return broken('smoke');
  const hot = smoky.filter(
    (pit) => pit.rangeC[0] <= method.pitRangeC[1] && pit.rangeC[1] >= method.pitRangeC[0] && pit.rangeC[1] >= MIN_PIT_C,
  );
  if (hot.length === 0) return broken('heat');
  const roomy = hot.filter((pit) => pieces.some((piece) => pit.racks.some((rack) => fitsAlone(rack, piece))));
  if (roomy.length === 0) return broken('size');
  return { pits: roomy };
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

function optionsFor(order: BatchOrder, pits: Pit[], context: PlacementContext): Option[] {
  const { batch, cut, method } = order;
  const hotHoldC = floorFor(cut);
  const forecastContext: ForecastContext = { ...context, hotHoldC, box: context.boxes[0] };
  const options: Option[] = [];
  for (const pit of pits) {
    const low = Math.max(method.pitRangeC[0], pit.rangeC[0], MIN_PIT_C);
    const high = Math.min(method.pitRangeC[1], pit.rangeC[1]);
    const heats = new Set([clamp(method.pitC, low, high)]);
    for (const use of context.heat.of(pit.id)) if (use.pitC >= low && use.pitC <= high) heats.add(use.pitC);
    const finishes = method.finishOffSmoke && method.needsSmoke ? context.pits.filter((other) => other.id !== pit.id && !other.smoke) : [];
    for (const pitC of heats) {
      const add = (finish?: Pit) => {
        const forecast = forecastBatch(context.cache, forecastContext, batch, cut, method, pit, pitC, finish);
        options.push({ pit, pitC, finish, forecast, hotHoldC });
      };
      add();
      for (const finish of finishes) if (pitC >= finish.rangeC[0] && pitC <= finish.rangeC[1]) add(finish);
    }
  }
  const departure = (option: Option) => Math.abs(option.pitC - method.pitC);
  // Meat that needs no smoke leaves the smoke to meat that does.
  const wastesSmoke = (option: Option) => Number(!method.needsSmoke && option.pit.smoke);
  return options.sort(
    (a, b) => Number(Boolean(a.finish)) - Number(Boolean(b.finish)) || wastesSmoke(a) - wastesSmoke(b) || departure(a) - departure(b),
  );
}

/** Reasons that no place on any rack would cure. */
function unplaceable(order: BatchOrder, options: Option[]): PlanProblem | undefined {
  const { batch, cut } = order;
  const common = { severity: 'broken', batchId: batch.id, pieces: batch.pieces.length } as const;
  const done = options.filter((option) => option.forecast.heaviest.status === 'done' && option.forecast.lightest.status === 'done');
  if (done.length === 0) return { code: 'neverDone', ...common, pitC: options[0]!.pitC };
  if (isPoultry(cut)) {
    const quickest = Math.min(...done.map((option) => option.forecast.dangerLateMin));
    if (quickest > DANGER_ZONE_MAX_MIN)
      return { code: 'dangerZone', ...common, minutes: Math.round(quickest), allowedMin: DANGER_ZONE_MAX_MIN };
  }
  return undefined;
}

const offPitMin = (method: Method) => method.ventMin + method.restMin;

/** The longest a piece may wait between vent and rest and carving: the method, the cut, and the heat it keeps. */
function holdLimitMin({ cut, method }: BatchOrder, option: Option, boxed: boolean): number {
  const keepsMin = (boxed ? option.forecast.boxAboveMin : option.forecast.tentAboveMin) - offPitMin(method);
  const usual = boxed ? Math.min(method.holdMaxMin, cut.holdMaxMin, option.forecast.mushMin - offPitMin(method)) : TENT_HOLD_MIN;
  // A roast served rare is below the hot-holding floor by choice: the hold is kept short and the plan says so.
  return servedRare(cut) ? Math.min(usual, TENT_HOLD_MIN) : Math.min(usual, keepsMin);
}

export const servedRare = (cut: Cut): boolean => floorFor(cut) < HOT_HOLD_C;

/** How many minutes earlier than the latest start the hold could still take. */
function slackMin(order: BatchOrder, option: Option): number {
  const spread = option.forecast.pullLateMin - option.forecast.pullEarlyMin;
  return holdLimitMin(order, option, true) - spread;
}

interface Window {
  carveAtMs: number;
  onAtMs: number;
  moveAtMs?: number;
  pullEarlyMs: number;
  pullLateMs: number;
}

const toMinute = (atMs: number) => Math.floor(atMs / MS_PER_MIN) * MS_PER_MIN;

function windowOf({ serving, method }: BatchOrder, { forecast, finish }: Option, shiftMin: number): Window {
  const carveAtMs = addMinutes(serving.atMs, -serving.carveLeadMin);
  const onAtMs = toMinute(addMinutes(carveAtMs, -offPitMin(method) - forecast.pullLateMin - shiftMin));
  const at = (minutes: number) => addMinutes(onAtMs, Math.round(minutes));
  return {
    carveAtMs,
    onAtMs,
    moveAtMs: finish && forecast.wrapLateMin !== undefined ? at(forecast.wrapLateMin) : undefined,
    pullEarlyMs: at(forecast.pullEarlyMin),
    pullLateMs: at(forecast.pullLateMin),
  };
}

type Refusal =
  | RackRefusal
  | { code: 'heat'; setC: number; fromMs: number; toMs: number }
  | { code: 'box'; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'hold'; holdMin: number; allowedMin: number }
  | { code: 'past'; lateByMin: number };

interface Attempt {
  run?: Run;
  taken: Footprint[];
  refusal?: Refusal;
  rack?: Rack;
  pit: Pit;
}

/** Tries to put pieces on at one option and shift; on success the ledgers carry the claim. */
function tryOption(order: BatchOrder, context: PlacementContext, option: Option, pieces: Footprint[], shiftMin: number): Attempt {
  const { cut, method, batch, serving } = order;
  const { pit, finish, forecast, pitC } = option;
  const window = windowOf(order, option, shiftMin);
  const leavesMs = window.moveAtMs ?? window.pullLateMs;
  const refuse = (refusal: Refusal, rack?: Rack): Attempt => ({ taken: [], refusal, rack, pit });
  if (forecast.heaviest.status === 'never' || (isPoultry(cut) && forecast.dangerLateMin > DANGER_ZONE_MAX_MIN))
    return refuse({ code: 'tooLarge' });

  const lightingMs = addMinutes(window.onAtMs, -pit.warmUpMin);
  if (lightingMs < context.earliestMs)
    return refuse({ code: 'past', lateByMin: Math.ceil((context.earliestMs - lightingMs) / MS_PER_MIN) });
  const clash =
    context.heat.conflict({ pitId: pit.id, pitC, fromMs: window.onAtMs, toMs: leavesMs }) ??
    (finish && context.heat.conflict({ pitId: finish.id, pitC, fromMs: leavesMs, toMs: window.pullLateMs }));
  if (clash) return refuse({ code: 'heat', setC: clash.pitC, fromMs: clash.fromMs, toMs: clash.toMs });

  const holdMin = (window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN - offPitMin(method);
  const tentLimitMin = holdLimitMin(order, option, false);
  const boxed = holdMin > tentLimitMin;
  const limitMin = boxed && context.boxes.length > 0 ? holdLimitMin(order, option, true) : tentLimitMin;
  if (holdMin > limitMin) return refuse({ code: 'hold', holdMin: Math.round(holdMin), allowedMin: Math.round(limitMin) });

  const first = lay(context.racks, pit, cut, pieces, window.onAtMs, leavesMs);
  const second = finish ? lay(context.racks, finish, cut, first.taken, leavesMs, window.pullLateMs) : undefined;
  const taken = second ? second.taken : first.taken;
  if (taken.length === 0) {
    const failed = first.taken.length === 0 ? first : second!;
    return { taken: [], refusal: failed.refusal ?? { code: 'tooLarge' }, rack: failed.rack, pit: first.taken.length === 0 ? pit : finish! };
  }

  const kg = taken.reduce((sum, piece) => sum + piece.kg, 0);
  let gearId = 'board';
  if (boxed) {
    const claim = context.boxLedger.claim(kg, window.pullEarlyMs, window.carveAtMs);
    if ('shortLitres' in claim)
      return refuse({ code: 'box', shortLitres: claim.shortLitres, fromMs: window.pullEarlyMs, toMs: window.carveAtMs });
    gearId = claim.box.id;
  }

  const kept = new Set(taken);
  const legs = [
    ...legsOf(pit, first.byRack, kept, window.onAtMs, leavesMs),
    ...(finish && second ? legsOf(finish, second.byRack, kept, leavesMs, window.pullLateMs) : []),
  ];
  const poultry = isPoultry(cut);
  for (const leg of legs) context.racks.add({ ...leg, poultry });
  context.heat.add({ pitId: pit.id, pitC, fromMs: window.onAtMs, toMs: leavesMs });
  if (finish) context.heat.add({ pitId: finish.id, pitC, fromMs: leavesMs, toMs: window.pullLateMs });

  const at = (minutes: number | undefined) => (minutes === undefined ? undefined : addMinutes(window.onAtMs, Math.round(minutes)));
  const waitMin = Math.round((window.carveAtMs - window.pullEarlyMs) / MS_PER_MIN);
  const cooling = boxed ? forecast.boxC : forecast.tentC;
  const availableMin = (window.carveAtMs - window.onAtMs) / MS_PER_MIN - offPitMin(method);
  const run: Run = {
    id: '',
    batchId: batch.id,
    pieceIds: taken.map((piece) => piece.pieceId),
    kg,
    pitId: pit.id,
    pitC,
    onAtMs: window.onAtMs,
    wrapAtMs: at(forecast.wrapMin),
    unwrapAtMs: at(forecast.unwrapMin),
    moveAtMs: window.moveAtMs,
    pullEarlyMs: window.pullEarlyMs,
    pullMedianMs: at(forecast.pullMedianMin)!,
    pullLateMs: window.pullLateMs,
    pullCoreC: forecast.heaviest.doneCoreC,
    ventMin: method.ventMin,
    restMin: method.restMin,
    carveAtMs: window.carveAtMs,
    legs,
    hold: {
      gearId,
      fromEarlyMs: addMinutes(window.pullEarlyMs, offPitMin(method)),
      fromLateMs: addMinutes(window.pullLateMs, offPitMin(method)),
      toMs: window.carveAtMs,
      coolestAtCarveC: cooling[Math.min(waitMin, cooling.length - 1)]!,
    },
    onTimeShare: chanceWithin(forecast.timeLogSd, forecast.pullMedianMin, availableMin),
    why: whyOf(order, option, window, context.confidence, serving.id),
  };
  return { run, taken, pit };
}

function whyOf(
  { method }: BatchOrder,
  { pit, pitC, finish, forecast }: Option,
  window: Window,
  confidence: number,
  servingId: string,
): Reason[] {
  const why: Reason[] = [
    { code: 'servingNeeds', servingId, carveAtMs: window.carveAtMs },
    { code: 'restNeeds', ventMin: method.ventMin, restMin: method.restMin },
    { code: 'cookTakes', medianMin: Math.round(forecast.pullMedianMin), lateMin: Math.round(forecast.pullLateMin), confidence },
  ];
  if (Math.abs(pitC - method.pitC) > 0.5) why.push({ code: 'sharesHeat', pitId: pit.id, pitC, wantedC: method.pitC });
  if (finish && window.moveAtMs !== undefined) why.push({ code: 'finishesElsewhere', pitId: finish.id, atMs: window.moveAtMs });
  return why;
}

interface Laid {
  taken: Footprint[];
  byRack: Map<string, Footprint[]>;
  refusal?: RackRefusal;
  rack?: Rack;
}

/** Spreads pieces over a pit's racks: poultry from the bottom up, everything else from the top down. */
function lay(ledger: RackLedger, pit: Pit, cut: Cut, pieces: Footprint[], fromMs: number, toMs: number): Laid {
  const lowFirst = isPoultry(cut) ? 1 : -1;
  const racks = [...pit.racks].sort((a, b) => lowFirst * (a.level - b.level));
  const byRack = new Map<string, Footprint[]>();
  let left = pieces;
  let refusal: RackRefusal | undefined;
  let refusedBy: Rack | undefined;
  for (const rack of racks) {
    if (left.length === 0) break;
    const filled = ledger.fill(pit, rack, cut, left, fromMs, toMs);
    if (filled.taken.length > 0) byRack.set(rack.id, filled.taken);
    if (filled.refusal && (!refusal || refusal.code === 'tooLarge')) {
      refusal = filled.refusal;
      refusedBy = rack;
    }
    left = left.filter((piece) => !filled.taken.includes(piece));
  }
  return { taken: pieces.filter((piece) => !left.includes(piece)), byRack, refusal, rack: refusedBy };
}

function legsOf(pit: Pit, byRack: Map<string, Footprint[]>, kept: Set<Footprint>, fromMs: number, toMs: number): Leg[] {
  const legs: Leg[] = [];
  for (const [rackId, all] of byRack) {
    const pieces = all.filter((piece) => kept.has(piece));
    if (pieces.length === 0) continue;
    legs.push({
      pitId: pit.id,
      rackId,
      pieceIds: pieces.map((piece) => piece.pieceId),
      fromMs,
      toMs,
      areaMm2: pieces.reduce((sum, piece) => sum + claimedMm2(piece), 0),
      kg: pieces.reduce((sum, piece) => sum + piece.kg, 0),
    });
  }
  return legs;
}

interface Marks {
  racks: number;
  heat: number;
  box: number;
}
const mark = (context: PlacementContext): Marks => ({
  racks: context.racks.snapshot(),
  heat: context.heat.snapshot(),
  box: context.boxLedger.snapshot(),
});
function rollBack(context: PlacementContext, marks: Marks): void {
  context.racks.rollBack(marks.racks);
  context.heat.rollBack(marks.heat);
  context.boxLedger.rollBack(marks.box);
}

/** All pieces at one shift: on one pit if it can be, else over several. The latest such shift wins. */
function placeTogether(
  order: BatchOrder,
  context: PlacementContext,
  options: Option[],
  pieces: Footprint[],
  longestShiftMin: number,
): Placed | undefined {
  let firstRefusal: Attempt | undefined;
  for (let shiftMin = 0; shiftMin <= Math.max(0, longestShiftMin); shiftMin += SHIFT_STEP_MIN) {
    for (const spread of [false, true]) {
      const marks = mark(context);
      const runs: Run[] = [];
      let left = pieces;
      for (const option of options) {
        const before = mark(context);
        const attempt = tryOption(order, context, option, left, shiftMin);
        if (attempt.refusal) firstRefusal ??= attempt;
        if (!attempt.run) continue;
        if (!spread && attempt.taken.length < left.length) {
          rollBack(context, before);
          continue;
        }
        runs.push(attempt.run);
        left = left.filter((piece) => !attempt.taken.includes(piece));
        if (left.length === 0) {
          if (shiftMin > 0 && firstRefusal) for (const run of runs) run.why.push(movedReason(firstRefusal, shiftMin));
          return { runs, left: [], problems: [], earlierMin: shiftMin * pieces.length };
        }
      }
      rollBack(context, marks);
    }
  }
  return undefined;
}

function movedReason(attempt: Attempt, minutes: number): Reason {
  const { refusal, pit, rack } = attempt;
  const blockedUntilMs = refusal && 'toMs' in refusal ? refusal.toMs : 0;
  return { code: 'movedEarlier', minutes, pitId: pit.id, rackId: rack?.id ?? pit.racks[0]!.id, blockedUntilMs };
}

/** What fits at each shift, later starts first; the rest is reported with what is short. */
function placePieceByPiece(
  order: BatchOrder,
  context: PlacementContext,
  options: Option[],
  pieces: Footprint[],
  longestShiftMin: number,
): Placed {
  const runs: Run[] = [];
  let left = pieces;
  let earlierMin = 0;
  let reported: Attempt | undefined;
  for (let shiftMin = 0; shiftMin <= Math.max(0, longestShiftMin) && left.length > 0; shiftMin += SHIFT_STEP_MIN) {
    for (const option of options) {
      if (left.length === 0) break;
      const attempt = tryOption(order, context, option, left, shiftMin);
      if (attempt.refusal) reported = tellsMore(reported, attempt);
      if (!attempt.run) continue;
      if (shiftMin > 0 && reported) attempt.run.why.push(movedReason(reported, shiftMin));
      runs.push(attempt.run);
      earlierMin += shiftMin * attempt.taken.length;
      left = left.filter((piece) => !attempt.taken.includes(piece));
    }
  }
  if (left.length > 0 && !reported?.refusal)
    reported = options.map((option) => tryOption(order, context, option, left, 0)).find((attempt) => attempt.refusal);
  const problems = left.length > 0 && reported?.refusal ? [problemOf(order, left.length, reported, options[0]!)] : [];
  return { runs, left, problems, earlierMin };
}

/** A refusal that names what is short says more than one that only says no. */
const TELLING: Refusal['code'][] = ['areaShort', 'loadShort', 'heat', 'box', 'poultryAbove', 'hold', 'past', 'tooLarge'];
function tellsMore(kept: Attempt | undefined, next: Attempt): Attempt {
  if (!kept?.refusal) return next;
  return TELLING.indexOf(next.refusal!.code) < TELLING.indexOf(kept.refusal.code) ? next : kept;
}

function problemOf({ batch, method }: BatchOrder, pieces: number, attempt: Attempt, option: Option): PlanProblem {
  const common = { severity: 'broken', batchId: batch.id, pieces } as const;
  const refusal = attempt.refusal!;
  const rackId = attempt.rack?.id ?? attempt.pit.racks[0]!.id;
  switch (refusal.code) {
    case 'areaShort':
      return {
        code: 'rackFull',
        ...common,
        pitId: attempt.pit.id,
        rackId,
        shortMm2: refusal.shortMm2,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'loadShort':
      return {
        code: 'rackOverloaded',
        ...common,
        pitId: attempt.pit.id,
        rackId,
        shortKg: refusal.shortKg,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'heat':
      return {
        code: 'heatConflict',
        ...common,
        pitId: attempt.pit.id,
        wantedC: method.pitC,
        setC: refusal.setC,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'box':
      return { code: 'boxFull', ...common, shortLitres: refusal.shortLitres, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'poultryAbove':
      return { code: 'poultryAbove', ...common, pitId: attempt.pit.id, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'hold':
      return { code: 'holdTooLong', ...common, holdMin: refusal.holdMin, allowedMin: refusal.allowedMin };
    case 'past':
      return { code: 'alreadyPast', ...common, lateByMin: refusal.lateByMin };
    case 'tooLarge':
      return option.forecast.heaviest.status === 'never'
        ? { code: 'neverDone', ...common, pitC: option.pitC }
        : { code: 'noSuitablePit', ...common, need: 'size' };
  }
}
