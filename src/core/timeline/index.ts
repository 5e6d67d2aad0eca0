export { draggedMin, layoutTimeline, pitAtY, timeAt, xAt } from './layout';
export type { Bar, Phase, TimelineLayout } from './layout';
