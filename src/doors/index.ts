export { check } from './check';
export { BriefInput } from './brief';
export type { BatchInput, ServingInput } from './brief';
export { ChooseEquipmentInput, CreateEventInput, EventIdInput, MoveServingInput, RenameEventInput } from './events';
export { BoxInput, EquipmentIdInput, PitInput } from './equipment';
export type { RackInput } from './equipment';
export { CutInput, LibraryIdInput, MethodInput } from './library';
