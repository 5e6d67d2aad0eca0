import type { PlanProblem, Reason } from '../model';
import type { Trial } from './trial';
import type { Refusal } from './refusal';
import type { Alternative } from './alternatives';
import type { BatchOrder } from './order';

/** A start other than the wished one, with what stood in the way. */
export function movedReason(trial: Trial, minutes: number): Reason {
  const { refusal, pit, rack } = trial;
  if (refusal?.code === 'hands') return { code: 'movedForCrew', minutes, kind: refusal.kind, atMs: refusal.atMs };
  if (refusal?.code === 'heat') return { code: 'movedForHeat', minutes, pitId: pit.id, setC: refusal.setC, untilMs: refusal.toMs };
  if (refusal?.code === 'box' || refusal?.code === 'warmer' || refusal?.code === 'hold') return { code: 'movedForHold', minutes };
  const blockedUntilMs = refusal && 'toMs' in refusal ? refusal.toMs : 0;
  return { code: 'movedEarlier', minutes, pitId: pit.id, rackId: rack?.id ?? pit.racks[0]!.id, blockedUntilMs };
}

/** A refusal that names what is short says more than one that only says no. */
const TELLING: Refusal['code'][] = [
  'areaShort',
  'noSpot',
  'loadShort',
  'box',
  'warmer',
  'poultryAbove',
  'hands',
  'heat',
  'hold',
  'unattended',
  'road',
  'raw',
  'past',
  'placedElsewhere',
  'tooLarge',
];
export function tellsMore(kept: Trial | undefined, next: Trial): Trial {
  if (!kept?.refusal) return next;
  return TELLING.indexOf(next.refusal!.code) < TELLING.indexOf(kept.refusal.code) ? next : kept;
}

export function problemOf({ batch, method }: BatchOrder, pieces: number, trial: Trial, alternative: Alternative): PlanProblem {
  const common = { severity: 'broken', batchId: batch.id, pieces } as const;
  const refusal = trial.refusal!;
  const rackId = trial.rack?.id ?? trial.pit.racks[0]!.id;
  switch (refusal.code) {
    case 'areaShort':
      return {
        code: 'rackFull',
        ...common,
        pitId: trial.pit.id,
        rackId,
        shortMm2: refusal.shortMm2,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'noSpot':
      return {
        code: 'rackNoSpot',
        ...common,
        pitId: trial.pit.id,
        rackId,
        shortMm: refusal.shortMm,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'loadShort':
      return {
        code: 'rackOverloaded',
        ...common,
        pitId: trial.pit.id,
        rackId,
        shortKg: refusal.shortKg,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'heat':
      return {
        code: 'heatConflict',
        ...common,
        pitId: trial.pit.id,
        wantedC: method.pitC,
        setC: refusal.setC,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
      };
    case 'box':
      return { code: 'boxFull', ...common, shortLitres: refusal.shortLitres, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'warmer':
      return { code: 'warmerFull', ...common, shortSlots: refusal.shortSlots, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'poultryAbove':
      return { code: 'poultryAbove', ...common, pitId: trial.pit.id, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'hold':
      return {
        code: 'holdTooLong',
        ...common,
        holdMin: refusal.holdMin,
        allowedMin: refusal.allowedMin,
        ...(refusal.nothingRides && { nothingRides: true }),
      };
    case 'hands':
      return { code: 'noCrew', ...common, kind: refusal.kind, atMs: refusal.atMs, minutes: refusal.minutes };
    case 'road':
      return { code: 'onTheRoad', ...common, pitId: trial.pit.id, fromMs: refusal.fromMs, toMs: refusal.toMs };
    case 'unattended':
      return {
        code: 'unattended',
        ...common,
        pitId: trial.pit.id,
        fromMs: refusal.fromMs,
        toMs: refusal.toMs,
        allowedMin: refusal.allowedMin,
      };
    case 'raw':
      return { code: 'noRide', ...common, placeId: refusal.placeId, raw: true };
    case 'placedElsewhere':
      return { code: 'placedUnsuitable', ...common, pitId: refusal.pitId };
    case 'past':
      return { code: 'alreadyPast', ...common, lateByMin: refusal.lateByMin };
    case 'tooLarge':
      return alternative.forecast().last.status === 'never'
        ? { code: 'neverDone', ...common, pitC: alternative.pitC }
        : { code: 'noSuitablePit', ...common, need: 'size' };
  }
}
