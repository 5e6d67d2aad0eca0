import { MS_PER_MIN } from '../units';
import type { HandFire } from '../world';
import { isBird, PracticeDay } from './practiceDay';
import { cutOf, type Scenario } from './scenario';

/** How a steady hand goes about the rest of a day. */
export interface Way {
  /** Hotter than the pit was meant to be, C. */
  hotterC: number;
  /** What it wraps in; as the method has it when left out. */
  wrap?: 'none' | 'paper' | 'foil';
  /** Wraps what is still bare at once, once its rub holds. */
  wrapSoon?: boolean;
  /** Puts on what still lies in the cold. */
  loads?: boolean;
}

export const AS_MEANT: Way = Object.freeze({ hotterC: 0 });

/** It looks at its fire so often. */
const EVERY_MIN = 2;
const BARK_SET = 1;
/** Coals for less than this: time to light a chimney. */
const FUEL_LEFT_MIN = 45;
const TENDER_FROM = 0.97;
const CHUNK_EVERY_MIN = 35;
const FLARE_VENTS = [0.05, 0.3] as const;

/** What the hand remembers between two looks. */
export interface Memory {
  wasC: Record<string, number>;
  chunkAtMs: Record<string, number>;
}

export const freshMemory = (): Memory => ({ wasC: {}, chunkAtMs: {} });

/**
 * A hand that sees everything as it truly is and does what a good cook would: holds the heat by the vents, keeps ahead of its
 * coals, wraps when the bark is set, pulls when it is tender, serves at the hour. It cooked until the day is taken over, it
 * is what a decision is measured against, and, choosing among ways, it is the perfect player.
 */
export function steadyMinute(day: PracticeDay, memory: Memory, way: Way): void {
  if (day.over) return;
  const minute = Math.round((day.nowMs - day.startMs) / MS_PER_MIN);
  if (minute % EVERY_MIN === 0)
    for (const { pit, pitC } of day.scenario.pits) {
      const wishC = pitC + way.hotterC;
      const fire = day.fire(pit.id);
      if (fire) keepFire(day, fire, pit.id, wishC, memory);
      else if (Math.abs(day.wishC(pit.id) - clampTo(wishC, pit.rangeC)) > 1)
        day.do({ kind: 'setPoint', pitId: pit.id, pitC: clampTo(wishC, pit.rangeC) });
      if (fire) day.wish(pit.id, wishC);
    }
  answerTroubles(day);
  for (const piece of day.scenario.pieces) cookPiece(day, piece.key, way);
}

const clampTo = (value: number, [low, high]: readonly [number, number]): number => Math.min(high, Math.max(low, value));

function keepFire(day: PracticeDay, fire: HandFire, pitId: string, wishC: number, memory: Memory): void {
  const nowC = fire.airC;
  const wasC = memory.wasC[pitId] ?? nowC;
  memory.wasC[pitId] = nowC;
  if (flaring(day, pitId)) {
    if (fire.bottom > 0.1) day.do({ kind: 'vents', pitId, bottom: FLARE_VENTS[0], top: FLARE_VENTS[1] });
    return;
  }
  const risesC = (nowC - wasC) / EVERY_MIN;
  const comesC = nowC + risesC * 6;
  const off = wishC - comesC;
  const step = Math.min(0.15, Math.max(-0.15, off * 0.006));
  const wood = fire.spec.kind === 'offset' || fire.spec.kind === 'reverse-flow';
  // A stick fire is never choked: it breathes, and its splits are what steers it.
  const least = wood ? 0.16 : 0.02;
  const bottom = Math.min(1, Math.max(least, fire.bottom + step));
  const top = Math.max(0.6, Math.min(1, bottom * 1.6));
  if (Math.abs(bottom - fire.bottom) > 0.012 || fire.top < 0.55) day.do({ kind: 'vents', pitId, bottom, top });
  if (fire.spec.kind !== 'open-pit' && fire.ashKg > 0.3) day.do({ kind: 'ash', pitId });
  if (fire.lidOpen) day.do({ kind: 'lid', pitId, open: false });
  if (wood) {
    if (fire.woodKg < 0.3 && comesC < wishC + 6) day.do({ kind: 'wood', pitId, size: 'split', warmed: true });
    if (fire.litKg < 0.35) light(day, pitId);
    return;
  }
  if (fire.spec.kind === 'open-pit') {
    if (comesC < wishC - 2) light(day, pitId);
    return;
  }
  if (fire.coalsLastMin < FUEL_LEFT_MIN && fire.litKg > 0.25) day.do({ kind: 'coals', pitId, lit: false });
  if (fire.litKg < 0.3 || (bottom > 0.9 && comesC < wishC - 8)) light(day, pitId);
  const bare = day.scenario.pieces.some((piece) => piece.pitId === pitId && day.isOn(piece.key) && day.pieces[piece.key]!.wrap === 'none');
  if (bare && day.nowMs - (memory.chunkAtMs[pitId] ?? -Infinity) > CHUNK_EVERY_MIN * MS_PER_MIN) {
    memory.chunkAtMs[pitId] = day.nowMs;
    day.do({ kind: 'wood', pitId, size: 'chunk', warmed: true });
  }
}

