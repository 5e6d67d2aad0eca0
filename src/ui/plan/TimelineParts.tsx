import type { Shift } from '../../core/model';
import { xAt, type RackRow, type TimelineLayout } from '../../core/timeline';
import { clockOnDay, clockTime, shortDay } from '../../formats/clock';
import { formatMinutes } from '../../formats/units';
import type { MessageContext } from '../../formats/messages/names';

/** Dark hours, by the place's clock. */
const NIGHT_FROM_H = 21;
const NIGHT_TO_H = 5;

export function Nights({ layout, zone, bottom }: { layout: TimelineLayout; zone: string; bottom: number }) {
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
      <rect x={x0} width={x1 - x0} y={50} height={bottom - 50} fill="var(--shade)" />
      {x1 - x0 > 60 && (
        <text x={(x0 + x1) / 2} y={39} textAnchor="middle" className="text-[11px]" fill="var(--soft)">
          night
        </text>
      )}
    </g>
  ));
}

/** Hours in which the crew would rather sleep. */
export function QuietHours({ layout, quiet }: { layout: TimelineLayout; quiet: readonly Shift[] }) {
  const { scale, heightPx } = layout;
  return quiet
    .map(({ fromMs, toMs }) => ({
      x0: Math.max(scale.leftPx, xAt(scale, fromMs)),
      x1: Math.min(scale.rightPx, xAt(scale, toMs)),
    }))
    .filter(({ x0, x1 }) => x1 > x0 + 4)
    .map(({ x0, x1 }) => (
      <line key={x0} x1={x0} x2={x1} y1={heightPx - 2} y2={heightPx - 2} stroke="var(--soft)" strokeWidth={3}>
        <title>quiet hours</title>
      </line>
    ));
}

export function Rulers({ layout, messageContext, bottom }: { layout: TimelineLayout; messageContext: MessageContext; bottom: number }) {
  const { event, units } = messageContext;
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
            <line x1={tick.x} x2={tick.x} y1={nearLine ? 50 : 36} y2={bottom} stroke="var(--line)" />
            <text x={tick.x} y={17} textAnchor="middle" className="figures text-[12.5px] font-bold" fill="var(--ink)">
              {showDay && tick.x > scale.leftPx + 24 ? `${days[i]!.slice(0, 3)} ${label}` : label}
            </text>
            <text x={tick.x} y={32} textAnchor="middle" className="figures text-[11px]" fill="var(--soft)">
              {tick.atMs === last.atMs
                ? 'serve'
                : `${tick.atMs < last.atMs ? '−' : '+'}${formatMinutes(Math.abs(last.atMs - tick.atMs) / 60_000)}`}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The strong verticals all is counted back from; runs of a later serving pass over an earlier one. */
export function ServingLines({ layout, bottom }: { layout: TimelineLayout; bottom: number }) {
  return layout.servings.map((serving) => (
    <line key={serving.id} x1={serving.x} x2={serving.x} y1={38} y2={bottom} stroke="var(--ink)" strokeWidth={3} />
  ));
}

export function ServingFlags({ layout, messageContext }: { layout: TimelineLayout; messageContext: MessageContext }) {
  const { event, units } = messageContext;
  return layout.servings.map((serving) => {
    const name = `${event.servings.find((each) => each.id === serving.id)!.name} ${clockTime(serving.atMs, event.timeZone, units.clock)}`;
    const width = name.length * 6.3 + 12;
    return (
      <g key={serving.id} pointerEvents="none">
        <rect x={serving.x - width} y={36} width={width} height={17} fill="var(--ink)" />
        <text x={serving.x - 6} y={48.5} textAnchor="end" className="text-[11.5px] font-bold" fill="var(--sheet)">
          {name}
        </text>
      </g>
    );
  });
}

/** Minutes of work by the quarter of an hour, where nobody is named. */
export function HandsUnnamed({ layout, widthPx }: { layout: TimelineLayout; widthPx: number }) {
  const { hands } = layout;
  if (!hands) return null;
  const base = hands.y + hands.height - 3;
  return (
    <g>
      <line x1={0} x2={widthPx} y1={hands.y - 4} y2={hands.y - 4} stroke="var(--line)" />
      <text x={12} y={hands.y + 12} className="text-[12.5px] font-bold" fill="var(--ink)">
        Hands
      </text>
      <text x={12} y={hands.y + 25} className="text-[11px]" fill="var(--soft)">
        minutes of work
      </text>
      {hands.bins.map((bin) => {
        const height = Math.max(3, (bin.minutes / hands.mostMinutes) * (hands.height - 6));
        return (
          <rect key={bin.x0} x={bin.x0} width={Math.max(4, bin.x1 - bin.x0 - 1)} y={base - height} height={height} fill="var(--slate)">
            <title>{`${Math.round(bin.minutes)} min of work`}</title>
          </rect>
        );
      })}
    </g>
  );
}

/** Pans of what was cubed and is back on a rack. */
export function Pans({ pan, messageContext }: { pan: RackRow['pans'][number]; messageContext: MessageContext }) {
  const { event, units } = messageContext;
  const [from, to] = [pan.fromMs, pan.toMs].map((atMs) => clockTime(atMs, event.timeZone, units.clock));
  return (
    <g>
      <title>{`${pan.name}, back on from ${from} to ${to}`}</title>
      <rect
        x={pan.x0}
        y={pan.y}
        width={pan.x1 - pan.x0}
        height={pan.height}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeDasharray="4 2"
      />
      {pan.name.length * 6 + 6 < pan.x1 - pan.x0 && (
        <text x={pan.x0 + 4} y={pan.y + pan.height - 4} className="text-[11px]" fill="var(--ink)">
          {pan.name}
        </text>
      )}
    </g>
  );
}
