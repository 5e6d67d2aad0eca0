import { cutIn, methodIn, type Batch, type Cut, type Method, type Pit, type Run } from '../model';
import { limitsOf } from '../safety';
import { addMinutes, MS_PER_MIN } from '../units';
import { advanceCook } from './advance';
import { laidNowC } from './revise';
import type { Deed, Entry, PieceKey, PlanChange } from './entry';
import type { DayForecast, DayForecaster } from './forecaster';
import { keysOf, runOf, wrapFor, type KeptDay } from './keptDay';
import { earlyMin, neededByMs, oddsNow, type ServingNow } from './odds';
import type { DayReadings } from './readings';
import { isOn, pitOf, setPointAt, type DayState, type PieceState } from './state';

export type LeverCode =
  | 'raisePit'
  | 'wrapNow'
  | 'wrapOne'
  | 'finishElsewhere'
  | 'servingLater'
  | 'carveLater'
  | 'thinFirst'
  | 'swap'
  | 'closeVents'
  | 'pullFirst'
  | 'lowerPit'
  | 'holdIn'
  | 'ventLonger'
  | 'nothing';

/** What a lever costs, beside what it gains. */
export type LeverPrice = 'bark' | 'juice' | 'fuel' | 'hands' | 'guests' | 'otherServing' | 'beyondBand' | 'lessSmoke' | 'none';

/** Something that can still be done for a serving, tried on the meat as it is. */
export interface DayLever {
  id: string;
  code: LeverCode;
  servingId: string;
  changes: PlanChange[];
  pieces: PieceKey[];
  pitId?: string;
  pitC?: number;
  minutes?: number;
  gearId?: string;
  /** Chance of the serving with it. */
  onTimeShare: number;
  /** How much sooner (below 0: later) its last piece is expected. */
  gainMin: number;
  prices: LeverPrice[];
  /** Other servings that lose by it, and to what. */
  others: { servingId: string; onTimeShare: number }[];
}

const STEPS_C = [8, 14] as const;
const LATER_MIN = [15, 30] as const;
/** Meat is worth wrapping early from here on. */
const WRAP_FROM_C = 60;
/** So much earlier than needed, beyond what its hold likes, is too early. */
const EARLY_MIN = 45;

interface Trying {
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
  forecaster: DayForecaster;
  forecast: DayForecast;
  nowMs: number;
}

/** The levers left for each serving whose odds are under what was asked, and for each that is early; best first, doing nothing always among them. */
export function leversNow(trying: Trying): DayLever[] {
  const { kept, state, forecast } = trying;
  const odds = oddsNow(kept, state, forecast);
  return odds.flatMap((serving) => {
    const late = serving.onTimeShare < Math.min(kept.input.event.confidence, serving.plannedShare) - 0.04;
    const early = !late && earlyRuns(trying, serving.servingId).length > 0;
    if (!late && !early) return [];
    const tried = (late ? forLate(trying, serving) : forEarly(trying, serving)).map((each) => attempt(trying, serving, odds, each));
    const useful = tried.filter((lever) =>
      late ? lever.onTimeShare > serving.onTimeShare + 0.01 : lever.gainMin < -3 || WITHOUT_MINUTES.has(lever.code),
    );
    const rank = (lever: DayLever) =>
      late ? -lever.onTimeShare + 0.02 * lever.prices.length : lever.prices.length - 0.01 * -lever.gainMin;
    const nothing: DayLever = {
      id: `nothing/${serving.servingId}`,
      code: 'nothing',
      servingId: serving.servingId,
      changes: [],
      pieces: [],
      onTimeShare: serving.onTimeShare,
      gainMin: 0,
      prices: ['none'],
      others: [],
    };
    return [...useful.sort((a, b) => rank(a) - rank(b)), nothing];
  });
}

/** Their gain is no minutes of the cook. */
const WITHOUT_MINUTES: ReadonlySet<LeverCode> = new Set(['holdIn', 'ventLonger', 'pullFirst']);

type Idea = Omit<DayLever, 'onTimeShare' | 'gainMin' | 'others' | 'servingId'>;

interface OnPit {
  piece: PieceState;
  run: Run;
  batch: Batch;
  cut: Cut;
  method: Method;
  pit: Pit;
}

/** What of a serving is on a pit now. */
function onPits({ kept, state, nowMs }: Trying, servingId: string): OnPit[] {
  const { event, library, pits } = kept.input;
  return kept.plan.runs
    .filter((run) => run.servingId === servingId)
    .flatMap((run) =>
      keysOf(run).flatMap((key): OnPit[] => {
        const piece = state.pieces[key]!;
        const batch = event.batches.find((each) => each.id === run.batchId);
        const cut = batch && cutIn(library, batch.cutId);
        const method = batch && methodIn(library, batch.methodId);
        const pit = pits.find((each) => each.id === pitOf(piece, nowMs));
        return isOn(piece) && batch && cut && method && pit ? [{ piece, run, batch, cut, method, pit }] : [];
      }),
    );
}

