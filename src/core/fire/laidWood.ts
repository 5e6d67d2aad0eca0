import { fuelOf, type Pit, type SmokeWanted } from '../model';

/** A piece of wood goes on a fire that is not wood itself this often, by how much smoke is wanted on what lies there. */
export const WOOD_EVERY_MIN: Record<SmokeWanted, number> = { light: 75, usual: 45, heavy: 30 };

export const hasTube = (pit: Pick<Pit, 'racks'>): boolean =>
  pit.racks.some((rack) => rack.blocked?.some((part) => part.by === 'smoke tube'));

/** Its smoke is laid on piece by piece, so that there can be more or less of it: a wood fire or pellets smoke as they burn, a tube as it does. */
export const laysWood = (pit: Pick<Pit, 'kind' | 'fuel' | 'smoke' | 'racks'>): boolean =>
  pit.smoke && !['split wood', 'pellets'].includes(fuelOf(pit).kind) && !hasTube(pit);

/** Smoke on the meat against the usual, where wood is laid on: as many times as pieces go on. */
export const smokeShareOf = (wanted: SmokeWanted): number => WOOD_EVERY_MIN.usual / WOOD_EVERY_MIN[wanted];
