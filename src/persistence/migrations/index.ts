import { house } from './0001-house';
import { library } from './0002-library';
import { kitchen } from './0003-kitchen';
import { equipment } from './0004-equipment';
import { documents } from './0005-documents';
import { brought } from './0006-brought';
import { places } from './0007-places';
import { days } from './0008-days';
import { crew } from './0009-crew';
import { cooks } from './0010-cooks';
import { figures } from './0011-figures';
import { practice } from './0012-practice';
import { fires } from './0013-fires';
import type { Migration } from './migration';

/** In order, without gaps. */
export const MIGRATIONS: readonly Migration[] = [
  house,
  library,
  kitchen,
  equipment,
  documents,
  brought,
  places,
  days,
  crew,
  cooks,
  figures,
  practice,
  fires,
];
