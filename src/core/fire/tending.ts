import { fuelOf, MILD_DAY, type DayWeather, type Firing, type Pit, type Run, type Task } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { burnKgPerH, CHUNK_KG, reloadEveryMin } from './burn';
import { hasTube, WOOD_EVERY_MIN } from './laidWood';
import { woodsAt, type FireWishes } from './woods';

/** Closing of the air begins this far below the set point, C: a fire that rushes past it is slow to come back. */
const CLOSE_AIR_BELOW_C = 28;
/** Coals want so long to come up again before a hot finish. */
const RELIGHT_MIN = 20;
/** A piece of wood goes on so long before it is wanted: it must burn clean first. */
const WOOD_AHEAD_MIN = 10;
/** A smoke tube runs for half of a cook at most. */
const TUBE_SHARE = 0.5;

/** A fire that one feeds and steers by its air. */
const isLiveFire = (pit: Pit): boolean => ['split wood', 'charcoal', 'lump charcoal'].includes(fuelOf(pit).kind);

/** When, on the way up, the air begins to be closed: the pit climbs evenly from the air's temperature. */
export function closeAirAtMs(pit: Pit, firing: Firing, airC: number): number {
  const climbC = firing.setPoints[0]!.pitC - airC;
  const share = climbC > CLOSE_AIR_BELOW_C ? 1 - CLOSE_AIR_BELOW_C / climbC : 0.5;
  return Math.round((firing.lightAtMs + (firing.readyAtMs - firing.lightAtMs) * share) / MS_PER_MIN) * MS_PER_MIN;
}

/** Moments at a rhythm strictly within a stretch of time. */
function rhythm(fromMs: number, toMs: number, everyMin: number): number[] {
  const moments: number[] = [];
  for (let atMs = addMinutes(fromMs, everyMin); atMs < toMs; atMs = addMinutes(atMs, everyMin)) moments.push(atMs);
  return moments;
}

/** Until when the meat on a fire takes smoke, over all runs there. */
const smokeSpans = (pit: Pit, firing: Firing, runs: readonly Run[]) =>
  runs
    .filter(
      (run) => run.pitId === pit.id && run.smokeUntilMs !== undefined && run.onAtMs >= firing.readyAtMs && run.onAtMs < firing.offAtMs,
    )
    .map((run) => ({ fromMs: run.onAtMs, toMs: run.smokeUntilMs!, run }));

/**
 * What a fire asks for while it burns: closing the air on the way up, fuel at its rhythm for the set
 * point and the weather, ash, water, and wood only while the meat takes smoke.
 */
export function tendFire(
  pit: Pit,
  firing: Firing,
  runs: readonly Run[],
  fireId: string,
  wishes: FireWishes,
  weather: DayWeather = MILD_DAY,
): Task[] {
  const tasks: Task[] = [];
  const fuel = fuelOf(pit);
  const add = (kind: Task['kind'], atMs: number, minutes: number, extra: Partial<Task> = {}) =>
    tasks.push({
      id: `${fireId}/${kind}${tasks.filter((task) => task.kind === kind).length + 1}`,
      kind,
      atMs,
      minutes,
      placeId: firing.placeId,
      pitId: pit.id,
      ...extra,
    });
  if (isLiveFire(pit) && !pit.blower)
    add('closeAir', closeAirAtMs(pit, firing, weather.airC), 2, { pitC: firing.setPoints[0]!.pitC - CLOSE_AIR_BELOW_C });

  firing.setPoints.forEach((setPoint, i) => {
    const everyMin = reloadEveryMin(pit, setPoint.pitC, weather);
    if (everyMin === undefined) return;
    const kg = (burnKgPerH(pit, setPoint.pitC, weather) * everyMin) / 60;
    const untilMs = firing.setPoints[i + 1]?.atMs ?? firing.offAtMs;
    for (const atMs of rhythm(Math.max(setPoint.atMs, firing.readyAtMs), untilMs, everyMin))
      add('reload', atMs, 3, {
        kg,
        pitC: setPoint.pitC,
        ...(fuel.kind === 'split wood' && { woods: woodsAt(pit, setPoint.pitC, atMs, runs, wishes) }),
      });
  });
  if (fuel.ashMin) for (const atMs of rhythm(firing.readyAtMs, firing.offAtMs, fuel.ashMin)) add('ash', atMs, 5);
  if (fuel.waterMin) for (const atMs of rhythm(firing.readyAtMs, firing.offAtMs, fuel.waterMin)) add('water', atMs, 3);

  const spans = smokeSpans(pit, firing, runs);
  if (fuel.kind === 'split wood' || fuel.kind === 'pellets' || spans.length === 0) return tasks;
  const fromMs = Math.min(...spans.map((span) => span.fromMs));
  const toMs = Math.max(...spans.map((span) => span.toMs));
  if (hasTube(pit)) {
    const cookMs = Math.max(...spans.map(({ run }) => run.pullMedianMs)) - fromMs;
    const minutes = Math.round(Math.min(toMs - fromMs, cookMs * TUBE_SHARE) / MS_PER_MIN);
    add('tube', addMinutes(fromMs, -WOOD_AHEAD_MIN), 3, { lastsMin: minutes });
    return tasks;
  }
  // As often as the meat there that wants the most smoke asks for: a piece is a piece, a lighter smoke has fewer of them.
  for (let atMs = fromMs; atMs < toMs;) {
    const here = spans.filter((span) => span.fromMs <= atMs && span.toMs > atMs);
    const everyMin = here.length === 0 ? WOOD_EVERY_MIN.usual : Math.min(...here.map(({ run }) => WOOD_EVERY_MIN[wishes.smokeOf(run)]));
    if (here.length > 0) {
      const putMs = addMinutes(atMs, -WOOD_AHEAD_MIN);
      const pitC = firing.setPoints.findLast((each) => each.atMs <= atMs)?.pitC ?? firing.setPoints[0]!.pitC;
      add('wood', putMs, 2, { kg: CHUNK_KG, woods: woodsAt(pit, pitC, atMs, runs, wishes) });
    }
    atMs = addMinutes(atMs, everyMin);
  }
  return tasks;
}

/** Smoke from wood laid on a fire, or from a tube, for longer than this darkens more than it flavours. */
const LONG_SMOKE_MIN = 7 * 60;

/** Runs that would take laid smoke for too long: bitter soot cannot be taken back. */
export function longSmokes(pits: readonly Pit[], runs: readonly Run[]): { run: Run; minutes: number }[] {
  return runs.flatMap((run) => {
    const pit = pits.find((each) => each.id === run.pitId);
    if (!pit?.smoke || run.smokeUntilMs === undefined || ['split wood', 'pellets'].includes(fuelOf(pit).kind)) return [];
    const tubeMin = hasTube(pit) ? ((run.pullMedianMs - run.onAtMs) * TUBE_SHARE) / MS_PER_MIN : Infinity;
    const minutes = Math.round(Math.min((run.smokeUntilMs - run.onAtMs) / MS_PER_MIN, tubeMin));
    return minutes > LONG_SMOKE_MIN ? [{ run, minutes }] : [];
  });
}

/** When the coals are brought up for a hot finish: before the first piece may be done. */
export const relightAtMs = (run: Run, hotMinutes: number): number => addMinutes(run.pullEarlyMs, -RELIGHT_MIN - Math.ceil(hotMinutes));
