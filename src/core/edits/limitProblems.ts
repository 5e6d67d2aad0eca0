import { LIMITS, type CookEvent, type Equipment } from '../model';
import type { Problem } from '../outcome';

const DAY_MS = 86_400_000;
const YEAR_MS = 365.25 * DAY_MS;

/**
 * Where an event reaches beyond what can be planned (`LIMITS`). Problem codes: `tooFarBack`, `tooFarAhead`,
 * `servingsTooFarApart`, `tooManyPieces`, `outsideEventDays`, `heatOutOfPit`; each at its path. `nowMs` is left
 * out where no present moment matters, as in a file that is only worked out. What lay within its days before the
 * servings moved is no fault of whoever moves them.
 */
export function limitProblems(
  event: CookEvent,
  facts: { nowMs?: number; equipment?: Pick<Equipment, 'pits'> },
  before?: CookEvent,
): Problem[] {
  return [
    ...servingDays(event, facts.nowMs),
    ...pieceCount(event),
    ...eventDays(event, before),
    ...pitHeats(event, facts.equipment?.pits ?? []),
  ];
}

function servingDays({ servings }: CookEvent, nowMs: number | undefined): Problem[] {
  const firstMs = Math.min(...servings.map((serving) => serving.atMs));
  return servings.flatMap(({ atMs }, i): Problem[] => {
    const path = `servings.${i}.atMs`;
    if (nowMs !== undefined && atMs < nowMs - LIMITS.yearsBack * YEAR_MS) return [{ code: 'tooFarBack', path }];
    if (nowMs !== undefined && atMs > nowMs + LIMITS.yearsAhead * YEAR_MS) return [{ code: 'tooFarAhead', path }];
    return atMs - firstMs > LIMITS.servingsSpanDays * DAY_MS ? [{ code: 'servingsTooFarApart', path }] : [];
  });
}

function pieceCount({ batches }: CookEvent): Problem[] {
  let pieces = 0;
  for (const [i, batch] of batches.entries()) {
    pieces += batch.pieces.length;
    if (pieces > LIMITS.pieces) return [{ code: 'tooManyPieces', path: `batches.${i}.pieces` }];
  }
  return [];
}

/** Whether an instant lies within the days of an event. */
export function isInEventDays({ servings }: Pick<CookEvent, 'servings'>, atMs: number): boolean {
  const times = servings.map((serving) => serving.atMs);
  return atMs >= Math.min(...times) - LIMITS.daysBefore * DAY_MS && atMs <= Math.max(...times) + LIMITS.daysAfter * DAY_MS;
}

/** Shifts, pins and the delivery lie within the event's own days. */
function eventDays(event: CookEvent, before: CookEvent | undefined): Problem[] {
  const had = new Set([
    ...(before?.duty ?? []).flatMap((shift) => [shift.fromMs, shift.toMs]),
    ...[...(before?.pins ?? []), ...(before?.namedPlans ?? []).flatMap((plan) => plan.pins)].map((pin) => pin.onAtMs),
    before?.kitchen?.deliverAtMs,
  ]);
  const outside = (atMs: number | undefined, path: string): Problem[] =>
    atMs !== undefined && !had.has(atMs) && !isInEventDays(event, atMs) ? [{ code: 'outsideEventDays', path }] : [];
  return [
    ...(event.duty ?? []).flatMap((shift, i) => [...outside(shift.fromMs, `duty.${i}.fromMs`), ...outside(shift.toMs, `duty.${i}.toMs`)]),
    ...(event.pins ?? []).flatMap((pin, i) => outside(pin.onAtMs, `pins.${i}.onAtMs`)),
    ...(event.namedPlans ?? []).flatMap((plan, k) =>
      plan.pins.flatMap((pin, i) => outside(pin.onAtMs, `namedPlans.${k}.pins.${i}.onAtMs`)),
    ),
    ...outside(event.kitchen?.deliverAtMs, 'kitchen.deliverAtMs'),
  ];
}

/** A heat that is chosen for a pit is one that it can be set to. */
function pitHeats({ pins = [], scheme }: CookEvent, pits: Equipment['pits']): Problem[] {
  const beyond = (pitId: string | undefined, pitC: number | undefined, path: string): Problem[] => {
    const pit = pits.find((each) => each.id === pitId);
    return pit && pitC !== undefined && (pitC < pit.rangeC[0] - 0.5 || pitC > pit.rangeC[1] + 0.5) ? [{ code: 'heatOutOfPit', path }] : [];
  };
  return [
    ...pins.flatMap(({ pitId, pitC, finish }, i) => [
      ...beyond(pitId, pitC, `pins.${i}.pitC`),
      ...beyond(finish?.pitId, finish?.pitC, `pins.${i}.finish.pitC`),
    ]),
    ...Object.entries(scheme?.overrides ?? {}).flatMap(([id, { pitId, pitC, finish }]) => [
      ...beyond(pitId, pitC, `scheme.overrides.${id}.pitC`),
      ...beyond(finish?.pitId, finish?.pitC, `scheme.overrides.${id}.finish.pitC`),
    ]),
  ];
}
