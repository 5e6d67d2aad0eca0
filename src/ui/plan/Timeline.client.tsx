'use client';
import { useMemo } from 'react';
import type { Plan } from '../../core/model';
import { layoutTimeline, xAt, type Bar, type TimelineLayout } from '../../core/timeline';
import { clockOnDay, clockTime, shortDay, startOfHour } from '../../formats/clock';
import { formatMinutes, formatShare, formatTemp } from '../../formats/units';
import { batchName, gearName, type Speech } from '../../formats/names';
import { phaseFill, PhasePatterns } from './patterns';

const LEFT_PX = 128;

interface TimelineProps {
  speech: Speech;
  plan: Plan;
  widthPx: number;
  nowMs: number;
  selectedId?: string;
  onSelect(runId: string | undefined): void;
}

/** Places over time, running right to the serving line. Only draws and passes on clicks; the geometry is in core/timeline. */
export function Timeline({ speech, plan, widthPx, nowMs, selectedId, onSelect }: TimelineProps) {
  const { event, pits, boxes, warmers, units } = speech;
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
        hourMs: startOfHour(event.servings.at(-1)!.atMs, zone),
      }),
    [plan, event.servings, pits, boxes, warmers, widthPx, zone],
  );
  const { scale, heightPx } = layout;
  const bodyBottom = heightPx - 2;
  const inView = nowMs > scale.fromMs && nowMs < scale.toMs;
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
      <Rulers layout={layout} speech={speech} bottom={bodyBottom} />
      {layout.pits.map((row) => {
        const pit = pits.find((each) => each.id === row.pitId)!;
        return (
          <g key={row.pitId}>
            <line x1={0} x2={widthPx} y1={row.y} y2={row.y} stroke="var(--line)" />
            <text x={12} y={row.y + 20} className="text-[13px] font-bold" fill="var(--ink)">
              {pit.name}
            </text>
            {row.racks.length === 0 && (
              <text x={12} y={row.y + 38} className="text-[11.5px]" fill="var(--soft)">
                not used
              </text>
            )}
            {row.racks.map((rack) => (
              <g key={rack.rackId}>
                <text x={12} y={rack.y + 12} className="text-[11.5px]" fill="var(--soft)">
                  {rack.name}
                </text>
                {rack.fullAtMs !== undefined && (
                  <text x={12} y={rack.y + 25} className="figures text-[11px]" fill={rack.fullShare > 1 ? 'var(--bad)' : 'var(--soft)'}>
                    {formatShare(rack.fullShare)} full at {clockTime(rack.fullAtMs, zone, units.clock)}
                  </text>
                )}
                {rack.fill.map((step) => (
                  <rect
                    key={step.x0}
                    x={step.x0}
                    width={step.x1 - step.x0}
                    y={rack.y + (rack.height - 6) * (1 - Math.min(1, step.share))}
                    height={(rack.height - 6) * Math.min(1, step.share)}
                    fill={step.share > 1 ? 'var(--bad)' : 'var(--fill)'}
                  />
                ))}
                {rack.bars.map((bar) => (
                  <RunBar
                    key={`${bar.runId}-${bar.x0}`}
                    bar={bar}
                    speech={speech}
                    plan={plan}
                    selected={bar.runId === selectedId}
                    onSelect={onSelect}
                    countAll={false}
                  />
                ))}
              </g>
            ))}
            {row.lighting.map((span) => (
              <line
                key={span.x0}
                x1={span.x0}
                x2={span.x1}
                y1={row.lineY}
                y2={row.lineY}
                stroke="var(--ember)"
                strokeWidth={2}
                strokeDasharray="2 3"
              />
            ))}
            {row.setPoints.map((point, i) => (
              <g key={point.x0}>
                {i > 0 && <line x1={point.x0} x2={point.x0} y1={row.lineY - 4} y2={row.lineY + 4} stroke="var(--ember)" strokeWidth={2} />}
                <line x1={point.x0} x2={point.x1} y1={row.lineY} y2={row.lineY} stroke="var(--ember)" strokeWidth={2} />
                <circle cx={point.x0} cy={row.lineY} r={3.5} fill="var(--ember)" />
                <text x={point.x0 + 6} y={row.lineY - 5} className="figures text-[11.5px] font-bold" fill="var(--ember-ink)">
                  {formatTemp(point.pitC, units)}
                </text>
              </g>
            ))}
          </g>
        );
      })}
      {layout.holds.map((row, i) => (
        <g key={row.gearId}>
          <line x1={0} x2={widthPx} y1={row.y - 7} y2={row.y - 7} stroke="var(--line)" />
          {i === 0 && (
            <text x={12} y={row.y + 13} className="text-[13px] font-bold" fill="var(--ink)">
              Holding
            </text>
          )}
          <text x={12} y={row.y + (i === 0 ? 29 : 14)} className="text-[11.5px]" fill="var(--soft)">
            {row.gearId === 'board' ? 'board, tented' : gearName(speech, row.gearId).toLowerCase()}
          </text>
          {row.bars.map((bar) => (
            <RunBar
              key={bar.runId}
              bar={bar}
              speech={speech}
              plan={plan}
              selected={bar.runId === selectedId}
              onSelect={onSelect}
              countAll
            />
          ))}
        </g>
      ))}
      <Hands layout={layout} widthPx={widthPx} />
      {inView && (
        <g>
          <line
            x1={xAt(scale, nowMs)}
            x2={xAt(scale, nowMs)}
            y1={40}
            y2={bodyBottom}
            stroke="var(--ember)"
            strokeDasharray="4 3"
            strokeWidth={1.5}
          />
          <path d={`M${xAt(scale, nowMs) - 6} 36h12l-6 8z`} fill="var(--ember)" />
        </g>
      )}
      <ServingLines layout={layout} speech={speech} bottom={bodyBottom} />
    </svg>
  );
}

