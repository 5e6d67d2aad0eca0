import { predictiveLaw, type CookSetup } from '../forecast';
import { DONE_SHARES, LiveForecast, type LiveDeed, type LiveReadings, type ProbeState, type Reforecast } from '../live';
import { cutIn, isPoultry, type Run } from '../model';
import { seedOfName } from '../numerics';
import { parametersOf, pieceOfRun, type PieceOfRun } from '../planning';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Feel, PieceKey } from './entry';
import { runOf, type KeptDay } from './keptDay';
import type { DayReadings } from './readings';
import { longStallMin, stallsAt } from './stalled';
import { isOn, pitOf, type DayState, type PieceState } from './state';

export interface Moments {
  p10Ms: number;
  p50Ms: number;
  p90Ms: number;
}

/** What is foreseen of one piece. */
export interface PieceForecast {
  key: PieceKey;
  done: Moments;
  /** By when it is done with each of DONE_SHARES. */
  doneAtMs: number[];
  wrap?: Moments;
  coreNowC?: { p10: number; p50: number; p90: number };
  band?: { fromMs: number; everyMin: number; p10C: number[]; p50C: number[]; p90C: number[] };
  probe?: { state: ProbeState; share: number };
  /** Readings left out, and why. */
  ignored: { atMs: number; coreC: number; fault: 'jump' | 'readsAir' }[];
  /** It is judged by a piece beside it. */
  byNeighbour?: PieceKey;
  /** While it may stall: no more than one in ten such cooks stalls longer, minutes. */
  longStallMin?: number;
}

export interface DayForecast {
  atMs: number;
  pieces: Record<PieceKey, PieceForecast>;
}

/** What a hand that says so has felt, as a share of the way to tender. */
const FELT: Record<Feel, number> = { tight: 0.35, 'some give': 0.65, almost: 0.86, tender: 1 };

/** Whether the lowest of several spots decides: where a number says when it is done. */
export const lowestCounts =
  ({ input }: KeptDay) =>
  (key: PieceKey): boolean => {
    const batch = input.event.batches.find((each) => key.startsWith(`${each.id}/`));
    const cut = batch && cutIn(input.library, batch.cutId);
    return cut !== undefined && isPoultry(cut);
  };

/** Forecasts all pieces of a day, again and again; what was lived through is kept between. */
export class DayForecaster {
  private readonly live = new Map<string, LiveForecast>();
  private readonly cooks = new Map<PieceKey, PieceOfRun | undefined>();
  private readonly answers = new Map<string, { of: string; answer: Reforecast }>();
  private readonly used = new Set<string>();

  constructor(private readonly kept: KeptDay) {}

  at(state: DayState, readings: DayReadings, nowMs: number, only?: ReadonlySet<PieceKey>): DayForecast {
    const pieces: Record<PieceKey, PieceForecast> = {};
    for (const piece of Object.values(state.pieces)) {
      if (only && !only.has(piece.key)) continue;
      const run = runOf(this.kept, piece.key)!;
      if (piece.onAtMs === undefined) pieces[piece.key] = this.planned(run, piece, nowMs);
      else if (isOn(piece)) pieces[piece.key] = this.under(state, readings, run, piece, nowMs);
      else if (piece.pulledAtMs !== undefined) pieces[piece.key] = certain(piece.key, piece.pulledAtMs);
    }
    if (!only) this.forget();
    return { atMs: nowMs, pieces };
  }

  /** Drops what no piece of the last round asked for. */
  private forget(): void {
    for (const id of this.live.keys()) if (!this.used.has(id)) this.live.delete(id);
    for (const id of this.answers.keys()) if (!this.used.has(id)) this.answers.delete(id);
    this.used.clear();
  }

  /** Not on yet: as planned, from when it can go on. */
  private planned(run: Run, piece: PieceState, nowMs: number): PieceForecast {
    const median = run.pulls.find((each) => each.pieceId === piece.pieceId)?.medianMs ?? run.pullMedianMs;
    const onMs = Math.max(run.onAtMs, nowMs);
    const law = predictiveLaw(parametersOf(this.kept.input).record);
    const cutId = this.cook(run, piece)?.planned.setup.modelCutId ?? '';
    const at = (share: number) => onMs + (median - run.onAtMs) * law.factor(cutId, share);
    const shift = onMs - run.onAtMs;
    const wrapMs = run.wrapAtMs === undefined ? undefined : run.wrapAtMs + shift;
    return {
      key: piece.key,
      done: { p10Ms: at(0.1), p50Ms: at(0.5), p90Ms: at(0.9) },
      doneAtMs: DONE_SHARES.map(at),
      ...(wrapMs !== undefined && { wrap: { p10Ms: wrapMs, p50Ms: wrapMs, p90Ms: wrapMs } }),
      ignored: [],
    };
  }

