/** A box tested with hot water: how much went in, and how far it fell in how long, in what room. */
export interface BoxTest {
  waterL: number;
  fromC: number;
  toC: number;
  hours: number;
  roomC: number;
}

const WATER_J_PER_KG_K = 4186;

/**
 * Heat loss of a box from a test with water, W/K: Newton's law of cooling solved for UA,
 * m c ln((from - room) / (to - room)) / t. Undefined where nothing cooled, or below the room.
 */
export function boxLossWPerK({ waterL, fromC, toC, hours, roomC }: BoxTest): number | undefined {
  if (!(waterL > 0 && hours > 0 && fromC > toC && toC > roomC)) return undefined;
  return (waterL * WATER_J_PER_KG_K * Math.log((fromC - roomC) / (toC - roomC))) / (hours * 3600);
}
