import type { Change, Conflict } from '../../core/edits';
import type { CookEvent } from '../../core/model';
import type { Outcome } from '../../core/outcome';
import type { DocumentFacts } from '../../document';
import type { UnsavedStorage } from './unsaved';

/** Who made a change. Undo takes back only what the owner did. */
export type Source = 'owner' | 'crew' | 'sensor' | 'reforecast';

/** One step that can be taken back. */
export interface Step {
  id: number;
  source: Source;
  before: CookEvent;
  changes: Change[];
  /** What is said when it is taken back. */
  undone: string;
  /** Typing on in one field is one step, until there is a pause. */
  key?: string;
}

export type Saving =
  | { state: 'saved' | 'waiting' | 'saving' }
  /** Someone else changed the same things: what was done here is kept, and the owner says of each which holds. */
  | { state: 'stale'; message: string; conflicts: Conflict[] }
  | { state: 'failed'; message: string };

export interface DocumentState {
  event: CookEvent;
  facts: DocumentFacts;
  /** Goes up by one whenever the event or what its plan rests on changes; answers to an older version are dropped. */
  version: number;
  saving: Saving;
  /** Fields that hold what cannot be saved as it is typed. */
  faulty: number;
  canUndo: boolean;
  canRedo: boolean;
}

export interface StoreDeps {
  save(request: { eventId: string; revision: number; changes: Change[] }): Promise<Outcome<{ event: CookEvent; nowMs: number }>>;
  read(eventId: string): Promise<Outcome<{ event: CookEvent; facts: DocumentFacts }>>;
  /** Runs later; returns how to call that off. */
  later(run: () => void, ms: number): () => void;
  /** Where what is not saved yet waits for a page that was left too soon. */
  storage?: UnsavedStorage;
}

export interface EditOptions {
  undone: string;
  key?: string;
  source?: Source;
}
