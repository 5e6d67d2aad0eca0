import {
  DEFAULT_VENUE,
  findCut,
  kitchenOf,
  LIMITS,
  MILD_DAY,
  purposeOf,
  SHIPPED_LIBRARY,
  BASE,
  type Batch,
  type CookEvent,
  type Cut,
  type Equipment,
  type Library,
  type Method,
  type Pit,
  type Rack,
  type Serving,
  type Standing,
} from '../../core/model';
import type { PlanInput, Spare } from '../../core/planning';
import { limitsOf } from '../../core/safety';
import { quietBetween, shiftsBetween } from '../clock';
import {
  FRIDGE_C,
  type EventFile,
  type FileBatch,
  type FileBox,
  type FileCut,
  type FileMethod,
  type FilePit,
  type FileRack,
  type FileServing,
  type FileWarmer,
} from './eventFile';
import type { EventFileV1 } from './eventFileV1';
import { upgraded } from './upgrade';

const DAY_MS = 86_400_000;

/** An event out of a file, with everything that came with it under the file's own ids. */
export interface Unpacked {
  event: CookEvent;
  equipment: Equipment;
  library: Library;
}

/** The event of a file. Its id is its name, until whoever takes it up gives it another. */
export function unpacked(file: EventFile): Unpacked {
  const { format: _, version: __, workFromMs: ___, rules: ____, places, spare, ...rest } = file;
  const { roads, quietHours, venue, weather, servings, batches, pits, holding, crew, probes, cuts = [], recipes = [], ...own } = rest;
  const boxes = holding.filter((gear): gear is FileBox => gear.kind === 'insulated-box').map(boxFrom);
  const warmers = holding.filter((gear): gear is FileWarmer => gear.kind !== 'insulated-box').map(warmerFrom);
  const quiet = { quietFrom: quietHours?.from ?? DEFAULT_VENUE.quietFrom, quietTo: quietHours?.to ?? DEFAULT_VENUE.quietTo };
  const ownQuiet = quiet.quietFrom !== DEFAULT_VENUE.quietFrom || quiet.quietTo !== DEFAULT_VENUE.quietTo;
  const eventVenue = (venue ?? ownQuiet) ? { ...DEFAULT_VENUE, ...venue, ...quiet } : undefined;
  const ownCuts = cuts.map(cutFrom);
  const cutOf = (id: string) => ownCuts.find((cut) => cut.id === id) ?? findCut(id);
  const { airC, windMPerS } = weather;
  const homeId = places[0]!.id;
  const onlyBase = places.length === 1 && homeId === BASE.id && places[0]!.name === BASE.name;
  const stands = (kind: Standing['kind'], things: readonly { id: string; place?: string }[]): Standing[] =>
    once(things).flatMap(({ id, place = homeId }) => (place === homeId ? [] : [{ kind, thingId: id, placeId: place }]));
  const standing = [...stands('pit', pits), ...stands('gear', holding), ...stands('crew', crew)];
  const event: CookEvent = {
    ...own,
    id: file.name,
    place: file.place ?? '',
    servings: servings.map((serving) => servingFrom(serving, homeId, eventVenue?.setUpMin ?? 0)),
    batches: batches.map(batchFrom),
    pitIds: pits.map((pit) => pit.id),
    boxIds: boxes.map((box) => box.id),
    warmerIds: warmers.map((warmer) => warmer.id),
    ...(probes && { probeIds: probes.map((probe) => probe.id) }),
    ...(crew.length > 0 && { duty: crew.map(({ id, fromMs, toMs }) => ({ memberId: id, fromMs, toMs })) }),
    ...(!onlyBase && { places }),
    ...(roads.length > 0 && { roads: roads.map(({ from, to, min }) => ({ fromId: from, toId: to, minutes: min })) }),
    ...(standing.length > 0 && { standing }),
    ...(eventVenue && { venue: eventVenue }),
    ...((airC !== MILD_DAY.airC || windMPerS !== MILD_DAY.windMPerS) && { weather: { airC, windMPerS } }),
    revision: 1,
  };
  return {
    event,
    equipment: {
      pits: [...pits, ...(spare?.pits ?? [])].map(pitFrom),
      boxes,
      warmers,
      probes: probes ?? [],
      crew: once(crew).map(({ fromMs: _from, toMs: _to, place: _place, ...member }) => ({ ...member, name: member.name ?? member.id })),
    },
    library: {
      cuts: ownCuts,
      methods: once([...batches.map((batch) => methodFrom(batch, file.name, cutOf(batch.cut))), ...(spare?.methods ?? [])]),
      recipes,
    },
  };
}

const once = <T extends { id: string }>(all: readonly T[]): T[] => all.filter(({ id }, i) => all.findIndex((each) => each.id === id) === i);

/** What the planner reads, from an event file of either version. Each batch's method is written out and is its own. */
export function planInputOf(file: EventFile | EventFileV1): PlanInput {
  return file.version === 2 ? plannedFrom(file) : { ...plannedFrom(upgraded(file)), rules: 1 };
}

