export type { House } from './house';
export { chooseEquipment, createEvent, deleteEvent, duplicateEvent, moveServing, renameEvent, restoreEvent } from './events';
export { bringBoxBack, bringPitBack, keepBox, keepPit, putBoxAway, putPitAway } from './equipment';
export { keepCut, keepMethod, readLibrary, restoreEntry } from './library';
export { planEvent } from './planEvent';
export { listEquipment, listEvents } from './reading';
export { saveBrief } from './saveBrief';
