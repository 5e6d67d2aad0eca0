import { heatLossShare } from '../forecast';
import { fuelOf, MILD_DAY, type DayWeather, type Firing, type Fuel, type Pit } from '../model';
import { MS_PER_MIN } from '../units';

/** A tenth in hand, so that nobody runs out at three in the morning. */
const IN_HAND_SHARE = 0.1;
/** A chimney of coals, or two splits, to light it. */
const LIGHTING_KG: Partial<Record<Fuel, number>> = { 'split wood': 3, charcoal: 2, 'lump charcoal': 1.5 };
/** A chunk laid on a fire that is not itself wood, kg: one every 45 min for a usual smoke. */
export const CHUNK_KG = 0.09;

/** A blower feeds the fire no more air than it needs. */
const BLOWER_SAVES_SHARE = 0.1;

/** How much faster than usual a fire burns: (pit - air) / (121 - 15), more in wind, a little less with a blower. */
const burnShare = (pit: Pick<Pit, 'blower'>, pitC: number, weather: DayWeather): number =>
  heatLossShare(pitC, weather) * (pit.blower ? 1 - BLOWER_SAVES_SHARE : 1);

/** Fuel an hour, kg. */
export const burnKgPerH = (pit: Pick<Pit, 'kind' | 'fuel' | 'blower'>, pitC: number, weather: DayWeather = MILD_DAY): number =>
  fuelOf(pit).kgPerH * burnShare(pit, pitC, weather);

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

/** A fire's hours as usual ones, at 121 C in calm air of 15 C: hotter, colder and windier hours count for more. */
function usualHours(pit: Pick<Pit, 'blower'>, firing: Pick<Firing, 'lightAtMs' | 'offAtMs' | 'setPoints'>, weather: DayWeather): number {
  const ends = [...firing.setPoints.slice(1).map((each) => each.atMs), firing.offAtMs];
  return firing.setPoints.reduce((sum, setPoint, i) => {
    const from = i === 0 ? firing.lightAtMs : setPoint.atMs;
    return sum + (Math.max(0, ends[i]! - from) / (60 * MS_PER_MIN)) * burnShare(pit, setPoint.pitC, weather);
  }, 0);
}

/** Fuel for one fire, from lighting to letting it die, lighting and a tenth in hand. */
export function fuelFor(pit: Pit, firing: Firing, weather: DayWeather = MILD_DAY): { fuel: Fuel; kg: number } {
  const { kind, kgPerH } = fuelOf(pit);
  const burnt = kgPerH * usualHours(pit, firing, weather);
  return { fuel: kind, kg: burnt === 0 ? 0 : burnt * (1 + IN_HAND_SHARE) + (LIGHTING_KG[kind] ?? 0) };
}

/** Fuel an hour at 121 C in calm air of 15 C, kg, from all that a fire burnt, what lit it included; undefined where that was less. */
export function burntKgPerH(
  pit: Pit,
  firing: Pick<Firing, 'lightAtMs' | 'offAtMs' | 'setPoints'>,
  weather: DayWeather,
  burntKg: number,
): number | undefined {
  const hours = usualHours(pit, firing, weather);
  const kg = burntKg - (LIGHTING_KG[fuelOf(pit).kind] ?? 0);
  return hours > 0 && kg > 0 ? kg / hours : undefined;
}
