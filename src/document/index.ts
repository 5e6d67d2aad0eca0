export { briefOf, briefPath, saveBrief } from './briefEdits';
export { saveBuying, saveReceipt, saveWeights, tickItem } from './buyingEdits';
export { chooseEquipment, placeByHand, saveDay } from './dayEdits';
export type { Edit } from './edit';
export { loosenRule, markStep, saveKitchen, saveLeftover, savePrep, signCards, tightenRule } from './kitchenEdits';
export { libraryFor, planInputFor } from './planInputFor';
export type { DocumentFacts } from './planInputFor';
