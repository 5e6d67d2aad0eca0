import { cutIn, methodsFor, type Batch, type CookEvent, type Library, type Serving } from '../../core/model';
import { demandOf, needConflicts, sizeToDemand, supplyOf, type Demand, type NeedConflict } from '../../core/quantities';
import type { BatchInput, BriefInput, ServingInput } from '../../inputs';
import { localDate, localTime } from '../../formats/clock';

/** An event as the brief's form holds it: clock times of the place, menus inside their servings. */
export function briefOf(event: CookEvent): BriefInput {
  const { id, name, place, timeZone, altitudeM, confidence, revision } = event;
  return {
    eventId: id,
    revision,
    name,
    place,
    timeZone,
    altitudeM,
    confidence,
    servings: event.servings.map((serving) => ({
      id: serving.id,
      name: serving.name,
      date: localDate(serving.atMs, timeZone),
      time: localTime(serving.atMs, timeZone),
      serveForMin: serving.serveForMin,
      carveLeadMin: serving.carveLeadMin,
      ...serving.guests,
      buffet: serving.buffet,
      marginShare: serving.marginShare ?? 0,
      highlySusceptible: serving.highlySusceptible ?? false,
      sides: (serving.sides ?? []).map((side) => ({ ...side })),
      needs: (serving.needs ?? []).map((need) => ({ ...need })),
      batches: event.batches.filter((batch) => batch.servingId === serving.id).map(batchInput),
    })),
  };
}

const batchInput = ({ id, cutId, methodId, label, sizedBy, pieces, share, second }: Batch): BatchInput => ({
  id,
  cutId,
  methodId,
  label,
  sizedBy,
  share,
  second: second && { ...second },
  pieces: pieces.map((piece) => ({ id: piece.id, kg: piece.kg })),
});

/** The form's menu as the core reads it; only the servings whose figures are all there. */
function menuOf(servings: readonly ServingInput[], kept: readonly Batch[]): { servings: Serving[]; batches: Batch[] } {
  const whole = servings.filter((each) =>
    [each.adults, each.children, each.heartyShare, each.marginShare].every((n) => Number.isFinite(n) && n >= 0),
  );
  return {
    servings: whole.map(
      ({ id, name, adults, children, heartyShare, buffet, marginShare, serveForMin, carveLeadMin, sides, needs }): Serving => ({
        id,
        name,
        atMs: 0,
        serveForMin,
        carveLeadMin,
        guests: { adults, children, heartyShare },
        buffet,
        marginShare,
        sides,
        needs,
      }),
    ),
    batches: whole.flatMap((serving) =>
      serving.batches.map((batch): Batch => {
        const before = kept.find((each) => each.id === batch.id);
        return { ...batch, servingId: serving.id, buying: before?.buying, prep: before?.prep };
      }),
    ),
  };
}

/** What the guests need of every batch on the form. */
export function demandsOf(library: Library, servings: readonly ServingInput[], kept: readonly Batch[] = []): Map<string, Demand> {
  const mealOf = ({ id }: Serving) => (Number(servings.find((each) => each.id === id)!.time.slice(0, 2)) < 15 ? 'lunch' : 'supper');
  return demandOf(menuOf(servings, kept), library, mealOf);
}

/** Dishes on the form that carry what some guests do not eat. */
export const conflictsOf = (library: Library, servings: readonly ServingInput[], kept: readonly Batch[] = []): NeedConflict[] =>
  needConflicts(menuOf(servings, kept), library);

/** Short ids for what is added on the page. */
export const freshId = (): string => crypto.randomUUID().slice(0, 13);

/** Brings every batch that follows the guests up to date; returns the same array when nothing changes. */
export function sizeByGuests(batches: BatchInput[], demands: ReadonlyMap<string, Demand>): BatchInput[] {
  const sized = batches.map((batch) => sizeToDemand(batch, demands.get(batch.id), freshId));
  return sized.every((batch, i) => batch === batches[i]) ? batches : sized;
}

export function newBatch(library: Library, cutId: string): BatchInput {
  const cut = cutIn(library, cutId)!;
  return { id: freshId(), cutId, methodId: methodsFor(library, cut)[0]!.id, label: '', sizedBy: 'guests', pieces: [] };
}

export function newServing(after: ServingInput | undefined): ServingInput {
  const serving: Omit<ServingInput, 'id' | 'name' | 'batches'> = after ?? {
    date: '',
    time: '18:00',
    serveForMin: 45,
    carveLeadMin: 30,
    adults: 20,
    children: 0,
    heartyShare: 0,
    buffet: true,
    marginShare: 0,
    highlySusceptible: false,
    sides: [],
    needs: [],
  };
  return { ...serving, id: freshId(), name: 'Serving', batches: [], sides: [] };
}

/** How far what is on the menu lies from what the guests need, as a share of the need. */
export function overShare(demand: Demand, batch: BatchInput): number {
  return supplyOf(demand, { ...batch, servingId: '' }).overShare;
}

/** The menu lines of all servings, for a second dish to go to. */
export const servingNames = (servings: readonly ServingInput[]): { id: string; name: string }[] =>
  servings.map(({ id, name }) => ({ id, name: name || 'Serving' }));
