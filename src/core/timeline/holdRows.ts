import type { Run } from '../model';
import { addMinutes } from '../units';
import { BAR_PX, LANE_PX, lanesOf, named } from './lanes';
import type { Bar, HoldRow, Phase, Segment, TimelineInput } from './drawing';
import { xAt, type Scale } from './scale';

/** A piece of holding gear, or the board, with what it holds. */
export function holdRow(input: TimelineInput, scale: Scale, gearId: string, y: number): HoldRow {
  const segmentsOf = gearId === 'board' ? boardSegments : boxSegments;
  const spans = input.plan.runs
    .filter((run) => gearId === 'board' || run.hold.gearId === gearId)
    .map((run) => {
      const segments = segmentsOf(scale, run);
      const x1 = segments.at(-1)?.x1 ?? xAt(scale, run.carveAtMs);
      return { run, segments, x0: segments[0]?.x0 ?? x1, x1 };
    })
    .sort((a, b) => a.x0 - b.x0);
  const lanes = lanesOf(spans.map(named));
  const bars: Bar[] = spans.map(({ run, segments, x0, x1 }, i) => ({
    runId: run.id,
    batchId: run.batchId,
    count: run.pieceIds.length,
    y: y + lanes[i]! * LANE_PX,
    height: BAR_PX,
    x0,
    x1,
    segments,
    ticks: [],
  }));
  return { gearId, y, height: (Math.max(0, ...lanes) + 1) * LANE_PX, bars };
}

const segment = (scale: Scale, fromMs: number, toMs: number, phase: Phase): Segment[] =>
  toMs > fromMs ? [{ phase, x0: xAt(scale, fromMs), x1: xAt(scale, toMs) }] : [];

/** In a box the whole elastic hold is drawn: from the earliest it may be needed to carving. */
function boxSegments(scale: Scale, { hold }: Run): Segment[] {
  const sureMs = Math.min(hold.fromLateMs, hold.toMs);
  return [...segment(scale, hold.fromEarlyMs, sureMs, 'holdMaybe'), ...segment(scale, sureMs, hold.toMs, 'holdSure')];
}

/** On the board: the vent after the expected pull, and the rest and wait of what needs no box. */
function boardSegments(scale: Scale, run: Run): Segment[] {
  const ventEndMs = addMinutes(run.pullMedianMs, run.ventMin);
  const restEndMs = run.hold.gearId === 'board' ? run.carveAtMs : ventEndMs;
  return [...segment(scale, run.pullMedianMs, ventEndMs, 'vent'), ...segment(scale, ventEndMs, restEndMs, 'rest')];
}
