export { CHUNK_KG_PER_H, fuelFor } from './burn';
export { relightAtMs, tendFire } from './tending';
