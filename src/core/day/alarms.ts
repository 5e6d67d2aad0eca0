import { cutIn, isGround, isNonIntact, isPoultry, methodIn, prepOf, type Cut } from '../model';
import { coreRuleOf, limitsOf } from '../safety';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Entry, PieceKey } from './entry';
import type { DayForecast } from './forecaster';
import { runOf, type KeptDay } from './keptDay';
import type { ServingNow } from './odds';
import { channelUse, type DayReadings, type MinuteReading, type TempAt } from './readings';
import type { DayTask } from './retime';
import { hotHoldDue, coolingDue, poultryDue } from './safetyLog';
import { isOn, pitOf, setPointAt, type DayState, type PieceState, type PitState } from './state';

export type AlarmCode =
  | 'pitHigh'
  | 'pitLow'
  | 'pitFast'
  | 'pitFalling'
  | 'coreWrap'
  | 'coreCheck'
  | 'corePull'
  | 'probeLost'
  | 'probeLies'
  | 'longStall'
  | 'oddsLow'
  | 'reloadDue'
  | 'taskOverdue'
  | 'holdFloor'
  | 'poultryLow'
  | 'dangerZone'
  | 'hotHoldCheck'
  | 'coolingLate';

/** What wants somebody, why, and who. Figures are of the moment it was raised. */
export interface Alarm {
  /** One cause rings once, until it is over. */
  causeId: string;
  code: AlarmCode;
  /** `now`: meat or people suffer while nobody comes; `soon`: it can wait minutes. */
  urgency: 'now' | 'soon';
  atMs: number;
  /** Who is asked first, and who when nobody answers. */
  who?: string;
  second?: string;
  pitId?: string;
  piece?: PieceKey;
  taskId?: string;
  servingId?: string;
  batchId?: string;
  tempC?: number;
  setC?: number;
  minutes?: number;
  share?: number;
  channel?: string;
  state?: string;
}

export interface AlarmFacts {
  kept: KeptDay;
  state: DayState;
  readings: DayReadings;
  minutes: readonly MinuteReading[];
  forecast?: DayForecast;
  tasks: readonly DayTask[];
  odds: readonly ServingNow[];
  nowMs: number;
}

/** How far off its set point a pit may be, C, and for how long; and how long it is left alone after a lid or a new heat. */
const BAND_C = 14;
const BAND_FOR_MIN = 10;
const FALLS_C_PER_MIN = 0.45;
const FALLEN_C = 8;
const FAST_C_PER_MIN = 2.2;
const SILENT_MIN = 10;
const HOLD_MARGIN_C = 3;
const BELIEVED_WITHIN_C = 15;
/** A danger-zone clock rings this long before its limit. */
const ZONE_WARN_MIN = 30;
/** Odds ring once they are clearly under what was asked, and are quiet again once they are clearly not. */
const ODDS_UNDER = 0.08;
const TELLS_AFTER_MIN = 90;
const PULL_AHEAD_C = 1;

/** Everything that is wrong at this moment. */
export function alarmsNow(facts: AlarmFacts): Alarm[] {
  const { state } = facts;
  if (state.phase === 'kept' || state.phase === 'ended') return safetyAlarms(facts);
  const found = [
    ...pitAlarms(facts),
    ...probeAlarms(facts),
    ...pieceAlarms(facts),
    ...taskAlarms(facts),
    ...oddsAlarms(facts),
    ...safetyAlarms(facts),
  ];
  return found.map((alarm) => ({ ...alarm, ...askedOf(facts, alarm) }));
}

const CLEARS_AFTER_MIN = 6;

/** What of it the journal has to be told: new causes, those that are over, and those nobody answered. */
export function alarmEntries(
  state: DayState,
  current: readonly Alarm[],
  nowMs: number,
  escalateAfterMin: number,
  newId: (causeId: string, did: string) => string,
): Entry[] {
  const entries: Entry[] = [];
  const entry = (causeId: string, deed: Omit<Extract<Entry['deed'], { kind: 'alarm' }>, 'kind' | 'causeId'>) =>
    entries.push({ id: newId(causeId, deed.did), atMs: nowMs, by: 'house', source: 'house', deed: { kind: 'alarm', causeId, ...deed } });
  for (const alarm of current) {
    const mark = state.alarms[alarm.causeId];
    if (!mark || mark.clearedAtMs !== undefined) {
      // What has just been over is not news.
      if (mark?.clearedAtMs !== undefined && nowMs - mark.clearedAtMs < CLEARS_AFTER_MIN * MS_PER_MIN) continue;
      entry(alarm.causeId, { did: 'raised', alarm });
    } else if (
      mark.acknowledgedAtMs === undefined &&
      mark.escalatedAtMs === undefined &&
      nowMs - mark.raisedAtMs >= escalateAfterMin * MS_PER_MIN
    )
      entry(alarm.causeId, { did: 'escalated', ...(alarm.second !== undefined && { to: alarm.second }) });
  }
  for (const mark of Object.values(state.alarms))
    if (mark.clearedAtMs === undefined && !current.some((alarm) => alarm.causeId === mark.causeId)) entry(mark.causeId, { did: 'cleared' });
  return entries;
}

