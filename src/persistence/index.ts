export { openDatabase } from './database';
export type { Database } from './database';
export { MigrationRefused } from './migrate';
export { OpenRefused } from './openFault';
export { initTables, EventRow } from './tables';
export { handOverBrought } from './repositories/brought';
export * from './repositories/events';
export * from './repositories/gear';
export * from './repositories/library';
