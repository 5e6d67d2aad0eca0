import type { Run } from '../../core/model';
import type { Decision } from '../../core/planning';
import { clockTime } from '../clock';
import { lowerPit, piecesMessage, pitName, rackName, type MessageContext } from './names';
import { formatMinutes, formatSetPoint, formatTemp } from '../units';

/** `04:10: if the core of the 2 briskets is under 66 °C, it is likely to be late: raise the trailer pit to 135 °C (gains about 40 min).` */
export function decisionMessage(
  messageContext: MessageContext,
  runs: readonly Run[],
  { runId, atMs, underC, levers, pitId }: Decision,
): { time: string; words: string } {
  const { units, event } = messageContext;
  const run = runs.find((each) => each.id === runId)!;
  // Of several runs of a batch it says which.
  const several = runs.filter((each) => each.batchId === run.batchId).length > 1;
  const leg = run.legs.find((each) => each.fromMs <= atMs && each.toMs > atMs) ?? run.legs[0]!;
  const where = several
    ? ` on the ${rackName(messageContext, leg.pitId, leg.rackId)} of the ${lowerPit(pitName(messageContext, leg.pitId))}`
    : '';
  const words = levers.map((lever) => {
    const gains = ` (gains about ${formatMinutes(lever.gainMin)})`;
    return lever.code === 'wrap'
      ? `wrap at once${gains}`
      : `raise the ${lowerPit(pitName(messageContext, pitId))} to ${formatSetPoint(lever.pitC, units)}${gains}`;
  });
  return {
    time: clockTime(atMs, event.timeZone, units.clock),
    words: `If the core of the ${piecesMessage(messageContext, run.batchId, run.pieceIds.length)}${where} is under ${formatTemp(underC, units)}, it is likely to be late: ${words.join(', or ')}.`,
  };
}
