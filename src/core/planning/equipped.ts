import { withHired, type CookEvent } from '../model';
import type { PlanInput, Spare } from './planInput';

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
  const all = withHired(event, {
    pits: [...first.pits, ...spare.pits],
    boxes: [...first.boxes, ...spare.boxes],
    warmers: [...(first.warmers ?? []), ...spare.warmers],
    crew: [...(first.crew ?? []), ...spare.crew],
  });
  const onDuty = all.crew.filter((member) => event.duty?.some((each) => each.memberId === member.id));
  return { ...first, ...equippedFor(event, all), ...((first.crew ?? onDuty.length > 0) && { crew: onDuty }), event };
}
