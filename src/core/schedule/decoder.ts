import type { DayWeather, Firing, ManualPlacement, Objective, Override, Piece, Pin, Plan, PlanProblem, Run, Scheme, Shift } from '../model';
import { claimedMm2 } from '../packing';
import { unattendedFires } from './findings';
import { laden } from './laden';
import { holdProblems, namedRuns, placementProblems, tightestMoment } from './findings';
import { placeOf } from './holding';
import { firingsOf } from './firings';
import { CrewLedger } from './crewLedger';
import { HeatLedger } from './heatLedger';
import { HoldLedger } from './holdLedger';
import { departuresH, objectiveOf, qualityOf, type JudgedBy } from './objective';
import { floorFor } from './alternatives';
import type { BatchOrder } from './order';
import { mark, rollBack, type Marks, type PlacementContext } from './placement';
import { forcePlace } from './forcePlace';
import { placeBatch, type Placed } from './placeBatch';
import { footprintOf, pieceKey, RackLedger, type PackingMemo } from './rackLedger';
import type { Whereabouts } from '../travel';
import { oddsFor, type LateRun } from './servingOdds';
import { forecastBatch } from './batchForecast';

/** All that a schedule depends on beside its batches. */
export interface SearchInput extends Omit<PlacementContext, 'racks' | 'heat' | 'holds' | 'crewLedger' | 'whereabouts'> {
  /** Who and what is where when servings are got to in these ways. */
  travelFor(choices: NonNullable<Scheme['travel']>): Whereabouts;
  /** Servings that are not where things are: how they are got to is part of the search. */
  away: readonly AwayServing[];
  quiet: readonly Shift[];
  weather: DayWeather;
  pins: readonly Pin[];
}

/** A serving that one drives to, with what may go along. */
export interface AwayServing {
  id: string;
  /** How long before it those must leave who cook there, for its longest cook and each shorter one. */
  aheadMins(): number[];
  people: readonly string[];
  gearIds: readonly string[];
  pitIds: readonly string[];
}

export type Schedule = Pick<Plan, 'runs' | 'firings' | 'problems' | 'trips' | 'travelWork' | 'stays' | 'odds' | 'objective' | 'tightest'>;

interface Step {
  /** The batch, or a pin of it. */
  key: string;
  /** The batch. */
  id: string;
  override: string;
  placed: Placed;
  /** It lies where its scheme puts it, and so does everything before it. */
  pure: boolean;
}

/** A scheme made into a plan; what it was made of is kept, so that a like scheme need not be made anew. */
export interface Decoded {
  scheme: Scheme;
  objective: Objective;
  /** Kilograms that found no place: tells two broken plans apart. */
  leftKg: number;
  steps: Step[];
  /** In the order in which they go on, unnamed. */
  runs: Run[];
  firings: Firing[];
  /** Fires that nobody can light, or that would burn alone. */
  fireTroubles: PlanProblem[];
  /** Batches of servings below the wished confidence, with the share of days on which each is late, the worst first. */
  atRisk: LateRun[];
  /** Piece-hours by which runs depart from their band and their heat, the worst first. */
  departing: { batchId: string; hours: number }[];
}

/** The search aims a little higher than what is wished: on fresh days its plan comes out that much less sure. */
const AIM_SHARE = 0.15;
const aimFor = (confidence: number): number => confidence + AIM_SHARE * (1 - confidence);

/** What a batch asks of the pits: long, tight-heated, large batches first. */
export function byPitSpace(a: BatchOrder, b: BatchOrder): number {
  const demand = ({ batch, cut, method }: BatchOrder) =>
    batch.pieces.reduce((sum, piece) => sum + claimedMm2(footprintOf(cut, batch.id, piece)) * Math.pow(piece.kg, 2 / 3), 0) /
    (method.pitRangeC[1] - method.pitRangeC[0] + 5);
  return demand(b) - demand(a);
}

/** Whether what is known of a plan before its fires and its odds already makes it worse than another. */
function isWorseThan(
  { objective: [broken, risk, qualityH], leftKg }: Decoded,
  known: { left: number; leftKg: number; qualityH: number },
): boolean {
  if (known.left !== broken) return known.left > broken;
  if (broken > 0 && Math.abs(known.leftKg - leftKg) > 1e-9) return known.leftKg > leftKg;
  return risk === 0 && known.qualityH > qualityH + 1e-9;
}

/** Places that a pin keeps of the pieces it holds. */
const placedBy = ({ batchId, places = [] }: Pin, { batch }: BatchOrder): ManualPlacement[] =>
  places.filter((place) => batch.pieces.some((piece) => piece.id === place.pieceId)).map((place) => ({ batchId, ...place }));

