import {
  CUTS,
  DEFAULT_VENUE,
  MILD_DAY,
  cutIn,
  methodIn,
  prepOf,
  SHIPPED_LIBRARY,
  type CookEvent,
  type Cut,
  type Equipment,
  type HoldingBox,
  type Library,
  type Pit,
  type Rack,
  type Serving,
  type Warmer,
} from '../../core/model';
import { isInEventDays } from '../../core/edits';
import { travelOf } from '../../core/planning';
import { AIR_GAP_MM } from '../../core/packing';
import { limitsOf } from '../../core/safety';
import {
  BASE,
  FRIDGE_C,
  ownPlace,
  VENUE,
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
export function eventFileOf(whole: CookEvent, { equipment, library }: HouseOf, workFromMs: number): EventFile {
  const event = withinItsDays(whole);
  const { id: _, servings, batches, pitIds, boxIds, warmerIds, probeIds, duty, venue, weather, revision: __, ...own } = event;
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
    workFromMs,
    weather: { ...(weather ?? MILD_DAY) },
    quietHours: { from: quiet.quietFrom, to: quiet.quietTo },
    rules: { airGapMm: AIR_GAP_MM, hotHoldC: limits.hotHold, minPitC: limits.bareMeatPit, dangerZoneMaxMin: limits.dangerZone },
    ...placesOf(event),
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
    pits: found(equipment.pits, pitIds).map(filePit),
    holding: [...found(equipment.boxes, boxIds).map(fileBox), ...found(equipment.warmers, warmerIds ?? []).map(fileWarmer)],
    crew: (duty ?? []).map(({ memberId, ...shift }) => ({
      ...(equipment.crew.find((member) => member.id === memberId) ?? { id: memberId, name: memberId }),
      ...shift,
      place: BASE,
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

/** The base, the venue where there is a drive to it, and a place for each serving with a drive of its own. */
function placesOf(event: CookEvent): Pick<EventFile, 'places' | 'roads'> {
  const driveMin = event.venue?.driveMin ?? 0;
  const beyond = [
    ...(driveMin > 0 ? [{ id: VENUE, name: event.place || 'Venue', min: driveMin }] : []),
    ...event.servings.flatMap(({ id, name, travelMin }) => (travelMin === undefined ? [] : [{ id: ownPlace(id), name, min: travelMin }])),
  ];
  return {
    places: [{ id: BASE, name: 'Base' }, ...beyond.map(({ id, name }) => ({ id, name }))],
    roads: beyond.map(({ id, min }) => ({ from: BASE, to: id, min })),
  };
}

function fileServing(event: CookEvent, serving: Serving): FileServing {
  const { travelMin, ...rest } = serving;
  const place = travelMin !== undefined ? ownPlace(serving.id) : (event.venue?.driveMin ?? 0) > 0 ? VENUE : BASE;
  return { ...rest, setUpMin: travelOf(event, serving).setUpMin, place };
}

export const filePit = ({ racks, travels = false, ...pit }: Pit): FilePit => ({ ...pit, place: BASE, travels, racks: racks.map(fileRack) });

const fileRack = ({ round, widthMm, depthMm, zones = [], blocked = [], ...rack }: Rack): FileRack => ({
  ...rack,
  zones,
  blocked,
  ...(round ? { shape: 'round', diameterMm: widthMm } : { shape: 'rect', widthMm, depthMm }),
});

const fileBox = (box: HoldingBox): FileBox => ({ ...box, kind: 'insulated-box', place: BASE });
const fileWarmer = ({ kind, ...warmer }: Warmer): FileWarmer => ({
  ...warmer,
  kind: kind === 'steam table' ? 'steam-table' : kind === 'holding oven' ? 'holding-oven' : 'warmer',
  place: BASE,
});

const fileCut = ({ done, ...cut }: Cut): FileCut =>
  done.by === 'tender' ? { ...cut, done: 'tender', convertedShare: done.convertedShare } : { ...cut, done: { coreC: done.coreC } };
