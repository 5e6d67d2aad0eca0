'use server';
import { refresh } from 'next/cache';
import type { CookEvent } from '../core/model';
import type { Outcome } from '../core/outcome';
import { worded } from '../formats/messages/outcome';
import {
  AttachCurveInput,
  check,
  CookIdInput,
  CooksFileInput,
  CookWordsInput,
  CopyInput,
  CreateEventInput,
  CrewMemberRecord,
  CutRecord,
  DaySettingsInput,
  DaySpeedInput,
  EventIdInput,
  FigureInput,
  FiresBeforeInput,
  MadeFireInput,
  GearIdInput,
  GuessLogInput,
  HoldingBoxRecord,
  ImportInput,
  ImportLogInput,
  LibraryIdInput,
  MeasureIdInput,
  MeasureInput,
  MemberInput,
  MemberRoleInput,
  MethodRecord,
  OpenYardInput,
  PaperIdInput,
  PitRecord,
  PlanFileInput,
  ProbeRecord,
  RecipeRecord,
  RenameEventInput,
  SetIdInput,
  StartDayInput,
  TokenIdInput,
  TokenInput,
  TrialIdInput,
  TrialInput,
  TypedCookInput,
  WarmerRecord,
} from '../inputs';
import { context, databaseFile } from '../runtime/context';
import { atSpeed } from '../runtime/houseClock';
import { withFaults } from '../runtime/faults';
import * as services from '../services';

type InputClass<T> = new () => T;

/** Every action: check the input by its class, run one use case, say problems in words. */
async function through<T extends object, R>(
  schema: InputClass<T>,
  plain: unknown,
  work: (context: services.Context, input: T) => Promise<Outcome<R>>,
): Promise<Outcome<R>> {
  const input = check(schema, plain);
  if (!input.ok) return worded(input);
  return worded(await withFaults(await context(), (opened) => work(opened, input.value)));
}

/** For lists: the page is read afresh once the change is made. */
async function listed<T>(outcome: Promise<Outcome<T>>): Promise<Outcome<T>> {
  const done = await outcome;
  if (done.ok) refresh();
  return done;
}

export const createEvent = async (input: unknown): Promise<Outcome<CookEvent>> => through(CreateEventInput, input, services.createEvent);
export const duplicateEvent = async (input: unknown) =>
  listed(through(EventIdInput, input, (h, { eventId }) => services.duplicateEvent(h, eventId)));
export const renameEvent = async (input: unknown) => listed(through(RenameEventInput, input, services.renameEvent));
export const deleteEvent = async (input: unknown) =>
  listed(through(EventIdInput, input, (h, { eventId }) => services.deleteEvent(h, eventId)));
export const restoreEvent = async (input: unknown) =>
  listed(through(EventIdInput, input, (h, { eventId }) => services.restoreEvent(h, eventId)));
export const importEvent = async (input: unknown) => listed(through(ImportInput, input, services.importEvent));
export const readPlanFile = async (input: unknown) => through(PlanFileInput, input, services.readPlanFile);
export const savePit = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(PitRecord, input, (c, entry) => services.savePit(c, entry, { seen, settle })));
export const saveBox = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(HoldingBoxRecord, input, (c, entry) => services.saveBox(c, entry, { seen, settle })));
export const saveWarmer = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(WarmerRecord, input, (c, entry) => services.saveWarmer(c, entry, { seen, settle })));
export const saveProbe = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(ProbeRecord, input, (c, entry) => services.saveProbe(c, entry, { seen, settle })));
export const saveCrew = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(CrewMemberRecord, input, (c, entry) => services.saveCrew(c, entry, { seen, settle })));
export const putGearAway = async (input: unknown) => listed(through(GearIdInput, input, services.putGearAway));
export const bringGearBack = async (input: unknown) => listed(through(GearIdInput, input, services.bringGearBack));
export const addSet = async (input: unknown) => listed(through(SetIdInput, input, (h, { id }) => services.addSet(h, id)));
export const saveCut = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(CutRecord, input, (c, entry) => services.saveCut(c, entry, { seen, settle })));
export const saveMethod = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(MethodRecord, input, (c, entry) => services.saveMethod(c, entry, { seen, settle })));
export const saveRecipe = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(through(RecipeRecord, input, (c, entry) => services.saveRecipe(c, entry, { seen, settle })));
export const restoreEntry = async (input: unknown) =>
  listed(through(LibraryIdInput, input, (h, { kind, id }) => services.restoreEntry(h, kind, id)));
