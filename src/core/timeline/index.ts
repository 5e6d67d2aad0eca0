export { layoutTimeline, xAt } from './layout';
export type { Bar, Phase, TimelineLayout } from './layout';
