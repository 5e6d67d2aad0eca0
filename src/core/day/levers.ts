import { MS_PER_MIN } from '../units';
import { advanceCook } from './advance';
import type { Deed, Entry, PieceKey, PlanChange } from './entry';
import type { DayForecast } from './forecaster';
import { runOf, wrapFor, type KeptDay } from './keptDay';
import type { DayLever, Idea, LeverCode, Trying } from './lever';
import { earlyRuns, forEarly, forLate } from './leverIdeas';
import { neededByMs, oddsNow, type ServingNow } from './odds';
import { isOn, pitOf, type DayState } from './state';

/** The levers left for each serving whose odds are under what was asked, and for each that is early; best first, doing nothing always among them. */
export function leversNow(trying: Trying): DayLever[] {
  const { kept, state, forecast } = trying;
  const odds = oddsNow(kept, state, forecast);
  return odds.flatMap((serving) => {
    const late = serving.onTimeShare < Math.min(kept.input.event.confidence, serving.plannedShare) - 0.04;
    const early = !late && earlyRuns(trying, serving.servingId).length > 0;
    if (!late && !early) return [];
    const tried = (late ? forLate(trying, serving) : forEarly(trying, serving)).map((each) => attempt(trying, serving, odds, each));
    const useful = tried.filter((lever) =>
      late ? lever.onTimeShare > serving.onTimeShare + 0.01 : lever.gainMin < -3 || WITHOUT_MINUTES.has(lever.code),
    );
    const nothing: DayLever = {
      id: `nothing/${serving.servingId}`,
      code: 'nothing',
      servingId: serving.servingId,
      changes: [],
      pieces: [],
      onTimeShare: serving.onTimeShare,
      gainMin: 0,
      prices: ['none'],
      others: [],
    };
    const worth = late ? worthLate : worthEarly;
    return [...useful.sort((a, b) => worth(b) - worth(a)), nothing];
  });
}

/** Late, the odds count; each price is worth two points of them. */
const worthLate = ({ onTimeShare, prices }: DayLever): number => onTimeShare - 0.02 * prices.length;

/** Early, what costs least goes first; each price is worth a hundred minutes later. */
const worthEarly = ({ gainMin, prices }: DayLever): number => -gainMin - 100 * prices.length;

/** Their gain is no minutes of the cook. */
const WITHOUT_MINUTES: ReadonlySet<LeverCode> = new Set(['holdIn', 'holdCooler', 'ventLonger', 'pullFirst']);

/** Pulls a lever on a copy of the day, and forecasts what it touches anew. */
function attempt(trying: Trying, serving: ServingNow, before: readonly ServingNow[], idea: Idea): DayLever {
  const { kept, state, readings, forecaster, forecast, nowMs } = trying;
  const after = pulled(kept, state, idea.changes, nowMs);
  const touched = new Set<PieceKey>(idea.pieces);
  for (const change of idea.changes)
    if (change.what === 'setPoint')
      for (const piece of Object.values(state.pieces)) if (isOn(piece) && pitOf(piece, nowMs) === change.pitId) touched.add(piece.key);
  const anew = touched.size > 0 ? forecaster.at(after, readings, nowMs, touched) : { atMs: nowMs, pieces: {} };
  const both: DayForecast = { atMs: nowMs, pieces: { ...forecast.pieces, ...anew.pieces } };
  const odds = oddsNow(kept, after, both);
  const own = odds.find((each) => each.servingId === serving.servingId)!;
  return {
    ...idea,
    servingId: serving.servingId,
    onTimeShare: own.onTimeShare,
    gainMin: slack(kept, after, both, serving.servingId) - slack(kept, state, forecast, serving.servingId),
    others: odds.flatMap(({ servingId, onTimeShare }) => {
      const was = before.find((each) => each.servingId === servingId)!.onTimeShare;
      return servingId !== serving.servingId && onTimeShare < was - 0.02 ? [{ servingId, onTimeShare }] : [];
    }),
  };
}

/** Minutes between the last piece's middle forecast and when it is needed. */
function slack(kept: KeptDay, state: DayState, forecast: DayForecast, servingId: string): number {
  const slacks = Object.values(state.pieces).flatMap((piece) => {
    const run = runOf(kept, piece.key)!;
    const foreseen = forecast.pieces[piece.key];
    if (run.servingId !== servingId || !isOn(piece) || !foreseen) return [];
    return [(neededByMs(kept, state, run) - foreseen.done.p50Ms) / MS_PER_MIN];
  });
  return slacks.length > 0 ? Math.min(...slacks) : 0;
}

/** The day with a lever pulled and what hands do for it done. */
function pulled(kept: KeptDay, state: DayState, changes: readonly PlanChange[], nowMs: number): DayState {
  const entry = (deed: Deed): Entry => ({ id: 'tried', atMs: nowMs, by: 'house', source: 'house', deed });
  let after = advanceCook(kept, state, entry({ kind: 'revision', lever: 'tried', changes: [...changes], reason: '' })).state;
  for (const change of changes) {
    if (change.what === 'wrapNow')
      after = advanceCook(
        kept,
        after,
        entry({ kind: 'piece', pieces: change.pieces, step: 'wrapped', wrap: wrapFor(kept, change.pieces[0]!) }),
      ).state;
    if (change.what === 'finishIn') {
      after = advanceCook(kept, after, entry({ kind: 'pit', pitId: change.pitId, did: 'setPoint', pitC: change.pitC })).state;
      after = advanceCook(kept, after, entry({ kind: 'piece', pieces: change.pieces, step: 'moved', pitId: change.pitId })).state;
    }
  }
  return after;
}
