export { layoutTimeline, xAt } from './layout';
export type { Bar, HandsRow, HoldRow, Phase, PitRow, RackRow, Scale, Segment, TimelineLayout } from './layout';
