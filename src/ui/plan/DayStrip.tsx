import { useMemo } from 'react';
import type { Plan } from '../../core/model';
import { layoutTimeline, xAt, type Bar } from '../../core/timeline';
import { clockTime, shortDay, startOfHour } from '../../formats/clock';
import { barNames } from '../../formats/messages/barNames';
import { batchName, capital, gearName, memberName, type MessageContext } from '../../formats/messages/names';
import { phaseFill, PhasePatterns } from './patterns';

/** Names of columns stand above the first hour; the clock stands left of them. */
const HEAD_PX = 92;
const CLOCK_PX = 44;
const HOUR_PX = 42;
/** The drawing's own head, which the columns leave out. */
const ROWS_FROM_PX = 50;

interface DayStripProps {
  messageContext: MessageContext;
  plan: Plan;
  widthPx: number;
  nowMs: number;
  selectedId?: string;
  onSelect(runId: string | undefined): void;
}

/** The same drawing for a phone: time runs down, and every row of the timeline is a column. */
export function DayStrip({ messageContext, plan, widthPx, nowMs, selectedId, onSelect }: DayStripProps) {
  const { event, pits, boxes, warmers, units } = messageContext;
  const zone = event.timeZone;
  const layout = useMemo(() => {
    const firstMs = Math.min(...plan.firings.map((firing) => firing.lightAtMs), ...event.servings.map((serving) => serving.atMs));
    const lastMs = Math.max(...event.servings.map((serving) => serving.atMs));
    return layoutTimeline({
      plan,
      servings: event.servings,
      pits: pits.filter((pit) => plan.runs.some((run) => run.legs.some((leg) => leg.pitId === pit.id))),
      gear: [...boxes, ...(warmers ?? [])],
      widthPx: HEAD_PX + ((lastMs - firstMs) / 3_600_000) * HOUR_PX + 60,
      leftPx: HEAD_PX,
      namesOf: (batchId, count) => barNames(messageContext, batchId, count),
      hourMs: startOfHour(event.servings.at(-1)!.atMs, zone),
    });
  }, [plan, event.servings, pits, boxes, warmers, zone, messageContext]);
  const { scale } = layout;
  const lengthPx = scale.rightPx + 24;
  const share = Math.min(1.6, (widthPx - CLOCK_PX - 6) / (layout.heightPx - ROWS_FROM_PX));
  const at = (y: number) => CLOCK_PX + (y - ROWS_FROM_PX) * share;
  const head = (y: number, words: string, strong = false) => (
    <text
      transform={`translate(${at(y)} ${HEAD_PX - 6}) rotate(-90)`}
      className={`text-[11px] ${strong ? 'font-bold' : ''}`}
      fill="var(--ink)"
    >
      {words.slice(0, 15)}
    </text>
  );
  const bar = (each: Bar, key: string) => (
    <g
      key={key}
      role="button"
      tabIndex={0}
      aria-label={`${batchName(messageContext, each.batchId)} ${each.count}`}
      aria-pressed={each.runId === selectedId}
      onClick={(click) => {
        click.stopPropagation();
        onSelect(each.runId);
      }}
      onKeyDown={(press) => press.key === 'Enter' && onSelect(each.runId)}
    >
      {each.segments.map((segment) => (
        <rect
          key={segment.x0}
          x={at(each.y)}
          width={each.height * share}
          y={segment.x0}
          height={Math.max(1, segment.x1 - segment.x0)}
          fill={phaseFill(segment.phase)}
          stroke={segment.phase.startsWith('hold') || segment.phase === 'vent' ? 'var(--hold)' : 'none'}
        />
      ))}
      {each.fade && (
        <rect
          x={at(each.y)}
          width={each.height * share}
          y={each.fade.x0}
          height={each.fade.x1 - each.fade.x0}
          fill="url(#finish-fade-down)"
        />
      )}
      {each.ticks.map((y) => (
        <line key={y} x1={at(each.y) - 2} x2={at(each.y + each.height)} y1={y} y2={y} stroke="var(--ink)" strokeWidth={1.5} />
      ))}
      {each.runId === selectedId && (
        <rect
          x={at(each.y) - 1.5}
          width={each.height * share + 3}
          y={each.x0 - 1.5}
          height={each.x1 - each.x0 + 3}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
    </g>
  );
  const nameOf = (each: Bar, key: string) =>
    each.label && (
      <g key={key} transform={`translate(${at(each.y) + 2} ${each.label.x0}) rotate(90)`} pointerEvents="none" aria-hidden>
        {each.label.inside && (
          <rect
            y={-(each.height - 2) * share + 1}
            width={each.label.widthPx}
            height={(each.height - 3) * share}
            rx={2}
            fill="var(--chip)"
          />
        )}
        <text x={4} y={-3} className="text-[11px] font-bold" fill={each.label.inside ? 'var(--on-chip)' : 'var(--ink)'}>
          {each.label.text}
        </text>
      </g>
    );
  return (
    <svg
      width={widthPx}
      height={lengthPx}
      role="group"
      aria-label="The plan: the day downward, place beside place"
      onClick={() => onSelect(undefined)}
    >
      <PhasePatterns />
      <defs>
        <linearGradient id="finish-fade-down" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="var(--paper)" stopOpacity={0} />
          <stop offset="1" stopColor="var(--paper)" stopOpacity={0.92} />
        </linearGradient>
      </defs>
      {layout.ticks.map((tick, i) => {
        const day = shortDay(tick.atMs, zone);
        const newDay = i === 0 || day !== shortDay(layout.ticks[i - 1]!.atMs, zone);
        return (
          <g key={tick.atMs}>
            <line x1={CLOCK_PX - 6} x2={widthPx} y1={tick.x} y2={tick.x} stroke="var(--line)" />
            <text x={4} y={tick.x + 4} className="figures text-[11.5px] font-bold" fill="var(--ink)">
              {clockTime(tick.atMs, zone, units.clock).replace(':00 ', ' ')}
            </text>
            {newDay && (
              <text x={4} y={tick.x - 10} className="text-[11px]" fill="var(--soft)">
                {day.slice(0, 3)}
              </text>
            )}
          </g>
        );
      })}
      {layout.pits.map((row) => (
        <g key={row.pitId}>
          <line x1={at(row.y) - 2} x2={at(row.y) - 2} y1={10} y2={scale.rightPx} stroke="var(--line)" />
          {head(row.y + 13, pits.find((pit) => pit.id === row.pitId)?.name ?? '', true)}
          {row.lighting.map((span) => (
            <line
              key={span.x0}
              x1={at(row.lineY)}
              x2={at(row.lineY)}
              y1={span.x0}
              y2={span.x1}
              stroke="var(--ember)"
              strokeDasharray="2 3"
              strokeWidth={2}
            />
          ))}
          {row.setPoints.map((point) => (
            <line key={point.x0} x1={at(row.lineY)} x2={at(row.lineY)} y1={point.x0} y2={point.x1} stroke="var(--ember)" strokeWidth={2} />
          ))}
          {row.openings.map((opening) => (
            <circle key={opening.atMs} cx={at(row.lineY)} cy={opening.x} r={2.5} fill="var(--soft)" />
          ))}
          {row.racks.map((rack) => (
            <g key={rack.rackIds.join()}>
              {head(rack.y + 11, rack.name)}
              {rack.bars.map((each) => bar(each, `${rack.rackIds[0]}-${each.runId}-${each.x0}`))}
              {rack.bars.map((each) => nameOf(each, `name-${each.runId}-${each.x0}`))}
              {rack.pans.map((pan) => (
                <rect
                  key={`${pan.name}-${pan.x0}`}
                  x={at(pan.y)}
                  width={pan.height * share}
                  y={pan.x0}
                  height={pan.x1 - pan.x0}
                  fill="var(--sheet)"
                  stroke="var(--ink)"
                  strokeDasharray="4 2"
                >
                  <title>{pan.name}</title>
                </rect>
              ))}
            </g>
          ))}
        </g>
      ))}
      {layout.holds.map((row) => (
        <g key={row.gearId}>
          {head(row.y + 11, row.gearId === 'board' ? 'board' : gearName(messageContext, row.gearId))}
          {row.bars.map((each) => bar(each, `hold-${row.gearId}-${each.batchId}`))}
          {row.bars.map((each) => nameOf(each, `name-${each.batchId}`))}
        </g>
      ))}
      {layout.road?.trips.map(({ tripId, x0, x1, y }) => (
        <rect key={tripId} x={at(y)} width={10 * share} y={x0} height={x1 - x0} fill="var(--slate)" />
      ))}
      {layout.road && head(layout.road.y + 10, 'Road', true)}
      {layout.people.map((person) => (
        <g key={person.memberId}>
          {head(person.y + 10, capital(memberName(messageContext, person.memberId)), true)}
          {person.stays.map((stay) => (
            <rect key={stay.x0} x={at(person.y + 4)} width={5 * share} y={stay.x0} height={stay.x1 - stay.x0} fill="var(--line)" />
          ))}
          {person.work.map(({ x0, x1, task }) => (
            <rect
              key={task.id}
              x={at(person.y + 2)}
              width={9 * share}
              y={x0}
              height={Math.max(2, x1 - x0)}
              fill="var(--ink)"
              opacity={0.75}
            />
          ))}
        </g>
      ))}
      {layout.servings.map((serving) => {
        const name = `${event.servings.find((each) => each.id === serving.id)!.name} ${clockTime(serving.atMs, zone, units.clock)}`;
        return (
          <g key={serving.id} pointerEvents="none">
            <line x1={CLOCK_PX - 6} x2={widthPx} y1={serving.x} y2={serving.x} stroke="var(--ink)" strokeWidth={2.5} />
            <rect x={widthPx - name.length * 6.3 - 12} y={serving.x + 1} width={name.length * 6.3 + 12} height={16} fill="var(--ink)" />
            <text x={widthPx - 6} y={serving.x + 13} textAnchor="end" className="text-[11.5px] font-bold" fill="var(--sheet)">
              {name}
            </text>
          </g>
        );
      })}
      {nowMs > scale.fromMs && nowMs < scale.toMs && (
        <line
          x1={0}
          x2={widthPx}
          y1={xAt(scale, nowMs)}
          y2={xAt(scale, nowMs)}
          stroke="var(--ember)"
          strokeDasharray="4 3"
          strokeWidth={1.5}
        />
      )}
    </svg>
  );
}
