'use client';
import { useMemo, useState } from 'react';
import type { Plan, Shift } from '../../core/model';
import { draggedMin, layoutTimeline, pitAtY, timeAt, xAt } from '../../core/timeline';
import { clockTime, startOfHour } from '../../formats/clock';
import { formatShare } from '../../formats/units';
import { barNames } from '../../formats/messages/barNames';
import { gearName, type MessageContext } from '../../formats/messages/names';
import { Ghosts, type Ghost } from './Ghosts';
import { PhasePatterns } from './patterns';
import { PitFire } from './PitFire';
import { BarName, RunBar, type BarDrag } from './RunBar.client';
import { People, Roads } from './People';
import { HandsUnnamed, Nights, Pans, QuietHours, Rulers, ServingFlags, ServingLines } from './TimelineParts';

const LEFT_PX = 128;

interface TimelineProps {
  messageContext: MessageContext;
  plan: Plan;
  widthPx: number;
  nowMs: number;
  selectedId?: string;
  onSelect(runId: string | undefined): void;
  quiet: readonly Shift[];
  /** The moment whose racks are shown. */
  scrubMs: number;
  onScrub(atMs: number): void;
  /** Where another plan has runs that this one has not there and then, drawn as outlines. */
  ghosts?: readonly Ghost[];
  /** A run taken elsewhere: told while it moves, and once more when it is let go. */
  onDrag?(drag: { runId: string; byMin: number; pitId: string }, letGo: boolean): void;
}

/** Runs are dragged in steps of this. */
const DRAG_STEP_MIN = 5;

