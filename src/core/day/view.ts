import type { Alarm } from './alarm';
import type { Entry, PieceKey } from './entry';
import type { DayForecast, PieceForecast } from './forecaster';
import type { Journal } from './journal';
import type { KeptDay } from './keptDay';
import type { DayLever } from './lever';
import { oddsNow, type ServingNow } from './odds';
import { channelUse, type DayReadings } from './readings';
import type { DayTask } from './dayTask';
import { retime } from './retime';
import { safetyDue, type SafetyDue } from './safetyLog';
import { setPointAt, type AlarmMark, type DayState, type PieceState, type Revision, type SafetyEntry } from './state';

export interface PieceView extends Omit<PieceState, 'readings'> {
  /** What was read last, by whom or what. */
  last?: { atMs: number; tempC: number };
  /** That reading is left out of the forecast: it cannot be a core. */
  lastLeftOut: boolean;
  probed: boolean;
  forecast?: PieceForecast;
}

export interface PitView {
  pitId: string;
  last?: { atMs: number; tempC: number };
  setC?: number;
  litAtMs?: number;
  outAtMs?: number;
  /** Where its air was over the last hours, for a small line: every few minutes. */
  trail: { atMs: number; tempC: number }[];
}

/** All that a screen of the day shows, at one instant. What never changes (the kept plan) is not in it. */
export interface DayView {
  nowMs: number;
  phase: DayState['phase'];
  startedAtMs?: number;
  endedAtMs?: number;
  pausedReason?: string;
  tasks: DayTask[];
  pieces: PieceView[];
  pits: PitView[];
  odds: ServingNow[];
  alarms: (AlarmMark & { alarm: Alarm })[];
  levers: DayLever[];
  revisions: Revision[];
  journal: Entry[];
  journalCount: number;
  safety: SafetyEntry[];
  safetyDue: SafetyDue[];
  weighed: DayState['weighed'];
  fires: DayState['fires'];
  channels: { deviceId: string; channel: string; piece?: PieceKey; pitId?: string; spot?: string }[];
  forecastAtMs?: number;
}

const JOURNAL_SHOWN = 60;
const TRAIL_MS = 4 * 3_600_000;
const TRAIL_EVERY_MS = 5 * 60_000;

export function dayView(
  kept: KeptDay,
  { entries, state }: Journal,
  readings: DayReadings,
  forecast: DayForecast | undefined,
  levers: readonly DayLever[],
  nowMs: number,
): DayView {
  const lastOf = (list: DayReadings['pieces'][string] | undefined) => list?.at(-1);
  const names = new Map(state.channels.map((use) => [`${use.deviceId}\n${use.channel}`, use]));
  const channels = [...names.values()].map(({ deviceId, channel }) => {
    const use = channelUse(state.channels, deviceId, channel, nowMs);
    return { deviceId, channel, piece: use?.piece, pitId: use?.pitId, spot: use?.spot };
  });
  return {
    nowMs,
    phase: state.phase,
    startedAtMs: state.startedAtMs,
    endedAtMs: state.endedAtMs,
    pausedReason: state.phase === 'paused' ? state.pauses.at(-1)?.reason : undefined,
    tasks: retime(kept, state, forecast, nowMs),
    pieces: Object.values(state.pieces).map(({ readings: _, ...piece }) => ({
      ...piece,
      last: lastOf(readings.pieces[piece.key]),
      lastLeftOut: isLeftOut(readings.pieces[piece.key]?.at(-1)?.atMs, forecast?.pieces[piece.key]),
      probed: channels.some((use) => use.piece === piece.key),
      forecast: forecast?.pieces[piece.key],
    })),
    pits: Object.values(state.pits).map((pit) => ({
      pitId: pit.pitId,
      last: lastOf(readings.pits[pit.pitId]),
      setC: setPointAt(pit, nowMs),
      litAtMs: pit.litAtMs,
      outAtMs: pit.outAtMs,
      trail: thinned(readings.pits[pit.pitId] ?? [], nowMs),
    })),
    odds: forecast ? oddsNow(kept, state, forecast) : [],
    alarms: Object.values(state.alarms)
      .filter((mark) => mark.clearedAtMs === undefined)
      .map((mark) => ({ ...mark, alarm: mark.alarm as Alarm }))
      .sort((a, b) => Number(a.acknowledgedAtMs !== undefined) - Number(b.acknowledgedAtMs !== undefined) || b.raisedAtMs - a.raisedAtMs),
    levers: [...levers],
    revisions: state.revisions,
    journal: entries.slice(-JOURNAL_SHOWN),
    journalCount: entries.length,
    safety: state.safety,
    safetyDue: safetyDue(kept, state, nowMs),
    weighed: state.weighed,
    fires: state.fires,
    channels,
    forecastAtMs: forecast?.atMs,
  };
}

/** The last reading and the last one left out are the same, to the half minute. */
const isLeftOut = (atMs: number | undefined, forecast: PieceForecast | undefined): boolean => {
  const last = forecast?.ignored.at(-1);
  // Readings since the forecast was made are as good as the one before them.
  return atMs !== undefined && last !== undefined && atMs - last.atMs < LEFT_OUT_FOR_MS;
};
const LEFT_OUT_FOR_MS = 6 * 60_000;

function thinned(list: readonly { atMs: number; tempC: number }[], nowMs: number): { atMs: number; tempC: number }[] {
  const kept: { atMs: number; tempC: number }[] = [];
  for (const each of list) {
    if (each.atMs < nowMs - TRAIL_MS) continue;
    const before = kept.at(-1);
    if (!before || each.atMs - before.atMs >= TRAIL_EVERY_MS) kept.push({ atMs: each.atMs, tempC: Math.round(each.tempC * 10) / 10 });
  }
  return kept;
}
