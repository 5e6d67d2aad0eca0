import { COLD_C, predictiveLaw, type LoggedCook } from '../forecast';
import type { DayReadings, DayState, KeptDay } from '../day';
import { buyingOf, cutIn, methodIn, type Batch, type Cut, type Piece, type Pit } from '../model';
import { parametersOf } from '../planning';
import { yieldOfBatch } from './measureFood';
import { MS_PER_MIN } from '../units';
import { NO_WORDS, type ClosedCook } from './closedCook';

/** Grate heats are averaged over so long: finer steps are a thermometer's, not a fire's. */
const STEP_MIN = 30;
/** A reading says where a core is for so long. */
const WARMEST_START_C = 25;
const FRESH_MS = 20 * MS_PER_MIN;
/** A cut that is done by its feel. */
const TENDER = { by: 'tender' } as const;

/**
 * The cooks of a day that is over, one for each piece that went on and was pulled: what was planned and told, what
 * happened by journal and readings. Where no grate was read the set points stand for it.
 */
export function closeDay({ eventId, kept, state, readings }: ClosingDay): ClosedCook[] {
  const { event, library, pits } = kept.input;
  const law = predictiveLaw(parametersOf(kept.input).record);
  return Object.values(state.pieces).flatMap((piece): ClosedCook[] => {
    const run = kept.plan.runs.find((each) => each.id === piece.runId);
    const batch = event.batches.find((each) => each.id === piece.batchId);
    const bought = batch?.pieces.find((each) => each.id === piece.pieceId);
    const cut = batch && cutIn(library, batch.cutId);
    const method = batch && methodIn(library, batch.methodId);
    const served = event.servings.find((each) => each.id === batch?.servingId);
    const pit = pits.find((each) => each.id === piece.pits[0]?.pitId);
    const { onAtMs, pulledAtMs, wrappedAtMs } = piece;
    if (!run || !bought || !cut || !method || !pit || onAtMs === undefined || pulledAtMs === undefined || pulledAtMs <= onAtMs) return [];
    const core = readings.pieces[piece.key] ?? [];
    const coreAt = (atMs: number) => core.findLast((each) => each.atMs <= atMs && atMs - each.atMs < FRESH_MS)?.tempC;
    const finalC = piece.pulledCoreC ?? piece.checks.findLast((check) => check.coreC !== undefined)?.coreC ?? coreAt(pulledAtMs);
    const pull = run.pulls.find((each) => each.pieceId === piece.pieceId);
    const minutes = (ms: number) => (ms - onAtMs) / MS_PER_MIN;
    const medianMin = ((pull?.medianMs ?? run.pullMedianMs) - run.onAtMs) / MS_PER_MIN;
    const toldAt = (share: number) => Math.round(medianMin * law.factor(cut.modelCutId ?? cut.id, share));
    const cook: LoggedCook = {
      id: `${eventId}/${piece.key}`,
      cutId: cut.id,
      pitId: pit.id,
      methodId: method.id,
      massKg: bought.kg,
      thicknessMm: bought.thicknessMm,
      startC:
        core.find(({ atMs, tempC }) => atMs >= onAtMs && atMs - onAtMs < FRESH_MS && tempC < WARMEST_START_C)?.tempC ??
        bought.startC ??
        COLD_C,
      pitSteps: grateOf({ state, readings, pit }, onAtMs, pulledAtMs, run.pitC),
      pitKind: pit.kind,
      altitudeM: event.altitudeM,
      airC: event.weather?.airC ?? 20,
      wrap: wrappedAtMs === undefined ? 'none' : (piece.wrap ?? (method.wrap === 'none' ? 'foil' : method.wrap)),
      wrapWhen: wrappedAtMs === undefined ? {} : { afterMin: Math.round(minutes(wrappedAtMs)) },
      unwrapAfterMin: piece.unwrappedAtMs === undefined ? undefined : Math.round(minutes(piece.unwrappedAtMs)),
      done: cut.done.by === 'tender' || finalC === undefined ? TENDER : { by: 'probe', coreC: finalC },
      observedH: Number((minutes(pulledAtMs) / 60).toFixed(3)),
      observedFinalC: finalC,
    };
    return [
      {
        id: cook.id,
        source: 'day',
        eventId,
        eventName: event.name,
        pieceKey: piece.key,
        cook,
        modelCutId: cut.modelCutId,
        onMs: onAtMs,
        times: {
          plannedOnMs: run.onAtMs,
          plannedPullMs: pull?.medianMs ?? run.pullMedianMs,
          toldMin: { p10: toldAt(0.1), p50: Math.round(medianMin), p90: toldAt(0.9) },
          onMs: onAtMs,
          wrappedMs: wrappedAtMs,
          pulledMs: pulledAtMs,
          carvedMs: piece.carvedAtMs,
          plannedCarveMs: run.carveAtMs,
          serving: served && { id: served.id, name: served.name },
        },
        wrapCoreC: wrappedAtMs === undefined ? undefined : coreAt(wrappedAtMs),
        feel: piece.checks.at(-1)?.feel,
        slicedCoreC: slicedAt(core, pulledAtMs, piece.carvedAtMs),
        windMPerS: event.weather?.windMPerS,
        yieldShare: yieldOfBatch(batch, state),
        leftKg: state.weighed.left[batch.id],
        fuelKg: state.weighed.fuel[pit.id],
        costPerKg: priceOf(cut, batch, bought),
        lidOpenings: state.pits[pit.id]?.openedAtMs.filter((atMs) => atMs >= onAtMs && atMs <= pulledAtMs).length,
        words: NO_WORDS,
      },
    ];
  });
}

