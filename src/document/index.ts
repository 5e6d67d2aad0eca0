export { briefOf, briefPath, saveBrief } from './briefEdits';
export { saveBuying, saveReceipt, saveWeights, tickItem } from './buyingEdits';
export { chooseEquipment, placeByHand, saveDay } from './dayEdits';
export type { Edit, EditFacts } from './edit';
export { loosenRule, markStep, saveKitchen, saveLeftover, savePrep, signCards, tightenRule } from './kitchenEdits';
export { libraryFor, planInputFor, weighedIn } from './planInputFor';
export type { DocumentFacts, WeighedPiece } from './planInputFor';
