import type { Plan, Run } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import { capital, gearName, piecesMessage, type MessageContext } from '../../formats/messages/names';
import { formatMass, formatMinutes } from '../../formats/units';

/** The runs of a batch together: in the van it is one thing. */
function contentsOf(runs: readonly Run[]): { batchId: string; pieces: number; kg: number }[] {
  const batchIds = [...new Set(runs.map((run) => run.batchId))];
  return batchIds.map((batchId) => {
    const own = runs.filter((run) => run.batchId === batchId);
    return {
      batchId,
      pieces: own.reduce((sum, run) => sum + run.pieceIds.length, 0),
      kg: own.reduce((sum, run) => sum + run.kg, 0),
    };
  });
}

/** What goes into the van before each drive, and by when. */
export function LoadOut({ messageContext, input, plan }: { messageContext: MessageContext; input: PlanInput; plan: Plan }) {
  const { event, units } = messageContext;
  return plan.drives.map((drive) => {
    const serving = event.servings.find((each) => each.id === drive.servingId)!;
    const own = plan.runs.filter((run) => event.batches.find((batch) => batch.id === run.batchId)?.servingId === serving.id);
    const held = [...new Set(own.map((run) => run.hold.gearId))].map((gearId) => ({
      gearId,
      runs: own.filter((run) => run.hold.gearId === gearId),
    }));
    const pits = input.pits.filter((pit) => pit.travels);
    return (
      <section
        key={drive.servingId}
        aria-label={`Load-out for ${serving.name}`}
        className="mb-5 break-inside-avoid rounded-md border border-line bg-sheet px-4 py-3 print:border-ink"
      >
        <h2 className="text-lg">
          Load out for {serving.name.toLowerCase()}: leave {dayAndTime(drive.fromMs, event.timeZone, units.clock)}
        </h2>
        <p className="text-soft">A drive of {formatMinutes((drive.toMs - drive.fromMs) / 60_000)}; nobody is at the pits meanwhile.</p>
        <ul className="mt-1 space-y-0.5">
          {held.map(({ gearId, runs }) => (
            <li key={gearId} className="flex gap-2">
              <Box />
              <span>
                <strong>{capital(gearId === 'board' ? 'wrapped, on a board' : gearName(messageContext, gearId))}</strong>:{' '}
                {contentsOf(runs)
                  .map(({ batchId, pieces, kg }) => `${piecesMessage(messageContext, batchId, pieces)}, ${formatMass(kg, units)}`)
                  .join('; ')}
              </span>
            </li>
          ))}
          {pits.map((pit) => (
            <li key={pit.id} className="flex gap-2">
              <Box />
              <span>
                <strong>{pit.name}</strong>, cold and emptied of ash
              </span>
            </li>
          ))}
          {(serving.sides ?? []).map((side) => (
            <li key={side.id} className="flex gap-2">
              <Box />
              <span>{side.name}</span>
            </li>
          ))}
          <li className="flex gap-2">
            <Box />
            <span>Knives, boards, gloves, a checked probe, towels, hand washing, labels, this run sheet</span>
          </li>
        </ul>
      </section>
    );
  });
}

const Box = () => <span aria-hidden className="mt-1 block size-3.5 shrink-0 border border-soft" />;
