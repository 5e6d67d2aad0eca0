export { check } from './check';
export * from './edits';
export * from './equipmentRecord';
export * from './eventRecord';
export * from './libraryRecord';
export { mended } from './mend';
export * from './requests';
export { SAME_SHAPE, type SameShape } from './sameShape';
export { ID } from './parts';
