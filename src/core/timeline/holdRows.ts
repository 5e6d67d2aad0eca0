import type { Run } from '../model';
import { addMinutes } from '../units';
import { labelledIn } from './labels';
import { BAR_PX, LANE_PX, lanesOf } from './lanes';
import type { Bar, HoldRow, Phase, Segment, TimelineInput } from './drawing';
import { xAt, type Scale } from './scale';

/** A piece of holding gear, or the board, with what it holds: the runs of a batch as one. */
export function holdRow(input: TimelineInput, scale: Scale, gearId: string, y: number): HoldRow {
  const segmentsOf = gearId === 'board' ? boardSegments : boxSegments;
  const held = input.plan.runs.flatMap((run) => inThis(run, gearId));
  const spans = [...new Set(held.map((run) => run.batchId))]
    .map((batchId) => {
      const runs = held.filter((run) => run.batchId === batchId);
      const segments = segmentsOf(scale, together(runs));
      const x1 = segments.at(-1)?.x1 ?? xAt(scale, runs[0]!.carveAtMs);
      return { runs, segments, x0: segments[0]?.x0 ?? x1, x1 };
    })
    .sort((a, b) => a.x0 - b.x0);
  const lanes = lanesOf(spans);
  const bars: Bar[] = spans.map(({ runs, segments, x0, x1 }, i) => ({
    runId: runs[0]!.id,
    batchId: runs[0]!.batchId,
    count: runs.reduce((sum, run) => sum + run.pieceIds.length, 0),
    y: y + lanes[i]! * LANE_PX,
    height: BAR_PX,
    x0,
    x1,
    segments,
    ticks: [],
  }));
  return { gearId, y, height: (Math.max(0, ...lanes) + 1) * LANE_PX, bars: labelledIn(input, scale, bars) };
}

/** A run as far as this gear holds it: before it is boxed for the ride, or from then on. */
function inThis(run: Run, gearId: string): Run[] {
  const { first } = run.hold;
  if (first?.gearId === gearId) return [{ ...run, hold: { ...run.hold, toMs: first.untilMs } }];
  if (run.hold.gearId !== gearId) return [];
  return first ? [{ ...run, hold: { ...run.hold, fromEarlyMs: first.untilMs, fromLateMs: first.untilMs } }] : [run];
}

/** From the first that may need it until the last is carved. */
function together(runs: readonly Run[]): Run {
  const [first] = runs;
  return {
    ...first!,
    pullMedianMs: Math.min(...runs.map((run) => run.pullMedianMs)),
    carveAtMs: Math.max(...runs.map((run) => run.carveAtMs)),
    hold: {
      ...first!.hold,
      fromEarlyMs: Math.min(...runs.map((run) => run.hold.fromEarlyMs)),
      fromLateMs: Math.max(...runs.map((run) => run.hold.fromLateMs)),
      toMs: Math.max(...runs.map((run) => run.hold.toMs)),
    },
  };
}

const segment = (scale: Scale, fromMs: number, toMs: number, phase: Phase): Segment[] =>
  toMs > fromMs ? [{ phase, x0: xAt(scale, fromMs), x1: xAt(scale, toMs) }] : [];

/** In a box the whole elastic hold is drawn: from the earliest it may be needed to carving. */
function boxSegments(scale: Scale, { hold }: Run): Segment[] {
  const sureMs = Math.min(hold.fromLateMs, hold.toMs);
  return [...segment(scale, hold.fromEarlyMs, sureMs, 'holdMaybe'), ...segment(scale, sureMs, hold.toMs, 'holdSure')];
}

/** On the board: the vent after the expected pull, then the rest and the wait. */
function boardSegments(scale: Scale, run: Run): Segment[] {
  const ventEndMs = addMinutes(run.pullMedianMs, run.ventMin);
  return [...segment(scale, run.pullMedianMs, ventEndMs, 'vent'), ...segment(scale, ventEndMs, run.carveAtMs, 'rest')];
}
