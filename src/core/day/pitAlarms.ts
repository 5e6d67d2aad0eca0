import { MS_PER_MIN } from '../units';
import { SILENT_MIN, type Alarm, type AlarmFacts } from './alarm';
import type { TempAt } from './readings';
import { isOn, pitOf, setPointAt, type PitState } from './state';

/** How far off its set point a pit may be, C, and for how long; and how long it is left alone after a lid or a new heat. */
const BAND_C = 14;
const BAND_FOR_MIN = 10;
const FALLS_C_PER_MIN = 0.45;
const FALLEN_C = 8;
const FAST_C_PER_MIN = 2.2;

/** A pit that has meat in it and is out of its band, falls, or climbs as only burning fat does. */
export function pitAlarms({ kept, state, readings, nowMs }: AlarmFacts): Alarm[] {
  return Object.values(state.pits).flatMap((pit): Alarm[] => {
    const { pitId } = pit;
    const meat = Object.values(state.pieces).filter((piece) => isOn(piece) && pitOf(piece, nowMs) === pitId);
    if (pit.litAtMs === undefined || pit.outAtMs !== undefined || meat.length === 0) return [];
    const owned = kept.input.pits.find((each) => each.id === pitId);
    const setC = setPointAt(pit, nowMs);
    const own = readings.pits[pitId] ?? [];
    const last = own.at(-1);
    if (setC === undefined || !last) return [];
    if (nowMs - last.atMs > 2 * SILENT_MIN * MS_PER_MIN) return [];
    const recent = since(own, nowMs - BAND_FOR_MIN * MS_PER_MIN);
    const tempC = last.tempC;
    const settling = isSettling(pit, nowMs, owned?.recoverMin ?? 10);
    const found: Alarm[] = [];
    const rise = slope(since(own, nowMs - 5 * MS_PER_MIN));
    if (!settling.opened && rise > FAST_C_PER_MIN && tempC > setC + 8)
      found.push({ causeId: `pitFast/${pitId}`, code: 'pitFast', urgency: 'now', atMs: nowMs, pitId, tempC, setC });
    if (settling.set) return found;
    const spanMin = recent.length > 1 ? (recent.at(-1)!.atMs - recent[0]!.atMs) / MS_PER_MIN : 0;
    const whole = recent.length >= 3 && spanMin >= BAND_FOR_MIN - 3;
    if (whole && recent.every((each) => each.tempC > setC + BAND_C) && found.length === 0)
      found.push({ causeId: `pitHigh/${pitId}`, code: 'pitHigh', urgency: 'now', atMs: nowMs, pitId, tempC, setC });
    const half = since(own, nowMs - 20 * MS_PER_MIN);
    const falls = -slope(half);
    if (
      !settling.opened &&
      whole &&
      half.length >= 10 &&
      tempC < setC - FALLEN_C &&
      falls > FALLS_C_PER_MIN &&
      below(half.slice(-3), setC - FALLEN_C)
    )
      found.push({ causeId: `pitLow/${pitId}`, code: 'pitFalling', urgency: 'now', atMs: nowMs, pitId, tempC, setC, minutes: 20 });
    else if (!settling.opened && whole && below(recent, setC - BAND_C))
      found.push({ causeId: `pitLow/${pitId}`, code: 'pitLow', urgency: 'now', atMs: nowMs, pitId, tempC, setC });
    return found;
  });
}

const below = (readings: readonly TempAt[], limitC: number) => readings.every((each) => each.tempC < limitC);

/** A pit that was opened, or set to another heat, is on its way. */
function isSettling(pit: PitState, nowMs: number, recoverMin: number): { opened: boolean; set: boolean } {
  const within = (atMs: number | undefined, minutes: number) => atMs !== undefined && nowMs - atMs < minutes * MS_PER_MIN;
  return {
    opened: within(pit.openedAtMs.at(-1), 2 * recoverMin + 4),
    set: within(pit.setPoints.at(-1)?.atMs, 40) || within(pit.litAtMs, 60),
  };
}

const since = (readings: readonly TempAt[], fromMs: number): TempAt[] => readings.filter((each) => each.atMs >= fromMs);

/** C a minute, by least squares. */
function slope(readings: readonly TempAt[]): number {
  if (readings.length < 3) return 0;
  const meanAt = readings.reduce((sum, each) => sum + each.atMs, 0) / readings.length;
  const meanC = readings.reduce((sum, each) => sum + each.tempC, 0) / readings.length;
  let up = 0;
  let down = 0;
  for (const { atMs, tempC } of readings) {
    up += (atMs - meanAt) * (tempC - meanC);
    down += (atMs - meanAt) ** 2;
  }
  return down === 0 ? 0 : (up / down) * MS_PER_MIN;
}
