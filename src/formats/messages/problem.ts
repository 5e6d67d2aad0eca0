import { cutIn, type PlanProblem, type PrepDrop, type PrepKind, type TaskKind } from '../../core/model';
import { limitsOf } from '../../core/safety';
import { brokenMessage } from './broken';
import { carriedName, servedName } from './carried';
import { clockTime, dayAndTime } from '../clock';
import { faultMessage } from './rack';
import { formatArea, formatLength, formatMass, formatMinutes, formatRoom, formatSetPoint, formatTemp, wholePercent } from '../units';
import { batchName, capital, list, lowerPit, piecesMessage, pitName, placeName, rackName, type MessageContext } from './names';

export interface ProblemMessage {
  what: string;
  remedy: string;
}

const TENDS: Partial<Record<TaskKind, string>> = {
  reload: 'feed',
  ash: 'clear the ash of',
  water: 'fill the water of',
  wood: 'lay wood on',
  closeAir: 'close the air of',
  setPoint: 'set',
  spray: 'spray what is on',
  turn: 'turn what is on',
  unwrap: 'unwrap what is on',
};
const HANDS: Partial<Record<TaskKind, string>> = {
  load: 'load them',
  check: 'check them',
  pull: 'pull them',
  wrap: 'wrap them',
  move: 'move them',
  carve: 'carve them',
  light: 'light the pit for them',
};