function forLate(trying: Trying, { servingId, atMs }: ServingNow): Idea[] {
  const { kept, state, forecast, nowMs } = trying;
  const on = onPits(trying, servingId);
  const ideas: Idea[] = [];
  for (const pit of new Set(on.map((each) => each.pit))) {
    const own = on.filter((each) => each.pit === pit);
    const setC = setPointAt(state.pits[pit.id]!, nowMs) ?? own[0]!.run.pitC;
    for (const step of STEPS_C) {
      const pitC = setC + step;
      if (pitC > pit.rangeC[1]) continue;
      const beyond = own.some(
        ({ method, piece }) =>
          pitC > (piece.wrappedAtMs !== undefined ? (method.finishRangeC ?? method.pitRangeC)[1] : method.pitRangeC[1]),
      );
      ideas.push({
        id: `raisePit/${pit.id}/${step}`,
        code: 'raisePit',
        changes: [{ what: 'setPoint', pitId: pit.id, pitC }],
        pieces: own.map((each) => each.piece.key),
        pitId: pit.id,
        pitC,
        prices: [
          ...(own.some((each) => each.piece.wrappedAtMs === undefined) ? ['juice' as const] : []),
          'fuel',
          ...(beyond ? ['beyondBand' as const] : []),
        ],
      });
    }
  }
  const coreOf = ({ key }: PieceState) => forecast.pieces[key]?.coreNowC?.p50 ?? 0;
  const bare = on.filter(({ piece, cut }) => piece.wrappedAtMs === undefined && cut.done.by === 'tender' && coreOf(piece) >= WRAP_FROM_C);
  for (const runId of new Set(bare.map((each) => each.run.id))) {
    const own = bare.filter((each) => each.run.id === runId);
    const keys = own.map((each) => each.piece.key);
    ideas.push({
      id: `wrapNow/${runId}`,
      code: 'wrapNow',
      changes: [{ what: 'wrapNow', pieces: keys }],
      pieces: keys,
      prices: ['bark', 'lessSmoke', 'hands'],
    });
    const last = [...own].sort(
      (a, b) => (forecast.pieces[b.piece.key]?.done.p50Ms ?? 0) - (forecast.pieces[a.piece.key]?.done.p50Ms ?? 0),
    )[0];
    if (own.length > 1 && last)
      ideas.push({
        id: `wrapOne/${last.piece.key}`,
        code: 'wrapOne',
        changes: [{ what: 'wrapNow', pieces: [last.piece.key] }],
        pieces: [last.piece.key],
        prices: ['bark', 'hands'],
      });
  }
  const movable = on.filter(({ piece, method }) => method.finishOffSmoke && piece.wrappedAtMs !== undefined);
  for (const other of kept.input.pits) {
    const own = movable.filter((each) => each.pit !== other);
    if (own.length === 0 || isFull(trying, other, own.length)) continue;
    const highC = Math.min(other.rangeC[1], ...own.map(({ method }) => (method.finishRangeC ?? method.pitRangeC)[1]));
    const setC = state.pits[other.id]?.litAtMs !== undefined ? setPointAt(state.pits[other.id]!, nowMs) : undefined;
    const pitC = setC ?? highC;
    if (pitC < other.rangeC[0]) continue;
    const keys = own.map((each) => each.piece.key);
    ideas.push({
      id: `finishElsewhere/${other.id}`,
      code: 'finishElsewhere',
      changes: [{ what: 'finishIn', pieces: keys, pitId: other.id, pitC }],
      pieces: keys,
      pitId: other.id,
      pitC,
      prices: ['hands', 'fuel'],
    });
  }
  ideas.push(...swaps(trying, on));
  for (const batch of new Set(on.filter(({ cut }) => cut.thinEnd !== undefined).map((each) => each.batch)))
    ideas.push({
      id: `thinFirst/${batch.id}`,
      code: 'thinFirst',
      changes: [{ what: 'carveLater', batchId: batch.id, minutes: THIN_FIRST_MIN }],
      pieces: on.filter((each) => each.batch === batch).map((each) => each.piece.key),
      minutes: THIN_FIRST_MIN,
      prices: ['hands'],
    });
  for (const minutes of LATER_MIN)
    ideas.push({
      id: `servingLater/${servingId}/${minutes}`,
      code: 'servingLater',
      changes: [{ what: 'servingAt', servingId, atMs: addMinutes(atMs, minutes) }],
      pieces: [],
      minutes,
      prices: ['guests'],
    });
  const batches = new Set(on.map((each) => each.batch.id));
  if (kept.plan.runs.filter((run) => run.servingId === servingId).some((run) => !batches.has(run.batchId)))
    for (const batchId of batches)
      ideas.push({
        id: `carveLater/${batchId}`,
        code: 'carveLater',
        changes: [{ what: 'carveLater', batchId, minutes: 20 }],
        pieces: [],
        minutes: 20,
        prices: ['guests'],
      });
  return ideas;
}