const partOf = (order: BatchOrder, pieces: readonly Piece[]): BatchOrder =>
  pieces.length === order.batch.pieces.length ? order : { ...order, batch: { ...order.batch, pieces: [...pieces] } };

/**
 * Places batches one after another by a scheme. Between two schemes only the batches after the first
 * difference are placed anew; the ledgers go back to that point. The plan is the same as from scratch
 * (tests/properties).
 */
export class Decoder {
  readonly orders: ReadonlyMap<string, BatchOrder>;
  private context: PlacementContext;
  private travel = '{}';
  private readonly sizes: Map<string, ReturnType<typeof footprintOf>>;
  readonly odds: ReturnType<typeof oddsFor>;
  private readonly contextFor: (whereabouts: Whereabouts) => PlacementContext;
  readonly judgedBy: JudgedBy;
  private readonly usual: string[];
  /** Pieces that the owner has put somewhere, each pin as an order of its own. */
  private readonly pinned = new Map<string, { order: BatchOrder; pin: Pin }>();
  /** What of each batch is left to the search. */
  private readonly free = new Map<string, BatchOrder>();
  private readonly ceilings = new WeakMap<Run, number>();
  private readonly departures = new WeakMap<Run, number>();
  private readonly texts = new WeakMap<Override, string>();
  private steps: Step[] = [];
  private marks: Marks[] = [];

  constructor(
    orders: readonly BatchOrder[],
    readonly input: SearchInput,
    memo: PackingMemo = new Map(),
    toldOn?: { days: number; seed: string },
  ) {
    this.orders = new Map(orders.map((order) => [order.batch.id, order]));
    this.odds = oddsFor(this.orders, input.pits, input.law, toldOn);
    this.usual = [...orders].sort(byPitSpace).map((order) => order.batch.id);
    this.setPins(orders);
    this.sizes = new Map(
      orders
        .flatMap(({ batch, cut }) => batch.pieces.map((piece) => footprintOf(cut, batch.id, piece)))
        .map((each) => [pieceKey(each), each]),
    );
    const manualPlacements = [...input.manualPlacements, ...[...this.pinned.values()].flatMap(({ pin, order }) => placedBy(pin, order))];
    this.contextFor = (whereabouts) => {
      const crewLedger = new CrewLedger(whereabouts.crew);
      for (const { who, atMs, minutes } of whereabouts.work) crewLedger.retake(who, atMs, minutes);
      return {
        ...input,
        whereabouts,
        manualPlacements,
        racks: new RackLedger(manualPlacements, this.sizes, memo, input.airGapMm),
        heat: new HeatLedger(),
        holds: new HoldLedger(),
        crewLedger,
      };
    };
    this.context = this.contextFor(input.travelFor({}));
    this.judgedBy = {
      orders: this.orders,
      pits: input.pits,
      confidence: aimFor(input.confidence),
      quiet: input.quiet,
      weather: input.weather,
    };
  }

  /** Splits the batches into what is pinned and what is left; a pin on a pit that is gone holds nothing. */
  private setPins(orders: readonly BatchOrder[]): void {
    const { pins, pits } = this.input;
    for (const order of orders) {
      const { batch } = order;
      let left = batch.pieces;
      for (const pin of pins.filter((each) => each.batchId === batch.id && pits.some((pit) => pit.id === each.pitId))) {
        const held = left.filter((piece) => !pin.pieceIds || pin.pieceIds.includes(piece.id));
        if (held.length === 0) continue;
        left = left.filter((piece) => !held.includes(piece));
        this.pinned.set(`${batch.id}/pin${this.pinned.size + 1}`, { order: partOf(order, held), pin });
      }
      if (left.length > 0) this.free.set(batch.id, partOf(order, left));
    }
  }

  /** Whether all of a batch is pinned. */
  isHeld(id: string): boolean {
    return this.orders.has(id) && !this.free.has(id);
  }

  /** The steps of a scheme: pins first, then batches in its order, unknown ones left out, new ones last. */
  private sequence(scheme: Scheme): string[] {
    const batches = [...new Set([...scheme.order, ...this.usual])].filter((id) => this.orders.has(id));
    const rank = (key: string) => batches.indexOf(this.pinned.get(key)!.order.batch.id);
    const pinned = [...this.pinned.keys()].sort((a, b) => rank(a) - rank(b));
    return [...pinned, ...batches.filter((id) => this.free.has(id))];
  }

