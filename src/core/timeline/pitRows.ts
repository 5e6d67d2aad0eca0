import type { Pit, Run } from '../model';
import { floorMm2, floorOf } from '../packing';
import { addMinutes } from '../units';
import { labelledIn } from './labels';
import { BAR_PX, GAP_PX, LANE_PX, lanesOf } from './lanes';
import type { Bar, Opening, Phase, PitRow, RackRow, Segment, TimelineInput } from './drawing';
import { xAt, type Scale } from './scale';

const LINE_PX = 21;
const IDLE_PX = 16;

/** A pit with its fires, openings and racks. */
export function pitRow(input: TimelineInput, scale: Scale, pit: Pit, y: number): PitRow {
  const firings = input.plan.firings.filter((firing) => firing.pitId === pit.id);
  let rackY = y + LINE_PX;
  const racks = alike(input, pit).map((rackIds) => {
    const row = rackRow(input, scale, pit, rackIds, rackY);
    rackY += row.height;
    return row;
  });
  const height = racks.length > 0 ? rackY - y : firings.length > 0 ? LINE_PX + GAP_PX : IDLE_PX;
  return {
    pitId: pit.id,
    y,
    height,
    lineY: y + LINE_PX - 6,
    setPoints: firings.flatMap((firing) =>
      firing.setPoints.map((point, i) => ({
        x0: xAt(scale, point.atMs),
        x1: xAt(scale, firing.setPoints[i + 1]?.atMs ?? firing.offAtMs),
        pitC: point.pitC,
      })),
    ),
    coals: coalsOf(input, scale, pit),
    openings: openingsOf(input, scale, pit),
    lighting: firings.map((firing) => ({ x0: xAt(scale, firing.lightAtMs), x1: xAt(scale, firing.readyAtMs) })),
    racks,
    idleRacks: pit.racks.length - racks.reduce((sum, row) => sum + row.rackIds.length, 0),
  };
}

const MIN_HOT_PX = 5;

/** Just before it is pulled, wide enough to be seen. */
function hotSpan(scale: Scale, pullAtMs: number, minutes: number): Bar['hot'] {
  const x1 = xAt(scale, pullAtMs);
  return { x0: Math.min(x1 - MIN_HOT_PX, xAt(scale, addMinutes(pullAtMs, -minutes))), x1 };
}

/** From the first piece that may be finished hot to the last; runs that share the coals share the stretch. */
function coalsOf({ plan }: TimelineInput, scale: Scale, pit: Pit): PitRow['coals'] {
  const spans: { fromMs: number; toMs: number; pitC: number }[] = [];
  const hot = plan.runs
    .filter((run) => run.hotFinish && (run.legs.find((leg) => leg.toMs >= run.pullLateMs)?.pitId ?? run.pitId) === pit.id)
    .sort((a, b) => a.pullEarlyMs - b.pullEarlyMs);
  for (const { hotFinish, pullEarlyMs, pullLateMs } of hot) {
    const { pitC, minutes } = hotFinish!;
    const last = spans.at(-1);
    const fromMs = addMinutes(pullEarlyMs, -minutes);
    if (last && last.pitC === pitC && fromMs <= last.toMs) last.toMs = Math.max(last.toMs, pullLateMs);
    else spans.push({ fromMs, toMs: pullLateMs, pitC });
  }
  return spans.map(({ fromMs, toMs, pitC }) => ({ x0: xAt(scale, fromMs), x1: xAt(scale, toMs), pitC }));
}

/** One tick for each lifting of the lid, whatever is done at it. */
function openingsOf({ plan }: TimelineInput, scale: Scale, pit: Pit): Opening[] {
  const openings = new Map<string, Opening>();
  for (const { id, kind, runId, opening, atMs, pitId } of plan.tasks) {
    if (pitId !== pit.id || !opening) continue;
    const batchId = plan.runs.find((run) => run.id === runId)?.batchId;
    const known = openings.get(opening);
    if (known) known.tasks.push({ id, kind, batchId });
    else openings.set(opening, { x: xAt(scale, atMs), atMs, tasks: [{ id, kind, batchId }] });
  }
  return [...openings.values()];
}

const legsOn = ({ plan }: TimelineInput, pit: Pit, rackId: string) =>
  plan.runs
    .flatMap((run) => run.legs.filter((leg) => leg.rackId === rackId && leg.pitId === pit.id).map((leg) => ({ run, leg })))
    .sort((a, b) => a.leg.fromMs - b.leg.fromMs);

/** What goes back on there in pans. */
const backOn = ({ plan }: TimelineInput, pit: Pit, rackId: string) =>
  (plan.backOn ?? []).flatMap(({ name, legs }) =>
    legs.filter((leg) => leg.rackId === rackId && leg.pitId === pit.id).map((leg) => ({ name, leg })),
  );

