import { cutIn, methodIn, type Batch, type Cut, type Method, type Pit, type Run } from '../model';
import { limitsOf } from '../safety';
import { addMinutes } from '../units';
import type { PieceKey } from './entry';
import { keysOf } from './keptDay';
import type { Idea, Trying } from './lever';
import { earlyMin, type ServingNow } from './odds';
import { laidNowC, warmerSetC } from './revise';
import { isOn, pitOf, setPointAt, type PieceState } from './state';

const STEPS_C = [8, 14] as const;
const LATER_MIN = [15, 30] as const;
/** Meat is worth wrapping early from here on. */
const WRAP_FROM_C = 60;
/** A warmer that is set cooler still keeps its meat so far above the floor; less than this nobody turns it for. */
const ABOVE_FLOOR_C = 4;
const WORTH_COOLING_C = 2;
/** So much earlier than needed, beyond what its hold likes, is too early. */
const EARLY_MIN = 45;

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

export function forLate(trying: Trying, { servingId, atMs }: ServingNow): Idea[] {
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
export function earlyRuns(trying: Trying, servingId: string): { run: Run; own: OnPit[]; byMin: number }[] {
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

export function forEarly(trying: Trying, { servingId }: ServingNow): Idea[] {
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
    const setC = warmerSetC(kept, state, run.hold.gearId);
    const coolerC = limitsOf(kept.input.event).hotHold + ABOVE_FLOOR_C;
    if (setC !== undefined && setC >= coolerC + WORTH_COOLING_C)
      ideas.push({
        id: `holdCooler/${run.hold.gearId}/${run.id}`,
        code: 'holdCooler',
        changes: [{ what: 'warmerAt', gearId: run.hold.gearId, setC: coolerC }],
        pieces: keys,
        gearId: run.hold.gearId,
        setC: coolerC,
        prices: ['none'],
      });
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
