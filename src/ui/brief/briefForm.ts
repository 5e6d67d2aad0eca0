import { cutIn, methodsFor, type Batch, type Kitchen, type Library, type Serving } from '../../core/model';
import { demandOf, needConflicts, sizeToDemand, supplyOf, type Demand, type NeedConflict } from '../../core/quantities';
import type { ServingInput } from '../../inputs';
import { newId } from '../kit/newId';

/** The form's menu as the core reads it; only the servings whose figures are all there. */
function menuOf(servings: readonly ServingInput[]): { servings: Serving[]; batches: Batch[] } {
  const whole = servings.filter(({ guests, marginShare = 0 }) =>
    [guests.adults, guests.children, guests.heartyShare, marginShare].every((n) => Number.isFinite(n) && n >= 0),
  );
  return {
    servings: whole,
    batches: whole.flatMap((serving) => serving.batches.map((batch) => ({ ...batch, servingId: serving.id }))),
  };
}

/** The meal of a serving by the clock that is typed. */
export const mealOfForm = ({ time }: Pick<ServingInput, 'time'>): 'lunch' | 'supper' =>
  Number(time.slice(0, 2)) < 15 ? 'lunch' : 'supper';

/** What the guests need of every batch on the form. */
export function demandsOf(library: Library, servings: readonly ServingInput[], kitchen?: Partial<Kitchen>): Map<string, Demand> {
  const mealOf = ({ id }: Serving) => mealOfForm(servings.find((each) => each.id === id)!);
  return demandOf({ ...menuOf(servings), kitchen }, library, mealOf);
}

/** Dishes on the form that carry what some guests do not eat. */
export const conflictsOf = (library: Library, servings: readonly ServingInput[]): NeedConflict[] =>
  needConflicts(menuOf(servings), library);

/** Short ids for what is added on the page. */
export const freshId = (): string => newId().slice(0, 13);

/** Brings every batch that follows the guests up to date; returns the same array when nothing changes. */
export function sizeByGuests(batches: Batch[], demands: ReadonlyMap<string, Demand>): Batch[] {
  const sized = batches.map((batch) => sizeToDemand(batch, demands.get(batch.id), freshId));
  return sized.every((batch, i) => batch === batches[i]) ? batches : sized;
}

export function newBatch(library: Library, cutId: string, servingId: string): Batch {
  const cut = cutIn(library, cutId)!;
  return { id: freshId(), servingId, cutId, methodId: methodsFor(library, cut)[0]!.id, label: '', sizedBy: 'guests', pieces: [] };
}

export function newServing(after: ServingInput | undefined): ServingInput {
  const serving: ServingInput = after ?? {
    id: '',
    name: '',
    atMs: 0,
    date: '',
    time: '18:00',
    serveForMin: 45,
    carveLeadMin: 30,
    guests: { adults: 20, children: 0, heartyShare: 0 },
    buffet: true,
    batches: [],
  };
  return { ...serving, id: freshId(), name: 'Serving', batches: [], sides: [], cardsSignedBy: undefined };
}

/** How far what is on the menu lies from what the guests need, as a share of the need. */
export const overShare = (demand: Demand, batch: Batch): number => supplyOf(demand, batch).overShare;

/** The menu lines of all servings, for a second dish to go to. */
export const servingNames = (servings: readonly ServingInput[]): { id: string; name: string }[] =>
  servings.map(({ id, name }) => ({ id, name: name || 'Serving' }));
