import type { ColdMoment } from '../../core/quantities';
import { servedName } from '../../formats/messages/carried';
import { dayAndTime, shortDay, startOfHour } from '../../formats/clock';
import { formatRoom } from '../../formats/units';
import type { MessageContext } from '../../formats/messages/names';

interface ColdChartProps {
  messageContext: MessageContext;
  moments: ColdMoment[];
  litres: number;
  name: string;
  servingsMs: number[];
}

const WIDTH = 860;
const HEIGHT = 92;
const LEFT = 92;
const BOTTOM = 18;
const DAY_MS = 86_400_000;

/** How full the cold is over time, to the line of what there is; red above it. */
export function ColdChart({ messageContext, moments, litres, name, servingsMs }: ColdChartProps) {
  if (moments.length === 0) return <p className="text-[0.9rem] text-soft">{name}: nothing lies in it yet.</p>;
  const { units } = messageContext;
  const zone = messageContext.event.timeZone;
  const fromMs = moments[0]!.fromMs;
  const toMs = Math.max(moments.at(-1)!.toMs, ...servingsMs);
  const peak = moments.reduce((a, b) => (b.litres > a.litres ? b : a));
  const topLitres = Math.max(litres, peak.litres) * 1.12;
  const x = (ms: number) => LEFT + ((ms - fromMs) / (toMs - fromMs)) * (WIDTH - LEFT - 8);
  const y = (value: number) => (HEIGHT - BOTTOM) * (1 - value / topLitres);
  const firstDay = startOfHour(fromMs, zone);
  const days = Array.from({ length: Math.ceil((toMs - firstDay) / DAY_MS) + 1 }, (_, i) => firstDay + i * DAY_MS).filter(
    (ms) => ms >= fromMs && ms < toMs,
  );
  const over = peak.litres > litres;
  const words = `${name}: fullest ${dayAndTime(peak.fromMs, zone, messageContext.units.clock)} with ${formatRoom(peak.litres, units)} of ${formatRoom(litres, units)}`;
  return (
    <figure className="mb-2">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" role="img" aria-label={words}>
        <text x={0} y={16} className="text-[13px] font-bold" fill="var(--ink)">
          {name}
        </text>
        <text x={0} y={32} className="text-[11.5px]" fill="var(--soft)">
          {`${formatRoom(litres, units)} there`}
        </text>
        {moments.map((moment) => {
          const within = Math.min(moment.litres, litres);
          return (
            <g key={moment.fromMs}>
              <title>{`${dayAndTime(moment.fromMs, zone, messageContext.units.clock)}: ${formatRoom(moment.litres, units)}, ${[...new Set(moment.ids)].map((id) => servedName(messageContext, id)).join(', ')}`}</title>
              <rect
                x={x(moment.fromMs)}
                width={Math.max(0, x(moment.toMs) - x(moment.fromMs))}
                y={y(within)}
                height={HEIGHT - BOTTOM - y(within)}
                fill="var(--fill)"
              />
              {moment.litres > litres && (
                <rect
                  x={x(moment.fromMs)}
                  width={x(moment.toMs) - x(moment.fromMs)}
                  y={y(moment.litres)}
                  height={y(litres) - y(moment.litres)}
                  fill="var(--bad)"
                />
              )}
              <line
                x1={x(moment.fromMs)}
                x2={x(moment.toMs)}
                y1={y(moment.litres)}
                y2={y(moment.litres)}
                stroke="var(--soft)"
                strokeWidth={1.5}
              />
            </g>
          );
        })}
        <line x1={LEFT} x2={WIDTH - 8} y1={y(litres)} y2={y(litres)} stroke="var(--bad)" strokeDasharray="5 4" />
        <line x1={LEFT} x2={WIDTH - 8} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM} stroke="var(--line)" />
        {days.map((ms) => (
          <g key={ms}>
            <line x1={x(ms)} x2={x(ms)} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM + 5} stroke="var(--soft)" />
            <text x={x(ms) + 3} y={HEIGHT - 4} className="text-[11px]" fill="var(--soft)">
              {`${shortDay(ms, zone)} ${dayAndTime(ms, zone, messageContext.units.clock).split(' ').slice(1).join(' ')}`}
            </text>
          </g>
        ))}
        {servingsMs.map((ms) => (
          <line key={ms} x1={x(ms)} x2={x(ms)} y1={4} y2={HEIGHT - BOTTOM} stroke="var(--ember)" strokeWidth={2} />
        ))}
      </svg>
      <figcaption className={`text-[0.88rem] ${over ? 'font-semibold text-bad' : 'text-soft'}`}>
        {words}
        {over ? `: ${formatRoom(peak.litres - litres, units)} over.` : '.'}
      </figcaption>
    </figure>
  );
}
