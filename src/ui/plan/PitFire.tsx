import type { TimelineLayout } from '../../core/timeline';
import { clockTime } from '../../formats/clock';
import { batchName, list, type MessageContext } from '../../formats/messages/names';
import { formatSetPoint } from '../../formats/units';
import { openingPath } from './patterns';

const DONE_WORDS: Record<string, string> = {
  load: 'put on',
  wrap: 'wrap',
  unwrap: 'unwrap',
  move: 'move',
  spray: 'spray',
  turn: 'turn',
  probe: 'probe',
  check: 'check',
  pull: 'pull',
};

const FIGURE_PX = 44;

/** A pit's heat over the day: lit, set, changed over; coals brought up for a hot finish; a flap wherever its lid is lifted. */
export function PitFire({
  row,
  lines,
  messageContext,
}: {
  row: TimelineLayout['pits'][number];
  /** Serving lines, which no figure covers. */
  lines: readonly number[];
  messageContext: MessageContext;
}) {
  const { units, event } = messageContext;
  const { lineY } = row;
  const crossed = (x0: number) => lines.some((x) => x > x0 && x < x0 + FIGURE_PX);
  return (
    <g>
      {row.lighting.map((span) => (
        <line key={span.x0} x1={span.x0} x2={span.x1} y1={lineY} y2={lineY} stroke="var(--ember)" strokeWidth={2} strokeDasharray="2 3" />
      ))}
      {row.setPoints.map((point, i) => (
        <g key={point.x0}>
          {i > 0 && <line x1={point.x0} x2={point.x0} y1={lineY - 4} y2={lineY + 4} stroke="var(--ember)" strokeWidth={2} />}
          <line x1={point.x0} x2={point.x1} y1={lineY} y2={lineY} stroke="var(--ember)" strokeWidth={2} />
          <circle cx={point.x0} cy={lineY} r={3.5} fill="var(--ember)" />
          <text
            x={crossed(point.x0) ? point.x0 - 6 : point.x0 + 6}
            textAnchor={crossed(point.x0) ? 'end' : 'start'}
            y={lineY - 4}
            className="figures text-[10.5px] font-bold"
            fill="var(--ember-ink)"
          >
            {formatSetPoint(point.pitC, units)}
          </text>
        </g>
      ))}
      {row.coals.map((span) => (
        <g key={span.x0}>
          <rect x={span.x0} width={Math.max(5, span.x1 - span.x0)} y={lineY - 3} height={6} fill="url(#phase-hot)" />
          <text x={span.x0} y={lineY - 4} className="figures text-[10.5px] font-bold" fill="var(--ember-ink)">
            coals {formatSetPoint(span.pitC, units)}
          </text>
        </g>
      ))}
      {row.openings.map((opening) => (
        <path key={opening.atMs} d={openingPath(opening.x, lineY + 2.5)} fill="var(--soft)">
          <title>
            {`${clockTime(opening.atMs, event.timeZone, units.clock)}: ${list(
              opening.tasks.map(({ kind, batchId }) =>
                `${DONE_WORDS[kind] ?? kind} ${batchId ? batchName(messageContext, batchId).toLowerCase() : ''}`.trim(),
              ),
            )}`}
          </title>
        </path>
      ))}
    </g>
  );
}
