import { cutIn } from '../model';
import { coreRuleOf, limitsOf } from '../safety';
import { addMinutes, MS_PER_MIN } from '../units';
import type { Alarm, AlarmFacts } from './alarm';
import type { Entry } from './entry';
import { pieceAlarms, probeAlarms } from './pieceAlarms';
import { pitAlarms } from './pitAlarms';
import type { DayTask } from './dayTask';
import { coolingDue, hotHoldDue, poultryDue } from './safetyLog';
import type { DayState } from './state';

const HOLD_MARGIN_C = 3;
/** Odds ring once they are clearly under what was asked, and are quiet again once they are clearly not. */
const ODDS_UNDER = 0.08;
const TELLS_AFTER_MIN = 90;

/** Everything that is wrong at this moment. */
export function alarmsNow(facts: AlarmFacts): Alarm[] {
  const { state } = facts;
  const cooking = state.phase !== 'kept' && state.phase !== 'ended';
  const ofTheCook = cooking
    ? [...pitAlarms(facts), ...probeAlarms(facts), ...pieceAlarms(facts), ...taskAlarms(facts), ...oddsAlarms(facts)]
    : [];
  return [...ofTheCook, ...safetyAlarms(facts)].map((alarm) => ({ ...alarm, ...askedOf(facts, alarm) }));
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
