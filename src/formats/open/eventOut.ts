import {
  CUTS,
  DEFAULT_VENUE,
  MILD_DAY,
  placesOf,
  servingPlaceId,
  standsAt,
  cutIn,
  methodIn,
  prepOf,
  SHIPPED_LIBRARY,
  withHired,
  type CookEvent,
  type Cut,
  type Equipment,
  type HoldingBox,
  type Library,
  type Pit,
  type Rack,
  type Serving,
  type Warmer,
  LIMITS,
} from '../../core/model';
import { isInEventDays } from '../../core/edits';
import { setUpMinOf } from '../../core/travel';
import { AIR_GAP_MM } from '../../core/packing';
import { limitsOf } from '../../core/safety';
import { addMinutes } from '../../core/units';
import {
  FRIDGE_C,
  type EventFile,
  type FileBatch,
  type FileBox,
  type FileCut,
  type FilePit,
  type FileRack,
  type FileServing,
  type FileWarmer,
} from './eventFile';
import { sameOnPaper } from './write';

/** What an event rests on in the house: `library` as the owner has it, before anything is learned from scales. */
export interface HouseOf {
  equipment: Equipment;
  library: Library;
}

/** Shifts and pins of days that an event has left since say nothing any more. */
function withinItsDays(event: CookEvent): CookEvent {
  const inside = (atMs: number) => isInEventDays(event, atMs);
  const pinsOf = (pins: CookEvent['pins']) => pins?.filter((pin) => inside(pin.onAtMs));
  return {
    ...event,
    ...(event.pins && { pins: pinsOf(event.pins) }),
    ...(event.duty && { duty: event.duty.filter((shift) => inside(shift.fromMs) && inside(shift.toMs)) }),
    ...(event.namedPlans && { namedPlans: event.namedPlans.map((plan) => ({ ...plan, pins: pinsOf(plan.pins) ?? [] })) }),
  };
}

/**
 * An event as its file has it, complete: fields not named here go over as they are, so that nothing an owner
 * enters can be forgotten. Only a batch whose cut or method the house no longer has is left out.
 */
export function eventFileOf(whole: CookEvent, { equipment: house, library }: HouseOf, workFromMs: number): EventFile {
  const event = withinItsDays(whole);
  const equipment = withHired(event, house);
  const {
    id: _,
    servings,
    batches,
    pitIds,
    boxIds,
    warmerIds,
    probeIds,
    duty,
    places: ___,
    roads,
    standing: ____,
    venue,
    weather,
    // What is hired stands among the pits and the crew of the file.
    hired: _____,
    holdSetPoints: ______,
    revision: __,
    ...own
  } = event;
  const named = event.namedPlans ?? [];
  const limits = limitsOf(event);
  const quiet = { ...DEFAULT_VENUE, ...venue };
  const inUse = inUseBy(event, library);
  const sparePits = found(
    equipment.pits,
    [...new Set(named.flatMap((plan) => plan.pitIds))].filter((id) => !pitIds.includes(id)),
  );
  return {
    ...own,
    format: 'anachron-event',
    version: 2,
    // An event that is years away is worked on from as early as a file may say.
    workFromMs: Math.max(workFromMs, addMinutes(Math.min(...servings.map(({ atMs }) => atMs)), -LIMITS.workDaysAhead * 1440)),
    weather: { ...(weather ?? MILD_DAY) },
    quietHours: { from: quiet.quietFrom, to: quiet.quietTo },
    rules: { airGapMm: AIR_GAP_MM, hotHoldC: limits.hotHold, minPitC: limits.bareMeatPit, dangerZoneMaxMin: limits.dangerZone },
    places: [...placesOf(event)],
    roads: (roads ?? [])
      .filter((road) => [road.fromId, road.toId].every((id) => placesOf(event).some((place) => place.id === id)))
      .map(({ fromId, toId, minutes }) => ({ from: fromId, to: toId, min: minutes })),
    ...(venue && { venue: { power: venue.power, rules: venue.rules, setUpMin: venue.setUpMin } }),
    servings: servings.map((serving) => fileServing(event, serving)),
    batches: batches.flatMap(({ servingId, cutId, methodId, pieces, ...batch }): FileBatch[] => {
      const method = methodIn(library, methodId);
      if (!method || !cutIn(library, cutId)) return [];
      return [
        {
          ...batch,
          serving: servingId,
          cut: cutId,
          method,
          pieces: pieces.map((piece) => ({ ...piece, startC: piece.startC ?? FRIDGE_C })),
        },
      ];
    }),
    pits: found(equipment.pits, pitIds).map((pit) => ({ ...filePit(pit), place: standsAt(event, 'pit', pit.id) })),
    holding: [...found(equipment.boxes, boxIds).map(fileBox), ...found(equipment.warmers, warmerIds ?? []).map(fileWarmer)].map((gear) => ({
      ...gear,
      place: standsAt(event, 'gear', gear.id),
    })),
    crew: (duty ?? []).map(({ memberId, ...shift }) => ({
      ...(equipment.crew.find((member) => member.id === memberId) ?? { id: memberId, name: memberId }),
      ...shift,
      place: standsAt(event, 'crew', memberId),
    })),
    ...(probeIds && { probes: found(equipment.probes, probeIds) }),
    ...(inUse.cuts.length > 0 && { cuts: inUse.cuts.map(fileCut) }),
    ...(inUse.recipes.length > 0 && { recipes: inUse.recipes }),
    ...(sparePits.length + inUse.spareMethods.length > 0 && {
      spare: { pits: sparePits.map(filePit), methods: inUse.spareMethods },
    }),
  };
}

