import type { Shift, Trip } from '../../core/model';
import { xAt, type TimelineLayout } from '../../core/timeline';
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
      <rect x={x0} width={x1 - x0} y={46} height={bottom - 46} fill="var(--shade)" />
      {x1 - x0 > 60 && (
        <text x={(x0 + x1) / 2} y={43} textAnchor="middle" className="text-[11px]" fill="var(--soft)">
          night
        </text>
      )}
    </g>
  ));
}

/** Hours in which the crew would rather sleep, and hours on the road. */
export function QuietAndRoad({
  layout,
  quiet,
  trips,
  bottom,
}: {
  layout: TimelineLayout;
  quiet: readonly Shift[];
  trips: readonly Trip[];
  bottom: number;
}) {
  const { scale, prepCrew } = layout;
  const span = (fromMs: number, toMs: number) => ({
    x0: Math.max(scale.leftPx, xAt(scale, fromMs)),
    x1: Math.min(scale.rightPx, xAt(scale, toMs)),
  });
  return (
    <g>
      {quiet
        .map(({ fromMs, toMs }) => span(fromMs, toMs))
        .filter(({ x0, x1 }) => x1 > x0 + 4)
        .map(({ x0, x1 }) => (
          <g key={x0}>
            <line
              x1={x0}
              x2={x1}
              y1={prepCrew.y + prepCrew.height}
              y2={prepCrew.y + prepCrew.height}
              stroke="var(--soft)"
              strokeWidth={3}
            />
            {x1 - x0 > 70 && (
              <text x={(x0 + x1) / 2} y={prepCrew.y + prepCrew.height - 6} textAnchor="middle" className="text-[11px]" fill="var(--soft)">
                quiet hours
              </text>
            )}
          </g>
        ))}
      {trips
        .map((trip) => ({ ...span(trip.leaveMs, trip.arriveMs), id: trip.id }))
        .filter(({ x0, x1 }) => x1 > x0)
        .map(({ x0, x1, id }) => (
          <g key={id}>
            <rect x={x0} width={x1 - x0} y={54} height={bottom - 54} fill="var(--slate)" opacity={0.18} />
            <text x={(x0 + x1) / 2} y={66} textAnchor="middle" className="text-[11px] font-bold" fill="var(--slate)">
              drive
            </text>
          </g>
        ))}
    </g>
  );
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

export function CrewLines({ layout, widthPx }: { layout: TimelineLayout; widthPx: number }) {
  const { prepCrew } = layout;
  const base = prepCrew.y + prepCrew.height - 4;
  return (
    <g>
      <line x1={0} x2={widthPx} y1={prepCrew.y - 5} y2={prepCrew.y - 5} stroke="var(--line)" />
      <text x={12} y={prepCrew.y + 13} className="text-[13px] font-bold" fill="var(--ink)">
        Hands
      </text>
      <text x={12} y={prepCrew.y + 28} className="text-[11.5px]" fill="var(--soft)">
        minutes of work
      </text>
      {prepCrew.bins.map((bin) => {
        const height = Math.max(3, (bin.minutes / prepCrew.mostMinutes) * (prepCrew.height - 8));
        return (
          <rect key={bin.x0} x={bin.x0} width={Math.max(4, bin.x1 - bin.x0 - 1)} y={base - height} height={height} fill="var(--slate)">
            <title>{`${Math.round(bin.minutes)} min of work`}</title>
          </rect>
        );
      })}
    </g>
  );
}