  /**
   * The plan of a scheme. `known` is that plan, made before, to be taken up again. `kept` are steps of another plan that stay as
   * they lie there: what else there is goes round them. Such a plan breaks no rule, but a scheme that was decoded
   * from nothing may come to another.
   */
  decode(scheme: Scheme, known?: Decoded, kept?: ReadonlyMap<string, Placed>): Decoded {
    return this.decodeTo(scheme, known, kept)!;
  }

  /**
   * The same, every batch that is not kept whole and within so many minutes of its wish; nothing when one of them cannot be,
   * or when the plan is worse than `bar`.
   */
  decodeNear(scheme: Scheme, kept: ReadonlyMap<string, Placed>, reachMin: number, bar?: Decoded): Decoded | undefined {
    return this.decodeTo(scheme, undefined, kept, reachMin, bar);
  }

  private decodeTo(
    scheme: Scheme,
    known?: Decoded,
    kept?: ReadonlyMap<string, Placed>,
    reachMin?: number,
    bar?: Decoded,
  ): Decoded | undefined {
    const keys = this.sequence(scheme);
    const travel = JSON.stringify(scheme.travel ?? {});
    if (travel !== this.travel) {
      this.travel = travel;
      this.context = this.contextFor(this.input.travelFor(scheme.travel ?? {}));
      this.steps = [];
      this.marks = [];
    }
    let same = 0;
    const batchOf = (key: string) => this.pinned.get(key)?.order.batch.id ?? key;
    const choiceOf = (key: string) => this.textOf(scheme.overrides[batchOf(key)]);
    const isThere = (i: number): boolean => {
      const [step, key] = [this.steps[i]!, keys[i]!];
      if (step.key !== key || step.override !== choiceOf(key)) return false;
      return known ? known.steps[i]?.placed === step.placed : kept ? kept.get(key) === step.placed : step.pure;
    };
    while (same < keys.length && same < this.steps.length && isThere(same)) same++;
    if (same < this.steps.length) rollBack(this.context, this.marks[same]!);
    this.steps.length = same;
    this.marks.length = same;
    for (let i = same; i < keys.length; i++) {
      const key = keys[i]!;
      const override = choiceOf(key);
      this.marks.push(mark(this.context));
      const before = known?.steps[i];
      const again = before && before.key === key && before.override === override ? before.placed : kept?.get(key);
      if (!again) known = undefined;
      const pure = reachMin === undefined && (this.steps.at(-1)?.pure ?? true) && (again === undefined || Boolean(known?.steps[i]!.pure));
      const placed = again ? this.replace(again) : this.place(key, scheme, reachMin);
      this.steps.push({ key, id: batchOf(key), override, placed, pure });
      if (reachMin !== undefined && !again && placed.left.length > 0) return undefined;
    }
    return known ?? this.judge(scheme, bar);
  }

  /** Takes up a plan made before, without looking for places again. */
  restore(decoded: Decoded): void {
    this.decode(decoded.scheme, decoded);
  }

  private place(key: string, scheme: Scheme, reachMin?: number): Placed {
    const pinned = this.pinned.get(key);
    if (pinned) return forcePlace(pinned.order, this.context, pinned.pin);
    const override = scheme.overrides[key];
    const held = [...this.pinned.values()].filter((each) => each.order.batch.id === key).length;
    // A pinned run is one of the runs the batch was to be split into.
    const left = override?.parts && held > 0 ? { ...override, parts: Math.max(1, override.parts - held) } : override;
    return placeBatch(this.free.get(key)!, this.context, left, reachMin);
  }

  private replace(placed: Placed): Placed {
    for (const run of placed.runs) for (const work of run.work) this.context.crewLedger.retake(work.who, work.atMs, work.minutes);
    for (const claims of placed.claims) {
      for (const use of claims.racks) this.context.racks.add(use);
      for (const use of claims.heat) this.context.heat.add(use);
      for (const use of claims.holds) this.context.holds.add(use);
    }
    return placed;
  }

  /** Wishes are never changed once they are made: each is written once. */
  private textOf(override: Override | undefined): string {
    if (!override) return '{}';
    let text = this.texts.get(override);
    if (text === undefined) this.texts.set(override, (text = JSON.stringify(override)));
    return text;
  }

