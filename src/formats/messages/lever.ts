import { cutIn, methodIn } from '../../core/model';
import { HIRED_BOX, type Lever, type Remedy } from '../../core/planning';
import { dayAndTime } from '../clock';
import { batchName, capital, gearName, lowerPit, pitName, type MessageContext } from './names';
import { formatMass, formatMinutes, formatRoom, formatSetPoint, formatOdds, formatTemp } from '../units';

/** A lever after a comma. */
export const lowerLever = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const count = (number: number): string => COUNTS[number] ?? String(number);
const piecesNow = ({ event }: MessageContext, batchId: string): number =>
  event.batches.find((batch) => batch.id === batchId)?.pieces.length ?? 0;

/** What pulling a lever means, as a thing to do. */
export function leverMessage(messageContext: MessageContext, lever: Lever, spareNames: ReadonlyMap<string, string>): string {
  const { units, library, event } = messageContext;
  const meat = 'batchId' in lever ? batchName(messageContext, lever.batchId) : '';
  const pit = (id: string) =>
    lowerPit(messageContext.pits.some((each) => each.id === id) ? pitName(messageContext, id) : (spareNames.get(id) ?? 'spare pit'));
  switch (lever.code) {
    case 'both': {
      const [first, then] = [lever.first, lever.then].map((each) => leverMessage(messageContext, each, spareNames));
      return `${first}, and ${lowerLever(then!)}`;
    }
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
    case 'longerHold':
      return `${meat}: may be held for ${formatMinutes(lever.minutes)}`;
    case 'fewerPieces':
      return `${meat}: ${lever.pieces} in place of ${piecesNow(messageContext, lever.batchId)}, smaller helpings of it`;
    case 'otherCut': {
      const cut = cutIn(library, lever.cutId)!;
      const method = methodIn(library, lever.methodId);
      return `In place of ${meat.toLowerCase()}, ${lever.pieces} ${cut.noun[lever.pieces === 1 ? 0 : 1]} of ${formatMass(lever.pieceKg, units)}${method ? `, by “${method.name}”` : ''}`;
    }
    case 'hirePits':
      return `Hire ${count(lever.count)} more ${lever.count === 1 ? 'pit' : 'pits'} like the ${pit(lever.pitId)}`;
    case 'hireBoxes':
      return `Hire ${count(lever.count)} insulated ${lever.count === 1 ? 'box' : 'boxes'} of ${formatRoom(HIRED_BOX.litres, units)} for holding`;
    case 'warmerAt':
      return `${capital(gearName(messageContext, lever.gearId))} at ${formatSetPoint(lever.setC, units)}`;
    case 'hireHand':
      return `One more person, ${dayAndTime(lever.fromMs, event.timeZone, units.clock)} to ${dayAndTime(lever.toMs, event.timeZone, units.clock)}`;
    case 'splitServing': {
      const serving = event.servings.find((each) => each.id === lever.servingId);
      return `Serve ${serving?.name.toLowerCase() ?? ''} in two sittings, half of it ${formatMinutes(lever.laterMin)} later`;
    }
    case 'fewerGuests': {
      const serving = event.servings.find((each) => each.id === lever.servingId);
      const { adults = 0, children = 0 } = serving?.guests ?? {};
      return `${lever.guests} guests at ${serving?.name.toLowerCase() ?? 'it'} in place of ${adults + children}`;
    }
    case 'sparePit':
      return `Bring the ${pit(lever.pitId)}`;
    case 'moreHolding':
      return `Take along the ${(spareNames.get(lever.gearId) ?? gearName(messageContext, lever.gearId)).toLowerCase()} for holding`;
    case 'moreCrew':
      return `Put ${spareNames.get(lever.memberId) ?? 'one more hand'} on duty`;
    case 'moveServing': {
      const serving = event.servings.find((each) => each.id === lever.servingId);
      return `Serve ${serving?.name.toLowerCase() ?? ''} ${formatMinutes(lever.byMin)} later`;
    }
    case 'cookDayBefore':
      return `${meat}: cook the day before, portion and chill in ice, and reheat to ${formatTemp(74, units)} in pans`;
  }
}

/** What came of trying it. */
export function remedyMessage({ solves, objective, onTimeShare }: Remedy): string {
  if (solves) return `everything fits, ${formatOdds(onTimeShare)} sure`;
  if (objective[0] > 0) return `${objective[0]} ${objective[0] === 1 ? 'piece' : 'pieces'} still without a place`;
  return `fits, ${formatOdds(onTimeShare)} sure`;
}
