export { arrange, spacesOf, type Arrangement, type Ground, type Item, type Placed } from './arrange';
export { rackFaults, type Lying } from './faults';
export { AIR_GAP_MM, apartMm, claimedMm2, floorMm2, floorOf, isOnFloor, isTooNear, type Floor } from './floor';
export { lacksMm } from './spaces';
export { hotSideOf, thickEndOf, zoneOffsetC } from './zones';
