export { advanceBody, coreC, createBody, forkBody, meanC, setHeatShare, storedHeatJ } from './body';
export type { Body, BodySpec, Boundary } from './body';
export { advanceConversion, softeningRatePerS } from './tenderness';
export { airPressurePa, boilingPointC } from './water';
