import { SAFETY_RULES, STRICT_LIMITS } from '../safety';
import { MS_PER_MIN } from '../units';
import type { Served } from './dayParts';
import { isBird, type PracticeDay } from './practiceDay';
import { cutOf } from './scenario';

export const SKILLS = ['fire', 'wrap', 'tenderness', 'timing', 'safety'] as const;
export type Skill = (typeof SKILLS)[number];

/** What went wrong with a piece, in the order it is told. */
export type PieceFault =
  'notServed' | 'underdone' | 'tough' | 'mushy' | 'thinGone' | 'dry' | 'pale' | 'softBark' | 'bitter' | 'cool' | 'late' | 'unprobed';

export interface PieceOutcome {
  key: string;
  /** 0 to 100: what is on the plate, before the hour is counted. */
  plate: number;
  lateMin: number;
  faults: PieceFault[];
  served?: Served;
}

export interface Outcome {
  pieces: PieceOutcome[];
  /** 0 to 100, by piece; late minutes cost. */
  value: number;
  onTime: boolean;
  skills: Partial<Record<Skill, number>>;
  fuelKg: number;
  openings: number;
  /** Share of the minutes in which a pit was as hot as it should be, and in which it smoked white or black. */
  heldShare: number;
  dirtyMin: number;
  burned: boolean;
}

/** So late and nobody minds; each minute beyond costs a plate this much. */
const LATE_FREE_MIN = 10;
const LATE_COSTS = 0.9;
const RESTS_MIN = 30;
const WARM_C = 48;
const BITTER_FROM_H = 0.5;

const ramp = (value: number, from: number, to: number): number => Math.min(1, Math.max(0, (value - from) / (to - from)));

function plateOf(day: PracticeDay, key: string, served: Served, faults: PieceFault[]): number {
  const piece = day.piece(key)!;
  const cut = cutOf(day.scenario, piece);
  const bird = isBird(day, key);
  let plate = 100;
  const costs = (fault: PieceFault, points: number) => {
    if (points < 1) return;
    plate -= points;
    if (points >= 4) faults.push(fault);
  };
  if (cut.done.by === 'tender') {
    costs('tough', 75 * (1 - ramp(served.tenderShare, 0.55, 0.93)));
    costs('mushy', 40 * ramp(served.tenderShare, 1.235, 1.295));
    if (served.thinTenderShare !== undefined) costs('thinGone', 10 * ramp(served.thinTenderShare, 1.28, 1.2985));
  } else {
    costs(
      'underdone',
      bird ? (served.hottestC < SAFETY_RULES.poultryCore.limit ? 100 : 0) : 60 * ramp(cut.done.coreC - served.hottestC, 3, 12),
    );
    costs('dry', 45 * ramp(served.hottestC - cut.done.coreC, bird ? 8 : 4, 25));
  }
  const pulled = day.pieces[key]!.wrap;
  if (cut.done.by === 'tender') {
    costs('dry', 25 * ramp(served.lostShare, pulled === 'none' ? 0.3 : 0.26, 0.38));
    costs('pale', 22 * (1 - ramp(served.bark, 0.35, 0.9)));
    costs('softBark', 10 * ramp(served.soft, 0.6, 0.95));
  }
  costs('bitter', 30 * ramp(served.bitterH, BITTER_FROM_H, 1.2));
  // Straight from the rest it may cool a little; what has waited must be hot.
  const offMin = (day.pieces[key]!.servedAtMs! - day.pieces[key]!.pulledAtMs!) / MS_PER_MIN;
  costs('cool', served.coreC < STRICT_LIMITS.hotHold && offMin > RESTS_MIN ? 40 : served.coreC < WARM_C ? 25 : 0);
  return Math.max(0, plate);
}

/** How the day came out, once it is over: plates, the hour, and what was done on the way. */
export function outcomeOf(day: PracticeDay): Outcome {
  const pieces = day.scenario.pieces
    .filter(({ key, onBeforeMin }) => onBeforeMin !== undefined || day.pieces[key]!.onAtMs !== undefined)
    .map(({ key }): PieceOutcome => {
      const { servedAtMs, served } = day.pieces[key]!;
      if (servedAtMs === undefined || !served) return { key, plate: 0, lateMin: 0, faults: ['notServed'] };
      const faults: PieceFault[] = [];
      const plate = plateOf(day, key, served, faults);
      const lateMin = Math.max(0, (servedAtMs - day.serveAtMs) / MS_PER_MIN);
      if (lateMin > LATE_FREE_MIN) faults.push('late');
      if (isBird(day, key) && !day.done.some(({ deed }) => deed.kind === 'probe' && deed.key === key)) faults.push('unprobed');
      return { key, plate, lateMin, faults, served };
    });
  const short =
    day.has('deliveryShort') &&
    !day.scenario.pieces.some(({ key, onBeforeMin }) => onBeforeMin === undefined && day.pieces[key]!.onAtMs !== undefined);
  const each = pieces.map(({ plate, lateMin }) => Math.max(0, plate - LATE_COSTS * Math.max(0, lateMin - LATE_FREE_MIN)));
  const records = Object.values(day.fires);
  const sum = (pick: (record: (typeof records)[number]) => number) => records.reduce((total, record) => total + pick(record), 0);
  const minutes = sum((record) => record.minutes);
  const heldShare = minutes > 0 ? sum((record) => record.heldMin) / minutes : 1;
  const dirtyMin = sum((record) => record.dirtyMin);
  const value = mean(each) * (short ? 0.7 : 1);
  return {
    pieces,
    value,
    onTime: !short && pieces.every(({ faults, plate }) => plate > 0 && !faults.includes('late')),
    skills: skillsOf(day, pieces, heldShare, dirtyMin, minutes),
    fuelKg: sum((record) => record.burnedKg),
    openings: sum((record) => record.openings),
    heldShare,
    dirtyMin,
    burned: day.burned,
  };
}

const mean = (list: readonly number[]): number => (list.length > 0 ? list.reduce((sum, each) => sum + each, 0) / list.length : 0);

function skillsOf(day: PracticeDay, pieces: PieceOutcome[], heldShare: number, dirtyMin: number, minutes: number): Outcome['skills'] {
  const served = pieces.filter((piece) => piece.served);
  const without = (points: Partial<Record<PieceFault, number>>) =>
    mean(
      pieces.map(({ faults }) =>
        Math.max(0, 100 - faults.reduce((sum, fault) => sum + (fault === 'notServed' ? 100 : (points[fault] ?? 0)), 0)),
      ),
    );
  const wrapped = day.scenario.pieces.some(({ wrap }) => wrap !== 'none');
  const birds = pieces.filter(({ key }) => isBird(day, key));
  const unsafe = day.burned ? 60 : 0;
  return {
    ...(minutes > 0 && { fire: Math.max(0, 100 * heldShare - 60 * (dirtyMin / minutes)) }),
    ...(wrapped && served.length > 0 && { wrap: without({ pale: 45, softBark: 20, dry: 35 }) }),
    tenderness: without({ tough: 60, mushy: 45, underdone: 70, dry: 20, thinGone: 15 }),
    timing: Math.max(0, 100 - mean(pieces.map(({ lateMin, served: has }) => (has ? 1.6 * lateMin : 100)))),
    safety: Math.max(0, without({ cool: 50, underdone: birds.length > 0 ? 100 : 20, unprobed: 40 }) - unsafe),
  };
}
