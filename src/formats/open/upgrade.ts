import { BASE, type ExchangeBatch, type ExchangeCut, type SafetyClass } from '../../core/model';
import type { EventFile, FileBatch } from './eventFile';
import { exchangeEventFrom, type EventFileV1 } from './eventFileV1';

/** Version 1 has no safety class: its birds and dishes are told by their animal, all else was whole muscle. */
export const safetyClassOfSpecies = (species: ExchangeCut['species']): SafetyClass =>
  species === 'chicken' || species === 'turkey' ? 'poultry' : species === 'dish' ? 'dish' : 'whole';

/** The place of a serving that version 1 drives to. */
const ownPlace = (servingId: string) => `to/${servingId}`;

/** A version 1 event as version 2 has it: a drive becomes a second place, its additions their documented fields. */
export function upgraded(file: EventFileV1): EventFile {
  const { servings, batches, cuts, pits, holding, crew, version: _, ...rest } = exchangeEventFrom(file);
  const away = servings.filter((serving) => (serving.travelMin ?? 0) > 0);
  return {
    ...rest,
    format: 'anachron-event',
    version: 2,
    places: [{ ...BASE }, ...away.map(({ id, name }) => ({ id: ownPlace(id), name }))],
    roads: away.map(({ id, travelMin = 0 }) => ({ from: BASE.id, to: ownPlace(id), min: travelMin })),
    servings: servings.map(({ travelMin, setUpMin = 0, ...serving }) => ({
      ...serving,
      setUpMin,
      place: travelMin ? ownPlace(serving.id) : BASE.id,
    })),
    batches: batches.map(batchOf),
    pits,
    // All drove, and took along what meat lies in.
    holding: holding.map((gear) => ({ ...gear, travels: away.length > 0 })),
    crew: crew.map((shift) => ({ ...shift, drives: true })),
    ...(cuts && { cuts: cuts.map((cut) => ({ ...cut, safetyClass: cut.safetyClass ?? safetyClassOfSpecies(cut.species) })) }),
  } as EventFile;
}

function batchOf({ method: { smokeless, ...method }, nonIntact, ...batch }: ExchangeBatch): FileBatch {
  return {
    ...batch,
    ...(nonIntact && { prep: { recipes: { injection: 'injected' } } }),
    method: { ...method, needsSmoke: !smokeless },
  };
}
