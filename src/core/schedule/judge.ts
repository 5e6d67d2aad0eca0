import type { PlanProblem, Run, Scheme } from '../model';
import { floorFor } from './alternatives';
import { forecastBatch } from './batchForecast';
import type { Decoded, Schedule, SearchInput, Step } from './decoded';
import { holdProblems, namedRuns, placementProblems, tightestMoment, unattendedFires } from './findings';
import { firingsOf } from './firings';
import { placeOf } from './holding';
import { laden } from './laden';
import { departuresH, objectiveOf, qualityOf, type JudgedBy } from './objective';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import type { Footprint } from './rackLedger';
import { oddsFor, type LateRun } from './servingOdds';

/** The search aims a little higher than what is wished: on fresh days its plan comes out that much less sure. */
const AIM_SHARE = 0.15;
const aimFor = (confidence: number): number => confidence + AIM_SHARE * (1 - confidence);

/** Whether what is known of a plan before its fires and its odds already makes it worse than another. */
function isWorseThan(
  { objective: [broken, risk, qualityH], leftKg }: Decoded,
  known: { left: number; leftKg: number; qualityH: number },
): boolean {
  if (known.left !== broken) return known.left > broken;
  if (broken > 0 && Math.abs(known.leftKg - leftKg) > 1e-9) return known.leftKg > leftKg;
  return risk === 0 && known.qualityH > qualityH + 1e-9;
}

/** What plans of an event come to: their five figures while they are looked for, and all there is to say of the one that is told. */
export class Judge {
  readonly odds: ReturnType<typeof oddsFor>;
  readonly judgedBy: JudgedBy;
  private readonly ceilings = new WeakMap<Run, number>();
  private readonly departures = new WeakMap<Run, number>();

  constructor(
    readonly orders: ReadonlyMap<string, BatchOrder>,
    private readonly input: SearchInput,
    toldOn?: { days: number; seed: string },
  ) {
    this.odds = oddsFor(orders, input.pits, input.law, toldOn);
    const { pits, quiet, weather } = input;
    this.judgedBy = { orders, pits, confidence: aimFor(input.confidence), quiet, weather };
  }

  /** What the plan that lies in the ledgers comes to; nothing as soon as it is seen to be worse than `bar`. */
  weigh(scheme: Scheme, steps: readonly Step[], context: PlacementContext, bar?: Decoded): Decoded | undefined {
    const { input } = this;
    const { whereabouts } = context;
    const runs = steps.flatMap(({ placed }) => placed.runs);
    const left = steps.flatMap(({ placed }) => placed.left);
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
    return { scheme, objective, leftKg, atRisk, departing, steps: [...steps], runs, firings, fireTroubles };
  }

  /**
   * A plan that lies in the ledgers as it is told: with names, with everything that is wrong with it, and with its odds on days that it was not picked on.
   * Of many plans tried on the same days the best is always a little luckier there than elsewhere.
   */
  told(decoded: Decoded, context: PlacementContext, sizes: ReadonlyMap<string, Footprint>): Schedule {
    const { input, orders } = this;
    const { whereabouts } = context;
    const runs = namedRuns(orders.values(), decoded.runs);
    const odds = this.odds.told.of(decoded.runs);
    const problems: PlanProblem[] = [
      ...whereabouts.troubles.map((trouble): PlanProblem => ({ ...trouble, severity: 'broken' })),
      ...decoded.steps.flatMap(({ placed }) => placed.problems),
      ...decoded.fireTroubles,
      ...holdProblems(orders.values(), runs, input.limits.hotHold, (run) => this.ceilingMin(run)),
      ...(input.manualPlacements.length > 0 ? placementProblems(input.pits, context.racks, sizes) : []),
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
