'use client';
import { useRef } from 'react';
import type { Plan } from '../../core/model';
import type { Bar } from '../../core/timeline';
import { clockTime } from '../../formats/clock';
import { formatMinutes } from '../../formats/units';
import { batchName, type MessageContext } from '../../formats/messages/names';
import { phaseFill } from './patterns';

/** A run is dragged only once the pointer has gone this far: a click may tremble. */
const TREMBLE_PX = 4;

export interface BarDrag {
  runId: string;
  dx: number;
  /** Height of the pointer in the drawing. */
  y: number;
}

interface RunBarProps {
  bar: Bar;
  messageContext: MessageContext;
  plan: Plan;
  selected: boolean;
  countAll: boolean;
  onSelect(runId: string): void;
  /** Told while it is dragged, and once more when it is let go. Holds are not dragged: they follow. */
  onDrag?(drag: BarDrag, letGo: boolean): void;
  pinned?: boolean;
}

export function RunBar({ bar, messageContext, plan, selected, countAll, onSelect, onDrag, pinned = false }: RunBarProps) {
  const grabbed = useRef<{ x: number; moved: boolean }>(undefined);
  const run = plan.runs.find((each) => each.id === bar.runId)!;
  const { timeZone } = messageContext.event;
  const clock = messageContext.units.clock;
  const name = `${batchName(messageContext, bar.batchId)} ${bar.count}`;
  const width = bar.x1 - bar.x0;
  const says = countAll
    ? `${name}, held or resting until carving at ${clockTime(run.carveAtMs, timeZone, clock)}`
    : `${name}, on at ${clockTime(run.onAtMs, timeZone, clock)}, done between ${clockTime(run.pullEarlyMs, timeZone, clock)} and ${clockTime(run.pullLateMs, timeZone, clock)}${run.hotFinish ? `, each finished hot for ${formatMinutes(run.hotFinish.minutes)}` : ''}`;
  const select = () => onSelect(bar.runId);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={says}
      aria-pressed={selected}
      className={`${onDrag ? 'cursor-grab touch-none' : 'cursor-pointer'} outline-offset-2`}
      data-run={countAll ? undefined : bar.runId}
      onPointerDown={(down) => {
        if (!onDrag || down.button !== 0) return;
        grabbed.current = { x: down.clientX, moved: false };
        down.currentTarget.setPointerCapture(down.pointerId);
      }}
      onPointerMove={(move) => {
        const grab = grabbed.current;
        if (!grab) return;
        const dx = move.clientX - grab.x;
        if (!grab.moved && Math.abs(dx) < TREMBLE_PX) return;
        grab.moved = true;
        onDrag!({ runId: bar.runId, dx, y: heightIn(move) }, false);
      }}
      onPointerUp={(up) => {
        const grab = grabbed.current;
        grabbed.current = undefined;
        if (grab?.moved) onDrag!({ runId: bar.runId, dx: up.clientX - grab.x, y: heightIn(up) }, true);
      }}
      onPointerCancel={() => (grabbed.current = undefined)}
      onClick={(click) => {
        click.stopPropagation();
        select();
      }}
      onKeyDown={(press) => {
        if (press.key === 'Enter' || press.key === ' ') {
          press.preventDefault();
          select();
        }
      }}
    >
      <title>{says}</title>
      {bar.segments.map((segment) => (
        <rect
          key={segment.x0}
          x={segment.x0}
          y={bar.y}
          width={Math.max(1, segment.x1 - segment.x0)}
          height={bar.height}
          fill={phaseFill(segment.phase)}
          stroke={segment.phase === 'holdMaybe' || segment.phase === 'holdSure' || segment.phase === 'vent' ? 'var(--hold)' : 'none'}
          strokeDasharray={segment.phase === 'holdMaybe' ? '3 2' : undefined}
          opacity={segment.phase === 'holdMaybe' ? 0.75 : 1}
        />
      ))}
      {bar.fade && (
        <rect
          x={bar.fade.x0}
          y={bar.y - 0.5}
          width={Math.max(0, bar.fade.x1 - bar.fade.x0)}
          height={bar.height + 1}
          fill="url(#finish-fade)"
        />
      )}
      {bar.hot && <rect x={bar.hot.x0} y={bar.y} width={bar.hot.x1 - bar.hot.x0} height={bar.height} fill="url(#phase-hot)" />}
      {bar.ticks.map((x) => (
        <line key={x} x1={x} x2={x} y1={bar.y - 3} y2={bar.y + bar.height} stroke="var(--ink)" strokeWidth={1.5} />
      ))}
      {selected && (
        <rect
          x={bar.x0 - 2}
          y={bar.y - 2}
          width={width + 4}
          height={bar.height + 4}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
          rx={2}
        />
      )}
      {pinned && <path d={`M${bar.x0 - 1} ${bar.y - 5}h8l-4 8z`} fill="var(--ember)" aria-hidden />}
    </g>
  );
}

/** A name inside its bar stands on a dark ground, one beside it on the paper. */
export function BarName({ bar: { label, y, height } }: { bar: Bar }) {
  if (!label) return null;
  return (
    <g pointerEvents="none" aria-hidden>
      {label.inside && <rect x={label.x0} y={y + 1} width={label.widthPx} height={height - 2} rx={2} fill="var(--chip)" />}
      <text x={label.x0 + 4} y={y + height - 3.5} className="text-[11px] font-bold" fill={label.inside ? 'var(--on-chip)' : 'var(--ink)'}>
        {label.text}
      </text>
    </g>
  );
}

const heightIn = (event: React.PointerEvent<SVGGElement>) =>
  event.clientY - event.currentTarget.ownerSVGElement!.getBoundingClientRect().top;
