import { isGround, isPoultry, isRoast, type Override, type Cut, type Method, type Pit, type PlanProblem } from '../model';
import type { Stay } from '../travel';
import { coreRuleOf, STRICT_LIMITS, type Limits } from '../safety';
import { forecastBatch, type BatchForecast, type Finish } from './batchForecast';
import type { BatchOrder } from './order';
import type { PlacementContext } from './placement';
import { fitsAlone, type Footprint } from './rackLedger';

/** One way to cook a batch: a pit where it stands, its heat, and perhaps another pit or heat once it is wrapped. */
export interface Alternative {
  pit: Pit;
  stand: Stay;
  /** When the meat leaves for its serving; none when it is served where it is cooked. */
  leavesAtMs?: number;
  pitC: number;
  finish?: Finish;
  /** Asked for only when the option is tried. */
  forecast(): BatchForecast;
  hotHoldC: number;
}

/** Food Code 3-401.11(B) with 3-501.16(A): a roast cooked by the table may be held from 54 C. */
const ROAST_HOLD_C = 54;

/** Roasts served rare are below the strict hot-holding floor by choice. */
export const servedRare = (cut: Cut): boolean => isRoast(cut) && cut.done.by === 'core' && cut.done.coreC < STRICT_LIMITS.hotHold;
/** What the core may fall to before carving. */
export const floorFor = (cut: Cut, limits: Limits) => (servedRare(cut) ? Math.min(ROAST_HOLD_C, limits.hotHold) : limits.hotHold);

/** Poultry, ground and other non-intact meat must pass the danger zone within the limit. */
export const strictClock = ({ cut, nonIntact }: Pick<BatchOrder, 'cut' | 'nonIntact'>): boolean =>
  isPoultry(cut) || nonIntact || isGround(cut);

type Band = [low: number, high: number];
const both = (a: Band, b: Band): Band => [Math.max(a[0], b[0]), Math.min(a[1], b[1])];
/** The band in tenths of a degree, which set points are written in. */
const inTenths = ([low, high]: Band): Band => [Math.ceil(low * 10 - 1e-6) / 10, Math.floor(high * 10 + 1e-6) / 10];
const clamp = (value: number, [low, high]: Band) => Math.min(high, Math.max(low, Math.round(value * 10) / 10));

/** Heats a pit may be set to for bare meat of a method; nothing when low is above high. */
const bareBand = (method: Method, pit: Pit, minPitC: number): Band =>
  inTenths(both(both(method.pitRangeC, pit.rangeC), [minPitC, Infinity]));

export function suitablePits(
  cut: Cut,
  method: Method,
  pits: Pit[],
  pieces: Footprint[],
  minPitC: number,
): { pits: Pit[]; problem?: Pick<Extract<PlanProblem, { code: 'noSuitablePit' }>, 'code' | 'severity' | 'need'> } {
  const broken = (need: 'smoke' | 'heat' | 'size') => ({
    pits: [],
    problem: { code: 'noSuitablePit' as const, severity: 'broken' as const, need },
  });
  const smoky = pits.filter((pit) => pit.smoke || !method.needsSmoke);
  if (smoky.length === 0) return broken('smoke');
  const hot = smoky.filter((pit) => {
    const [low, high] = bareBand(method, pit, minPitC);
    return low <= high;
  });
  if (hot.length === 0) return broken('heat');
  const roomy = hot.filter((pit) => pieces.some((piece) => pit.racks.some((rack) => fitsAlone(rack, piece))));
  if (roomy.length === 0) return broken('size');
  return { pits: roomy };
}

