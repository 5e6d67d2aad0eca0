export { burnKgPerH, burntKgPerH, CHUNK_KG_PER_H, fuelFor } from './burn';
export { longSmokes, relightAtMs, tendFire } from './tending';
