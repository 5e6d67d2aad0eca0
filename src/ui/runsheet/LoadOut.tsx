import type { Plan, Run, Trip } from '../../core/model';
import { MS_PER_MIN } from '../../core/units';
import { clockTime, dayAndTime } from '../../formats/clock';
import { capital, gearName, list, memberName, piecesMessage, pitName, placeName, type MessageContext } from '../../formats/messages/names';
import { formatMass, formatMinutes } from '../../formats/units';

/** The pieces of a batch that ride in one thing, whatever runs they are of. */
function contentsOf(messageContext: MessageContext, runs: readonly Run[], trip: Trip): string {
  const batchIds = [...new Set(runs.map((run) => run.batchId))];
  return batchIds
    .map((batchId) => {
      const own = runs.filter((run) => run.batchId === batchId);
      const pieces = trip.pieces.filter((piece) => piece.batchId === batchId && own.some((run) => run.pieceIds.includes(piece.pieceId)));
      const kg = own.reduce((sum, run) => sum + run.kg, 0);
      return `${piecesMessage(messageContext, batchId, pieces.length)}, ${formatMass(kg, messageContext.units)}`;
    })
    .join('; ');
}

/** What goes into the van before each trip, who drives, and by when it must be packed. */
export function LoadOut({ messageContext, plan }: { messageContext: MessageContext; plan: Plan }) {
  const { event, units } = messageContext;
  return plan.trips.map((trip) => {
    const serving = event.servings.find((each) => each.id === trip.servingId)!;
    const aboard = plan.runs.filter((run) =>
      trip.pieces.some((piece) => piece.batchId === run.batchId && run.pieceIds.includes(piece.pieceId)),
    );
    const raw = trip.purpose === 'ahead';
    const inGear = (gearId: string) => aboard.filter((run) => (raw ? trip.coldGearId : run.hold.gearId) === gearId);
    const loose = aboard.filter((run) => !trip.gearIds.some((gearId) => inGear(gearId).includes(run)));
    const time = (atMs: number) => clockTime(atMs, event.timeZone, units.clock);
    const to = placeName(messageContext, trip.toId);
    return (
      <section
        key={trip.id}
        aria-label={`Load-out to ${to} for ${serving.name}${trip.purpose === 'back' ? ', back' : trip.purpose === 'ahead' ? ', ahead' : ''}`}
        className="mb-5 break-inside-avoid rounded-md border border-line bg-sheet px-4 py-3 print:mb-2 print:border-ink print:py-1"
      >
        <h2 className="text-lg">
          {trip.purpose === 'back' ? 'Back' : 'Load out'} to {to}
          {trip.purpose === 'back' ? '' : ` for ${serving.name.toLowerCase()}${trip.purpose === 'ahead' ? ', to cook there' : ''}`}: leave{' '}
          {dayAndTime(trip.leaveMs, event.timeZone, units.clock)}
        </h2>
        <p className="text-soft">
          {trip.who.length > 0 &&
            `${list(trip.who.map((id) => capital(memberName(messageContext, id))))}${trip.who.length > 1 ? `, ${capital(memberName(messageContext, trip.who[0]!))} drives` : ''}. `}
          {formatMinutes((trip.arriveMs - trip.leaveMs) / MS_PER_MIN)} on the road, there at {time(trip.arriveMs)}.
        </p>
        <ul className="mt-1 space-y-0.5">
          {trip.gearIds.map((gearId) => (
            <Line key={gearId} name={capital(gearName(messageContext, gearId))}>
              {inGear(gearId).length > 0 ? `: ${raw ? 'raw, on ice: ' : ''}${contentsOf(messageContext, inGear(gearId), trip)}` : ', empty'}
            </Line>
          ))}
          {loose.length > 0 && (
            <Line name={raw ? 'Raw, on trays' : 'Wrapped, on a board'}>: {contentsOf(messageContext, loose, trip)}</Line>
          )}
          {trip.pitIds.map((pitId) => (
            <Line key={pitId} name={pitName(messageContext, pitId)}>
              , cold and emptied of ash
            </Line>
          ))}
          {trip.purpose === 'out' && (
            <>
              {(serving.sides ?? []).map((side) => (
                <Line key={side.id}>{side.name}</Line>
              ))}
              <Line>Knives, boards, gloves, a checked probe, towels, hand washing, labels, this run sheet</Line>
            </>
          )}
          {trip.purpose === 'ahead' && <Line>Fuel, wood, wrap, gloves, a checked probe, lights, hand washing, this run sheet</Line>}
        </ul>
      </section>
    );
  });
}

function Line({ name, children }: { name?: string; children: React.ReactNode }) {
  return (
    <li className="flex gap-2">
      <span aria-hidden className="mt-1 block size-3.5 shrink-0 border border-soft" />
      <span>
        {name && <strong>{name}</strong>}
        {children}
      </span>
    </li>
  );
}
