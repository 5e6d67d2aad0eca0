export { layoutTimeline, pitAtY } from './layout';
export { draggedMin, timeAt, xAt } from './scale';
export type { Bar, Opening, Phase, TimelineLayout } from './drawing';
