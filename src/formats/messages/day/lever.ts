import type { DayLever, LeverCode, LeverPrice, PlanChange, Revision } from '../../../core/day';
import { clockTime } from '../../clock';
import { formatMinutes, formatSetPoint, formatOdds } from '../../units';
import { gearName, list, lowerPit, pitName, type MessageContext } from '../names';
import { setMessage } from '../fire';
import { tagOfPiece } from './names';

const PRICES: Record<LeverPrice, string> = {
  bark: 'softer bark',
  juice: 'some juice',
  fuel: 'fuel',
  hands: 'hands',
  guests: 'guests wait',
  otherServing: 'another serving',
  beyondBand: 'beyond what its method likes',
  lessSmoke: 'smoke ends',
  none: 'nothing',
};

/** A lever in words: what to do, what it gains, what it costs. */
export function dayLeverMessage(messageContext: MessageContext, lever: DayLever): { title: string; gain: string; price: string } {
  const { units } = messageContext;
  const tags = list(lever.pieces.map((key) => tagOfPiece(messageContext, key)));
  const pit = lever.pitId === undefined ? '' : lowerPit(pitName(messageContext, lever.pitId));
  const own = messageContext.pits.find((each) => each.id === lever.pitId);
  const heat = lever.pitC === undefined ? '' : setMessage(messageContext, own, lever.pitC);
  const titles: Record<LeverCode, () => string> = {
    raisePit: () => `Raise the ${pit} to ${heat}`,
    lowerPit: () => `Lower the ${pit} to ${heat}`,
    wrapNow: () => `Wrap ${tags} now`,
    wrapOne: () => `Wrap only ${tags} now`,
    finishElsewhere: () => `Move ${tags} to the ${pit} at ${formatSetPoint(lever.pitC ?? 0, units)}`,
    servingLater: () => `Serve ${formatMinutes(lever.minutes ?? 0)} later`,
    carveLater: () => `Carve it last, ${formatMinutes(lever.minutes ?? 0)} later`,
    thinFirst: () => `Carve the thin ends first, the rest ${formatMinutes(lever.minutes ?? 0)} later`,
    swap: () => `Change the places of ${tags}`,
    closeVents: () => `Close the vents: let the ${pit} coast`,
    pullFirst: () => `Pull ${tags} for those who come first`,
    holdIn: () => `Hold ${tags} in the ${lowerPit(gearName(messageContext, lever.gearId ?? ''))} instead`,
    holdCooler: () => `Hold cooler: ${lowerPit(gearName(messageContext, lever.gearId ?? ''))} at ${formatSetPoint(lever.setC ?? 0, units)}`,
    ventLonger: () => `Vent ${tags} ${formatMinutes(lever.minutes ?? 0)} longer`,
    nothing: () => 'Do nothing',
  };
  const gained = Math.round(lever.gainMin);
  return {
    title: titles[lever.code](),
    gain: gained > 2 ? `${formatMinutes(gained)} sooner` : gained < -2 ? `${formatMinutes(-gained)} later` : 'no minutes',
    price: [
      ...lever.prices.map((price) => PRICES[price]),
      ...lever.others.map(({ servingId, onTimeShare }) => {
        const name = messageContext.event.servings.find((each) => each.id === servingId)?.name ?? 'another serving';
        return `${name.toLowerCase()} falls to ${formatOdds(onTimeShare)}`;
      }),
    ].join(', '),
  };
}

/** What taking it says in the journal. */
export const leverReason = (messageContext: MessageContext, lever: DayLever): string => {
  const { title, gain } = dayLeverMessage(messageContext, lever);
  const serving = messageContext.event.servings.find((each) => each.id === lever.servingId);
  return `${title}: ${gain}, ${serving?.name.toLowerCase() ?? 'the serving'} ${formatOdds(lever.onTimeShare)} on time`;
};

/** What a revision changed, from what to what. */
export function revisionMessage(messageContext: MessageContext, { changes, from }: Pick<Revision, 'changes' | 'from'>): string {
  const { units, event } = messageContext;
  const heat = (tempC: number | string | undefined) => (typeof tempC === 'number' ? formatSetPoint(tempC, units) : '');
  const time = (ms: number | string | undefined) => (typeof ms === 'number' ? clockTime(ms, event.timeZone, units.clock) : '');
  const tags = (keys: readonly string[]) => list(keys.map((key) => tagOfPiece(messageContext, key)));
  const one = (change: PlanChange, was: number | string | undefined): string => {
    switch (change.what) {
      case 'setPoint':
        return `${pitName(messageContext, change.pitId)} ${was === undefined ? '' : `${heat(was)} → `}${heat(change.pitC)}`;
      case 'servingAt':
        return `${event.servings.find((each) => each.id === change.servingId)?.name ?? 'serving'} ${time(was)} → ${time(change.atMs)}`;
      case 'finishIn':
        return `${tags(change.pieces)}: ${typeof was === 'string' ? `${lowerPit(pitName(messageContext, was))} → ` : ''}${lowerPit(pitName(messageContext, change.pitId))} at ${heat(change.pitC)}`;
      case 'holdIn':
        return `${tags(change.pieces)}: ${typeof was === 'string' ? `${lowerPit(gearName(messageContext, was))} → ` : ''}${lowerPit(gearName(messageContext, change.gearId))}`;
      case 'warmerAt':
        return `${gearName(messageContext, change.gearId)} ${was === undefined ? '' : `${heat(was)} → `}${heat(change.setC)}`;
      case 'wrapNow':
        return `${tags(change.pieces)}: wrapped now`;
      case 'swap':
        return `${tags(change.pieces)}: places changed`;
      case 'carveLater':
        return `carved ${formatMinutes(change.minutes)} later`;
      case 'ventLonger':
        return `${tags(change.pieces)}: vented ${formatMinutes(change.minutes)}`;
      case 'pullFor':
        return `${tags(change.pieces)}: pulled first`;
    }
  };
  return changes.map((change, i) => one(change, from[i])).join('; ');
}