/** Who is on duty there and has the next thing to do with it; then somebody else who is there. */
function askedOf({ kept, tasks, nowMs }: AlarmFacts, alarm: Alarm): Pick<Alarm, 'who' | 'second'> {
  const near = tasks
    .filter((task) => task.who && task.status !== 'done' && task.status !== 'skipped')
    .filter((task) => task.id === alarm.taskId || (alarm.pitId !== undefined && task.pitId === alarm.pitId));
  const there = (kept.plan.stays ?? []).filter((stay) => stay.fromMs <= nowMs && stay.toMs > nowMs).map((stay) => stay.memberId);
  const who = near[0]?.who?.find((id) => there.length === 0 || there.includes(id)) ?? there[0];
  const second = there.find((id) => id !== who);
  return { ...(who !== undefined && { who }), ...(second !== undefined && { second }) };
}

function pitAlarms({ kept, state, readings, nowMs }: AlarmFacts): Alarm[] {
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

function probeAlarms({ state, minutes, forecast, nowMs }: AlarmFacts): Alarm[] {
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
    const lately = ignored.filter((each) => nowMs - each.atMs < 15 * MS_PER_MIN);
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

const hasMeat = (state: DayState, pitId: string, atMs: number): boolean =>
  Object.values(state.pieces).some((piece) => isOn(piece) && pitOf(piece, atMs) === pitId);

/** How long a stall may last against the one planned, at 9 in 10 (ln sd near 0.35). */
const STALL_FACTOR = 1.57;

function pieceAlarms({ kept, state, readings, forecast, nowMs }: AlarmFacts): Alarm[] {
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
    const plannedMin = plannedStallMin(run);
    if (cut.done.by === 'tender' && stalled > STALL_FACTOR * plannedMin && piece.wrappedAtMs === undefined)
      found.push({ ...at, causeId: `longStall/${piece.key}`, code: 'longStall', urgency: 'soon', minutes: stalled, tempC: last?.tempC });
    const zone = zoneMinutes(kept, piece, cut, read, foreseen?.coreNowC?.p50, nowMs);
    const limit = limitsOf(event).dangerZone;
    if (zone !== undefined && zone > limit - ZONE_WARN_MIN)
      found.push({ ...at, causeId: `dangerZone/${piece.key}`, code: 'dangerZone', urgency: 'now', minutes: zone, tempC: last?.tempC });
    return found;
  });
}

/** Of what has a stall: how long it is thought to last, from how long the whole is. */
const plannedStallMin = (run: { onAtMs: number; pullMedianMs: number; wrapAtMs?: number }): number =>
  Math.max(90, 0.32 * (((run.wrapAtMs ?? run.pullMedianMs) - run.onAtMs) / MS_PER_MIN));

const STALL_C = [60, 82] as const;
const STALL_C_PER_H = 2.5;
const STALL_WINDOW_MIN = 45;