/** Pours a chimney that is ready, or lights one. */
function light(day: PracticeDay, pitId: string): void {
  const readyMs = day.chimneyAtMs[pitId];
  if (readyMs === undefined) day.do({ kind: 'chimney', pitId });
  else if (readyMs <= day.nowMs) day.do({ kind: 'coals', pitId, lit: true });
}

const lastOf = (day: PracticeDay, kind: string) => day.news.findLast((each) => each.kind === kind);

export function flaring(day: PracticeDay, pitId: string): boolean {
  const flare = lastOf(day, 'flare');
  const over = lastOf(day, 'flareOver');
  if (!flare || (flare.pitId ?? day.scenario.pits[0]!.pit.id) !== pitId) return false;
  const lastsMin = day.scenario.troubles.find((trouble) => trouble.kind === 'flare')?.lastsMin ?? 10;
  return day.nowMs - flare.atMs < lastsMin * MS_PER_MIN && (over?.atMs ?? 0) < flare.atMs;
}

/** Some minutes after something is told, it is seen to. */
function answerTroubles(day: PracticeDay): void {
  const answers = (kind: 'wind' | 'rain' | 'helperOpens' | 'probeInFat'): boolean => {
    const told = lastOf(day, kind);
    return told !== undefined && Math.abs(day.nowMs - told.atMs - 2 * MS_PER_MIN) < MS_PER_MIN / 2;
  };
  if (answers('wind') || answers('rain'))
    for (const { pit } of day.scenario.pits)
      if (day.fire(pit.id) && !day.fire(pit.id)!.sheltered) day.do({ kind: 'shelter', pitId: pit.id });
  if (answers('helperOpens')) day.do({ kind: 'sendHelper' });
  if (answers('probeInFat') && day.scenario.probeIn) day.do({ kind: 'moveProbe', key: day.scenario.probeIn });
}

function cookPiece(day: PracticeDay, key: string, way: Way): void {
  const piece = day.piece(key)!;
  const so = day.pieces[key]!;
  const cut = cutOf(day.scenario, piece);
  if (so.servedAtMs !== undefined) return;
  if (so.onAtMs === undefined) {
    const due = piece.onBeforeMin !== undefined && day.nowMs >= day.scenario.serveAtMs - piece.onBeforeMin * MS_PER_MIN;
    if (due || (way.loads && piece.onBeforeMin === undefined && day.nowMs >= day.takeOverAtMs)) day.do({ kind: 'load', key });
    return;
  }
  const truth = day.truth(key);
  const untilMin = (day.serveAtMs - day.nowMs) / MS_PER_MIN;
  if (so.pulledAtMs === undefined) {
    const done = cut.done.by === 'tender' ? truth.tenderShare >= TENDER_FROM : truth.coreC >= cut.done.coreC - (isBird(day, key) ? -1 : 2);
    if (done) {
      if (isBird(day, key)) day.do({ kind: 'probe', key, spot: 'thick' });
      const waits = day.scenario.holds.includes('box') ? 'box' : day.scenario.holds.includes('warmer') ? 'warmer' : 'board';
      day.do({ kind: 'pull', key, to: untilMin > 25 ? waits : 'board' });
      return;
    }
    const wrap = way.wrap ?? (piece.wrap === 'pan' ? 'foil' : piece.wrap);
    if (wrap !== 'none' && so.wrap === 'none') {
      const set = truth.crust.bark >= BARK_SET && truth.crust.damp < 0.4;
      if (set || (way.wrapSoon && truth.crust.bark > 0.35)) day.do({ kind: 'wrap', key, wrap });
    }
    if (truth.thin && truth.thin.tenderShare > 1.08 && so.wrap === 'none' && !so.shielded) day.do({ kind: 'shield', key });
    return;
  }
  if (untilMin <= 0) day.do({ kind: 'serve', key });
}

/** Cooks on from here to the end, a minute at a time, or until an instant. */
export function cookOn(day: PracticeDay, way: Way, memory: Memory = freshMemory(), untilMs = Infinity): void {
  while (!day.over && day.nowMs < untilMs) {
    steadyMinute(day, memory, way);
    day.advanceTo(day.nowMs + MS_PER_MIN);
  }
}

/** As it is taken over: cooked until then by a steady hand, its fire left alone for as long as the scenario says. */
export function begin(scenario: Scenario, seed: number): PracticeDay {
  const day = new PracticeDay(scenario, seed);
  const leftMs = day.takeOverAtMs - (scenario.untendedMin ?? 0) * MS_PER_MIN;
  cookOn(day, AS_MEANT, freshMemory(), leftMs);
  if (scenario.coalsLeftKg !== undefined) for (const { pit } of scenario.pits) day.fire(pit.id)?.burnedDownTo(scenario.coalsLeftKg);
  day.advanceTo(day.takeOverAtMs);
  day.handsFreeAtMs = day.nowMs;
  day.takeOver();
  return day;
}
