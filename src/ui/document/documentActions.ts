import type { CookEvent } from '../../core/model';
import type { Outcome } from '../../core/outcome';
import type { Action } from '../kit/actions';
import type { EditOptions } from './documentState';
import type { EventStore } from './eventStore';
import { FORM_NAMES, type FormName } from './formNames';

/** `key` as in the store: typing on in one field is one step. */
export type DocumentAction = (input: unknown, options?: Partial<EditOptions>) => Promise<Outcome<CookEvent>>;
export type DocumentActions = Record<FormName, DocumentAction & Action<CookEvent>>;

/** The classes of all input and what edits rest on are heavy: they come once the page stands, before anyone has typed a word. */
export const loadForms = () => import('./forms');

/** Every form of an event's stages by its name. */
export const documentActions = (store: EventStore): DocumentActions =>
  Object.fromEntries(
    FORM_NAMES.map((name): [FormName, DocumentAction] => [
      name,
      async (input, options) => (await loadForms()).run(store, name, input, options),
    ]),
  ) as DocumentActions;