/** The thin end is carved while the thick one goes on: so long that takes. */
const THIN_FIRST_MIN = 12;
/** Places are worth changing from this difference on. */
const WORTH_C = 4;

/** The last piece in a cool place and the first in a hot one, in the same pit, change places. */
function swaps({ kept, state, forecast }: Trying, on: readonly OnPit[]): Idea[] {
  return [...new Set(on.map((each) => each.pit))].flatMap((pit): Idea[] => {
    const own = on
      .filter((each) => each.pit === pit)
      .map((each) => ({ ...each, laidC: laidNowC(kept, state, each.piece.key), doneMs: forecast.pieces[each.piece.key]?.done.p50Ms ?? 0 }))
      .sort((a, b) => b.doneMs - a.doneMs);
    const last = own[0];
    const other = last && own.findLast((each) => each.laidC > last.laidC + WORTH_C && each.doneMs < last.doneMs);
    if (!last || !other) return [];
    const pieces: [PieceKey, PieceKey] = [last.piece.key, other.piece.key];
    return [
      { id: `swap/${pieces.join('/')}`, code: 'swap', changes: [{ what: 'swap', pieces }], pieces, pitId: pit.id, prices: ['hands'] },
    ];
  });
}

/** A pit that has as many pieces in it as the plan ever laid there has no room for more, as far as one can tell. */
function isFull({ kept, state, nowMs }: Trying, pit: Pit, more: number): boolean {
  const most = Math.max(
    0,
    ...kept.plan.runs.flatMap((run) => run.legs.filter((leg) => leg.pitId === pit.id).map((leg) => leg.pieceIds.length)),
  );
  const room = Math.max(most, pit.racks.length * 2);
  const inIt = Object.values(state.pieces).filter((piece) => isOn(piece) && pitOf(piece, nowMs) === pit.id).length;
  return inIt + more > room;
}

/** Runs of a serving that will be done far sooner than their hold likes. */
function earlyRuns(trying: Trying, servingId: string): { run: Run; own: OnPit[]; byMin: number }[] {
  const { kept, state, forecast } = trying;
  const on = onPits(trying, servingId);
  return kept.plan.runs
    .filter((run) => run.servingId === servingId)
    .flatMap((run) => {
      const own = on.filter((each) => each.run === run);
      const likes = own[0]?.method.holdIdealMin[1] ?? 0;
      const byMin = Math.max(
        0,
        ...own.map(({ piece }) => {
          const foreseen = forecast.pieces[piece.key];
          return foreseen ? earlyMin(kept, state, run, foreseen) - likes : 0;
        }),
      );
      return byMin > EARLY_MIN ? [{ run, own, byMin }] : [];
    });
}

/** No lever lets a pit with bare meat in it fall below its hard value. */
function lowestSafeC({ kept, state, nowMs }: Trying, pit: Pit): number {
  const bare = Object.values(state.pieces).some(
    (piece) => isOn(piece) && pitOf(piece, nowMs) === pit.id && piece.wrappedAtMs === undefined,
  );
  return bare ? limitsOf(kept.input.event).bareMeatPit : 0;
}

