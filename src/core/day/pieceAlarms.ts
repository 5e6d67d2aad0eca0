import { cutIn, isGround, isNonIntact, isPoultry, methodIn, prepOf, type Cut } from '../model';
import { limitsOf } from '../safety';
import { MS_PER_MIN } from '../units';
import { SILENT_MIN, type Alarm, type AlarmFacts } from './alarm';
import { runOf, type KeptDay } from './keptDay';
import { channelUse, type TempAt } from './readings';
import { stalledMin } from './stalled';
import { isOn, pitOf, type DayState, type PieceState } from './state';

const BELIEVED_WITHIN_C = 15;
/** A danger-zone clock rings this long before its limit. */
const ZONE_WARN_MIN = 30;
const PULL_AHEAD_C = 1;

/** Channels that fell silent or cannot be right, where somebody relies on them. */
export function probeAlarms({ state, minutes, forecast, nowMs }: AlarmFacts): Alarm[] {
  const found: Alarm[] = [];
  const lastOf = new Map<string, number>();
  for (const { deviceId, channel, atMs } of minutes)
    lastOf.set(`${deviceId}/${channel}`, Math.max(atMs, lastOf.get(`${deviceId}/${channel}`) ?? 0));
  for (const [name, lastMs] of lastOf) {
    const [deviceId, channel] = [name.slice(0, name.lastIndexOf('/')), name.slice(name.lastIndexOf('/') + 1)];
    const use = channelUse(state.channels, deviceId, channel, nowMs);
    const piece = use?.piece === undefined ? undefined : state.pieces[use.piece];
    const wanted = piece ? isOn(piece) : use?.pitId !== undefined && hasMeat(state, use.pitId, nowMs);
    if (!wanted || nowMs - lastMs < SILENT_MIN * MS_PER_MIN) continue;
    found.push({
      causeId: `probeLost/${name}`,
      code: 'probeLost',
      urgency: 'soon',
      atMs: nowMs,
      channel,
      piece: piece?.key,
      pitId: use?.pitId ?? (piece && pitOf(piece, nowMs)),
      minutes: (nowMs - lastMs) / MS_PER_MIN,
    });
  }
  for (const { key, probe, ignored } of Object.values(forecast?.pieces ?? {})) {
    const piece = state.pieces[key]!;
    if (!isOn(piece)) continue;
    // Of the quarter hour before the forecast that left them out: while the next one is late, the probe lies on.
    const lately = ignored.filter((each) => forecast!.atMs - each.atMs < 15 * MS_PER_MIN);
    const lies = probe !== undefined && probe.state !== 'good' && probe.share > 0.8;
    if (lately.length >= 5 || lies)
      found.push({
        causeId: `probeLies/${key}`,
        code: 'probeLies',
        urgency: 'soon',
        atMs: nowMs,
        piece: key,
        pitId: pitOf(piece, nowMs),
        state: lately.length >= 5 ? lately.at(-1)!.fault : probe!.state,
      });
  }
  return found;
}

export function pieceAlarms({ kept, state, readings, forecast, nowMs }: AlarmFacts): Alarm[] {
  const { event, library } = kept.input;
  return Object.values(state.pieces).flatMap((piece): Alarm[] => {
    const batch = event.batches.find((each) => each.id === piece.batchId);
    const cut = batch && cutIn(library, batch.cutId);
    const method = batch && methodIn(library, batch.methodId);
    const run = runOf(kept, piece.key);
    if (!batch || !cut || !method || !run || !isOn(piece)) return [];
    const foreseen = forecast?.pieces[piece.key];
    const read = (readings.pieces[piece.key] ?? []).filter((each) => each.atMs >= piece.onAtMs!);
    const ignored = new Set(forecast?.pieces[piece.key]?.ignored.map((each) => each.atMs));
    const trusted = forecast?.pieces[piece.key]?.probe?.state ?? 'good';
    const last = read.filter((each) => !ignored.has(Math.round(each.atMs))).at(-1);
    const at = { piece: piece.key, batchId: piece.batchId, pitId: pitOf(piece, nowMs), atMs: nowMs };
    const found: Alarm[] = [];
    // A core that is far from where it is believed is a probe that has just slipped, not one to be acted on.
    const believed = foreseen?.coreNowC;
    const likely = last !== undefined && (believed === undefined || Math.abs(last.tempC - believed.p50) < BELIEVED_WITHIN_C);
    const fresh = last && likely && nowMs - last.atMs < SILENT_MIN * MS_PER_MIN && trusted === 'good';
    const wrapC = method.wrapWhen?.coreC;
    if (fresh && method.wrap !== 'none' && wrapC !== undefined && piece.wrappedAtMs === undefined && last.tempC >= wrapC)
      found.push({ ...at, causeId: `coreWrap/${piece.key}`, code: 'coreWrap', urgency: 'soon', tempC: last.tempC, setC: wrapC });
    const lastCheck = piece.checks.at(-1);
    if (cut.done.by === 'tender') {
      if (foreseen && nowMs >= foreseen.done.p10Ms && !lastCheck)
        found.push({ ...at, causeId: `coreCheck/${piece.key}`, code: 'coreCheck', urgency: 'soon', tempC: last?.tempC });
    } else if (fresh && last.tempC >= run.pullCoreC - PULL_AHEAD_C)
      found.push({ ...at, causeId: `corePull/${piece.key}`, code: 'corePull', urgency: 'now', tempC: last.tempC, setC: run.pullCoreC });
    const stalled = stalledMin(read, nowMs);
    if (foreseen?.longStallMin !== undefined && stalled > foreseen.longStallMin)
      found.push({ ...at, causeId: `longStall/${piece.key}`, code: 'longStall', urgency: 'soon', minutes: stalled, tempC: last?.tempC });
    const zone = zoneMinutes(kept, piece, cut, read, foreseen?.coreNowC?.p50, nowMs);
    const limit = limitsOf(event).dangerZone;
    if (zone !== undefined && zone > limit - ZONE_WARN_MIN)
      found.push({ ...at, causeId: `dangerZone/${piece.key}`, code: 'dangerZone', urgency: 'now', minutes: zone, tempC: last?.tempC });
    return found;
  });
}

/** Minutes since it left the cold while its core is in the danger zone; undefined once through, or where no clock runs. */
function zoneMinutes(
  kept: KeptDay,
  piece: PieceState,
  cut: Cut,
  read: readonly TempAt[],
  believedC: number | undefined,
  nowMs: number,
): number | undefined {
  const batch = kept.input.event.batches.find((each) => each.id === piece.batchId)!;
  const counts = isPoultry(cut) || isGround(cut) || isNonIntact(cut, batch);
  if (!counts || piece.onAtMs === undefined) return undefined;
  const coreC = read.at(-1)?.tempC ?? believedC;
  if (coreC === undefined || coreC >= 57) return undefined;
  return (nowMs - piece.onAtMs) / MS_PER_MIN + prepOf(cut, batch).temperMin;
}

const hasMeat = (state: DayState, pitId: string, atMs: number): boolean =>
  Object.values(state.pieces).some((piece) => isOn(piece) && pitOf(piece, atMs) === pitId);
