import type { PitState, TempAt } from '../day';
import { burntKgPerH } from '../fire';
import { fireRecipeFor, MILD_DAY, type DayWeather, type FireRecipe, type Pit } from '../model';
import { quantile } from '../numerics';
import { MS_PER_MIN } from '../units';
import type { MeasuredDay } from './measuredDay';

/** A fire as it was made on a day, and how it held the heat it was made for. */
export interface MadeFire {
  /** `<event>/<pit>` */
  id: string;
  eventId: string;
  pitId: string;
  litAtMs: number;
  /** As somebody wrote it down that day; its heat is the one it was held at longest. */
  recipe: FireRecipe;
  /** Minutes of readings at that heat, and how many of them, as a share, lay within `NEAR_C` of it; none where too little was read. */
  heldMin?: number;
  nearShare?: number;
  /** Grate against the set point in the middle of them, C. */
  offC?: number;
  /** As if it had been 121 C on a mild day; none where no fuel was weighed. */
  kgPerH?: number;
  /** Minutes between one feeding and the next, in the middle; none where it was fed less than twice. */
  reloadMin?: number;
  airC: number;
  windMPerS: number;
}

/** So near to what it was set to, C, a pit is held. */
export const NEAR_C = 8;
/** Readings count from when a new heat has settled. */
const SETTLED_MIN = 30;
/** A reading stands until the next, and no longer than this. */
const STANDS_MIN = 15;
const FEWEST_MIN = 45;

/** The fires of a day that somebody wrote down, each with how it held. */
export function madeFires(eventId: string, { kept, state, readings, nowMs }: MeasuredDay): MadeFire[] {
  const weather = kept.input.event.weather ?? MILD_DAY;
  const endMs = state.endedAtMs ?? nowMs;
  return kept.input.pits.flatMap((pit): MadeFire[] => {
    const said = state.fires[pit.id];
    const lived = state.pits[pit.id];
    if (!said || lived?.litAtMs === undefined) return [];
    const { litAtMs } = lived;
    const spans = spansOf(lived, lived.outAtMs ?? endMs);
    const pitC = longest(spans) ?? said.pitC;
    return [
      {
        id: `${eventId}/${pit.id}`,
        eventId,
        pitId: pit.id,
        litAtMs,
        recipe: { ...said, pitC },
        ...howHeld(
          spans.filter((span) => span.pitC === pitC),
          readings.pits[pit.id] ?? [],
        ),
        ...burnt(lived, pit, weather, state.weighed.fuel[pit.id], endMs),
        airC: weather.airC,
        windMPerS: weather.windMPerS,
      },
    ];
  });
}

/** A pit's fires with one that was made in the place of what was written down for its heat, or beside it where nothing was. */
export function withFire(pit: Pit, made: FireRecipe): Pit {
  const { fires = [] } = pit;
  const instead = fireRecipeFor(pit, made.pitC);
  const others = fires.filter((fire) => fire !== instead);
  // What was written for 121 C stays for 121 C, though the day held 119.
  return { ...pit, fires: [...others, { ...made, pitC: instead?.pitC ?? made.pitC }].sort((a, b) => a.pitC - b.pitC) };
}

/** What stood for a pit before one of its fires was taken. */
export interface FiresBefore {
  pitId: string;
  fires: FireRecipe[];
}

/** Whether a pit's fire for that heat is made like that already. */
export const isWritten = (pit: Pit, made: FireRecipe): boolean => {
  const written = fireRecipeFor(pit, made.pitC);
  const parts = Object.keys({ ...written, ...made }) as (keyof FireRecipe)[];
  // Water that is not hot is told by a tick that is off, or by none.
  const told = (fire: FireRecipe, part: keyof FireRecipe) => fire[part] || (fire[part] === 0 ? 0 : undefined);
  return written !== undefined && parts.every((part) => part === 'pitC' || told(written, part) === told(made, part));
};

interface Span {
  pitC: number;
  fromMs: number;
  toMs: number;
}

/** From each set point to the next, from lighting to the end. */
function spansOf({ litAtMs = 0, setPoints }: PitState, endMs: number): Span[] {
  return setPoints.flatMap(({ atMs, pitC }, i): Span[] => {
    const fromMs = Math.max(litAtMs, atMs);
    const toMs = Math.min(endMs, setPoints[i + 1]?.atMs ?? endMs);
    return toMs > fromMs ? [{ pitC, fromMs, toMs }] : [];
  });
}

/** The heat that it was set to for longest in all. */
function longest(spans: readonly Span[]): number | undefined {
  const of = new Map<number, number>();
  for (const { pitC, fromMs, toMs } of spans) of.set(pitC, (of.get(pitC) ?? 0) + toMs - fromMs);
  return [...of].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** Readings of the grate while it was at that heat, each for as long as it stands. */
function howHeld(spans: readonly Span[], read: readonly TempAt[]): Pick<MadeFire, 'heldMin' | 'nearShare' | 'offC'> {
  const stood = spans.flatMap(({ pitC, fromMs, toMs }) => {
    const first = read.find((each) => each.atMs >= fromMs && Math.abs(each.tempC - pitC) <= NEAR_C);
    // On its way up, or never there: from when it came near, or from when it should have.
    const settledMs = Math.max(fromMs, Math.min(first?.atMs ?? Infinity, fromMs + SETTLED_MIN * MS_PER_MIN));
    return read.flatMap((each, i) => {
      const untilMs = Math.min(toMs, read[i + 1]?.atMs ?? toMs, each.atMs + STANDS_MIN * MS_PER_MIN);
      return each.atMs >= settledMs && untilMs > each.atMs
        ? [{ minutes: (untilMs - each.atMs) / MS_PER_MIN, offC: each.tempC - pitC }]
        : [];
    });
  });
  const heldMin = stood.reduce((sum, { minutes }) => sum + minutes, 0);
  if (heldMin < FEWEST_MIN) return {};
  const near = stood.reduce((sum, { minutes, offC }) => sum + (Math.abs(offC) <= NEAR_C ? minutes : 0), 0);
  const offC = quantile(
    stood.map((each) => each.offC),
    0.5,
  );
  return { heldMin: Math.round(heldMin), nearShare: near / heldMin, offC };
}

function burnt(
  { litAtMs, outAtMs, setPoints, fuelledAtMs }: PitState,
  pit: Pit,
  weather: DayWeather,
  kg: number | undefined,
  endMs: number,
): Pick<MadeFire, 'kgPerH' | 'reloadMin'> {
  const kgPerH =
    kg === undefined || setPoints.length === 0
      ? undefined
      : burntKgPerH(pit, { lightAtMs: litAtMs!, offAtMs: outAtMs ?? endMs, setPoints }, weather, kg);
  const gaps = fuelledAtMs.slice(1).map((atMs, i) => (atMs - fuelledAtMs[i]!) / MS_PER_MIN);
  return {
    ...(kgPerH !== undefined && { kgPerH }),
    ...(gaps.length > 0 && { reloadMin: Math.round(quantile(gaps, 0.5)) }),
  };
}
