export * from './cut';
export * from './equipment';
export * from './event';
export * from './library';
export * from './method';
export * from './piece';
export * from './plan';