/** The last reading before the knife, where there was one after it came off. */
const slicedAt = (core: DayReadings['pieces'][string], pulledAtMs: number, carvedAtMs: number | undefined): number | undefined =>
  carvedAtMs === undefined ? undefined : core.findLast(({ atMs }) => atMs > pulledAtMs && atMs <= carvedAtMs)?.tempC;

/** What a trimmed kilogram cost: the price of what was bought for it. */
function priceOf(cut: Cut, batch: Batch, { kg, boughtKg }: Piece): number | undefined {
  const { pricePerKg } = buyingOf(cut, batch);
  return pricePerKg === undefined ? undefined : (pricePerKg * (boughtKg ?? kg / (1 - cut.trimShare))) / kg;
}

interface ClosingDay {
  eventId: string;
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
}

/** The heat a piece lay in, half hour by half hour, as steps from going on: what was read there, else what the pit was set to. */
function grateOf(
  { state, readings, pit }: Pick<ClosingDay, 'state' | 'readings'> & { pit: Pit },
  onMs: number,
  pulledMs: number,
  plannedC: number,
): LoggedCook['pitSteps'] {
  const steps: { fromMin: number; pitC: number }[] = [];
  const setPoints = state.pits[pit.id]?.setPoints ?? [];
  for (let fromMs = onMs; fromMs < pulledMs; fromMs += STEP_MIN * MS_PER_MIN) {
    const toMs = fromMs + STEP_MIN * MS_PER_MIN;
    const read = (readings.pits[pit.id] ?? []).filter((each) => each.atMs >= fromMs && each.atMs < toMs);
    const setC = setPoints.findLast((each) => each.atMs <= fromMs)?.pitC ?? plannedC;
    const pitC = read.length > 0 ? read.reduce((sum, each) => sum + each.tempC, 0) / read.length : setC;
    const rounded = Math.min(400, Math.max(40, Math.round(pitC)));
    if (steps.at(-1)?.pitC !== rounded) steps.push({ fromMin: Math.round((fromMs - onMs) / MS_PER_MIN), pitC: rounded });
  }
  return steps;
}
