import type { Cut } from '../model';
import { bodySpec, type PieceOnPit } from './setup';
import type { ParameterSet } from './parameters';

/** Still air in a kitchen, with radiation from its walls, W/(m2 K). */
const ROOM_FILM_W_PER_M2K = 12;

/**
 * Mean temperature of a piece after some minutes in a room, C: lumped, T = Tr - (Tr - T0) exp(-h A t / (m c)).
 * The surface is warmer and the core colder than this mean; over an hour that is all the cook can tell apart.
 */
export function temperedC(cut: Cut, piece: PieceOnPit, minutes: number, roomC: number, parameters: ParameterSet): number {
  if (minutes <= 0) return piece.startC;
  const body = bodySpec(cut, piece, parameters);
  const areaM2 = ((body.geometryExponent + 1) * (body.massKg / body.densityKgPerM3)) / body.halfThicknessM;
  const perS = (ROOM_FILM_W_PER_M2K * areaM2) / (body.massKg * body.heatCapacityJPerKgK);
  return roomC - (roomC - piece.startC) * Math.exp(-perS * minutes * 60);
}
