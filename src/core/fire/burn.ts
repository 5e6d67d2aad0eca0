import { heatLossShare } from '../forecast';
import { fuelOf, MILD_DAY, type DayWeather, type Firing, type Fuel, type Pit } from '../model';
import { MS_PER_MIN } from '../units';

/** A tenth in hand, so that nobody runs out at three in the morning. */
const IN_HAND_SHARE = 0.1;
/** A chimney of coals, or two splits, to light it. */
const LIGHTING_KG: Partial<Record<Fuel, number>> = { 'split wood': 3, charcoal: 2, 'lump charcoal': 1.5 };
/** Chunks laid on a fire that is not itself wood, kg/h of smoke. */
export const CHUNK_KG_PER_H = 0.12;

/** A blower feeds the fire no more air than it needs. */
const BLOWER_SAVES_SHARE = 0.1;

/** Fuel an hour, kg: kgPerH x (pit - air) / (121 - 15), more in wind, a little less with a blower. */
export const burnKgPerH = (pit: Pick<Pit, 'kind' | 'fuel' | 'blower'>, pitC: number, weather: DayWeather = MILD_DAY): number =>
  fuelOf(pit).kgPerH * heatLossShare(pitC, weather) * (pit.blower ? 1 - BLOWER_SAVES_SHARE : 1);

/** How often it is fed, minutes: as usual, more often when it burns faster; never more often than a fire can take. */
export function reloadEveryMin(
  pit: Pick<Pit, 'kind' | 'fuel' | 'blower'>,
  pitC: number,
  weather: DayWeather = MILD_DAY,
): number | undefined {
  const { reloadMin, kgPerH } = fuelOf(pit);
  if (reloadMin === undefined || kgPerH <= 0) return undefined;
  return Math.max(15, Math.round((reloadMin * kgPerH) / Math.max(0.01, burnKgPerH(pit, pitC, weather)) / 5) * 5);
}

/** Fuel for one fire, from lighting to letting it die, lighting and a tenth in hand. */
export function fuelFor(pit: Pit, firing: Firing, weather: DayWeather = MILD_DAY): { fuel: Fuel; kg: number } {
  const { kind } = fuelOf(pit);
  const ends = [...firing.setPoints.slice(1).map((each) => each.atMs), firing.offAtMs];
  const burnt = firing.setPoints.reduce((sum, setPoint, i) => {
    const from = i === 0 ? firing.lightAtMs : setPoint.atMs;
    const hours = Math.max(0, ends[i]! - from) / (60 * MS_PER_MIN);
    return sum + hours * burnKgPerH(pit, setPoint.pitC, weather);
  }, 0);
  return { fuel: kind, kg: burnt === 0 ? 0 : burnt * (1 + IN_HAND_SHARE) + (LIGHTING_KG[kind] ?? 0) };
}