/** What does not fit, what is short and when, and what would mend it. */
export function planProblemMessage(messageContext: MessageContext, problem: PlanProblem): ProblemMessage {
  const zone = messageContext.event.timeZone;
  const { units } = messageContext;
  const span = (fromMs: number, toMs: number) => `${dayAndTime(fromMs, zone, units.clock)} to ${clockTime(toMs, zone, units.clock)}`;
  const pieces =
    'pieces' in problem
      ? problem.batchId === undefined
        ? 'What is on it'
        : capital(piecesMessage(messageContext, problem.batchId, problem.pieces))
      : 'batchId' in problem
        ? batchName(messageContext, problem.batchId)
        : '';
  const mealName = (servingId: string) => messageContext.event.servings.find((each) => each.id === servingId)?.name ?? 'The serving';
  const have = 'pieces' in problem && problem.pieces === 1 ? 'has' : 'have';
  switch (problem.code) {
    case 'noSuitablePit':
      return {
        what: {
          smoke: `${pieces} need smoke, and no pit of this event makes any.`,
          heat: `${pieces}: no pit of this event runs at the method's heat.`,
          size: `${pieces} fit on no rack of this event, turned either way.`,
        }[problem.need],
        remedy: {
          smoke: 'Add a pit with smoke under Pits.',
          heat: 'Choose a method for the pits you have, or add a pit.',
          size: 'Use smaller pieces, or a pit with a larger rack or more headroom.',
        }[problem.need],
      };
    case 'ruleBroken':
      return {
        what: brokenMessage(messageContext, problem.broken),
        remedy: 'A pinned run does this: move it or let go of its pin on the plan.',
      };
    case 'rackFull':
      return {
        what: `${pieces} ${have} no place: ${pitName(messageContext, problem.pitId)}, ${rackName(messageContext, problem.pitId, problem.rackId)} is short of ${formatArea(problem.shortMm2, units)}, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Add a pit, choose a method that wraps and finishes in the oven, or take fewer pieces.',
      };
    case 'rackNoSpot':
      return {
        what: `${pieces} ${have} no spot: ${pitName(messageContext, problem.pitId)}, ${rackName(messageContext, problem.pitId, problem.rackId)} has the area, but no gap of the right shape: the best is ${formatLength(problem.shortMm, units)} too small, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Take pieces of another size or one fewer, or lay the rack by hand under Racks.',
      };
    case 'noCrew':
      return {
        what: `${pieces} ${have} nobody to ${HANDS[problem.kind] ?? problem.kind} at ${dayAndTime(problem.atMs, zone, units.clock)} for ${formatMinutes(problem.minutes)}.`,
        remedy: 'Put someone on duty then under Pits, start it at another hour, or take a quicker method.',
      };
    case 'nobodyToLight':
      return {
        what: `Nobody is free to light the ${lowerPit(pitName(messageContext, problem.pitId))} by ${dayAndTime(problem.atMs, zone, units.clock)}.`,
        remedy: 'Put someone on duty then under Pits.',
      };
    case 'nobodyToDrive':
      return {
        what: `Nobody is on duty for the whole drive that begins at ${dayAndTime(problem.atMs, zone, units.clock)}.`,
        remedy:
          'Under Pits, put somebody who drives on duty from the load-out until serving is over, or tick "drives" for one of the crew.',
      };
    case 'noRoad':
      return {
        what: `No road leads to ${placeName(messageContext, problem.placeId)}, where ${mealName(problem.servingId)} is served.`,
        remedy: 'Say under Pits how many minutes the drive takes.',
      };
    case 'tooFar':
      return {
        what: `${mealName(problem.servingId)} cannot be reached in time: the drive to ${placeName(messageContext, problem.placeId)} takes ${formatMinutes(problem.minutes)}, and would have to begin at ${dayAndTime(problem.leaveMs, zone, units.clock)}, ${formatMinutes(problem.lateByMin)} before there is time for it.`,
        remedy: 'Serve later, set up in less time, or cook and set up where it is served.',
      };
    case 'handsShort':
      return {
        what: `${mealName(problem.servingId)} needs ${problem.wanted} at ${placeName(messageContext, problem.placeId)} from ${span(problem.fromMs, problem.toMs)}; ${problem.hands === 0 ? 'nobody is' : `only ${problem.hands} of them can be`} there all that time.`,
        remedy: 'Put more people on duty for it, or ask for fewer there.',
      };
    case 'noRide':
      if (problem.raw)
        return {
          what: `${pieces} ${have} no way, raw and cold, to ${placeName(messageContext, problem.placeId)}, where the pit stands.`,
          remedy: 'Take a box that holds all of that serving’s raw meat, or cook it where the meat is.',
        };
      return {
        what: `${pieces} ${have} no way from where ${problem.pieces === 1 ? 'it is' : 'they are'} cooked to ${placeName(messageContext, problem.placeId)}.`,
        remedy: 'Put somebody who drives on duty in time, let a pit travel there, or serve later.',
      };
    case 'unattended':
      return {
        what: `${pieces} would be in the ${lowerPit(pitName(messageContext, problem.pitId))} with nobody on duty beside it, ${span(problem.fromMs, problem.toMs)}; it may burn alone for ${formatMinutes(problem.allowedMin)}.`,
        remedy: 'Put somebody on duty beside the fire, cook in a pit that may be left, or say how long it may burn alone.',
      };
    case 'onTheRoad':
      return {
        what: `${pieces} would need the ${lowerPit(pitName(messageContext, problem.pitId))} while it is on the road, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Cook it in a pit that stays, or at the venue after the drive.',
      };
    case 'unstaffed':
      return {
        what: `Nobody is free to ${TENDS[problem.kind] ?? 'tend'} the ${problem.pitId ? lowerPit(pitName(messageContext, problem.pitId)) : 'meat'} at ${dayAndTime(problem.atMs, zone, units.clock)}${problem.times > 1 ? ` and ${problem.times - 1} more times` : ''}.`,
        remedy: 'Put one more on duty, or hand that pit to somebody who is there anyway.',
      };
    case 'servingRisk': {
      const serving = messageContext.event.servings.find((each) => each.id === problem.servingId);
      return {
        what: `${serving?.name ?? 'The serving'} is ready in time on ${wholePercent(problem.onTimeShare)} days in 100, all its meats together; you asked for ${Math.round(messageContext.event.confidence * 100)}.`,
        remedy: 'Start the longest cook earlier with a longer hold, cook it hotter or wrap it tighter.',
      };
    }
    case 'overHeld':
      return {
        what: `${pieces} would be held for ${formatMinutes(problem.holdMin)}, more than the ${formatMinutes(problem.ceilingMin)} this meat bears: soft or dry by then.`,
        remedy: 'Start later, or hold cooler once rested.',
      };
    case 'placedUnsuitable':
      return {
        what: `${pieces} ${have} a place by hand in the ${lowerPit(pitName(messageContext, problem.pitId))}, which cannot cook ${problem.pieces === 1 ? 'it' : 'them'} by this method or is not free then.`,
        remedy: 'Move it to another pit under Racks, let the plan place it, or choose another method.',
      };
    case 'cubesTooSoon':
      return {
        what: `${batchName(messageContext, problem.batchId)}: if it is done late there is no time to cube it and put it back on; ${formatMinutes(problem.minutes)} are short.`,
        remedy: 'Start it so much earlier, or leave the cubes on for less.',
      };
    case 'cubesNowhere':
      return {
        what: `${batchName(messageContext, problem.batchId)}: no pit that is hot has room for the cubes that go back on, ${span(problem.fromMs, problem.toMs)} or before.`,
        remedy: 'Serve them a little later, bring another pit, or finish them in an oven.',
      };
    case 'longSmoke':
      return {
        what: `${batchName(messageContext, problem.batchId)} would take smoke for ${formatMinutes(problem.minutes)} on the ${lowerPit(pitName(messageContext, problem.pitId))}: more dark smoke than that turns bitter, and cannot be taken back.`,
        remedy: 'Stop adding wood after some five hours, keep the smoke thin, or wrap earlier.',
      };
    case 'placedWrong':
      return {
        what: `Laid by hand on the ${lowerPit(pitName(messageContext, problem.pitId))}, ${rackName(messageContext, problem.pitId, problem.rackId)}: ${faultMessage(messageContext, problem.fault)}, ${span(problem.fault.fromMs, problem.fault.toMs)}.`,
        remedy: 'Move it under Racks, or let the racks be arranged.',
      };
    case 'rackOverloaded':
      return {
        what: `${pieces} ${have} no place: ${rackName(messageContext, problem.pitId, problem.rackId)} of the ${lowerPit(pitName(messageContext, problem.pitId))} would carry ${formatMass(problem.shortKg, units)} too much, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Spread the weight over another pit.',
      };
    case 'heatConflict':
      return {
        what: `${pieces} want ${formatSetPoint(problem.wantedC, units)} while the ${lowerPit(pitName(messageContext, problem.pitId))} runs at ${formatTemp(problem.setC, units)}, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Choose methods that share a heat, or add a pit.',
      };
    case 'poultryAbove':
      return {
        what: `${pieces} would share the ${lowerPit(pitName(messageContext, problem.pitId))} with other food in the wrong order, ${span(problem.fromMs, problem.toMs)}: raw poultry may never lie above anything else.`,
        remedy: 'Use another pit for the poultry, or serve it at another time.',
      };
    case 'warmerFull':
      return {
        what: `${pieces} ${have} no slot in a warmer: ${problem.shortSlots} short, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Add a warmer or a box, or start later with less in hand.',
      };
    case 'boxFull':
      return {
        what: `${pieces} cannot be held: the box is short of ${formatRoom(problem.shortLitres, units)}, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Bring a second box, or a larger one.',
      };
    case 'holdTooLong':
      return {
        what: problem.nothingRides
          ? `${pieces} would wait ${formatMinutes(problem.holdMin)} if they finish early, and nothing they could be held in is there so long and goes along.`
          : `${pieces} would wait ${formatMinutes(problem.holdMin)} if they finish early; ${formatMinutes(Math.max(0, problem.allowedMin))} is what they can take and stay hot.`,
        remedy: problem.nothingRides
          ? 'Take another box that travels, bring one back in time, or cook it where it is served.'
          : 'Add an insulated box under Pits, or plan with a lower confidence.',
      };
    case 'neverDone':
      return { what: `${pieces} never get done at ${formatSetPoint(problem.pitC, units)}.`, remedy: 'Choose a hotter method or a wrap.' };
    case 'dangerZone':
      return {
        what: `${pieces} would spend ${formatMinutes(problem.minutes)} between ${formatTemp(5, units)} and ${formatTemp(57, units)}; ${formatMinutes(problem.allowedMin)} is the limit for poultry (trade rule, stricter than FSIS guidance; your local code decides).`,
        remedy: 'Choose a hotter method or smaller pieces.',
      };
    case 'coreTooLow':
      return {
        what: `${pieces} would be pulled for ${formatTemp(problem.coreC, units)}; ${problem.nonIntact ? 'injected meat' : 'this meat'} must reach ${formatTemp(problem.requiredC, units)} (${problem.nonIntact ? 'Food Code 3-401.11(A)(2)' : 'Food Code 3-401.11'}; your local code decides).`,
        remedy: problem.nonIntact
          ? 'Leave the injection out under Prep, or choose a cut that is cooked tender.'
          : 'Raise the cut’s core under Cuts & methods.',
      };
    case 'rareForSusceptible':
      return {
        what: `${pieces} are served at ${formatTemp(problem.coreC, units)}, and this serving has highly susceptible guests: Food Code 3-801.11 forbids that.`,
        remedy: 'Take another cut or a method that cooks it through. A consumer advisory is not enough here.',
      };
    case 'prepTooLate':
      return {
        what: `${pieces}: ${STEP_NAMES[problem.kind]} should have begun ${formatMinutes(problem.lateByMin)} ${problem.waitsForDelivery ? 'before the delivery comes' : 'ago'}.`,
        remedy: DROP_WORDS[problem.drop],
      };
    case 'waterThawTooLong':
      return {
        what: `${pieces} would need ${formatMinutes(problem.minutes)} under running water; 4 h above ${formatTemp(5, units)} is the most (Food Code 3-501.13).`,
        remedy: 'Thaw it in the cold, or buy lighter pieces.',
      };
    case 'fridgeFull':
    case 'tubFull':
      return {
        what: `${problem.code === 'fridgeFull' ? 'The fridge' : 'The brine tubs'} would be ${formatRoom(problem.overLitres, units)} over (${formatRoom(problem.litres, units)} there are), ${span(problem.fromMs, problem.toMs)}: ${list(problem.batchIds.map((id) => servedName(messageContext, id).toLowerCase()))}.`,
        remedy:
          problem.code === 'fridgeFull'
            ? 'Have part of it delivered later, borrow a cold box, or brine in two goes.'
            : 'Brine in two goes, use a second tub, or salt it dry.',
      };
    case 'tooSalty':
      return {
        what: `${pieces}: salted ahead or brined, and the rub brings salt again (${(problem.saltShare * 100).toFixed(1)} % of the meat on its surface).`,
        remedy: 'Use a rub without salt, or let the rub bring all the salt.',
      };
    case 'allergenServed': {
      const serving = messageContext.event.servings.find((each) => each.id === problem.servingId);
      const dishes = (ids: string[]) => list(ids.map((id) => servedName(messageContext, id).toLowerCase()));
      const known = problem.batchIds.length > 0 ? [`it is in ${dishes(problem.batchIds)}`] : [];
      const unknown = problem.undeclaredIds.length > 0 ? [`not declared for ${dishes(problem.undeclaredIds)}: ask the kitchen`] : [];
      return {
        what: `${capital(serving?.name ?? 'a serving')}: ${problem.guests} ${problem.guests === 1 ? 'guest does' : 'guests do'} not eat ${carriedName(problem.carried)}; ${[...known, ...unknown].join('; ')}.`,
        remedy:
          problem.free > 0
            ? `${problem.free} other ${problem.free === 1 ? 'dish is' : 'dishes are'} declared free of it; keep their tools and boards apart.`
            : problem.undeclaredIds.length > 0
              ? 'Nothing on this table is known to be free of it: declare what the dishes carry.'
              : 'Nothing on this table is free of it: change a recipe or add a dish.',
      };
    }
    case 'alreadyPast':
      return {
        what: `${pieces} should have been started ${formatMinutes(problem.lateByMin)} ago.`,
        remedy: 'Move the serving later, or choose a faster method.',
      };
    case 'servedBelowHotHold': {
      const batch = messageContext.event.batches.find((each) => each.id === problem.batchId);
      const cut = batch && cutIn(messageContext.library, batch.cutId);
      return {
        what: `${pieces}: served at about ${formatTemp(problem.coreC, units)}, below the ${formatTemp(limitsOf(messageContext.event).hotHold, units)} hot-holding value.`,
        remedy:
          cut?.done.by === 'core'
            ? 'Food Code 3-603.11 asks for a consumer advisory, and 3-801.11 forbids it for highly susceptible guests. Your local code decides.'
            : 'Hold it in a warmer, in a fuller or better box, or for less time (Food Code 3-501.16). Your local code decides.',
      };
    }
  }
}

export const STEP_NAMES: Record<PrepKind, string> = {
  thaw: 'thawing',
  trim: 'trimming',
  mixBrine: 'mixing the brine',
  brine: 'brining',
  rinse: 'rinsing and drying',
  inject: 'injecting',
  salt: 'salting',
  rub: 'the rub',
  layer: 'the second layer of rub',
  chill: 'chilling the surface',
  fill: 'filling the pans',
  temper: 'tempering',
  topUp: 'topping up the rub',
};

/** What to drop when a step is too late. */
export const DROP_WORDS: Record<PrepDrop, string> = {
  thawInWater: 'Thaw under running water instead.',
  saltInsteadOfBrine: 'Leave the brine out and salt it dry, an hour ahead.',
  skipBrine: 'Leave the brine out; the salt already does its work.',
  saltAnHour: 'Skip the overnight salt and use the one-hour school.',
  saltAsItGoesOn: 'Skip the hour and salt it as it goes on.',
  skipTempering: 'Put it on cold.',
  none: 'Nothing can be dropped: move the serving, bring the delivery forward, or buy it ready to cook.',
};