function plannedFrom(file: EventFile): PlanInput {
  const { event, equipment, library } = unpacked(file);
  const { pits, boxes, warmers, probes, crew } = equipment;
  const times = file.servings.map((serving) => serving.atMs);
  const lastMs = Math.max(...times) + DAY_MS;
  const quietFromMs = Math.max(file.workFromMs, Math.min(...times) - LIMITS.daysBefore * DAY_MS) - DAY_MS;
  const { fromHour, toHour } = kitchenOf(event);
  const other = <T extends { id: string }>(shipped: readonly T[], own: readonly T[]) =>
    shipped.filter(({ id }) => !own.some((each) => each.id === id));
  return {
    event,
    pits: pits.filter((pit) => event.pitIds.includes(pit.id)),
    boxes,
    warmers,
    probes,
    crew,
    library: {
      cuts: [...other(SHIPPED_LIBRARY.cuts, library.cuts), ...library.cuts],
      methods: library.methods,
      recipes: [...other(SHIPPED_LIBRARY.recipes, library.recipes), ...library.recipes],
    },
    spare: spareOf(pits),
    earliestMs: file.workFromMs,
    countCrew: true,
    airGapMm: file.rules.airGapMm,
    limits: {
      hotHold: file.rules.hotHoldC,
      bareMeatPit: file.rules.minPitC,
      dangerZone: file.rules.dangerZoneMaxMin,
      nonIntactCore: limitsOf(event).nonIntactCore,
    },
    shifts: shiftsBetween(quietFromMs, lastMs, file.timeZone, fromHour, toHour),
    quiet: file.quietHours ? quietBetween(quietFromMs, lastMs, file.timeZone, file.quietHours.from, file.quietHours.to) : [],
  };
}

/** What could be hired: another of each smoking pit, one box of the usual size, one more pair of hands. */
function spareOf(pits: readonly Pit[]): Spare {
  return {
    pits: pits.filter((pit) => pit.smoke).map((pit) => ({ ...pit, id: `${pit.id}+spare`, name: `${pit.name}, another` })),
    boxes: [{ id: 'box+spare', name: 'another box', litres: 110, lossWPerK: 0.7, travels: true }],
    warmers: [{ id: 'warmer+spare', name: 'another warmer', kind: 'warmer', slots: 8, setC: 65 }],
    crew: [{ id: 'hand+spare', name: 'one more hand', drives: true }],
  };
}

function servingFrom({ place, setUpMin = 0, ...serving }: FileServing, homeId: string, usualSetUpMin: number): Serving {
  return {
    ...serving,
    buffet: serving.buffet ?? false,
    guests: { ...serving.guests, heartyShare: serving.guests.heartyShare ?? 0 },
    ...(place !== homeId && { placeId: place }),
    ...(setUpMin !== usualSetUpMin && { setUpMin }),
  };
}

const batchFrom = ({ serving, cut, method, pieces, ...batch }: FileBatch): Batch => ({
  ...batch,
  servingId: serving,
  cutId: cut,
  methodId: method.id ?? batch.id,
  label: batch.label ?? '',
  sizedBy: batch.sizedBy ?? 'hand',
  pieces: pieces.map(({ startC, ...piece }) => ({ ...piece, ...(startC !== FRIDGE_C && { startC }) })),
});

function methodFrom({ id, label, method }: FileBatch, eventName: string, cut: Cut | undefined): Method {
  return {
    ...method,
    id: method.id ?? id,
    name: method.name ?? `${eventName}: ${label || (cut?.name ?? id)}`.slice(0, 60),
    line: method.line ?? '',
    purpose: method.purpose ?? (cut ? purposeOf(cut) : 'tender'),
    practice: method.practice ?? '',
    wrapWhen: method.wrapWhen ?? {},
    needsSmoke: method.needsSmoke ?? true,
    finishOffSmoke: method.finishOffSmoke ?? false,
  } satisfies Required<Pick<FileMethod, 'id' | 'name'>> & Method;
}

/** `travels` is always written: kept off where it is, as an owner who never ticked it has it. */
const pitFrom = ({ racks, place: _, travels, ...pit }: FilePit): Pit => ({
  ...pit,
  ...(travels && { travels }),
  racks: racks.map(rackFrom),
});

function rackFrom(rack: FileRack): Rack {
  const { shape: _, zones = [], blocked = [], name, ...rest } = rack;
  const { diameterMm, ...sides } = { diameterMm: undefined, ...rest };
  const size = diameterMm === undefined ? {} : { round: true, widthMm: diameterMm, depthMm: diameterMm };
  return {
    name: name ?? rack.id,
    ...(sides as Omit<Rack, 'name'>),
    ...size,
    ...(zones.length > 0 && { zones }),
    ...(blocked.length > 0 && { blocked: blocked.map((part) => ({ by: 'something else' as const, ...part })) }),
  };
}

const boxFrom = ({ kind: _, place: __, travels, ...box }: FileBox) => ({ ...box, ...(travels && { travels }), name: box.name ?? box.id });
const warmerFrom = ({ kind, place: _, travels, ...warmer }: FileWarmer) => ({
  ...warmer,
  ...(travels && { travels }),
  name: warmer.name ?? warmer.id,
  kind: kind === 'steam-table' ? ('steam table' as const) : kind === 'holding-oven' ? ('holding oven' as const) : kind,
});

/**
 * An owner's cut. A complete one is taken as it is; what the file of another maker leaves out is as for the
 * shipped cut of its id, or the first of its species.
 */
function cutFrom({ done, convertedShare, ...own }: FileCut): Cut {
  const same = SHIPPED_LIBRARY.cuts.find((cut) => cut.id === own.id);
  const like =
    same ??
    SHIPPED_LIBRARY.cuts.find((cut) => cut.species === own.species && (done === 'tender') === (cut.done.by === 'tender')) ??
    findCut('pork-butt')!;
  const likeDone = like.done.by === 'tender' ? like.done.convertedShare : 0.75;
  const doneness =
    done === 'tender' ? { by: 'tender' as const, convertedShare: convertedShare ?? likeDone } : { by: 'core' as const, ...done };
  if (own.noun) return { ...(own as Cut), done: doneness };
  const { thinEnd: _, bones: __, ...rest } = like;
  return { ...rest, noun: same?.noun ?? ['piece', 'pieces'], heatDepthShare: 1, ...own, done: doneness };
}