export const startDay = async (input: unknown) =>
  listed(through(StartDayInput, input, (c, { eventId, by }) => services.startDay(c, { eventId, by })));
export const setDaySpeed = async (input: unknown) =>
  through(DaySpeedInput, input, (c, { eventId, speed, forMin }) =>
    services.setDayClock(c, eventId, (clock, nowMs) => atSpeed(clock, speed, nowMs, forMin)),
  );
export const takeMachineTime = async () => worded(await withFaults(await context(), services.takeMachineTime));
export const guessLog = async (input: unknown) => through(GuessLogInput, input, async (_, { text }) => services.guessLog(text));
export const importLog = async (input: unknown) => through(ImportLogInput, input, services.importLog);
export const saveDaySettings = async (input: unknown) =>
  listed(through(DaySettingsInput, input, (c, settings) => services.saveDaySettings(c, { ...settings })));
export const makeCopy = async () =>
  listed(
    context()
      .then((c) => services.makeCopy(c, databaseFile()))
      .then(worded),
  );
export const previewCopy = async (input: unknown) =>
  through(CopyInput, input, (c, { name }) => services.previewCopy(c, databaseFile(), name));
export const putCopyBack = async (input: unknown) =>
  listed(through(CopyInput, input, (c, { name }) => services.putCopyBack(c, databaseFile(), name)));
export const saveCookWords = async (input: unknown, seen?: unknown, settle?: unknown) =>
  listed(
    through(CookWordsInput, input, (c, words) => services.saveCookWords(c, { ...words, verdict: { ...words.verdict } }, { seen, settle })),
  );
export const takeCookOut = async (input: unknown) => listed(through(CookIdInput, input, services.takeCookOut));
export const bringCookBack = async (input: unknown) => listed(through(CookIdInput, input, services.bringCookBack));
export const importCooks = async (input: unknown) => listed(through(CooksFileInput, input, services.importCooks));
export const typeCook = async (input: unknown) =>
  listed(through(TypedCookInput, input, (c, typed) => services.typeCook(c, typed, Intl.DateTimeFormat().resolvedOptions().timeZone)));
export const attachCurve = async (input: unknown) =>
  listed(through(AttachCurveInput, input, (c, typed) => services.attachCurve(c, typed, Intl.DateTimeFormat().resolvedOptions().timeZone)));
export const takeFigure = async (input: unknown) => listed(through(FigureInput, input, services.takeFigure));
export const putFigureBack = async (input: unknown) => listed(through(FigureInput, input, services.putFigureBack));
export const takeFire = async (input: unknown) => listed(through(MadeFireInput, input, services.takeFire));
export const putFiresBack = async (input: unknown) => listed(through(FiresBeforeInput, input, services.putFiresBack));
export const writeMeasure = async (input: unknown) =>
  listed(through(MeasureInput, input, (c, typed) => services.writeMeasure(c, typed, Intl.DateTimeFormat().resolvedOptions().timeZone)));
export const takeMeasureOut = async (input: unknown) => listed(through(MeasureIdInput, input, services.takeMeasureOut));
export const planTrial = async (input: unknown) => listed(through(TrialInput, input, services.planTrial));
export const takeTrialOut = async (input: unknown) => listed(through(TrialIdInput, input, services.takeTrialOut));
export const bringTrialBack = async (input: unknown) => listed(through(TrialIdInput, input, services.bringTrialBack));
export const takePaperOut = async (input: unknown) => listed(through(PaperIdInput, input, services.takePaperOut));
export const takeKitchen = async () =>
  listed(
    context()
      .then((c) => withFaults(c, services.takeKitchen))
      .then(worded),
  );
export const putKitchenBack = async () =>
  listed(
    context()
      .then((c) => withFaults(c, services.putKitchenBack))
      .then(worded),
  );
export const openYard = async (input: unknown) =>
  listed(through(OpenYardInput, input, (c, { joinsAs }) => services.openYard(c, { joinsAs })));
export const closeYard = async () =>
  listed(
    context()
      .then((c) => withFaults(c, services.closeYard))
      .then(worded),
  );
export const setMemberRole = async (input: unknown) => listed(through(MemberRoleInput, input, services.setMemberRole));
export const putOut = async (input: unknown) => listed(through(MemberInput, input, services.putOut));
export const makeToken = async (input: unknown) => listed(through(TokenInput, input, services.makeToken));
export const endToken = async (input: unknown) => listed(through(TokenIdInput, input, services.endToken));
