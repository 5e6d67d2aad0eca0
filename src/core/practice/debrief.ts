import { MS_PER_MIN } from '../units';
import { triedWays } from './bestWay';
import type { PracticeDeed } from './deed';
import { forecastOf, type ForecastSaid } from './forecastOf';
import { outcomeOf, type Outcome } from './outcome';
import type { Done, News, Trail } from './dayParts';
import type { PracticeDay } from './practiceDay';
import { resumed, type PracticeSave } from './save';
import type { Scenario } from './scenario';
import { cookOn, freshMemory, type Way } from './steadyHand';

/** What else could have been done then. */
export type OptionKind = 'asDone' | 'waited' | 'paperInstead' | 'foilInstead' | 'seenToAtOnce';

export interface Option {
  kind: OptionKind;
  /** What the day would have been worth, 0 to 100, a steady hand going on from there. */
  value: number;
}

/** One decision, weighed on the day as it truly stood. */
export interface Decision {
  atMs: number;
  /** What was done, all of one kind within some minutes; or what happened, and was or was not seen to. */
  deeds: PracticeDeed[];
  news?: News;
  options: Option[];
  /** What it gained against the best of the others; below nothing, what it cost. */
  gained: number;
  /** What the forecast said of the piece it was about. */
  forecast?: ForecastSaid;
}

export interface Debrief {
  outcome: Outcome;
  decisions: Decision[];
  trail: Trail[];
  /** The best that a steady hand could have made of it, from the moment it was taken over. */
  bestValue: number;
}

/** Deeds of one kind so close together are one decision. */
const TOGETHER_MIN = 12;
/** So long a trouble is looked at: what was done until then was the answer to it. */
const ANSWERED_MIN = 25;
/** A pit that strays is a decision not taken: so long it is looked at, from so far off, for so many points of the trail. */
const STRAYED_MIN = 60;
const STRAYS_FROM_C = 14;
const STRAYS_POINTS = 4;
const MOST_STRAYS = 3;
const MOST_DECISIONS = 14;
const HOTTER: Way = Object.freeze({ hotterC: 15 });
const TWO_WAYS: readonly Way[] = Object.freeze([{ hotterC: 0 }, HOTTER]);
/** What weighs: looking and asking change nothing that lasts. */
const WEIGHED = new Set<PracticeDeed['kind']>([
  'wrap',
  'unwrap',
  'pull',
  'coals',
  'vents',
  'setPoint',
  'load',
  'shield',
  'water',
  'lid',
  'wood',
  'douse',
  'shelter',
  'sendHelper',
  'moveProbe',
]);
/** Of too many decisions those are left out first that usually change least. */
const RANK: PracticeDeed['kind'][] = ['pull', 'wrap', 'load', 'coals', 'setPoint', 'unwrap', 'douse', 'lid', 'shield', 'vents', 'wood'];

const worth = (day: PracticeDay): number => triedWays(day, freshMemory(), TWO_WAYS)[0]!.value;

/** Ways to spell what one deed could have been instead. */
function others(deeds: readonly PracticeDeed[]): [OptionKind, PracticeDeed[]][] {
  const instead = (wrap: 'paper' | 'foil') => deeds.map((deed) => (deed.kind === 'wrap' ? { ...deed, wrap } : deed));
  if (deeds[0]?.kind !== 'wrap') return [];
  return deeds[0].wrap === 'foil' ? [['paperInstead', instead('paper')]] : [['foilInstead', instead('foil')]];
}

function groupsOf(done: readonly Done[]): Done[][] {
  const groups: Done[][] = [];
  for (const each of done) {
    if (!WEIGHED.has(each.deed.kind)) continue;
    const group = groups.findLast(([first]) => first!.deed.kind === each.deed.kind && each.atMs - first!.atMs <= TOGETHER_MIN * MS_PER_MIN);
    if (group) group.push(each);
    else groups.push([each]);
  }
  const rank = ([first]: Done[]) => (RANK.includes(first!.deed.kind) ? RANK.indexOf(first!.deed.kind) : RANK.length);
  return [...groups]
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST_DECISIONS)
    .sort((a, b) => a[0]!.atMs - b[0]!.atMs);
}

