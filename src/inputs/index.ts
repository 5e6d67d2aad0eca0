export { check } from './check';
export { BriefInput } from './brief';
export type { BatchInput, ServingInput, SideInput } from './brief';
export { ChooseEquipmentInput, CopyEquipmentInput, CreateEventInput, DayInput, EventIdInput, LayInput, RenameEventInput } from './events';
export { BoxInput, CrewInput, EquipmentIdInput, GearIdInput, PitInput, ProbeInput, SetIdInput, WarmerInput } from './equipment';
export { FaceInput, ImportInput, PinInput, PlanFaceInput, PlanFileInput, SchemeInput } from './planFace';
export { CutInput, LibraryIdInput, MethodInput, RecipeInput } from './library';
export {
  BuyingInput,
  CURRENCIES,
  KitchenInput,
  LeftoverInput,
  LoosenInput,
  PieceWeightsInput,
  PrepInput,
  ReceiptInput,
  StepDoneInput,
  TickInput,
  TightenInput,
  WeightsInput,
} from './kitchen';
