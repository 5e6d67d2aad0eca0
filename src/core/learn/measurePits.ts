import type { PitState, TempAt } from '../day';
import { burntKgPerH } from '../fire';
import { coldShare, heatLossShare } from '../forecast';
import { gaugeOffsetAt, MILD_DAY, type Pit } from '../model';
import { crossingBetween, quantile } from '../numerics';
import { MS_PER_MIN } from '../units';
import { figureKey, gaugeHeatOf } from './figure';
import type { Measure, MeasuredDay } from './measuredDay';

/** Two readings so close together are of the same heat. */
const PAIR_MS = 10 * MS_PER_MIN;
/** A pit has come up this near to what it was set to. */
const NEAR_C = 3;
/** What happened between two readings further apart is not known. */
const GAP_MS = 20 * MS_PER_MIN;
/** A lifted lid: what came before it, where the lowest is looked for, and for how long the pit may take to come back. */
const BEFORE_MS = 10 * MS_PER_MIN;
const LOWEST_WITHIN_MS = 12 * MS_PER_MIN;
const BACK_WITHIN_MS = 60 * MS_PER_MIN;
/** So many readings in ten minutes show a drop that lasts for minutes. */
const FEWEST_AFTER = 4;
const LEAST_DROP_C = 3;
/** Back: within this share of the drop. */
const BACK_SHARE = 0.1;

/** What a day measured of one pit: its gauge, its zones, how it warms up, drops and comes back, and what it burns. */
export function measurePit({ kept, state, readings }: MeasuredDay, pit: Pit, endMs: number): Measure[] {
  const lived = state.pits[pit.id];
  if (!lived) return [];
  const ofGauge = new Set(lived.gauges.map(({ atMs, gaugeC }) => `${atMs} ${gaugeC + gaugeOffsetAt(pit, gaugeC)}`));
  // What was taken from the gauge says nothing of the gauge.
  const grate = (readings.pits[pit.id] ?? []).filter(({ atMs, tempC }) => !ofGauge.has(`${atMs} ${tempC}`));
  const weather = kept.input.event.weather ?? MILD_DAY;
  const openings = lived.openedAtMs.filter((atMs) => !wasLoaded(Object.values(state.pieces), pit.id, atMs));
  return [
    ...paired(lived.gauges, grate, ({ gaugeC }, grateC): [string, number] => [
      figureKey('gauge', pit.id, gaugeHeatOf(gaugeC)),
      grateC - gaugeC,
    ]),
    ...paired(lived.bands, grate, ({ rackId, band, pitC }, grateC): [string, number] => [
      figureKey('zone', pit.id, rackId, band),
      pitC - grateC,
    ]),
    ...warmUp(lived, grate, pit),
    ...openings.flatMap((atMs) => drop(lived, grate, pit, atMs, weather)),
    ...fuel(lived, pit, weather, state.weighed.fuel[pit.id], endMs),
  ] as Measure[];
}

/** Each reading beside the grate's nearest. */
function paired<T extends { atMs: number }>(
  list: readonly T[],
  grate: readonly TempAt[],
  of: (each: T, grateC: number) => [string, number],
) {
  return list.flatMap((each) => {
    const near = grate.reduce<TempAt | undefined>(
      (best, one) => (!best || Math.abs(one.atMs - each.atMs) < Math.abs(best.atMs - each.atMs) ? one : best),
      undefined,
    );
    if (!near || Math.abs(near.atMs - each.atMs) > PAIR_MS) return [];
    const [figure, value] = of(each, near.tempC);
    return [[figure, each.atMs, value] as const];
  });
}

function warmUp({ litAtMs, setPoints }: PitState, grate: readonly TempAt[], pit: Pit) {
  const setC = setPoints.findLast(({ atMs }) => litAtMs !== undefined && atMs <= litAtMs + GAP_MS)?.pitC ?? setPoints[0]?.pitC;
  if (litAtMs === undefined || setC === undefined) return [];
  const after = grate.filter(({ atMs }) => atMs >= litAtMs);
  const i = after.findIndex(({ tempC }) => tempC >= setC - NEAR_C);
  const [before, there] = [after[i - 1], after[i]];
  if (!before || !there || there.atMs - before.atMs > GAP_MS) return [];
  const readyMs = crossingBetween(before.atMs, before.tempC, there.atMs, there.tempC, setC - NEAR_C);
  return [[figureKey('warmUp', pit.id), readyMs, (readyMs - litAtMs) / MS_PER_MIN]];
}

/** Cold meat that goes on as the lid is up makes the drop its own. */
const wasLoaded = (pieces: readonly { onAtMs?: number; pits: { pitId: string; fromMs: number }[] }[], pitId: string, atMs: number) =>
  pieces.some((piece) => piece.pits.some((each) => each.pitId === pitId && Math.abs(each.fromMs - atMs) <= BEFORE_MS));

function drop(lived: PitState, grate: readonly TempAt[], pit: Pit, atMs: number, weather: { airC: number; windMPerS: number }) {
  const isChanged = (fromMs: number, toMs: number) =>
    lived.setPoints.some((each) => each.atMs > fromMs && each.atMs < toMs) ||
    lived.openedAtMs.some((each) => each !== atMs && each > fromMs && each < toMs);
  const before = grate.filter((each) => each.atMs >= atMs - BEFORE_MS && each.atMs < atMs);
  const after = grate.filter((each) => each.atMs >= atMs && each.atMs <= atMs + LOWEST_WITHIN_MS);
  if (before.length === 0 || after.length < FEWEST_AFTER || isChanged(atMs - BEFORE_MS, atMs + LOWEST_WITHIN_MS)) return [];
  const baseC = quantile(
    before.map(({ tempC }) => tempC),
    0.5,
  );
  const lowest = after.reduce((least, each) => (each.tempC < least.tempC ? each : least));
  const dropC = baseC - lowest.tempC;
  if (dropC < LEAST_DROP_C) return [];
  const dropped = [figureKey('drop', pit.id), atMs, dropC / coldShare(baseC, weather)];
  const back = grate.find((each) => each.atMs > lowest.atMs && each.tempC >= baseC - BACK_SHARE * dropC);
  if (!back || back.atMs > atMs + BACK_WITHIN_MS || isChanged(atMs, back.atMs)) return [dropped];
  return [dropped, [figureKey('recover', pit.id), atMs, (back.atMs - atMs) / MS_PER_MIN / heatLossShare(baseC, weather)]];
}

function fuel(
  { litAtMs, outAtMs, setPoints }: PitState,
  pit: Pit,
  weather: { airC: number; windMPerS: number },
  kg: number | undefined,
  endMs: number,
) {
  if (litAtMs === undefined || kg === undefined || setPoints.length === 0) return [];
  const kgPerH = burntKgPerH(pit, { lightAtMs: litAtMs, offAtMs: outAtMs ?? endMs, setPoints }, weather, kg);
  return kgPerH === undefined ? [] : [[figureKey('fuel', pit.id), endMs, kgPerH]];
}
