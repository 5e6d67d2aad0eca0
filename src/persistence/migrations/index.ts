import { house } from './0001-house';
import type { Migration } from './migration';

/** In order, without gaps. */
export const MIGRATIONS: readonly Migration[] = [house];
