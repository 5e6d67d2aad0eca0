import type { PieceKey } from './entry';
import type { ChannelUse, DayState, PieceState } from './state';

/** One channel of one device, at one instant. What a channel sits in is the journal's to say. */
export interface RawReading {
  deviceId: string;
  channel: string;
  atMs: number;
  tempC: number;
}

/** What one channel of a device read in one minute. */
export interface MinuteReading {
  deviceId: string;
  channel: string;
  atMs: number;
  meanC: number;
  minC: number;
  maxC: number;
  count: number;
}

export interface TempAt {
  atMs: number;
  tempC: number;
}

/** The day's readings by what they were read in, in order of time: those of devices by the minute, those by hand as they are. */
export interface DayReadings {
  pieces: Record<PieceKey, TempAt[]>;
  pits: Record<string, TempAt[]>;
}

/** What a channel sits in at an instant. */
export const channelUse = (channels: readonly ChannelUse[], deviceId: string, channel: string, atMs: number): ChannelUse | undefined =>
  channels.reduce<ChannelUse | undefined>(
    (found, use) =>
      use.deviceId === deviceId && use.channel === channel && use.fromMs <= atMs && (!found || use.fromMs >= found.fromMs) ? use : found,
    undefined,
  );

/**
 * Sorts readings to the pieces and pits they are of. A piece is read from going on until it is pulled; several spots by
 * hand within a few minutes count by the one that decides: the lowest where `lowestCounts` (poultry), else the thick end.
 */
export function readingsOf(state: DayState, minutes: readonly MinuteReading[], lowestCounts: (key: PieceKey) => boolean): DayReadings {
  const pieces: Record<PieceKey, TempAt[]> = {};
  const pits: Record<string, TempAt[]> = {};
  const put = (list: Record<string, TempAt[]>, key: string, reading: TempAt) => (list[key] ??= []).push(reading);
  for (const { deviceId, channel, atMs, meanC } of minutes) {
    const use = channelUse(state.channels, deviceId, channel, atMs);
    if (use?.piece !== undefined) put(pieces, use.piece, { atMs, tempC: meanC });
    else if (use?.pitId !== undefined) put(pits, use.pitId, { atMs, tempC: meanC });
  }
  for (const piece of Object.values(state.pieces))
    for (const reading of deciding(piece.readings, lowestCounts(piece.key))) put(pieces, piece.key, reading);
  for (const pit of Object.values(state.pits)) for (const { atMs, pitC } of pit.readings) put(pits, pit.pitId, { atMs, tempC: pitC });
  for (const list of [...Object.values(pieces), ...Object.values(pits)]) list.sort((a, b) => a.atMs - b.atMs);
  return { pieces, pits };
}

/** What was read of one piece and of the pit it lies in last, from a while before it went on until it was pulled. */
export interface PieceCurve {
  core: TempAt[];
  pit: TempAt[];
}

const BEFORE_ON_MS = 45 * 60_000;

/** One piece's curve, of at most `most` points a line. */
export function curveOf(readings: DayReadings, piece: PieceState, most: number): PieceCurve {
  const fromMs = (piece.onAtMs ?? Infinity) - BEFORE_ON_MS;
  const untilMs = piece.pulledAtMs ?? Infinity;
  const pitId = piece.pits.at(-1)?.pitId;
  const within = (list: readonly TempAt[] = []) => list.filter(({ atMs }) => atMs >= fromMs && atMs <= untilMs);
  return {
    core: thinned(
      (readings.pieces[piece.key] ?? []).filter(({ atMs }) => atMs >= fromMs),
      most,
    ),
    pit: thinned(within(pitId === undefined ? undefined : readings.pits[pitId]), most),
  };
}

function thinned(list: readonly TempAt[], most: number): TempAt[] {
  const step = Math.max(1, Math.ceil(list.length / most));
  return list.filter((_, i) => i % step === 0 || i === list.length - 1);
}

const ONE_CHECK_MS = 3 * 60_000;

/** Of spots read in one go, the one that decides. */
function deciding(readings: readonly { atMs: number; coreC: number; spot: string }[], lowest: boolean): TempAt[] {
  const rounds: { atMs: number; coreC: number; spot: string }[][] = [];
  for (const reading of [...readings].sort((a, b) => a.atMs - b.atMs)) {
    const round = rounds.at(-1);
    if (round && reading.atMs - round[0]!.atMs <= ONE_CHECK_MS) round.push(reading);
    else rounds.push([reading]);
  }
  return rounds.flatMap((round) => {
    const counted = lowest ? round : round.filter((each) => each.spot === 'thickest' || each.spot === 'point');
    if (counted.length === 0) return [];
    const found = counted.reduce((best, each) => ((lowest ? each.coreC < best.coreC : each.atMs > best.atMs) ? each : best));
    return [{ atMs: found.atMs, tempC: found.coreC }];
  });
}