function forEarly(trying: Trying, { servingId }: ServingNow): Idea[] {
  const { kept, state, nowMs } = trying;
  const ideas: Idea[] = [];
  for (const { run, own } of earlyRuns(trying, servingId)) {
    const keys = own.map((each) => each.piece.key);
    for (const pit of new Set(own.map((each) => each.pit))) {
      const setC = setPointAt(state.pits[pit.id]!, nowMs) ?? run.pitC;
      const lowest = Math.max(
        pit.rangeC[0],
        lowestSafeC(trying, pit),
        ...own.map(({ method, piece }) =>
          piece.wrappedAtMs !== undefined ? (method.finishRangeC ?? method.pitRangeC)[0] : method.pitRangeC[0],
        ),
      );
      for (const step of STEPS_C) {
        const pitC = setC - step;
        if (pitC < lowest) continue;
        ideas.push({
          id: `lowerPit/${pit.id}/${step}`,
          code: 'lowerPit',
          changes: [{ what: 'setPoint', pitId: pit.id, pitC }],
          pieces: keys,
          pitId: pit.id,
          pitC,
          prices: ['none'],
        });
      }
    }
    for (const pit of new Set(own.map((each) => each.pit))) {
      const pitC = Math.max(pit.rangeC[0], lowestSafeC(trying, pit));
      if (pitC >= (setPointAt(state.pits[pit.id]!, nowMs) ?? run.pitC) - STEPS_C[0]) continue;
      ideas.push({
        id: `closeVents/${pit.id}`,
        code: 'closeVents',
        changes: [{ what: 'setPoint', pitId: pit.id, pitC }],
        pieces: keys,
        pitId: pit.id,
        pitC,
        prices: ['beyondBand'],
      });
    }
    const early = own.filter(({ piece }) => piece.wrappedAtMs !== undefined).slice(0, Math.ceil(own.length / 2));
    if (own.length > 1 && early.length > 0) {
      const first = early.map((each) => each.piece.key);
      ideas.push({
        id: `pullFirst/${run.id}`,
        code: 'pullFirst',
        changes: [{ what: 'pullFor', pieces: first }],
        pieces: first,
        prices: ['hands'],
      });
    }
    for (const gear of [...(kept.input.warmers ?? []), ...kept.input.boxes]) {
      if (gear.id === run.hold.gearId) continue;
      ideas.push({
        id: `holdIn/${gear.id}/${run.id}`,
        code: 'holdIn',
        changes: [{ what: 'holdIn', pieces: keys, gearId: gear.id }],
        pieces: keys,
        gearId: gear.id,
        prices: ['bark'],
      });
    }
    ideas.push({
      id: `ventLonger/${run.id}`,
      code: 'ventLonger',
      changes: [{ what: 'ventLonger', pieces: keys, minutes: run.ventMin + 15 }],
      pieces: keys,
      minutes: 15,
      prices: ['juice'],
    });
  }
  return ideas;
}

/** Pulls a lever on a copy of the day, and forecasts what it touches anew. */
function attempt(trying: Trying, serving: ServingNow, before: readonly ServingNow[], idea: Idea): DayLever {
  const { kept, state, readings, forecaster, forecast, nowMs } = trying;
  const after = pulled(kept, state, idea.changes, nowMs);
  const touched = new Set<PieceKey>(idea.pieces);
  for (const change of idea.changes)
    if (change.what === 'setPoint')
      for (const piece of Object.values(state.pieces)) if (isOn(piece) && pitOf(piece, nowMs) === change.pitId) touched.add(piece.key);
  const anew = touched.size > 0 ? forecaster.at(after, readings, nowMs, touched) : { atMs: nowMs, pieces: {} };
  const both: DayForecast = { atMs: nowMs, pieces: { ...forecast.pieces, ...anew.pieces } };
  const odds = oddsNow(kept, after, both);
  const own = odds.find((each) => each.servingId === serving.servingId)!;
  return {
    ...idea,
    servingId: serving.servingId,
    onTimeShare: own.onTimeShare,
    gainMin: slack(kept, after, both, serving.servingId) - slack(kept, state, forecast, serving.servingId),
    others: odds.flatMap(({ servingId, onTimeShare }) => {
      const was = before.find((each) => each.servingId === servingId)!.onTimeShare;
      return servingId !== serving.servingId && onTimeShare < was - 0.02 ? [{ servingId, onTimeShare }] : [];
    }),
  };
}

/** Minutes between the last piece's middle forecast and when it is needed. */
function slack(kept: KeptDay, state: DayState, forecast: DayForecast, servingId: string): number {
  const slacks = Object.values(state.pieces).flatMap((piece) => {
    const run = runOf(kept, piece.key)!;
    const foreseen = forecast.pieces[piece.key];
    if (run.servingId !== servingId || !isOn(piece) || !foreseen) return [];
    return [(neededByMs(kept, state, run) - foreseen.done.p50Ms) / MS_PER_MIN];
  });
  return slacks.length > 0 ? Math.min(...slacks) : 0;
}

/** The day with a lever pulled and what hands do for it done. */
function pulled(kept: KeptDay, state: DayState, changes: readonly PlanChange[], nowMs: number): DayState {
  const entry = (deed: Deed): Entry => ({ id: 'tried', atMs: nowMs, by: 'house', source: 'house', deed });
  let after = advanceCook(kept, state, entry({ kind: 'revision', lever: 'tried', changes: [...changes], reason: '' })).state;
  for (const change of changes) {
    if (change.what === 'wrapNow')
      after = advanceCook(
        kept,
        after,
        entry({ kind: 'piece', pieces: change.pieces, step: 'wrapped', wrap: wrapFor(kept, change.pieces[0]!) }),
      ).state;
    if (change.what === 'finishIn') {
      after = advanceCook(kept, after, entry({ kind: 'pit', pitId: change.pitId, did: 'setPoint', pitC: change.pitC })).state;
      after = advanceCook(kept, after, entry({ kind: 'piece', pieces: change.pieces, step: 'moved', pitId: change.pitId })).state;
    }
  }
  return after;
}
