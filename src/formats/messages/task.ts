import {
  cutIn,
  FIRM_MIN,
  isReheatedLater,
  methodIn,
  prepOf,
  type Batch,
  type CoolingWay,
  type Method,
  type Run,
  type Task,
  type Wrap,
} from '../../core/model';
import { limitsOf } from '../../core/safety';
import { MS_PER_MIN } from '../../core/units';
import { clockTime } from '../clock';
import { COLOUR_WORDS } from './colour';
import { readyAt } from './method';
import { capital, gearName, list, lowerPit, piecesMessage, pitName, rackName, type MessageContext, type TaskMessage } from './names';
import { formatLength, formatMass, formatMinutes, formatTemp, withFigures, type Units } from '../units';
import { fireTaskMessage, isFireTask, rhythmTaskMessage, setMessage } from './fire';
import { addedMessage, isPrepTask, prepTaskMessage } from './prep';
import { isPrepareTask, prepareMessage } from './prepare';
import { isTravelTask, travelTaskMessage } from './travel';

const FAT_SIDE_WORDS = { up: 'up, away from the heat', down: 'down, toward the heat' } as const;
const WRAP_WORDS: Record<Wrap, string> = { none: '', paper: 'in paper', foil: 'in foil', pan: 'in a covered pan' };

/** What to do, and what to look for while doing it. */
export function taskMessage(messageContext: MessageContext, task: Task, runs: Run[]): TaskMessage {
  const pit = task.pitId ? pitName(messageContext, task.pitId) : '';
  if (isFireTask(task)) return fireTaskMessage(messageContext, task, runs);
  if (task.kind === 'serve') {
    const serving = messageContext.event.servings.find((each) => each.id === task.servingId)!;
    return {
      title: `Serve ${serving.name.toLowerCase()}`,
      detail: `${serving.guests.adults + serving.guests.children} guests, for ${formatMinutes(serving.serveForMin)}.`,
    };
  }
  if (isPrepareTask(task)) return prepareMessage(messageContext, task);
  if (isTravelTask(task)) return travelTaskMessage(messageContext, task);
  if (isPrepTask(task)) return prepTaskMessage(messageContext, task);
  const run = runs.find((each) => each.id === task.runId)!;
  return rhythmTaskMessage(messageContext, task, run, pit) ?? runTaskMessage(messageContext, task, run, pit);
}

const onOrIn = (messageContext: MessageContext, pitId: string | undefined) =>
  ['cabinet', 'oven'].includes(messageContext.pits.find((pit) => pit.id === pitId)?.kind ?? '') ? 'in' : 'on';

