import { homeIdOf, type Plan, type Task } from '../../core/model';
import type { TimelineLayout } from '../../core/timeline';
import { clockTime } from '../../formats/clock';
import { batchName, capital, list, lowerPit, memberName, pitName, placeName, type MessageContext } from '../../formats/messages/names';

interface RowsProps {
  layout: TimelineLayout;
  messageContext: MessageContext;
  plan: Plan;
  widthPx: number;
}

const LETTER_PX = 5.9;

/** The drives of the day: from when to when, where to, and who is on board. */
export function Roads({ layout, messageContext, plan, widthPx }: RowsProps) {
  const { road, scale } = layout;
  if (!road) return null;
  const { event, units } = messageContext;
  return (
    <g>
      <line x1={0} x2={widthPx} y1={road.y - 3} y2={road.y - 3} stroke="var(--line)" />
      <text x={12} y={road.y + 11} className="text-[12.5px] font-bold" fill="var(--ink)">
        Road
      </text>
      {road.trips.map(({ tripId, x0, x1, y }, i) => {
        const trip = plan.trips.find((each) => each.id === tripId)!;
        const who = list(trip.who.map((id) => capital(memberName(messageContext, id))));
        const says = `${trip.purpose === 'back' ? 'Back to' : 'To'} ${placeName(messageContext, trip.toId)}${who && `: ${who}`}`;
        const nextPx = Math.min(
          scale.rightPx + 30,
          ...road.trips.filter((each, k) => k !== i && each.y === y && each.x0 >= x1).map((each) => each.x0),
        );
        const beforePx = Math.max(
          scale.leftPx,
          ...road.trips.filter((each, k) => k !== i && each.y === y && each.x1 <= x0).map((each) => each.x1),
        );
        const wide = says.length * LETTER_PX + 4;
        const right = nextPx - x1 > wide;
        const left = !right && x0 - beforePx > wide;
        return (
          <g key={tripId}>
            <title>{`${says}, ${clockTime(trip.leaveMs, event.timeZone, units.clock)} to ${clockTime(trip.arriveMs, event.timeZone, units.clock)}`}</title>
            <rect x={x0} width={Math.max(2, x1 - x0)} y={y + 2} height={10} fill="var(--slate)" />
            {(right || left) && (
              <text x={right ? x1 + 4 : x0 - 4} y={y + 11} textAnchor={right ? 'start' : 'end'} className="text-[11px]" fill="var(--ink)">
                {says}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Each of the crew: pale while on duty, darker away from home, dark at work or on the road. */
export function People({ layout, messageContext, plan, widthPx }: RowsProps) {
  const { event, units } = messageContext;
  const homeId = homeIdOf(event);
  const time = (atMs: number) => clockTime(atMs, event.timeZone, units.clock);
  return layout.people.map((person, i) => {
    const mid = person.y + person.height / 2;
    return (
      <g key={person.memberId} data-person={person.memberId}>
        {i === 0 && <line x1={0} x2={widthPx} y1={person.y - 3} y2={person.y - 3} stroke="var(--line)" />}
        <text x={12} y={mid + 4} className="text-[11.5px] font-bold" fill="var(--ink)">
          {capital(memberName(messageContext, person.memberId)).slice(0, 18)}
        </text>
        {person.stays.map((stay) => (
          <rect
            key={stay.x0}
            x={stay.x0}
            width={stay.x1 - stay.x0}
            y={mid - 3}
            height={6}
            fill={stay.placeId === homeId ? 'var(--line)' : 'var(--hold)'}
            opacity={stay.placeId === homeId ? 0.9 : 0.45}
          >
            <title>{placeName(messageContext, stay.placeId)}</title>
          </rect>
        ))}
        {person.work.map(({ x0, x1, task }) => (
          <rect key={task.id} x={x0} width={Math.max(2, x1 - x0)} y={mid - 4.5} height={9} fill="var(--ink)" opacity={0.75}>
            <title>{`${time(task.atMs)} ${wordsOf(messageContext, plan, task)}`}</title>
          </rect>
        ))}
        {person.trips.map(({ x0, x1, tripId }) => (
          <rect key={tripId} x={x0} width={Math.max(2, x1 - x0)} y={mid - 2} height={4} fill="var(--slate)">
            <title>on the road</title>
          </rect>
        ))}
      </g>
    );
  });
}

const WORDS: Partial<Record<Task['kind'], string>> = {
  load: 'put on',
  reload: 'feed',
  ash: 'clear the ash of',
  water: 'fill the water of',
  wood: 'lay wood on',
  closeAir: 'close the air of',
  setPoint: 'set',
  mixBrine: 'mix the brine for',
  loadVan: 'load the van',
  setUp: 'set up',
  packUp: 'pack up',
  prepare: 'make ready',
};

/** What somebody does, in two words; the run sheet says it in full. */
function wordsOf(messageContext: MessageContext, plan: Plan, task: Task): string {
  const batchId = task.batchId ?? plan.runs.find((run) => run.id === task.runId)?.batchId;
  const object = batchId
    ? batchName(messageContext, batchId).toLowerCase()
    : task.pitId
      ? `the ${lowerPit(pitName(messageContext, task.pitId))}`
      : '';
  return `${WORDS[task.kind] ?? task.kind} ${object}`.trim();
}