  private cook(run: Run, piece: PieceState): PieceOfRun | undefined {
    if (!this.cooks.has(piece.key)) this.cooks.set(piece.key, pieceOfRun(this.kept.input, run, piece.pieceId));
    return this.cooks.get(piece.key);
  }

  private under(state: DayState, readings: DayReadings, run: Run, piece: PieceState, nowMs: number): PieceForecast {
    const cook = this.cook(run, piece);
    if (!cook) return this.planned(run, piece, nowMs);
    const known = knownOf(this.kept, state, readings, run, piece, cook, nowMs);
    const own = known.core.length > 0;
    const neighbour = own ? undefined : this.neighbourOf(state, readings, piece, nowMs);
    const id = own ? piece.key : likeOf(cook.planned.setup, piece);
    const live = this.forecastOf(id, piece, cook.planned.setup);
    // Pieces that are alike in all that is known are alike in what is foreseen.
    const of = JSON.stringify([known, neighbour?.key, neighbour?.known.core.length, neighbour?.known.core.at(-1)]);
    const last = this.answers.get(id);
    const answer =
      last?.of === of
        ? last.answer
        : live.at({ ...known, ...(neighbour && { beside: { of: neighbour.live, core: neighbour.known.core } }) });
    this.answers.set(id, { of, answer });
    const { setup } = cook.planned;
    const mayStall = own && piece.wrappedAtMs === undefined && setup.done.by === 'tender' && stallsAt(known.core.at(-1)!.coreC);
    return {
      ...told(piece.key, piece.onAtMs!, answer, neighbour?.key),
      ...(mayStall && { longStallMin: this.longStallOf(piece.batchId, setup) }),
    };
  }

  private readonly longStalls = new Map<string, number>();
  /** The pieces of a batch are alike enough for it. */
  private longStallOf(batchId: string, setup: CookSetup): number {
    const known = this.longStalls.get(batchId) ?? longStallMin(setup, parametersOf(this.kept.input), this.kept.seed);
    this.longStalls.set(batchId, known);
    return known;
  }

  private forecastOf(id: string, piece: PieceState, setup: CookSetup): LiveForecast {
    this.used.add(id);
    const made = this.live.get(id);
    if (made) return made;
    const { seed } = this.kept;
    // Whatever is done to it, its chance stays its own, and its pit's that of the pit it went into.
    const own = seed + seedOfName(id === piece.key ? id : piece.batchId);
    const live = new LiveForecast(setup, parametersOf(this.kept.input), {
      seed: own,
      pitSeed: seed + seedOfName(piece.pits[0]?.pitId ?? ''),
    });
    this.live.set(id, live);
    return live;
  }

  /** A probed piece of the same batch in the same pit, or any in it. */
  private neighbourOf(
    state: DayState,
    readings: DayReadings,
    piece: PieceState,
    nowMs: number,
  ): { key: PieceKey; live: LiveForecast; known: LiveReadings } | undefined {
    const pitId = pitOf(piece, nowMs);
    const found = Object.values(state.pieces)
      .filter(
        (each) => each.key !== piece.key && isOn(each) && pitOf(each, nowMs) === pitId && (readings.pieces[each.key]?.length ?? 0) > 0,
      )
      .sort((a, b) => Number(b.batchId === piece.batchId) - Number(a.batchId === piece.batchId))[0];
    if (!found) return undefined;
    const run = runOf(this.kept, found.key)!;
    const cook = this.cook(run, found);
    if (!cook) return undefined;
    const known = knownOf(this.kept, state, readings, run, found, cook, nowMs);
    if (known.core.length === 0) return undefined;
    const live = this.forecastOf(found.key, found, cook.planned.setup);
    // Its own forecast has lived it up to now.
    this.under(state, readings, run, found, nowMs);
    return { key: found.key, live, known };
  }
}

const PIT_BEFORE_MS = 45 * MS_PER_MIN;

