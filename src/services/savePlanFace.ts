import type { Override, CookEvent, Pin, Scheme } from '../core/model';
import { failure, success, type Outcome } from '../core/outcome';
import { withFace, type PlanFace } from '../core/planning';
import type { FaceInput, PinInput, PlanFaceInput, SchemeInput } from '../inputs';
import { changeSeen } from './changeEvent';
import type { Context } from './context';
import { ownLibrary } from './ownLibrary';
import { listEquipment } from './reading';

/** What the plan screen changed: order, pins, methods, pits, servings, confidence and the plans kept under a name. */
export async function savePlanFace(context: Context, input: PlanFaceInput): Promise<Outcome<CookEvent>> {
  const { library } = await ownLibrary();
  const { pits, boxes, warmers } = await listEquipment(context);
  return changeSeen(context, input, (event) => {
    const face = faceFrom(input.face);
    const known = <T extends { id: string }>(list: readonly T[], ids: string[]) => ids.filter((id) => list.some((each) => each.id === id));
    if (
      face.servings.some(
        (serving) => serving.atMs <= context.nowMs() && event.servings.find((each) => each.id === serving.id)?.atMs !== serving.atMs,
      )
    )
      return failure({ code: 'servingInPast' });
    if (face.batches.some((batch) => batch.pieces.length === 0 || !library.methods.some((method) => method.id === batch.methodId)))
      return failure({ code: 'methodGone' });
    return success(
      withFace(event, {
        ...face,
        pitIds: known(pits, face.pitIds),
        boxIds: known(boxes, face.boxIds),
        warmerIds: known(warmers, face.warmerIds),
      }),
    );
  });
}

function faceFrom(face: FaceInput): PlanFace {
  return {
    ...face,
    scheme: face.scheme && schemeFrom(face.scheme),
    pins: face.pins.map(pinFrom),
    namedPlans: face.namedPlans.map((plan) => ({
      ...plan,
      pins: plan.pins.map(pinFrom),
      scheme: plan.scheme && schemeFrom(plan.scheme),
    })),
    duty: face.duty.map((duty) => ({ ...duty })),
    servings: face.servings.map((serving) => ({ ...serving })),
    batches: face.batches.map((batch) => ({ ...batch, pieces: batch.pieces.map((piece) => ({ ...piece })) })) as PlanFace['batches'],
  };
}

const pinFrom = (pin: PinInput): Pin => ({
  ...pin,
  ...(pin.finish && { finish: { ...pin.finish } }),
  ...(pin.places && { places: pin.places.map((place) => ({ ...place })) }),
});

const schemeFrom = ({ order, overrides, seed, iterations }: SchemeInput): Scheme => ({
  order: order.map(String),
  overrides: Object.fromEntries(Object.entries(overrides).map(([batchId, override]) => [batchId, overrideFrom(override)])),
  seed,
  iterations,
});

/** Takes of a choice what it may hold, and nothing else. */
function overrideFrom(value: unknown): Override {
  const { pitId, pitC, finish, earlierMin, parts } = (value ?? {}) as Record<string, unknown>;
  const at = (finish ?? {}) as Record<string, unknown>;
  return {
    ...(typeof pitId === 'string' && { pitId }),
    ...(typeof pitC === 'number' && { pitC }),
    ...(typeof at.pitId === 'string' && typeof at.pitC === 'number' && { finish: { pitId: at.pitId, pitC: at.pitC } }),
    ...(typeof earlierMin === 'number' && { earlierMin }),
    ...(typeof parts === 'number' && { parts }),
  };
}
