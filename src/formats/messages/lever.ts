import { methodIn } from '../../core/model';
import type { Lever, Remedy } from '../../core/planning';
import { batchName, gearName, lowerPit, pitName, type MessageContext } from './names';
import { formatMinutes, formatSetPoint, formatShare, formatTemp } from '../units';

/** What pulling a lever means, as a thing to do. */
export function leverMessage(messageContext: MessageContext, lever: Lever, spareNames: ReadonlyMap<string, string>): string {
  const { units, library, event } = messageContext;
  const meat = 'batchId' in lever ? batchName(messageContext, lever.batchId) : '';
  const pit = (id: string) =>
    lowerPit(messageContext.pits.some((each) => each.id === id) ? pitName(messageContext, id) : (spareNames.get(id) ?? 'spare pit'));
  switch (lever.code) {
    case 'hotter':
      return `${meat}: hotter, by “${methodIn(library, lever.methodId)?.name ?? 'a hotter method'}”`;
    case 'tighterWrap':
      return `${meat}: wrapped tighter, by “${methodIn(library, lever.methodId)?.name ?? 'a tighter wrap'}”`;
    case 'hotterInBand':
      return `${meat} at ${formatSetPoint(lever.pitC, units)}, the top of its method's heat`;
    case 'finishElsewhere':
      return `${meat}: once wrapped, finish in the ${pit(lever.pitId)} at ${formatSetPoint(lever.pitC, units)}`;
    case 'otherPit':
      return `${meat} in the ${pit(lever.pitId)}`;
    case 'split':
      return `${meat} in ${lever.parts} runs`;
    case 'earlier':
      return `${meat} on ${formatMinutes(lever.minutes)} earlier, held longer`;
    case 'lighterPieces':
      return `${meat}: ${lever.pieces} lighter pieces of the same total`;
    case 'sparePit':
      return `Bring the ${pit(lever.pitId)}`;
    case 'moreHolding':
      return `Take along ${(spareNames.get(lever.gearId) ?? gearName(messageContext, lever.gearId)).toLowerCase()} for holding`;
    case 'moreCrew':
      return `Put ${spareNames.get(lever.memberId) ?? 'one more hand'} on duty`;
    case 'moveServing': {
      const serving = event.servings.find((each) => each.id === lever.servingId);
      return `Serve ${serving?.name.toLowerCase() ?? ''} ${formatMinutes(lever.byMin)} later`;
    }
    case 'cookDayBefore':
      return `${meat}: cook the day before, chill within the limits, and reheat to ${formatTemp(74, units)} in pans`;
  }
}

/** What came of trying it. */
export function remedyMessage({ solves, objective, onTimeShare }: Remedy): string {
  if (solves) return `everything fits, ${formatShare(onTimeShare)} sure`;
  if (objective[0] > 0) return `${objective[0]} still without a place`;
  return `fits, ${formatShare(onTimeShare)} sure`;
}
