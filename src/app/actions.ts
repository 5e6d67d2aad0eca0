'use server';
import { refresh } from 'next/cache';
import type { CookEvent } from '../core/model';
import type { Outcome } from '../core/outcome';
import {
  BoxInput,
  BriefInput,
  BuyingInput,
  CopyEquipmentInput,
  CrewInput,
  DayInput,
  GearIdInput,
  LayInput,
  ProbeInput,
  SetIdInput,
  WarmerInput,
  KitchenInput,
  LeftoverInput,
  LoosenInput,
  PrepInput,
  ReceiptInput,
  RecipeInput,
  StepDoneInput,
  TickInput,
  TightenInput,
  WeightsInput,
  check,
  ChooseEquipmentInput,
  CreateEventInput,
  CutInput,
  LibraryIdInput,
  MethodInput,
  EquipmentIdInput,
  EventIdInput,
  PitInput,
  ImportInput,
  PlanFaceInput,
  PlanFileInput,
  RenameEventInput,
} from '../inputs';
import { context } from '../runtime/context';
import * as services from '../services';
import { worded } from './errors';

type Door<T> = new () => T;

/** Every action: read the input at its door, run one use case, say problems in words. */
async function through<T extends object, R>(
  door: Door<T>,
  plain: unknown,
  work: (context: services.Context, input: T) => Promise<Outcome<R>>,
): Promise<Outcome<R>> {
  const input = check(door, plain);
  if (!input.ok) return worded(input);
  return worded(await work(await context(), input.value));
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
export const saveBrief = async (input: unknown) => through(BriefInput, input, services.saveBrief);
export const chooseEquipment = async (input: unknown) => listed(through(ChooseEquipmentInput, input, services.chooseEquipment));
export const keepPit = async (input: unknown) => listed(through(PitInput, input, services.keepPit));
export const keepBox = async (input: unknown) => listed(through(BoxInput, input, services.keepBox));
export const putPitAway = async (input: unknown) => listed(through(EquipmentIdInput, input, (h, { id }) => services.putPitAway(h, id)));
export const bringPitBack = async (input: unknown) => listed(through(EquipmentIdInput, input, (h, { id }) => services.bringPitBack(h, id)));
export const putBoxAway = async (input: unknown) => listed(through(EquipmentIdInput, input, (h, { id }) => services.putBoxAway(h, id)));
export const bringBoxBack = async (input: unknown) => listed(through(EquipmentIdInput, input, (h, { id }) => services.bringBoxBack(h, id)));
export const keepWarmer = async (input: unknown) => listed(through(WarmerInput, input, services.keepWarmer));
export const keepProbe = async (input: unknown) => listed(through(ProbeInput, input, services.keepProbe));
export const keepCrew = async (input: unknown) => listed(through(CrewInput, input, services.keepCrew));
export const putGearAway = async (input: unknown) => listed(through(GearIdInput, input, services.putGearAway));
export const bringGearBack = async (input: unknown) => listed(through(GearIdInput, input, services.bringGearBack));
export const addSet = async (input: unknown) => listed(through(SetIdInput, input, (h, { id }) => services.addSet(h, id)));
export const copyEquipment = async (input: unknown) => listed(through(CopyEquipmentInput, input, services.copyEquipment));
export const saveDay = async (input: unknown) => listed(through(DayInput, input, services.saveDay));
export const layPieces = async (input: unknown) => through(LayInput, input, services.layPieces);
export const saveCut = async (input: unknown) => listed(through(CutInput, input, services.saveCut));
export const saveMethod = async (input: unknown) => listed(through(MethodInput, input, services.saveMethod));
export const saveRecipe = async (input: unknown) => listed(through(RecipeInput, input, services.saveRecipe));
export const saveWeights = async (input: unknown) => listed(through(WeightsInput, input, services.saveWeights));
export const saveBuying = async (input: unknown) => listed(through(BuyingInput, input, services.saveBuying));
export const saveReceipt = async (input: unknown) => listed(through(ReceiptInput, input, services.saveReceipt));
export const tickItem = async (input: unknown) => listed(through(TickInput, input, services.tickItem));
export const saveKitchen = async (input: unknown) => listed(through(KitchenInput, input, services.saveKitchen));
export const savePrep = async (input: unknown) => listed(through(PrepInput, input, services.savePrep));
export const markStep = async (input: unknown) => listed(through(StepDoneInput, input, services.markStep));
export const saveLeftover = async (input: unknown) => listed(through(LeftoverInput, input, services.saveLeftover));
export const loosenRule = async (input: unknown) => listed(through(LoosenInput, input, services.loosenRule));
export const tightenRule = async (input: unknown) => listed(through(TightenInput, input, services.tightenRule));
export const importEvent = async (input: unknown) => listed(through(ImportInput, input, services.importEvent));
export const readPlanFile = async (input: unknown) => through(PlanFileInput, input, services.readPlanFile);
export const savePlanFace = async (input: unknown) => through(PlanFaceInput, input, services.savePlanFace);
export const saveBaseline = async (input: unknown) => listed(through(EventIdInput, input, services.saveBaseline));
export const restoreEntry = async (input: unknown) =>
  listed(through(LibraryIdInput, input, (h, { kind, id }) => services.restoreEntry(h, kind, id)));
