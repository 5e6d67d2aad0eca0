import type { CookEvent, NamedPlan, Scheme } from '../model';

/** An event as a named plan has it: its methods, pits, pins and order, at its confidence. */
export const withNamedPlan = (event: CookEvent, plan: NamedPlan): CookEvent => ({
  ...event,
  confidence: plan.confidence,
  scheme: plan.scheme,
  pins: plan.pins.length > 0 ? plan.pins : undefined,
  pitIds: plan.pitIds,
  batches: event.batches.map((batch) => ({ ...batch, methodId: plan.methodIds[batch.id] ?? batch.methodId })),
});

/** The plan an event now has, to be kept under a name. */
export const namedPlanOf = (event: CookEvent, scheme: Scheme, id: string, name: string): NamedPlan => ({
  id,
  name,
  confidence: event.confidence,
  methodIds: Object.fromEntries(event.batches.map((batch) => [batch.id, batch.methodId])),
  pitIds: event.pitIds,
  pins: event.pins ?? [],
  scheme,
});
