import { BASE, withHired, type CookEvent, type Equipment } from '../core/model';
import { failure, success, type Problem } from '../core/outcome';
import { instantOf } from '../formats/clock';
import type { ChooseEquipmentInput, DayInput, ManualPlacementsInput } from '../inputs';
import type { Edit } from './edit';

/** Places and the ways between them, the night's sleep, the weather and who is on duty. Problem codes: `clockSkipsIt`, `noSuchDate`, `dutyReversed`, `placeTwice`. */
export const saveDay: Edit<DayInput> = (event, { venue, weather, duty, ...where }) => {
  const problems: Problem[] = [];
  const instant = (date: string, time: string, path: string): number => {
    const at = instantOf(date, time, event.timeZone);
    if (!('problem' in at)) return at.ms;
    problems.push(at.problem === 'missing' ? { code: 'clockSkipsIt', path } : { code: 'noSuchDate', path });
    return 0;
  };
  const shifts = duty.map(({ memberId, fromDate, fromTime, toDate, toTime }, i) => {
    const fromMs = instant(fromDate, fromTime, `duty.${i}.fromTime`);
    const toMs = instant(toDate, toTime, `duty.${i}.toTime`);
    if (problems.length === 0 && toMs <= fromMs) problems.push({ code: 'dutyReversed', path: `duty.${i}.toTime` });
    return { memberId, fromMs, toMs };
  });
  where.places.forEach(({ name }, i) => {
    const same = (other: { name: string }) => other.name.trim().toLowerCase() === name.trim().toLowerCase();
    if (where.places.findIndex(same) !== i) problems.push({ code: 'placeTwice', path: `places.${i}.name` });
  });
  if (problems.length > 0) return failure(...problems);
  return success({
    ...event,
    duty: shifts,
    ...placedBy(event, where),
    venue: { ...venue, power: venue.power.trim(), rules: venue.rules.trim() },
    weather: { ...weather },
  });
};

/** Where things are. What stands at the first place is not written down, nor is a base that is all there is. */
function placedBy(event: CookEvent, { places, roads, servedAt, standing }: Omit<DayInput, 'venue' | 'weather' | 'duty'>) {
  const homeId = places[0]!.id;
  const away = (placeId: string) => placeId !== homeId && places.some((place) => place.id === placeId);
  const named = places.map(({ id, name }) => ({ id, name: name.trim() }));
  const onlyBase = named.length === 1 && named[0]!.id === BASE.id && named[0]!.name === BASE.name;
  const ways = roads.filter(
    ({ fromId, toId, minutes }) => minutes && [fromId, toId].every((id) => places.some((place) => place.id === id)),
  );
  const elsewhere = standing.filter((each) => away(each.placeId));
  return {
    servings: event.servings.map(({ placeId, ...serving }) => {
      const chosen = servedAt.find((each) => each.servingId === serving.id)?.placeId ?? placeId ?? homeId;
      return away(chosen) ? { ...serving, placeId: chosen } : serving;
    }),
    places: onlyBase ? undefined : named,
    roads: ways.length > 0 ? ways.map(({ fromId, toId, minutes }) => ({ fromId, toId, minutes })) : undefined,
    standing: elsewhere.length > 0 ? elsewhere : undefined,
  };
}

/** In the order the owner has them, so that the same choice is the same wherever it was made. */
const owned = (list: readonly { id: string }[], ids: readonly string[]): string[] =>
  list.filter((each) => ids.includes(each.id)).map((each) => each.id);

const stillOwned = (equipment: Equipment, input: ChooseEquipmentInput) => ({
  pitIds: owned(equipment.pits, input.pitIds),
  boxIds: owned(equipment.boxes, input.boxIds),
  warmerIds: owned(equipment.warmers, input.warmerIds),
  probeIds: owned(equipment.probes, input.probeIds),
});

/** Chooses which of the owned or hired equipment an event uses; what is no longer owned falls away. */
export const chooseEquipment: Edit<ChooseEquipmentInput> = (event, input, { equipment }) =>
  success({ ...event, ...stillOwned(withHired(event, equipment), input) });

/** Every place given by hand. Places of pieces, pits or racks that are gone fall away. Problem code: `placedTwice`. */
export const placeByHand: Edit<ManualPlacementsInput> = (event, input, { equipment }) => {
  const manualPlacements = input.manualPlacements.filter(
    ({ batchId, pieceId, pitId, rackId }) =>
      event.batches.some((batch) => batch.id === batchId && batch.pieces.some((piece) => piece.id === pieceId)) &&
      withHired(event, equipment).pits.some((pit) => pit.id === pitId && pit.racks.some((rack) => rack.id === rackId)),
  );
  const keys = manualPlacements.map(({ batchId, pieceId, pitId }) => `${batchId}/${pieceId}/${pitId}`);
  if (new Set(keys).size !== keys.length) return failure({ code: 'placedTwice' });
  return success({ ...event, manualPlacements: manualPlacements.length > 0 ? manualPlacements : undefined });
};