const found = <T extends { id: string }>(all: readonly T[], ids: readonly string[]): T[] =>
  ids.flatMap((id) => all.find((each) => each.id === id) ?? []);

/** The owner's own cuts and recipes among those an event uses, and the methods that only its kept plans use. */
function inUseBy(event: CookEvent, library: Library) {
  const cuts = found(library.cuts, [...new Set(event.batches.map((batch) => batch.cutId))]);
  const ids = new Set([
    ...event.batches.flatMap((batch) => {
      const cut = cutIn(library, batch.cutId);
      return cut ? Object.values(prepOf(cut, batch).recipes) : [];
    }),
    ...event.servings.flatMap((serving) => (serving.sides ?? []).flatMap((side) => side.recipeId ?? [])),
  ]);
  const byBatches = new Set(event.batches.map((batch) => batch.methodId));
  const byPlans = new Set((event.namedPlans ?? []).flatMap((plan) => Object.values(plan.methodIds)));
  const shipped = <T extends { id: string }>(entry: T, all: readonly T[]) =>
    all.some((each) => each.id === entry.id && sameOnPaper(each, entry));
  return {
    cuts: cuts.filter((cut) => !shipped(cut, CUTS)),
    recipes: library.recipes.filter((recipe) => ids.has(recipe.id) && !shipped(recipe, SHIPPED_LIBRARY.recipes)),
    spareMethods: library.methods.filter((method) => byPlans.has(method.id) && !byBatches.has(method.id)),
  };
}

function fileServing(event: CookEvent, serving: Serving): FileServing {
  const { placeId: _, ...rest } = serving;
  return { ...rest, setUpMin: setUpMinOf(event, serving), place: servingPlaceId(event, serving) };
}

export const filePit = ({ racks, travels = false, ...pit }: Pit): Omit<FilePit, 'place'> => ({
  ...pit,
  travels,
  racks: racks.map(fileRack),
});

const fileRack = ({ round, widthMm, depthMm, zones = [], blocked = [], ...rack }: Rack): FileRack => ({
  ...rack,
  zones,
  blocked,
  ...(round ? { shape: 'round', diameterMm: widthMm } : { shape: 'rect', widthMm, depthMm }),
});

const fileBox = ({ travels = false, ...box }: HoldingBox): FileBox => ({ ...box, travels, kind: 'insulated-box' });
const fileWarmer = ({ kind, travels = false, ...warmer }: Warmer): FileWarmer => ({
  ...warmer,
  travels,
  kind: kind === 'steam table' ? 'steam-table' : kind === 'holding oven' ? 'holding-oven' : 'warmer',
});

const fileCut = ({ done, ...cut }: Cut): FileCut =>
  done.by === 'tender' ? { ...cut, done: 'tender', convertedShare: done.convertedShare } : { ...cut, done: { coreC: done.coreC } };
