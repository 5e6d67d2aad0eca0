import {
  findCut,
  SHIPPED_LIBRARY,
  type Batch,
  type CookEvent,
  type Cut,
  type Method,
  type Pit,
  type Rack,
  type SafetyClass,
} from '../../core/model';
import type { PlanInput, Spare } from '../../core/planning';
import { quietBetween } from '../clock';
import type { OpenBatch, OpenCut, OpenEvent, OpenPit, OpenRack } from '../../core/model';

const DAY_MS = 86_400_000;

/** What the planner reads, from an event file. Each batch's method is written out and is its own. */
export function planInputOf(open: OpenEvent): PlanInput {
  const workFromMs = Date.parse(open.workFrom);
  const lastMs = Math.max(workFromMs, ...open.servings.map((serving) => Date.parse(serving.at))) + DAY_MS;
  return {
    event: eventOf(open),
    pits: open.pits.map(pitOf),
    boxes: open.holding.flatMap((gear) =>
      gear.kind === 'insulated-box' ? [{ id: gear.id, name: gear.id, litres: gear.litres, lossWPerK: gear.lossWPerK }] : [],
    ),
    warmers: open.holding.flatMap((gear) =>
      gear.kind === 'insulated-box'
        ? []
        : [
            {
              id: gear.id,
              name: gear.id,
              kind: gear.kind === 'warmer' ? ('warmer' as const) : ('steam table' as const),
              slots: gear.slots,
              setC: gear.setC,
            },
          ],
    ),
    library: {
      ...SHIPPED_LIBRARY,
      cuts: [...SHIPPED_LIBRARY.cuts.filter((cut) => !open.cuts?.some((own) => own.id === cut.id)), ...(open.cuts ?? []).map(cutOf)],
      methods: open.batches.map(methodOf),
    },
    spare: spareOf(open),
    earliestMs: workFromMs,
    countCrew: true,
    airGapMm: open.rules.airGapMm,
    limits: {
      hotHold: open.rules.hotHoldC,
      bareMeatPit: open.rules.minPitC,
      dangerZone: open.rules.dangerZoneMaxMin,
      nonIntactCore: 68,
    },
    quiet: open.quietHours ? quietBetween(workFromMs - DAY_MS, lastMs, open.timeZone, open.quietHours.from, open.quietHours.to) : [],
  };
}

/** What could be hired: another of each smoking pit, one box of the usual size, one more pair of hands. */
function spareOf(open: OpenEvent): Spare {
  return {
    pits: open.pits.filter((pit) => pit.smoke).map((pit) => ({ ...pitOf(pit), id: `${pit.id}+spare`, name: `${pit.name}, another` })),
    boxes: [{ id: 'box+spare', name: 'another box', litres: 110, lossWPerK: 0.7 }],
    warmers: [{ id: 'warmer+spare', name: 'another warmer', kind: 'warmer', slots: 8, setC: 65 }],
    crew: [{ id: 'hand+spare', name: 'one more hand' }],
  };
}

function eventOf(open: OpenEvent): CookEvent {
  return {
    id: open.name,
    name: open.name,
    place: '',
    timeZone: open.timeZone,
    altitudeM: open.altitudeM,
    confidence: open.confidence,
    servings: open.servings.map((serving) => ({
      id: serving.id,
      name: serving.name,
      atMs: Date.parse(serving.at),
      serveForMin: serving.serveForMin,
      carveLeadMin: serving.carveLeadMin,
      guests: { ...serving.guests, heartyShare: 0 },
      buffet: false,
      travelMin: serving.travelMin ?? 0,
      setUpMin: serving.setUpMin ?? 0,
    })),
    batches: open.batches.map(batchOf),
    pitIds: open.pits.map((pit) => pit.id),
    boxIds: open.holding.filter((gear) => gear.kind === 'insulated-box').map((gear) => gear.id),
    warmerIds: open.holding.filter((gear) => gear.kind !== 'insulated-box').map((gear) => gear.id),
    duty: open.crew.map(({ id, from, to }) => ({ memberId: id, fromMs: Date.parse(from), toMs: Date.parse(to) })),
    weather: { airC: open.weather.airC, windMPerS: open.weather.windMPerS },
    revision: 1,
  };
}

const batchOf = (batch: OpenBatch): Batch => ({
  id: batch.id,
  servingId: batch.serving,
  cutId: batch.cut,
  methodId: batch.id,
  label: batch['x-label'] ?? '',
  sizedBy: 'hand',
  pieces: batch.pieces.map((piece) => ({ ...piece })),
  ...(batch['x-nonIntact'] && { prep: { recipes: { injection: 'injected' } } }),
});

const methodOf = ({ id, method }: OpenBatch): Method => ({
  id,
  name: id,
  line: '',
  purpose: 'tender',
  practice: '',
  pitC: method.pitC,
  pitRangeC: method.pitRangeC,
  ...(method.steps && { steps: method.steps }),
  wrap: method.wrap,
  wrapWhen: method.wrapWhen ?? {},
  ...(method['x-unwrapAfterMin'] !== undefined && { unwrapAfterMin: method['x-unwrapAfterMin'] }),
  needsSmoke: !method['x-smokeless'],
  finishOffSmoke: method.finishOffSmoke ?? false,
  ...(method.finishRangeC && { finishRangeC: method.finishRangeC }),
  ventMin: method.ventMin,
  restMin: method.restMin,
  holdIdealMin: method.holdIdealMin,
  holdMaxMin: method.holdMaxMin,
});

const pitOf = ({ racks, ...pit }: OpenPit): Pit => ({ ...pit, racks: racks.map(rackOf) });

const rackOf = (rack: OpenRack): Rack => ({
  id: rack.id,
  name: rack.id,
  ...(rack.shape === 'round'
    ? { round: true, widthMm: rack.diameterMm, depthMm: rack.diameterMm }
    : { widthMm: rack.widthMm, depthMm: rack.depthMm }),
  clearanceMm: rack.clearanceMm,
  maxKg: rack.maxKg,
  level: rack.level,
  ...(rack.zones && { zones: rack.zones }),
  ...(rack.blocked && { blocked: rack.blocked.map((part) => ({ ...part, by: 'something else' as const })) }),
});

/** Version 1 has no safety class: its birds and dishes are told by their animal, all else was whole muscle. */
export const safetyClassOfSpecies = (species: OpenCut['species']): SafetyClass =>
  species === 'chicken' || species === 'turkey' ? 'poultry' : species === 'dish' ? 'dish' : 'whole';

/** An owner's cut: what the file leaves out is as for the shipped cut of its id, or the first of its species. */
function cutOf(own: OpenCut): Cut {
  const same = SHIPPED_LIBRARY.cuts.find((cut) => cut.id === own.id);
  const like =
    same ??
    SHIPPED_LIBRARY.cuts.find((cut) => cut.species === own.species && (own.done === 'tender') === (cut.done.by === 'tender')) ??
    findCut('pork-butt')!;
  const { thinEnd, done, holdMaxMin, ...rest } = own;
  return {
    ...like,
    ...rest,
    noun: same?.noun ?? ['piece', 'pieces'],
    safetyClass: own.safetyClass ?? safetyClassOfSpecies(own.species),
    heatDepthShare: 1,
    bones: undefined,
    thinEnd,
    done:
      done === 'tender'
        ? { by: 'tender', convertedShare: like.done.by === 'tender' ? like.done.convertedShare : 0.75 }
        : { by: 'core', coreC: done.coreC },
    holdMaxMin: holdMaxMin ?? like.holdMaxMin,
  };
}
