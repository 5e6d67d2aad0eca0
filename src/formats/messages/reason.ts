import type { Reason, TaskKind } from '../../core/model';
import { clockTime } from '../clock';
import { formatMinutes, formatSetPoint, formatShare } from '../units';
import { lowerPit, pitName, rackName, type MessageContext } from './names';

/** One sentence for one reason of a run's start. */
export function reasonMessage(messageContext: MessageContext, reason: Reason): string {
  const zone = messageContext.event.timeZone;
  const { units } = messageContext;
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  switch (reason.code) {
    case 'servingNeeds': {
      const serving = messageContext.event.servings.find((each) => each.id === reason.servingId);
      return `${serving?.name ?? 'The serving'} is carved from ${time(reason.carveAtMs)}`;
    }
    case 'restNeeds':
      return reason.ventMin > 0
        ? `Before that it vents ${reason.ventMin} min and rests at least ${formatMinutes(reason.restMin)}`
        : `Before that it rests at least ${formatMinutes(reason.restMin)}`;
    case 'goesBackOn':
      return `Part of it is cubed and goes back on: all is off ${formatMinutes(reason.minutes)} before it is wanted`;
    case 'cookTakes':
      return `Half of such cooks are done within ${formatMinutes(reason.medianMin)}, ${formatShare(reason.confidence)} within ${formatMinutes(reason.lateMin)}`;
    case 'movedEarlier':
      return `${shiftMessage(reason.minutes)}: ${pitName(messageContext, reason.pitId)}, ${rackName(messageContext, reason.pitId, reason.rackId)}${reason.blockedUntilMs ? `, is taken until ${time(reason.blockedUntilMs)}` : ' has no room later'}`;
    case 'sharesHeat':
      return `Cooks at ${formatSetPoint(reason.pitC, units)}, not the method's ${formatSetPoint(reason.wantedC, units)}, to share the ${lowerPit(pitName(messageContext, reason.pitId))}`;
    case 'finishHeat':
      return `Once wrapped the ${lowerPit(pitName(messageContext, reason.pitId))} goes to ${formatSetPoint(reason.pitC, units)} at ${time(reason.atMs)}`;
    case 'movedForCrew':
      return `${shiftMessage(reason.minutes)}: nobody is free to ${HANDS_WORDS[reason.kind] ?? reason.kind} at ${time(reason.atMs)}`;
    case 'movedForHeat':
      return `${shiftMessage(reason.minutes)}: ${pitName(messageContext, reason.pitId)} is wanted at ${formatSetPoint(reason.setC, units)} until ${time(reason.untilMs)}`;
    case 'movedForHold':
      return `${shiftMessage(reason.minutes)}: there is no room or no heat to hold it otherwise`;
    case 'leavesBy':
      return `It leaves at ${time(reason.atMs)} for a drive of ${formatMinutes(reason.travelMin)}`;
    case 'idealHold':
      return `On ${formatMinutes(reason.minutes)} before the latest start, so that its hold falls into the method's band`;
    case 'pinned':
      return `Pinned by you to ${time(reason.onAtMs)}`;
    case 'finishesElsewhere':
      return `Once wrapped it finishes in the ${lowerPit(pitName(messageContext, reason.pitId))} from ${time(reason.atMs)}, which frees the rack`;
  }
}

const HANDS_WORDS: Partial<Record<TaskKind, string>> = {
  load: 'load it',
  check: 'check it',
  pull: 'pull it',
  wrap: 'wrap it',
  move: 'move it',
  carve: 'carve it',
  light: 'light the pit',
};
const shiftMessage = (minutes: number) =>
  minutes > 0 ? `On ${formatMinutes(minutes)} earlier` : minutes < 0 ? `On ${formatMinutes(-minutes)} later` : 'Placed round the others';