/** Dark hours, by the place's clock. */
const NIGHT_FROM_H = 21;
const NIGHT_TO_H = 5;

function Nights({ layout, zone, bottom }: { layout: TimelineLayout; zone: string; bottom: number }) {
  const { scale } = layout;
  const nights = [];
  for (let day = -1; ; day++) {
    const fromMs = clockOnDay(scale.fromMs, zone, day, NIGHT_FROM_H);
    if (fromMs > scale.toMs) break;
    const x0 = Math.max(scale.leftPx, xAt(scale, fromMs));
    const x1 = Math.min(scale.rightPx, xAt(scale, clockOnDay(scale.fromMs, zone, day + 1, NIGHT_TO_H)));
    if (x1 > x0 + 4) nights.push({ x0, x1 });
  }
  return nights.map(({ x0, x1 }) => (
    <g key={x0}>
      <rect x={x0} width={x1 - x0} y={46} height={bottom - 46} fill="var(--shade)" />
      {x1 - x0 > 60 && (
        <text x={(x0 + x1) / 2} y={43} textAnchor="middle" className="text-[11px]" fill="var(--soft)">
          night
        </text>
      )}
    </g>
  ));
}

function Rulers({ layout, speech, bottom }: { layout: TimelineLayout; speech: Speech; bottom: number }) {
  const { event, units } = speech;
  const { scale } = layout;
  const last = layout.servings.at(-1)!;
  const lastName = event.servings.find((serving) => serving.id === last.id)!.name.toLowerCase();
  const days = layout.ticks.map((tick) => shortDay(tick.atMs, event.timeZone));
  return (
    <g>
      <text x={12} y={17} className="text-[12px]" fill="var(--soft)">
        clock
      </text>
      <text x={12} y={33} className="text-[11.5px]" fill="var(--soft)">
        before {lastName.slice(0, 14)}
      </text>
      {layout.ticks.map((tick, i) => {
        const showDay = days[i] !== days[i - 1];
        const label = clockTime(tick.atMs, event.timeZone, units.clock).replace(':00 ', ' ');
        const nearLine = layout.servings.some((serving) => Math.abs(serving.x - tick.x) < 3);
        return (
          <g key={tick.atMs}>
            <line x1={tick.x} x2={tick.x} y1={nearLine ? 46 : 40} y2={bottom} stroke="var(--line)" />
            <text x={tick.x} y={17} textAnchor="middle" className="figures text-[12.5px] font-bold" fill="var(--ink)">
              {showDay && tick.x > scale.leftPx + 24 ? `${days[i]!.slice(0, 3)} ${label}` : label}
            </text>
            <text x={tick.x} y={32} textAnchor="middle" className="figures text-[11px]" fill="var(--soft)">
              {tick.atMs === last.atMs ? 'serve' : `−${formatMinutes((last.atMs - tick.atMs) / 60_000)}`}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function ServingLines({ layout, speech, bottom }: { layout: TimelineLayout; speech: Speech; bottom: number }) {
  const { event, units } = speech;
  return layout.servings.map((serving) => {
    const name = `${event.servings.find((each) => each.id === serving.id)!.name} ${clockTime(serving.atMs, event.timeZone, units.clock)}`;
    const width = name.length * 6.3 + 12;
    return (
      <g key={serving.id} pointerEvents="none">
        <line x1={serving.x} x2={serving.x} y1={38} y2={bottom} stroke="var(--ink)" strokeWidth={3} />
        <rect x={serving.x - width} y={36} width={width} height={17} fill="var(--ink)" />
        <text x={serving.x - 6} y={48.5} textAnchor="end" className="text-[11.5px] font-bold" fill="var(--sheet)">
          {name}
        </text>
      </g>
    );
  });
}

interface RunBarProps {
  bar: Bar;
  speech: Speech;
  plan: Plan;
  selected: boolean;
  countAll: boolean;
  onSelect(runId: string): void;
}

function RunBar({ bar, speech, plan, selected, countAll, onSelect }: RunBarProps) {
  const run = plan.runs.find((each) => each.id === bar.runId)!;
  const { timeZone } = speech.event;
  const clock = speech.units.clock;
  const name = `${batchName(speech, bar.batchId)} ${bar.count}`;
  const chipPx = name.length * 5.9 + 9;
  const width = bar.x1 - bar.x0;
  const outside = chipPx > width - 4;
  const says = countAll
    ? `${name}, held or resting until carving at ${clockTime(run.carveAtMs, timeZone, clock)}`
    : `${name}, on at ${clockTime(run.onAtMs, timeZone, clock)}, done between ${clockTime(run.pullEarlyMs, timeZone, clock)} and ${clockTime(run.pullLateMs, timeZone, clock)}`;
  const select = () => onSelect(bar.runId);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={says}
      aria-pressed={selected}
      className="cursor-pointer outline-offset-2"
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
      <rect x={outside ? bar.x0 - chipPx - 2 : bar.x0 + 3} y={bar.y + 2.5} width={chipPx} height={15} rx={2} fill="var(--chip)" />
      <text x={(outside ? bar.x0 - chipPx - 2 : bar.x0 + 3) + 5} y={bar.y + 14} className="text-[11.5px] font-bold" fill="var(--on-chip)">
        {name}
      </text>
    </g>
  );
}

function Hands({ layout, widthPx }: { layout: TimelineLayout; widthPx: number }) {
  const { hands } = layout;
  const base = hands.y + hands.height - 4;
  return (
    <g>
      <line x1={0} x2={widthPx} y1={hands.y - 5} y2={hands.y - 5} stroke="var(--line)" />
      <text x={12} y={hands.y + 13} className="text-[13px] font-bold" fill="var(--ink)">
        Hands
      </text>
      <text x={12} y={hands.y + 28} className="text-[11.5px]" fill="var(--soft)">
        minutes of work
      </text>
      {hands.bins.map((bin) => {
        const height = Math.max(3, (bin.minutes / hands.mostMinutes) * (hands.height - 8));
        return (
          <rect key={bin.x0} x={bin.x0} width={Math.max(4, bin.x1 - bin.x0 - 1)} y={base - height} height={height} fill="var(--slate)">
            <title>{`${Math.round(bin.minutes)} min of work`}</title>
          </rect>
        );
      })}
    </g>
  );
}
