import type { CookEvent } from '../../core/model';
import type { Action } from '../kit/actions';

/** What can be done to events as a whole. */
export interface EventActions {
  createEvent: Action<CookEvent>;
  importEvent: Action<CookEvent>;
  duplicateEvent: Action<CookEvent>;
  renameEvent: Action<CookEvent>;
  deleteEvent: Action<unknown>;
  restoreEvent: Action<unknown>;
  addSet: Action<{ id: string }>;
}