/** What is known of a piece on the pit, in minutes from going on. */
function knownOf(
  kept: KeptDay,
  state: DayState,
  readings: DayReadings,
  run: Run,
  piece: PieceState,
  cook: PieceOfRun,
  nowMs: number,
): LiveReadings {
  const onMs = piece.onAtMs!;
  const minute = (atMs: number) => (atMs - onMs) / MS_PER_MIN;
  const within = (atMs: number) => atMs >= onMs && atMs <= nowMs;
  const pit = piece.pits.flatMap(({ fromMs, pitId }, i) => {
    const toMs = piece.pits[i + 1]?.fromMs ?? nowMs;
    return (
      (readings.pits[pitId] ?? [])
        // What it was before the meat went on tells how it strays.
        .filter((each) => each.atMs >= (i === 0 ? fromMs - PIT_BEFORE_MS : fromMs) && each.atMs <= toMs)
        .map((each) => ({ atMin: minute(each.atMs), pitC: each.tempC }))
    );
  });
  const deeds: LiveDeed[] = [];
  if (piece.wrappedAtMs !== undefined) deeds.push({ kind: 'wrapped', atMin: minute(piece.wrappedAtMs), wrap: piece.wrap });
  if (piece.unwrappedAtMs !== undefined) deeds.push({ kind: 'unwrapped', atMin: minute(piece.unwrappedAtMs) });
  for (const { fromMs, pitId } of piece.pits.slice(1))
    deeds.push({ kind: 'moved', atMin: minute(fromMs), to: kept.input.pits.find((each) => each.id === pitId)?.kind });
  for (const { atMs, hotterByC } of piece.shifts) deeds.push({ kind: 'moved', atMin: minute(atMs), hotterByC });
  return {
    nowMin: Math.max(0, minute(nowMs)),
    core: (readings.pieces[piece.key] ?? [])
      .filter((each) => within(each.atMs))
      .map((each) => ({ atMin: minute(each.atMs), coreC: each.tempC })),
    pit,
    deeds: deeds.sort((a, b) => a.atMin - b.atMin),
    felt: piece.checks.map(({ atMs, feel }) => ({ atMin: minute(atMs), share: FELT[feel] })),
    setPoints: programmeOf(state, run, piece, cook, minute),
  };
}

/** What the pits it was in were set to, and will be: what was turned to on the day goes before the plan. */
function programmeOf(
  state: DayState,
  run: Run,
  piece: PieceState,
  cook: PieceOfRun,
  minute: (atMs: number) => number,
): CookSetup['pit']['steps'] {
  let steps = cook.planned.setup.pit.steps.map((step) => ({ ...step }));
  piece.pits.forEach(({ fromMs, pitId }, i) => {
    const toMs = piece.pits[i + 1]?.fromMs ?? Infinity;
    const set = state.pits[pitId]?.setPoints ?? [];
    const held = set.findLast((each) => each.atMs <= fromMs);
    const pitC = held?.pitC ?? (i === 0 ? undefined : (run.finishC ?? run.pitC));
    const own = set.filter((each) => each.atMs > fromMs && each.atMs < toMs);
    const said = [...(pitC === undefined ? [] : [{ atMs: fromMs, pitC }]), ...own];
    for (const { atMs, pitC: to } of said) {
      const fromMin = Math.max(0, minute(atMs));
      // Once it was moved, the plan's own steps are over; before, those still to come hold.
      steps = [...steps.filter((step) => step.fromMin < fromMin || (i === 0 && step.fromMin > fromMin)), { fromMin, pitC: to }].sort(
        (a, b) => a.fromMin - b.fromMin,
      );
    }
  });
  if (steps[0]!.fromMin > 0) steps.unshift({ fromMin: 0, pitC: run.pitC });
  return steps;
}

function told(key: PieceKey, onMs: number, answer: Reforecast, byNeighbour: PieceKey | undefined): PieceForecast {
  const at = (minutes: number) => Math.round(addMinutes(onMs, minutes));
  const moments = ({ p10, p50, p90 }: { p10: number; p50: number; p90: number }): Moments => ({
    p10Ms: at(p10),
    p50Ms: at(p50),
    p90Ms: at(p90),
  });
  const { band } = answer;
  return {
    key,
    done: moments(answer.done),
    doneAtMs: answer.doneAt.map(at),
    ...(answer.wrap && { wrap: moments(answer.wrap) }),
    coreNowC: answer.coreNowC,
    band: { ...band, fromMs: at(band.fromMin) },
    probe: answer.probe,
    ignored: answer.ignored.map(({ reading, fault }) => ({ atMs: at(reading.atMin), coreC: reading.coreC, fault })),
    ...(byNeighbour !== undefined && { byNeighbour }),
  };
}

const certain = (key: PieceKey, atMs: number): PieceForecast => ({
  key,
  done: { p10Ms: atMs, p50Ms: atMs, p90Ms: atMs },
  doneAtMs: DONE_SHARES.map(() => atMs),
  ignored: [],
});

/** Pieces that are one and the same to physics. */
const likeOf = (setup: CookSetup, piece: PieceState): string =>
  JSON.stringify([
    piece.batchId,
    setup.body,
    setup.zoneOffsetC,
    piece.onAtMs,
    piece.wrappedAtMs,
    piece.unwrappedAtMs,
    piece.pits,
    piece.shifts,
    piece.checks,
  ]);
