import type { CookEvent, Duty, NamedPlan, Piece, Pin, Scheme } from '../model';
import type { PlanInput, Spare } from './planInput';

/** All of an event that is changed from the plan screen, so that one step there is one step back. */
export interface PlanFace {
  confidence: number;
  scheme?: Scheme;
  pins: Pin[];
  namedPlans: NamedPlan[];
  pitIds: string[];
  boxIds: string[];
  warmerIds: string[];
  duty: Duty[];
  servings: { id: string; atMs: number }[];
  batches: { id: string; methodId: string; sizedBy: 'guests' | 'hand'; pieces: Piece[] }[];
}

export const faceOf = (event: CookEvent): PlanFace => ({
  confidence: event.confidence,
  scheme: event.scheme,
  pins: event.pins ?? [],
  namedPlans: event.namedPlans ?? [],
  pitIds: event.pitIds,
  boxIds: event.boxIds,
  warmerIds: event.warmerIds ?? [],
  duty: event.duty ?? [],
  servings: event.servings.map(({ id, atMs }) => ({ id, atMs })),
  batches: event.batches.map(({ id, methodId, sizedBy, pieces }) => ({ id, methodId, sizedBy, pieces })),
});

/** An event with another face. Servings and batches that the face does not know stay as they are. */
export const withFace = (event: CookEvent, face: PlanFace): CookEvent => ({
  ...event,
  confidence: face.confidence,
  scheme: face.scheme,
  pins: face.pins.length > 0 ? face.pins : undefined,
  namedPlans: face.namedPlans.length > 0 ? face.namedPlans : undefined,
  pitIds: face.pitIds,
  boxIds: face.boxIds,
  warmerIds: face.warmerIds,
  duty: face.duty.length > 0 ? face.duty : undefined,
  servings: event.servings.map((serving) => ({ ...serving, ...face.servings.find((each) => each.id === serving.id) })),
  batches: event.batches.map((batch) => ({ ...batch, ...face.batches.find((each) => each.id === batch.id) })),
});

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

type Equipped = Pick<PlanInput, 'pits' | 'boxes' | 'warmers' | 'spare'>;

/** What of the owner's equipment an event uses, and what stands by. */
export function equippedFor(event: CookEvent, { pits, boxes, warmers, crew }: Spare): Equipped & { spare: Spare } {
  const uses = (ids: readonly string[] = [], id: string) => ids.includes(id);
  return {
    pits: pits.filter((pit) => uses(event.pitIds, pit.id)),
    boxes: boxes.filter((box) => uses(event.boxIds, box.id)),
    warmers: warmers.filter((warmer) => uses(event.warmerIds, warmer.id)),
    spare: {
      pits: pits.filter((pit) => !uses(event.pitIds, pit.id)),
      boxes: boxes.filter((box) => !uses(event.boxIds, box.id)),
      warmers: warmers.filter((warmer) => !uses(event.warmerIds, warmer.id)),
      crew: crew.filter((member) => !event.duty?.some((each) => each.memberId === member.id)),
    },
  };
}

/** The same event as it was changed, with the equipment it now uses. */
export function inputFor(first: PlanInput, event: CookEvent): PlanInput {
  const { spare = { pits: [], boxes: [], warmers: [], crew: [] } } = first;
  const all = {
    pits: [...first.pits, ...spare.pits],
    boxes: [...first.boxes, ...spare.boxes],
    warmers: [...(first.warmers ?? []), ...spare.warmers],
    crew: spare.crew,
  };
  return { ...first, ...equippedFor(event, all), event };
}
