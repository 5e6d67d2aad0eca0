export { layoutTimeline, pitAtY } from './layout';
export { draggedMin, timeAt, xAt } from './scale';
export type { Bar, Phase, RackRow, TimelineLayout } from './drawing';
