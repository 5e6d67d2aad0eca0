export { layoutTimeline, pitAtY } from './layout';
export { draggedMin, timeAt, xAt } from './scale';
export type { Bar, Phase, TimelineLayout } from './drawing';