/** When a pit with meat on it began to be too hot or too cool for long. */
function straysOf(day: PracticeDay): News[] {
  const strays: News[] = [];
  for (const { pit } of day.scenario.pits) {
    const wishC = day.scenario.pits.find((each) => each.pit.id === pit.id)!.pitC;
    const on = (atMs: number) =>
      day.scenario.pieces.some(({ key, pitId }) => {
        const { onAtMs = Infinity, pulledAtMs = Infinity } = day.pieces[key]!;
        return pitId === pit.id && onAtMs <= atMs && atMs < pulledAtMs;
      });
    let run: { atMs: number; offC: number }[] = [];
    for (const { atMs, pitC } of day.trail) {
      const offC = pitC[pit.id]! - wishC;
      if (atMs < day.takeOverAtMs || !on(atMs) || Math.abs(offC) < STRAYS_FROM_C) run = [];
      else run.push({ atMs, offC });
      if (run.length === STRAYS_POINTS)
        strays.push({
          kind: 'pitStrayed',
          atMs: run[0]!.atMs,
          pitId: pit.id,
          much: run.reduce((sum, each) => sum + each.offC, 0) / run.length,
        });
    }
  }
  return strays.sort((a, b) => a.atMs - b.atMs).slice(0, MOST_STRAYS);
}

const keyOf = (deeds: readonly PracticeDeed[]): string | undefined =>
  deeds.map((deed) => ('key' in deed ? deed.key : undefined)).find(Boolean);

/**
 * Weighs a day that is over: at each decision the day as it truly stood is taken up again with what was done and with what
 * could have been, and a steady hand goes on from either. `tell` is called after each with how many are left.
 */
export function debrief(scenario: Scenario, save: PracticeSave, tell?: (doneOf: number, all: number) => void): Debrief {
  const whole = resumed(scenario, save);
  whole.advanceTo(Infinity);
  const groups = groupsOf(whole.done);
  const troubles = whole.news.filter((news) => scenario.troubles.some((trouble) => trouble.kind === news.kind) && news.atMs < whole.nowMs);
  const strays = straysOf(whole);
  const all = groups.length + troubles.length + strays.length + 1;
  const decisions: Decision[] = [];
  const day = resumed(scenario, save, whole.takeOverAtMs - 1);
  const bestValue = worth(day);
  tell?.(1, all);
  const moments = [
    ...[...troubles, ...strays].map((news) => ({ atMs: news.atMs, news, group: [] as Done[] })),
    ...groups.map((group) => ({ atMs: group[0]!.askedAtMs, news: undefined, group })),
  ].sort((a, b) => a.atMs - b.atMs || Number(Boolean(b.news)) - Number(Boolean(a.news)));
  let at = 0;
  for (const { atMs, news, group } of moments) {
    at = playTo(day, save, at, atMs);
    const deeds = group.map((each) => each.deed);
    const options = news ? answered(day, save, at, news.kind === 'pitStrayed' ? STRAYED_MIN : ANSWERED_MIN) : weighed(day, deeds);
    const asDone = options[0]!.value;
    const key = keyOf(deeds);
    decisions.push({
      atMs,
      deeds,
      news,
      options,
      gained: asDone - Math.max(...options.slice(1).map((option) => option.value)),
      forecast: key === undefined ? undefined : forecastOf(day, key),
    });
    tell?.(decisions.length + 1, all);
  }
  return { outcome: outcomeOf(whole), decisions, trail: whole.trail, bestValue };
}

/** Plays what was done before an instant; returns how far in the list that is. */
function playTo(day: PracticeDay, { deeds }: PracticeSave, from: number, untilMs: number): number {
  let at = from;
  while (at < deeds.length && deeds[at]!.atMs < untilMs) {
    day.advanceTo(deeds[at]!.atMs);
    day.do(deeds[at]!.deed);
    at++;
  }
  day.advanceTo(untilMs);
  return at;
}

function weighed(day: PracticeDay, deeds: readonly PracticeDeed[]): Option[] {
  const after = (list: readonly PracticeDeed[]) => {
    const tried = day.fork();
    for (const deed of list) tried.do(deed);
    return worth(tried);
  };
  return [
    { kind: 'asDone', value: after(deeds) },
    { kind: 'waited', value: worth(day) },
    ...others(deeds).map(([kind, list]): Option => ({ kind, value: after(list) })),
  ];
}

/** What was done about a trouble in the first minutes, against a steady hand that sees to it at once. */
function answered(day: PracticeDay, save: PracticeSave, from: number, forMin: number): Option[] {
  const tried = day.fork();
  playTo(tried, save, from, day.nowMs + forMin * MS_PER_MIN);
  const steady = day.fork();
  cookOn(steady, { hotterC: 0 }, freshMemory(), day.nowMs + forMin * MS_PER_MIN);
  return [
    { kind: 'asDone', value: worth(tried) },
    { kind: 'seenToAtOnce', value: worth(steady) },
  ];
}
