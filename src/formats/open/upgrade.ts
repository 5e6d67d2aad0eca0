import type { ExchangeBatch, ExchangeCut, SafetyClass } from '../../core/model';
import { BASE, ownPlace, type EventFile, type FileBatch } from './eventFile';
import { exchangeEventFrom, type EventFileV1 } from './eventFileV1';

/** Version 1 has no safety class: its birds and dishes are told by their animal, all else was whole muscle. */
export const safetyClassOfSpecies = (species: ExchangeCut['species']): SafetyClass =>
  species === 'chicken' || species === 'turkey' ? 'poultry' : species === 'dish' ? 'dish' : 'whole';

/** A version 1 event as version 2 has it: a drive becomes a second place, its additions their documented fields. */
export function upgraded(file: EventFileV1): EventFile {
  const { servings, batches, cuts, pits, ...rest } = exchangeEventFrom(file);
  const away = servings.filter((serving) => (serving.travelMin ?? 0) > 0);
  return {
    ...rest,
    format: 'anachron-event',
    version: 2,
    places: [{ id: BASE, name: 'Base' }, ...away.map(({ id, name }) => ({ id: ownPlace(id), name }))],
    roads: away.map(({ id, travelMin = 0 }) => ({ from: BASE, to: ownPlace(id), min: travelMin })),
    servings: servings.map(({ travelMin, setUpMin = 0, ...serving }) => ({
      ...serving,
      setUpMin,
      place: travelMin ? ownPlace(serving.id) : BASE,
    })),
    batches: batches.map(batchOf),
    pits,
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
