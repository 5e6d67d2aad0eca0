/** Every form of an event's stages. */
export const FORM_NAMES = [
  'saveWeights',
  'saveBuying',
  'saveReceipt',
  'tickItem',
  'saveKitchen',
  'savePrep',
  'markStep',
  'saveLeftover',
  'signCards',
  'loosenRule',
  'tightenRule',
  'chooseEquipment',
  'saveDay',
  'placeByHand',
  'saveBrief',
] as const;
export type FormName = (typeof FORM_NAMES)[number];
