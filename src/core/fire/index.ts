export { burnKgPerH, burntKgPerH, fuelFor } from './burn';
export { laysWood, smokeShareOf } from './laidWood';
export { fireWishes } from './woods';
export { longSmokes, relightAtMs, tendFire } from './tending';