function runTaskMessage(messageContext: MessageContext, task: Task, run: Run, pit: string): TaskMessage {
  const { units, event } = messageContext;
  const zone = event.timeZone;
  const batch = event.batches.find((each) => each.id === run.batchId)!;
  const cut = cutIn(messageContext.library, batch.cutId)!;
  const method = methodIn(messageContext.library, batch.methodId)!;
  const pieces = piecesMessage(messageContext, run.batchId, run.pieceIds.length);
  const places = list(
    run.legs
      .filter((leg) => leg.pitId === run.pitId)
      .map((leg) => `${leg.pieceIds.length} on the ${rackName(messageContext, leg.pitId, leg.rackId)}`),
  );
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  switch (task.kind) {
    case 'load':
      return {
        title: `Put ${pieces} ${onOrIn(messageContext, task.pitId)} the ${lowerPit(pit)}`,
        detail: `${capital(places)}, ${formatMass(run.kg, units)} in all; pit at ${setMessage(
          messageContext,
          messageContext.pits.find((each) => each.id === run.pitId),
          run.pitC,
        )}.${prepOf(cut, batch).fatSide ? ` Fat side ${FAT_SIDE_WORDS[prepOf(cut, batch).fatSide!]}.` : ''}`,
      };
    case 'wrap': {
      const at = wrapMoment(method, run, units);
      return {
        title: `Wrap ${pieces} ${WRAP_WORDS[method.wrap]}`,
        detail: `${at}${addedMessage(messageContext, batch, 'wrap')}${method.wrap === 'pan' ? addedMessage(messageContext, batch, 'braise') : ''}`,
      };
    }
    case 'unwrap':
      return {
        title: `Unwrap ${pieces}`,
        detail: `Open again, sooner if a probe slides in already; ${FIRM_MIN} min to dry and firm up before any is pulled.${addedMessage(messageContext, batch, 'glaze')}`,
      };
    case 'move': {
      const finish = run.legs.find((leg) => leg.fromMs === run.moveAtMs);
      return {
        title: `Move ${pieces} to the ${lowerPit(finish ? pitName(messageContext, finish.pitId) : pit)}`,
        detail: `Wrapped meat needs heat, not smoke: this frees the ${lowerPit(pit)}.`,
      };
    }
    case 'check':
      return {
        title: `Start checking ${pieces}`,
        detail:
          cut.done.by === 'tender'
            ? `${capital(readyAt(cut, units))}, but by its signs: ${withFigures(cut.signs, units)} Expected ${time(run.pullMedianMs)}, by ${time(run.pullLateMs)} at the latest.${run.unwrapAtMs === undefined ? addedMessage(messageContext, batch, 'glaze') : ''}`
            : `Pull at ${formatTemp(run.pullCoreC, units)}; it must reach ${formatTemp(cut.done.coreC, units)} while resting. ${cut.safetyClass === 'poultry' ? 'Measure and write down the peak. ' : ''}${withFigures(cut.signs, units)} ${withFigures(cut.probe, units)} Expected ${time(run.pullMedianMs)}.`,
      };
    case 'pull':
      if (batch?.reheats !== undefined)
        return {
          title: `Pull ${pieces} once every spot is at ${formatTemp(74, units)}`,
          detail: `Reheated within 2 h (Food Code 3-403.11); what is not is thrown away. The latest is ${time(run.pullLateMs)}.`,
        };
      return {
        title: `Pull ${pieces} as they are done${method.restWrap ? ` and wrap them ${WRAP_WORDS[method.restWrap]}` : ''}`,
        detail: `Each on its own. Expected now; the latest is ${time(run.pullLateMs)}.${method.restWrap ? ` Vented first, then wrapped for the rest alone.${addedMessage(messageContext, batch, 'wrap')}` : ''}`,
      };
    case 'vent':
      return { title: `Vent ${pieces}`, detail: `Open for ${formatMinutes(task.minutes)} to stop the carry-over.` };
    case 'rest':
      return {
        title: `Rest ${pieces}`,
        detail:
          cut.done.by === 'core'
            ? `${capital(restMessage(method, run, units))} on the board; the core still climbs.`
            : `${capital(restMessage(method, run, units))}, under a tent.`,
      };
    case 'hold': {
      const bare = cut.species !== 'dish' && (run.wrapAtMs === undefined || run.unwrapAtMs !== undefined);
      const gearId = task.gearId ?? run.hold.first?.gearId ?? run.hold.gearId;
      const inBox = messageContext.boxes.some((box) => box.id === gearId);
      if (task.gearId)
        return {
          title: `Box ${pieces} in the ${lowerPit(gearName(messageContext, gearId))} for the drive`,
          detail: `Hot from where they waited, quickly, lid shut; carved from ${time(run.carveAtMs)}; coolest core then about ${formatTemp(run.hold.coolestAtCarveC, units)}.`,
        };
      return {
        title: `Hold ${pieces} in the ${lowerPit(gearName(messageContext, gearId))}`,
        detail: `${bare && inBox ? 'Wrapped in foil or towels. ' : ''}Rests there ${restMessage(method, run, units)}, and waits until ${time(run.hold.first?.untilMs ?? run.carveAtMs)}; coolest core then about ${formatTemp(run.hold.coolestAtCarveC, units)}, never below ${formatTemp(limitsOf(event).hotHold, units)}.`,
      };
    }
    case 'carve':
      if (batch && isReheatedLater(messageContext.event, batch))
        return {
          title: `Portion and chill ${piecesMessage(messageContext, run.batchId, task.pieceIds?.length ?? run.pieceIds.length)}`,
          detail: `${chillMessage(batch, units)} Label it with the hour; write the cores into the safety log.`,
        };
      return {
        title: `Carve ${piecesMessage(messageContext, run.batchId, task.pieceIds?.length ?? run.pieceIds.length)}`,
        detail: `${cut.carving && isFirstCarving(task) ? `${withFigures(cut.carving, units)} ` : ''}About ${formatMinutes(task.minutes)} of work for one pair of hands.${addedMessage(messageContext, batch, 'dressing')}${addedMessage(messageContext, batch, 'sauce')}`,
      };
    default:
      return { title: capital(task.kind), detail: '' };
  }
}

/** How a cut is opened up is said once a run, not at each pair of hands. */
const isFirstCarving = ({ id }: Task): boolean => !/carve\d+$/.test(id);

/** What says that it is time to wrap. */
function wrapMoment(
  { wrapWhen: { coreC, afterMin, bark, colour = 'usual', all } }: Method,
  { onAtMs, wrapAtMs }: Run,
  units: Units,
): string {
  const dark = `${COLOUR_WORDS[colour]} bark that no longer scrapes off`;
  if (bark && coreC !== undefined) return `A ${dark}${all ? ' and' : ', or'} the core about ${formatTemp(coreC, units)}.`;
  if (bark) return `A ${dark}, by eye.`;
  if (coreC !== undefined) return `Core about ${formatTemp(coreC, units)} and the bark set.`;
  return afterMin === undefined
    ? 'When it looks right.'
    : `By the clock, ${formatMinutes(Math.round(((wrapAtMs ?? onAtMs) - onAtMs) / MS_PER_MIN))} after going on; the colour should be right.`;
}

const CHILLED: Record<CoolingWay, string> = { fridge: 'into the fridge', ice: 'into an ice bath', blast: 'into the blast chiller' };

/** What keeps the two-stage rule for meat that is cooked ahead. */
const chillMessage = ({ leftover }: Batch, units: Units): string =>
  `${leftover ? `No portion thicker than ${formatLength(leftover.portionThicknessMm, units)}, ${CHILLED[leftover.way]} at once: ` : 'At once: '}` +
  `${formatTemp(57, units)} to ${formatTemp(21, units)} within 2 h, to ${formatTemp(5, units)} within 4 more (Food Code 3-501.14; your local code decides).`;

/** By the core where the method rests to one, with the minutes it should take; by the minutes otherwise. */
const restMessage = ({ restToC }: Method, { restMin }: Run, units: Units): string =>
  restToC === undefined
    ? `at least ${formatMinutes(restMin)}`
    : `until the core has fallen to ${formatTemp(restToC, units)}, about ${formatMinutes(restMin)}`;