/** Minutes for which a core between 60 and 82 C has risen slower than it should. */
function stalledMin(read: readonly TempAt[], nowMs: number): number {
  const last = read.at(-1);
  if (!last || last.tempC < STALL_C[0] || last.tempC > STALL_C[1]) return 0;
  let from = last.atMs;
  for (let at = read.length - 1; at >= 0; at--) {
    const { atMs, tempC } = read[at]!;
    if (tempC < STALL_C[0]) break;
    const hours = (last.atMs - atMs) / 3_600_000;
    if (hours * 60 > STALL_WINDOW_MIN && (last.tempC - tempC) / hours > STALL_C_PER_H) break;
    from = atMs;
  }
  const minutes = (nowMs - from) / MS_PER_MIN;
  return minutes > STALL_WINDOW_MIN ? minutes : 0;
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

/** What is late and has no alarm of its own. */
const RINGS: ReadonlySet<DayTask['kind']> = new Set([
  'light',
  'load',
  'wrap',
  'unwrap',
  'move',
  'pull',
  'hold',
  'setPoint',
  'relight',
  'drive',
  'carve',
]);

function taskAlarms({ state, tasks, nowMs }: AlarmFacts): Alarm[] {
  if (state.phase === 'paused') return [];
  return tasks.flatMap((task): Alarm[] => {
    const at = { taskId: task.id, pitId: task.pitId, atMs: nowMs };
    const lateMin = (nowMs - task.dueMs) / MS_PER_MIN;
    const started = state.startedAtMs !== undefined && task.plannedMs >= addMinutes(state.startedAtMs, -60);
    if (task.status !== 'late' && !(task.kind === 'reload' && task.status === 'due' && nowMs >= task.dueMs)) return [];
    if (!started) return [];
    if (task.kind === 'reload')
      return lateMin >= 5 ? [{ ...at, causeId: `reloadDue/${task.id}`, code: 'reloadDue', urgency: 'now', minutes: lateMin }] : [];
    if (!RINGS.has(task.kind)) return [];
    return [{ ...at, causeId: `taskOverdue/${task.id}`, code: 'taskOverdue', urgency: 'soon', minutes: lateMin }];
  });
}

function oddsAlarms({ kept, state, odds, nowMs }: AlarmFacts): Alarm[] {
  const asked = kept.input.event.confidence;
  return odds.flatMap((serving): Alarm[] => {
    const mark = state.alarms[`oddsLow/${serving.servingId}`];
    const rings = mark && mark.clearedAtMs === undefined;
    // What the plan already promised less than was asked for rings only when it got worse.
    const floor = Math.min(asked, serving.plannedShare) - ODDS_UNDER;
    if (serving.onTimeShare >= (rings ? floor + ODDS_UNDER / 2 : floor)) return [];
    if (nowMs > serving.atMs) return [];
    // What has just gone on has told nothing yet: its pit is still coming back.
    const onAtMs = serving.weakest === undefined ? undefined : state.pieces[serving.weakest]?.onAtMs;
    if (onAtMs !== undefined && nowMs - onAtMs < TELLS_AFTER_MIN * MS_PER_MIN) return [];
    return [
      {
        causeId: `oddsLow/${serving.servingId}`,
        code: 'oddsLow',
        urgency: 'soon',
        atMs: nowMs,
        servingId: serving.servingId,
        share: serving.onTimeShare,
        piece: serving.weakest,
      },
    ];
  });
}

function safetyAlarms({ kept, state, readings, nowMs }: AlarmFacts): Alarm[] {
  const { event, library } = kept.input;
  const found: Alarm[] = [];
  const floorC = limitsOf(event).hotHold;
  for (const piece of Object.values(state.pieces)) {
    if (piece.heldAtMs === undefined || piece.carvedAtMs !== undefined) continue;
    const last = (readings.pieces[piece.key] ?? []).filter((each) => each.atMs >= piece.heldAtMs!).at(-1);
    if (last && last.tempC < floorC + HOLD_MARGIN_C)
      found.push({
        causeId: `holdFloor/${piece.key}`,
        code: 'holdFloor',
        urgency: 'now',
        atMs: nowMs,
        piece: piece.key,
        batchId: piece.batchId,
        tempC: last.tempC,
        setC: floorC,
      });
  }
  for (const due of hotHoldDue(kept, state, nowMs))
    if (nowMs >= due.dueMs)
      found.push({
        causeId: `hotHoldCheck/${due.batchId}/${due.dueMs}`,
        code: 'hotHoldCheck',
        urgency: 'soon',
        atMs: nowMs,
        batchId: due.batchId,
      });
  for (const due of poultryDue(kept, state, nowMs)) {
    const cut = cutIn(library, event.batches.find((each) => each.id === due.batchId)!.cutId)!;
    found.push({
      causeId: `poultryLow/${due.piece}`,
      code: 'poultryLow',
      urgency: 'now',
      atMs: nowMs,
      piece: due.piece,
      batchId: due.batchId,
      setC: coreRuleOf(cut).limit,
    });
  }
  for (const due of coolingDue(state, nowMs))
    if (nowMs >= due.dueMs)
      found.push({
        causeId: `coolingLate/${due.batchId}/${due.line}`,
        code: 'coolingLate',
        urgency: 'now',
        atMs: nowMs,
        batchId: due.batchId,
        state: due.line,
      });
  return found;
}
