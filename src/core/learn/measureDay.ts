import { retime } from '../day';
import { quantile } from '../numerics';
import { measureBoxes } from './measureBoxes';
import { eatenShare, measureYields } from './measureFood';
import { measureHands } from './measureHands';
import { measurePit } from './measurePits';
import type { FigureKey, Observation } from './figure';
import type { Measure, MeasuredDay } from './measuredDay';

/**
 * What a day measured of the figures of its kitchen: of each figure the middle of all that day's measurements, since what a day has in
 * common (its weather, who was there, one thermometer) makes ten readings of it no ten days.
 */
export function measureDay(day: MeasuredDay): Observation[] {
  const { kept, state, readings, nowMs } = day;
  const endMs = state.endedAtMs ?? nowMs;
  const measures = [
    ...kept.input.pits.flatMap((pit) => measurePit(day, pit, endMs)),
    ...measureYields(kept, state, endMs),
    ...eatenShare(day, endMs),
    ...measureHands(kept, retime(kept, state, undefined, endMs), state.begun),
    ...kept.input.boxes.flatMap((box) => measureBoxes(kept, state, readings, box)),
  ];
  const of = new Map<FigureKey, Measure[]>();
  for (const measure of measures) of.set(measure[0], [...(of.get(measure[0]) ?? []), measure]);
  return [...of].map(([figure, all]) => ({
    figure,
    atMs: Math.max(...all.map(([, atMs]) => atMs)),
    value: quantile(
      all.map(([, , value]) => value),
      0.5,
    ),
    readings: all.length,
  }));
}
