import type { CookEvent } from '../../core/model';
import { failure, type Outcome, type Problem } from '../../core/outcome';
import * as edits from '../../document';
import type { Edit } from '../../document';
import * as inputs from '../../inputs';
import { worded } from '../../formats/messages/outcome';
import type { FormName } from './formNames';
import type { EditOptions } from './documentState';
import type { EventStore } from './eventStore';
import { newId } from '../kit/newId';

/** Every form of an event's stages: what it is checked by, what it does, and what is said when it is taken back. */
export const FORMS: Record<FormName, Form<never>> = {
  saveWeights: form(inputs.WeightsInput, edits.saveWeights, 'The weights are as before.'),
  saveBuying: form(inputs.BuyingInput, edits.saveBuying, 'Source and price are as before.'),
  saveReceipt: form(inputs.ReceiptInput, edits.saveReceipt, 'The receipt is as before.'),
  tickItem: form(inputs.TickInput, edits.tickItem, 'The tick is taken back.'),
  saveKitchen: form(inputs.KitchenInput, edits.saveKitchen, 'Delivery and kitchen are as before.'),
  savePrep: form(inputs.PrepInput, edits.savePrep, 'The prep is as before.'),
  markStep: form(inputs.StepDoneInput, edits.markStep, 'The step is as before.'),
  saveLeftover: form(inputs.LeftoverInput, edits.saveLeftover, 'The leftovers are as before.'),
  signCards: form(inputs.SignCardsInput, edits.signCards, 'The signature is as before.'),
  loosenRule: form(inputs.LoosenInput, edits.loosenRule, 'The value is as before.'),
  tightenRule: form(inputs.TightenInput, edits.tightenRule, 'The value is as before.'),
  chooseEquipment: form(inputs.ChooseEquipmentInput, edits.chooseEquipment, 'The equipment is chosen as before.'),
  saveDay: form(inputs.DayInput, edits.saveDay, 'The day is as before.'),
  placeByHand: form(inputs.ManualPlacementsInput, edits.placeByHand, 'The pieces lie as before.'),
  saveBrief: form(inputs.BriefInput, edits.saveBrief, 'The brief is as before.', edits.briefPath),
};

interface Form<T extends object> {
  schema: new () => T;
  edit: Edit<T>;
  undone: string;
  /** Where on the form something of the event stands. */
  pathOn?(event: CookEvent, path: string): string;
}
function form<T extends object>(schema: new () => T, edit: Edit<T>, undone: string, pathOn?: Form<T>['pathOn']): Form<never> {
  return { schema, edit, undone, pathOn } as unknown as Form<never>;
}

/** Checks what a form holds, does it to the document, and says problems in words at their fields. */
function runForm<T extends object>(
  store: EventStore,
  { schema, edit, undone, pathOn }: Form<T>,
  typed: unknown,
  options?: Partial<EditOptions>,
): Outcome<CookEvent> {
  const input = inputs.check(schema, JSON.parse(JSON.stringify(typed)));
  if (!input.ok) return worded<CookEvent>(input);
  const { event, facts } = store.snapshot();
  const { library } = edits.libraryFor(event, facts);
  const value = JSON.parse(JSON.stringify(input.value)) as T;
  const edited = edit(event, value, { ...facts, library, newId: () => newId().slice(0, 13) });
  if (!edited.ok) return worded(edited);
  const outcome = store.edit(() => edited.value, { undone, ...options });
  if (outcome.ok || !pathOn) return worded(outcome);
  const onForm = (problem: Problem) => ({ ...problem, ...(problem.path && { path: pathOn(edited.value, problem.path) }) });
  return worded(failure(...outcome.problems.map(onForm)));
}

/** One form of an event: checked, done to the document, problems told in words. */
export const run = (store: EventStore, name: FormName, typed: unknown, options?: Partial<EditOptions>): Outcome<CookEvent> =>
  runForm(store, FORMS[name] as unknown as Form<object>, typed, options);