/** Places over time, running right to the serving line. Only draws and passes on clicks; the geometry is in core/timeline. */
export function Timeline({
  messageContext,
  plan,
  widthPx,
  nowMs,
  selectedId,
  onSelect,
  quiet,
  scrubMs,
  onScrub,
  ghosts = [],
  onDrag,
}: TimelineProps) {
  const [dragged, setDragged] = useState<BarDrag>();
  const { event, pits, boxes, warmers, units } = messageContext;
  const zone = event.timeZone;
  const layout = useMemo(
    () =>
      layoutTimeline({
        plan,
        servings: event.servings,
        pits,
        gear: [...boxes, ...(warmers ?? [])],
        widthPx,
        leftPx: LEFT_PX,
        namesOf: (batchId, count) => barNames(messageContext, batchId, count),
        hourMs: startOfHour(event.servings.at(-1)!.atMs, zone),
      }),
    [plan, event.servings, pits, boxes, warmers, widthPx, zone, messageContext],
  );
  const { scale, heightPx } = layout;
  const bodyBottom = heightPx - 2;
  const inView = nowMs > scale.fromMs && nowMs < scale.toMs;
  const drag = (at: BarDrag, letGo: boolean) => {
    const run = plan.runs.find((each) => each.id === at.runId)!;
    setDragged(letGo ? undefined : at);
    const byMin = draggedMin(scale, at.dx, DRAG_STEP_MIN);
    const pitId = pitAtY(layout, at.y) ?? run.pitId;
    if (!letGo || byMin !== 0 || pitId !== run.pitId) onDrag?.({ runId: at.runId, byMin, pitId }, letGo);
  };
  const scrubTo = (event: React.PointerEvent<SVGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect() ?? event.currentTarget.getBoundingClientRect();
    onScrub(Math.min(scale.toMs, Math.max(scale.fromMs, timeAt(scale, event.clientX - box.left))));
  };
  const scrubX = xAt(scale, scrubMs);
  return (
    <svg
      width={widthPx}
      height={heightPx}
      role="group"
      aria-label="The plan: places over time, up to the serving line"
      className="block select-none"
      onClick={() => onSelect(undefined)}
    >
      <PhasePatterns />
      <Nights layout={layout} zone={zone} bottom={bodyBottom} />
      <QuietHours layout={layout} quiet={quiet} />
      <Rulers layout={layout} messageContext={messageContext} bottom={bodyBottom} />
      <ServingLines layout={layout} bottom={bodyBottom} />
      {layout.pits.map((row) => {
        const pit = pits.find((each) => each.id === row.pitId)!;
        return (
          <g key={row.pitId}>
            <line x1={0} x2={widthPx} y1={row.y} y2={row.y} stroke="var(--line)" />
            <text
              x={12}
              y={row.y + (row.height > 18 ? 15 : 12)}
              className="text-[12.5px] font-bold"
              fill={row.racks.length === 0 ? 'var(--soft)' : 'var(--ink)'}
            >
              {pit.name}
              {row.racks.length === 0 && <tspan className="text-[11px] font-normal"> not used</tspan>}
            </text>
            {row.racks.map((rack) => (
              <g key={rack.rackIds.join()}>
                <text x={12} y={rack.y + 11} className="text-[11px]" fill="var(--soft)">
                  {rack.name.slice(0, 14)}
                </text>
                {rack.fullAtMs !== undefined && (
                  <text
                    x={LEFT_PX - 6}
                    y={rack.y + 11}
                    textAnchor="end"
                    className="figures text-[11px]"
                    fill={rack.fullShare > 1 ? 'var(--bad)' : 'var(--soft)'}
                  >
                    {formatShare(rack.fullShare)}
                    <title>{`${formatShare(rack.fullShare)} full at ${clockTime(rack.fullAtMs, zone, units.clock)}`}</title>
                  </text>
                )}
                {rack.fill.map((step) => (
                  <rect
                    key={step.x0}
                    x={step.x0}
                    width={step.x1 - step.x0}
                    y={rack.y + (rack.height - 4) * (1 - Math.min(1, step.share))}
                    height={(rack.height - 4) * Math.min(1, step.share)}
                    fill={step.share > 1 ? 'var(--bad)' : 'var(--fill)'}
                  />
                ))}
                {rack.bars.map((bar) => (
                  <RunBar
                    key={`${bar.runId}-${bar.x0}`}
                    bar={bar}
                    messageContext={messageContext}
                    plan={plan}
                    selected={bar.runId === selectedId}
                    onSelect={onSelect}
                    countAll={false}
                    onDrag={onDrag && drag}
                    pinned={plan.runs.find((run) => run.id === bar.runId)?.pinned}
                  />
                ))}
                {rack.pans.map((pan) => (
                  <Pans key={`${pan.name}-${pan.x0}`} pan={pan} messageContext={messageContext} />
                ))}
                {rack.bars.map((bar) => (
                  <BarName key={`${bar.runId}-${bar.x0}`} bar={bar} />
                ))}
                <Ghosts
                  scale={scale}
                  messageContext={messageContext}
                  row={rack}
                  ghosts={ghosts.filter((leg) => leg.pitId === row.pitId && rack.rackIds.includes(leg.rackId))}
                />
                {rack.bars
                  .filter((bar) => bar.runId === dragged?.runId)
                  .map((bar) => (
                    <rect
                      key={`drag-${bar.x0}`}
                      x={bar.x0 + dragged!.dx}
                      width={bar.x1 - bar.x0}
                      y={bar.y}
                      height={bar.height}
                      fill="var(--ember)"
                      opacity={0.35}
                      stroke="var(--ember)"
                      pointerEvents="none"
                    />
                  ))}
              </g>
            ))}
            <PitFire row={row} lines={layout.servings.map((serving) => serving.x)} messageContext={messageContext} />
          </g>
        );
      })}
      {layout.holds.map((row, i) => (
        <g key={row.gearId}>
          {i === 0 && <line x1={0} x2={widthPx} y1={row.y - 4} y2={row.y - 4} stroke="var(--line)" />}
          <text x={12} y={row.y + 11} className="text-[11.5px]" fill="var(--soft)">
            <tspan className="font-bold" fill="var(--ink)">
              {i === 0 ? 'Hold ' : ''}
            </tspan>
            {(row.gearId === 'board' ? 'board, tented' : gearName(messageContext, row.gearId).toLowerCase()).slice(0, i === 0 ? 15 : 20)}
          </text>
          {row.bars.map((bar) => (
            <RunBar
              key={bar.runId}
              bar={bar}
              messageContext={messageContext}
              plan={plan}
              selected={bar.runId === selectedId}
              onSelect={onSelect}
              countAll
            />
          ))}
        </g>
      ))}
      {layout.holds
        .flatMap((row) => row.bars)
        .map((bar) => (
          <BarName key={`${bar.runId}-${bar.y}`} bar={bar} />
        ))}
      <Roads layout={layout} messageContext={messageContext} plan={plan} widthPx={widthPx} />
      <People layout={layout} messageContext={messageContext} plan={plan} widthPx={widthPx} />
      <HandsUnnamed layout={layout} widthPx={widthPx} />
      {inView && (
        <g>
          <line
            x1={xAt(scale, nowMs)}
            x2={xAt(scale, nowMs)}
            y1={38}
            y2={bodyBottom}
            stroke="var(--ember)"
            strokeDasharray="4 3"
            strokeWidth={1.5}
          />
          <path d={`M${xAt(scale, nowMs) - 6} 36h12l-6 8z`} fill="var(--ember)" />
        </g>
      )}
      <ServingFlags layout={layout} messageContext={messageContext} />
      <rect
        x={scale.leftPx}
        width={scale.rightPx - scale.leftPx}
        y={0}
        height={38}
        fill="transparent"
        className="cursor-ew-resize touch-none print:hidden"
        onClick={(click) => click.stopPropagation()}
        onPointerDown={(down) => {
          down.currentTarget.setPointerCapture(down.pointerId);
          scrubTo(down);
        }}
        onPointerMove={(move) => move.buttons === 1 && scrubTo(move)}
      />
      <g pointerEvents="none" className="print:hidden">
        <line x1={scrubX} x2={scrubX} y1={4} y2={bodyBottom} stroke="var(--ember)" strokeWidth={2} />
        <path d={`M${scrubX - 7} 0h14v7l-7 8l-7 -8z`} fill="var(--ember)" />
      </g>
    </svg>
  );
}