/** The racks in use from the top down; those that hold the same runs from when to when stand together. */
function alike(input: TimelineInput, pit: Pit): string[][] {
  const groups = new Map<string, string[]>();
  for (const rack of [...pit.racks].sort((a, b) => b.level - a.level)) {
    const legs = legsOn(input, pit, rack.id);
    const back = backOn(input, pit, rack.id);
    if (legs.length === 0 && back.length === 0) continue;
    const key = JSON.stringify([...legs.map(({ run, leg }) => [run.id, leg.fromMs, leg.toMs]), ...back.map(({ leg }) => leg.rackId)]);
    groups.set(key, [...(groups.get(key) ?? []), rack.id]);
  }
  return [...groups.values()];
}

function rackRow(input: TimelineInput, scale: Scale, pit: Pit, rackIds: string[], y: number): RackRow {
  const racks = rackIds.map((id) => pit.racks.find((each) => each.id === id)!);
  const [rack] = racks as [Pit['racks'][number]];
  const legs = legsOn(input, pit, rack.id).map(({ run, leg }) => ({
    run,
    leg,
    count: run.legs
      .filter((each) => rackIds.includes(each.rackId) && each.pitId === pit.id && each.fromMs === leg.fromMs)
      .reduce((sum, each) => sum + each.pieceIds.length, 0),
  }));
  const back = backOn(input, pit, rack.id);
  const spans = [...legs, ...back].map(({ leg }) => ({ x0: xAt(scale, leg.fromMs), x1: xAt(scale, leg.toMs) }));
  const lanes = lanesOf(spans);
  const height = (Math.max(0, ...lanes) + 1) * LANE_PX + GAP_PX;
  const bars = legs.map(({ run, leg, count }, i) => ({ ...legBar(scale, run, leg, y + lanes[i]! * LANE_PX), count }));
  const pans = back.map(({ name, leg }, i) => ({
    ...spans[legs.length + i]!,
    name,
    y: y + lanes[legs.length + i]! * LANE_PX,
    height: BAR_PX,
    fromMs: leg.fromMs,
    toMs: leg.toMs,
  }));
  const edges = [...new Set([...legs, ...back].flatMap(({ leg }) => [leg.fromMs, leg.toMs]))].sort((a, b) => a - b);
  const areaMm2 = floorMm2(floorOf(rack), rack.blocked);
  const fill = [];
  let fullShare = 0;
  let fullAtMs: number | undefined;
  for (let i = 0; i + 1 < edges.length; i++) {
    const atMs = edges[i]!;
    const share =
      [...legs, ...back].reduce((sum, { leg }) => (leg.fromMs <= atMs && leg.toMs > atMs ? sum + leg.areaMm2 : sum), 0) / areaMm2;
    if (share > 0) fill.push({ x0: xAt(scale, atMs), x1: xAt(scale, edges[i + 1]!), share });
    if (share > fullShare) {
      fullShare = share;
      fullAtMs = atMs;
    }
  }
  const name = racks.length === 1 ? rack.name : `${racks.length} racks`;
  return { rackIds, name, y, height, fullShare, fullAtMs, fill, bars: labelledIn(input, scale, bars), pans };
}

function legBar(scale: Scale, run: Run, leg: Run['legs'][number], y: number): Bar {
  const clip = (fromMs: number, toMs: number, phase: Phase): Segment[] => {
    const from = Math.max(fromMs, leg.fromMs);
    const to = Math.min(toMs, leg.toMs);
    return to > from ? [{ phase, x0: xAt(scale, from), x1: xAt(scale, to) }] : [];
  };
  const segments = [
    ...clip(run.onAtMs, run.wrapAtMs ?? run.pullLateMs, 'bare'),
    ...(run.wrapAtMs !== undefined ? clip(run.wrapAtMs, run.unwrapAtMs ?? run.pullLateMs, 'wrapped') : []),
    ...(run.unwrapAtMs !== undefined ? clip(run.unwrapAtMs, run.pullLateMs, 'bare') : []),
  ];
  const ends = leg.toMs >= run.pullLateMs;
  const inLeg = (atMs: number | undefined): atMs is number => atMs !== undefined && atMs >= leg.fromMs && atMs < leg.toMs;
  return {
    runId: run.id,
    batchId: run.batchId,
    count: leg.pieceIds.length,
    y,
    height: BAR_PX,
    x0: xAt(scale, leg.fromMs),
    x1: xAt(scale, leg.toMs),
    segments,
    fade: ends ? { x0: xAt(scale, Math.max(run.pullEarlyMs, leg.fromMs)), x1: xAt(scale, run.pullLateMs) } : undefined,
    ...(ends && run.hotFinish && { hot: hotSpan(scale, run.pullMedianMs, run.hotFinish.minutes) }),
    ticks: [run.wrapAtMs, run.unwrapAtMs, run.pullEarlyMs].filter(inLeg).map((atMs) => xAt(scale, atMs)),
  };
}
