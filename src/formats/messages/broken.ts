import type { Broken, BrokenCode } from '../../core/model';
import { clockTime } from '../clock';
import { batchName, capital, gearName, lowerPit, memberName, pitName, placeName, rackName, type MessageContext } from './names';
import { formatLength, formatMass, formatMinutes, formatSetPoint, formatTemp } from '../units';

/** One sentence for a rule that a plan breaks, as it is dragged or pinned. */
export function brokenMessage(messageContext: MessageContext, broken: Broken): string {
  const { units, event } = messageContext;
  const { code, batch, pit, rack, gear, serving, by = 0, atMs, task, person } = broken;
  const meat = batch ? batchName(messageContext, batch) : 'The meat';
  const where = pit ? lowerPit(pitName(messageContext, pit)) : 'pit';
  const shelf = pit && rack ? `${pitName(messageContext, pit)}, ${rackName(messageContext, pit, rack)}` : 'The rack';
  const clock = atMs !== undefined ? clockTime(atMs, event.timeZone, units.clock) : '';
  const spot = broken.place === undefined ? 'there' : placeName(messageContext, broken.place);
  const thing = gear ? gearName(messageContext, gear) : pit ? `The ${where}` : personName(messageContext, person);
  const meal = event.servings.find((each) => each.id === serving)?.name ?? 'the serving';
  const words: Record<BrokenCode, () => string> = {
    pieceMissing: () => `${meat}: a piece has no place.`,
    pieceTwice: () => 'A piece is in two runs.',
    unknownId: () => `${meat}: something it uses is not part of this event.`,
    beforeWorkFrom: () => `Work would begin before now${clock && `, at ${clock}`}.`,
    timesOutOfOrder: () => `${meat}: its times are out of order.`,
    wrapMissing: () => `${meat}: the method wraps, the plan does not.`,
    wrapUncalledFor: () => `${meat}: the method does not wrap.`,
    placesDoNotCover: () => `${meat} has no place on a rack for part of its cook.`,
    movesTooEarly: () => `${meat} leaves its pit before it is wrapped.`,
    inTwoPlaces: () => `${meat} is in two places at once.`,
    wrongFootprint: () => `${meat}: a place is not the piece's size.`,
    offRack: () => `${meat} hangs over the edge: ${shelf}.`,
    onBlocked: () => `${meat} lies where something blocks: ${shelf}.`,
    tooNear: () =>
      `${shelf}: ${by < 0 ? 'two pieces lie on one another' : `two pieces are only ${formatLength(by, units)} apart`}${batch ? ` (${meat.toLowerCase()})` : ''}.`,
    tooTall: () => `${meat} is ${formatLength(by, units)} too tall for ${shelf}.`,
    tooHeavy: () => `${shelf} carries ${formatMass(by, units)} too much.`,
    poultryAbove: () => `Raw poultry would lie above other food in the ${where}.`,
    setPointOutOfRange: () => `The ${where} cannot run at ${formatTemp(by, units)}.`,
    bareTooCool: () => `${meat} would lie bare at ${formatTemp(by, units)}, below the safe least.`,
    heatWrongForMeat: () => `${meat} would be at ${formatSetPoint(by, units)} in the ${where} at ${clock}: outside its method's heat.`,
    litTooLate: () => `The ${where} is lit too late to be hot.`,
    onBeforeReady: () => `${meat} goes on before the ${where} is ready.`,
    noFire: () => `${meat} is in the ${where} with no fire${clock && ` after ${clock}`}.`,
    outOfSmoke: () => `${meat} needs smoke, and the ${where} makes none.`,
    noTimeToRest: () => `${meat} may be done too late: ${formatMinutes(Math.round(by))} short of its vent and rest before carving.`,
    heldTooLong: () => `${meat} would be held ${formatMinutes(Math.round(by))} longer than its method allows.`,
    holdDoesNotCover: () => `${meat} is held nowhere for ${formatMinutes(Math.round(by))} before carving.`,
    boardTooLong: () => `${meat} would wait on the board ${formatMinutes(Math.round(by))} longer than its rest.`,
    gearFull: () => `${gear ? gearName(messageContext, gear) : 'The box'} is too full at ${clock}.`,
    tooCool: () => `${meat} falls below hot holding before carving.`,
    carvedOutsideServing: () => `${meat} is carved outside ${meal}'s window.`,
    noneAtFirst: () => `${meat}: nothing of it is ready when ${meal} begins.`,
    notPulledBeforeDrive: () => `${meat} is not off the pit when the crew leaves, by ${formatMinutes(Math.round(by))}.`,
    taskOnTheRoad: () => `Nobody is there to ${task ?? 'work'} at ${clock}: all are on the road.`,
    pitOnTheRoad: () => `${meat} would be in the ${where} while it is on the road.`,
    taskMissing: () => `${meat}: no one is set to ${task ?? 'do it'}.`,
    taskAtWrongTime: () => `${meat}: ${task ?? 'a task'} is not when it is due.`,
    taskTooShort: () => `${meat}: not enough minutes to ${task ?? 'do it'}.`,
    nobodyNamed: () => `Nobody is free to ${task ?? 'work'} at ${clock}.`,
    notOnDuty: () => `${personName(messageContext, person)} is off duty at ${clock} (${task ?? 'task'}).`,
    twoThingsAtOnce: () => `${personName(messageContext, person)} would do two things at once at ${clock}.`,
    carvedTooLate: () => `${meat} is carved after its serving window.`,
    tooSlowThroughDanger: () => `${meat} would pass the danger zone too slowly.`,
    noRoad: () => `No road leads to ${spot} from where the trip at ${clock} begins.`,
    tripTooShort: () => `The trip to ${spot} at ${clock} is not as long as the road.`,
    nobodyDrives: () => `Nobody on the trip to ${spot} at ${clock} drives.`,
    notThere: () => `${thing} is not where the trip to ${spot} at ${clock} begins.`,
    taskElsewhere: () => `${personName(messageContext, person)} is not at ${spot} at ${clock} (${task ?? 'task'}).`,
    staysPut: () => `${thing} is not made to travel, and would go to ${spot} at ${clock}.`,
    pitNotCold: () => `The ${where} would be moved before it is cold.`,
    gearElsewhere: () => `${meat} would be held in ${gear ? gearName(messageContext, gear) : 'gear'} while that is elsewhere.`,
    pieceElsewhere: () => `${meat} is not where it would be at ${clock}.`,
    boardRideTooLong: () => `${meat} would ride on a board ${formatMinutes(Math.round(by))} too long.`,
    fireAlone: () => `Nobody is with the burning ${where} for ${formatMinutes(Math.round(by))} longer than it may be left.`,
    notBrought: () => `${meat} is not brought to ${meal}.`,
    tooFewThere: () => `At ${spot} are ${by === 1 ? 'one too few' : `${by} too few`} for ${meal}.`,
    notSetUp: () => `Nobody sets up at ${spot} before ${meal}.`,
    carvedElsewhere: () => `${meat} is carved where it is not served.`,
  };
  return words[code]();
}

const personName = (messageContext: MessageContext, person: string | undefined) =>
  person === undefined ? 'Someone' : capital(memberName(messageContext, person));
