export { arrange, spacesOf, type Arrangement, type Ground } from './arrange';
export { rackFaults, type Occupancy } from './faults';
export { AIR_GAP_MM, claimedMm2, floorMm2, floorOf, isOnFloor, isTooNear } from './floor';
export type { Item } from './item';
export { snapPlace } from './snap';
export { lacksMm } from './spaces';
export { hotSideOf, thickEndOf, zoneOffsetC } from './zones';
