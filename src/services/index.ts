export type { Context } from './context';
export { createEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent } from './events';
export {
  addSet,
  bringBoxBack,
  bringGearBack,
  bringPitBack,
  keepBox,
  keepCrew,
  keepPit,
  keepProbe,
  keepWarmer,
  putBoxAway,
  putGearAway,
  putPitAway,
} from './equipment';
export { saveBuying, saveReceipt, saveWeights, tickItem } from './buying';
export { chooseEquipment, copyEquipment } from './eventEquipment';
export { saveDay } from './eventDay';
export { layPieces } from './layPieces';
export { saveBaseline } from './saveBaseline';
export { markStep, saveKitchen, saveLeftover, savePrep } from './kitchen';
export { loosenRule, tightenRule } from './safety';
export { saveCut, saveMethod, saveRecipe, readLibrary, restoreEntry } from './library';
export { planEvent } from './planEvent';
export { importEvent } from './importEvent';
export { readPlanFile } from './readPlanFile';
export { settlePlan } from './settlePlan';
export { savePlanFace } from './savePlanFace';
export { listEquipment, listEvents } from './reading';
export { saveBrief } from './saveBrief';