/** Every way a batch could be cooked as things stand, the wished one first; `anywhere` counts those too from which nothing goes to its serving. */
export function alternativesFor(
  order: BatchOrder,
  pits: Pit[],
  context: PlacementContext,
  override: Override = {},
  anywhere = false,
): Alternative[] {
  const { cut, method } = order;
  const hotHoldC = floorFor(cut, context.limits);
  const alternatives: Alternative[] = [];
  const { whereabouts } = context;
  const add = (pit: Pit, pitC: number, finish?: Finish) => {
    let known: BatchForecast | undefined;
    const forecast = () => (known ??= forecastBatch(context.cache, { ...context, hotHoldC }, order, pit, pitC, finish));
    for (const stand of whereabouts.standsOf(pit.id)) {
      const leavesAtMs = whereabouts.leavesAt(
        order.serving.id,
        stand,
        Boolean(pit.travels) && (finish === undefined || Boolean(finish.pit.travels)),
      );
      if (leavesAtMs === false && !anywhere) continue;
      if (
        finish &&
        finish.pit !== pit &&
        !anywhere &&
        !whereabouts.standsOf(finish.pit.id).some((other) => other.placeId === stand.placeId)
      )
        continue;
      alternatives.push({
        pit,
        stand,
        ...(leavesAtMs !== undefined && leavesAtMs !== false && { leavesAtMs }),
        pitC,
        finish,
        forecast,
        hotHoldC,
      });
    }
  };
  const wrapped = method.wrap !== 'none';
  const finishBand = method.finishRangeC ?? method.pitRangeC;
  const stepped = Boolean(method.steps?.length);
  for (const pit of pits) {
    const band = bareBand(method, pit, context.limits.bareMeatPit);
    // The hottest comes last: a short cook is a surer one, where the hold bears no long spread.
    const heats = new Set([clamp(method.pitC, band), band[1]]);
    if (override.pitC !== undefined) heats.add(clamp(override.pitC, band));
    for (const heat of context.heat.heatsOf(pit.id)) if (heat >= band[0] && heat <= band[1]) heats.add(heat);
    for (const pitC of heats) {
      // Wrapped meat may not stay at a heat its finish does not allow; the pit then changes for it.
      const stays = !wrapped || stepped || (pitC >= finishBand[0] && pitC <= finishBand[1]);
      const ownBand = inTenths(both(finishBand, pit.rangeC));
      if (stays) add(pit, pitC);
      else if (ownBand[0] <= ownBand[1]) add(pit, pitC, { pit, pitC: clamp(pitC, ownBand) });
      if (!wrapped) continue;
      if (pitC === band[1] && pitC !== clamp(method.pitC, band) && pitC !== override.pitC) continue;
      const wished = override.finish && context.pits.find((other) => other.id === override.finish!.pitId);
      for (const other of context.pits) {
        if (!other.smoke && !(method.finishOffSmoke || !method.needsSmoke)) continue;
        if (other === pit ? wished !== pit : other.smoke && wished !== other) continue;
        const otherBand = inTenths(both(finishBand, other.rangeC));
        if (otherBand[0] > otherBand[1]) continue;
        const there = new Set([clamp(pitC, otherBand)]);
        if (wished === other) there.add(clamp(override.finish!.pitC, otherBand));
        for (const heat of context.heat.heatsOf(other.id)) if (heat >= otherBand[0] && heat <= otherBand[1]) there.add(heat);
        for (const finishC of there) if (other !== pit || finishC !== pitC) add(pit, pitC, { pit: other, pitC: finishC });
      }
    }
  }
  const wishedFinish = ({ finish }: Alternative) =>
    override.finish
      ? Number(finish?.pit.id !== override.finish.pitId) + Number(finish?.pitC !== override.finish.pitC)
      : Number(Boolean(finish));
  const wishedPit = ({ pit }: Alternative) => Number(override.pitId !== undefined && pit.id !== override.pitId);
  const wishedC = override.pitC ?? method.pitC;
  // Meat that needs no smoke leaves the smoke to meat that does.
  const wastesSmoke = (alternative: Alternative) => Number(override.pitId === undefined && !method.needsSmoke && alternative.pit.smoke);
  return alternatives.sort(
    (a, b) =>
      wishedPit(a) - wishedPit(b) ||
      wishedFinish(a) - wishedFinish(b) ||
      wastesSmoke(a) - wastesSmoke(b) ||
      Math.abs(a.pitC - wishedC) - Math.abs(b.pitC - wishedC),
  );
}

/** A core that a hard value forbids, wherever and however it is cooked. */
export function coreRefused({ batch, cut, serving, nonIntact }: BatchOrder, limits: Limits): PlanProblem | undefined {
  if (cut.done.by !== 'core') return undefined;
  const common = { severity: 'broken', batchId: batch.id, pieces: batch.pieces.length } as const;
  const { coreC } = cut.done;
  const requiredC = nonIntact && !isPoultry(cut) ? limits.nonIntactCore : isRoast(cut) ? 0 : coreRuleOf(cut, nonIntact).limit;
  if (coreC < requiredC) return { code: 'coreTooLow', ...common, coreC, requiredC, nonIntact };
  return serving.highlySusceptible && coreC < coreRuleOf(cut, nonIntact).limit
    ? { code: 'rareForSusceptible', ...common, coreC, servingId: serving.id }
    : undefined;
}

/** Why a batch that is nowhere could not be anywhere: it never gets done, or is too long in the danger zone. */
export function unplaceable(order: BatchOrder, alternatives: Alternative[], limits: Limits): PlanProblem | undefined {
  const { batch } = order;
  const common = { severity: 'broken', batchId: batch.id, pieces: batch.pieces.length } as const;
  const plain = alternatives.filter((alternative) => !alternative.finish);
  const looked = (plain.length > 0 ? plain : alternatives).map((alternative) => alternative.forecast());
  const done = looked.filter((forecast) => forecast.first.status === 'done' && forecast.last.status === 'done');
  if (done.length === 0 && plain.length === alternatives.length) return { code: 'neverDone', ...common, pitC: alternatives[0]!.pitC };
  if (strictClock(order) && done.length > 0 && limits.dangerZone < Infinity) {
    const quickest = Math.min(...done.map((forecast) => forecast.dangerLateMin));
    if (quickest > limits.dangerZone && plain.length === alternatives.length)
      return { code: 'dangerZone', ...common, minutes: Math.round(quickest), allowedMin: limits.dangerZone };
  }
  return undefined;
}