  /** What the plan that was laid out comes to; nothing as soon as it is seen to be worse than `bar`. */
  private judge(scheme: Scheme, bar?: Decoded): Decoded | undefined {
    const { input, context } = this;
    const { whereabouts } = context;
    const runs = this.steps.flatMap(({ placed }) => placed.runs);
    const left = this.steps.flatMap(({ placed }) => placed.left);
    const leftKg = left.reduce((sum, piece) => sum + piece.kg, 0);
    const qualityH = qualityOf(runs, (run) => this.departuresH(run));
    if (bar && isWorseThan(bar, { left: left.length + whereabouts.troubles.length, leftKg, qualityH })) return undefined;
    const before = context.crewLedger.snapshot();
    const { firings, unlit } = firingsOf(input.pits, context.heat, context.crewLedger, whereabouts, input.earliestMs);
    context.crewLedger.rollBack(before);
    const fireTroubles: PlanProblem[] = [
      ...unlit.map((firing): PlanProblem => ({ code: 'nobodyToLight', severity: 'broken', pitId: firing.pitId, atMs: firing.lightAtMs })),
      ...unattendedFires(input.pits, firings, whereabouts),
    ];
    const odds = this.odds.searched.of(runs);
    const objective = objectiveOf(
      { runs, firings, trips: whereabouts.trips, broken: left.length + whereabouts.troubles.length + fireTroubles.length, odds, qualityH },
      this.judgedBy,
    );
    const departing = runs.map((run) => ({ batchId: run.batchId, hours: this.departuresH(run) })).sort((a, b) => b.hours - a.hours);
    const atRisk = this.odds.searched.lateRuns(runs, this.judgedBy.confidence);
    runs.sort((a, b) => a.onAtMs - b.onAtMs);
    return { scheme, objective, leftKg, atRisk, departing, steps: [...this.steps], runs, firings, fireTroubles };
  }

  /**
   * A plan as it is told: with names, with everything that is wrong with it, and with its odds on days that it was not picked on.
   * Of many plans tried on the same days the best is always a little luckier there than elsewhere.
   */
  told(decoded: Decoded): Schedule {
    this.restore(decoded);
    const { input, context, orders } = this;
    const { whereabouts } = context;
    const runs = namedRuns(orders.values(), decoded.runs);
    const odds = this.odds.told.of(decoded.runs);
    const problems: PlanProblem[] = [
      ...whereabouts.troubles.map((trouble): PlanProblem => ({ ...trouble, severity: 'broken' })),
      ...decoded.steps.flatMap(({ placed }) => placed.problems),
      ...decoded.fireTroubles,
      ...holdProblems(orders.values(), runs, input.limits.hotHold, (run) => this.ceilingMin(run)),
      ...(input.manualPlacements.length > 0 ? placementProblems(input.pits, context.racks, this.sizes) : []),
      ...odds
        .filter(({ onTimeShare }) => onTimeShare < input.confidence)
        .map(({ servingId, onTimeShare }): PlanProblem => ({ code: 'servingRisk', severity: 'warning', servingId, onTimeShare })),
    ];
    return {
      runs,
      firings: decoded.firings,
      problems,
      trips: laden(whereabouts, runs),
      travelWork: whereabouts.work,
      ...(whereabouts.crew && {
        stays: [...whereabouts.crew].flatMap(([memberId, stays]) => stays.map((stay) => ({ memberId, ...stay }))),
      }),
      odds,
      objective: decoded.objective,
      tightest: tightestMoment(input.pits, context.racks),
    };
  }

  /** Runs of servings that are less sure than was asked on the days a plan is told by, the worst first. */
  atRiskAsTold({ runs }: Decoded): LateRun[] {
    return this.odds.told.lateRuns(runs, this.input.confidence);
  }

  /** Piece-hours by which a run departs from its band and its heat. */
  departuresH(run: Run): number {
    let hours = this.departures.get(run);
    if (hours === undefined) this.departures.set(run, (hours = departuresH(this.orders.get(run.batchId)!, run, this.ceilingMin(run))));
    return hours;
  }

  /** How long a run bears being held where it is. */
  ceilingMin(run: Run): number {
    let ceiling = this.ceilings.get(run);
    if (ceiling === undefined) this.ceilings.set(run, (ceiling = this.ceilingOf(run)));
    return ceiling;
  }
  private ceilingOf(run: Run): number {
    const order = this.orders.get(run.batchId)!;
    const gear = this.input.gear.find((each) => each.id === (run.hold.first?.gearId ?? run.hold.gearId));
    const pit = this.input.pits.find((each) => each.id === run.pitId)!;
    const finishPit = this.input.pits.find((each) => each.id === run.legs.find((leg) => leg.fromMs === run.moveAtMs)?.pitId) ?? pit;
    const forecast = forecastBatch(
      this.input.cache,
      { ...this.input, hotHoldC: floorFor(order.cut, this.input.limits) },
      order,
      pit,
      run.pitC,
      run.finishC === undefined ? undefined : { pit: finishPit, pitC: run.finishC },
    );
    return Math.min(order.cut.holdMaxMin, forecast.keeps(placeOf(gear), order.batch.pieces.length).mushMin - run.ventMin - run.restMin);
  }
}
