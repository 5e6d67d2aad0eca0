import type { OpenBatch, OpenCut, OpenEvent, SafetyClass } from '../../core/model';
import { withTimesAsMs } from './fileTimes';
import { BASE, ownPlace, type EventFile } from './eventFile';

/** Version 1 has no safety class: its birds and dishes are told by their animal, all else was whole muscle. */
export const safetyClassOfSpecies = (species: OpenCut['species']): SafetyClass =>
  species === 'chicken' || species === 'turkey' ? 'poultry' : species === 'dish' ? 'dish' : 'whole';

/** A version 1 event as version 2 has it: a drive becomes a second place, its additions their documented fields. */
export function upgraded(open: OpenEvent): EventFile {
  const away = open.servings.filter((serving) => (serving.travelMin ?? 0) > 0);
  const newer = {
    ...open,
    version: 2,
    places: [{ id: BASE, name: 'Base' }, ...away.map(({ id, name }) => ({ id: ownPlace(id), name }))],
    roads: away.map(({ id, travelMin }) => ({ from: BASE, to: ownPlace(id), min: travelMin })),
    servings: open.servings.map(({ travelMin, setUpMin = 0, ...serving }) => ({
      ...serving,
      setUpMin,
      place: travelMin ? ownPlace(serving.id) : BASE,
    })),
    batches: open.batches.map(batchOf),
    ...(open.cuts && { cuts: open.cuts.map((cut) => ({ ...cut, safetyClass: cut.safetyClass ?? safetyClassOfSpecies(cut.species) })) }),
  };
  return withTimesAsMs(newer) as EventFile;
}

function batchOf({ method: { 'x-smokeless': smokeless, 'x-unwrapAfterMin': unwrapAfterMin, ...method }, ...batch }: OpenBatch) {
  const { 'x-label': label, 'x-nonIntact': nonIntact, ...rest } = batch;
  return {
    ...rest,
    ...(label && { label }),
    ...(nonIntact && { prep: { recipes: { injection: 'injected' } } }),
    method: { ...method, needsSmoke: !smokeless, ...(unwrapAfterMin !== undefined && { unwrapAfterMin }) },
  };
}
