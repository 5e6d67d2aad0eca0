import { house } from './0001-house';
import { library } from './0002-library';
import type { Migration } from './migration';

/** In order, without gaps. */
export const MIGRATIONS: readonly Migration[] = [house, library];
