import {
  cutIn,
  methodIn,
  type CookEvent,
  type HoldingBox,
  type Library,
  type Pit,
  type PlanProblem,
  type Reason,
  type Run,
  type Task,
  type Wrap,
} from '../core/model';
import { dayAndTime, clockTime } from './clock';
import { formatArea, formatMass, formatMinutes, formatTemp, type Units } from './units';

/** What the sentences speak of, and in which units. The same words serve the screen, the calendar and the table. */
export interface Speech {
  event: CookEvent;
  pits: Pit[];
  boxes: HoldingBox[];
  library: Library;
  units: Units;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const list = (names: string[]): string => (names.length <= 1 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`);

export const pitName = (speech: Speech, pitId: string): string => speech.pits.find((pit) => pit.id === pitId)?.name ?? 'a pit';
export const rackName = (speech: Speech, pitId: string, rackId: string): string =>
  speech.pits.find((pit) => pit.id === pitId)?.racks.find((rack) => rack.id === rackId)?.name ?? 'a rack';

/** `3 briskets`, `1 pan of harbour beans`. */
export function piecesWords(speech: Speech, batchId: string, count: number): string {
  const batch = speech.event.batches.find((each) => each.id === batchId);
  const cut = batch && cutIn(speech.library, batch.cutId);
  if (!batch || !cut) return `${count} pieces`;
  const noun = cut.noun[count === 1 ? 0 : 1];
  if (batch.label) return `${count} ${noun} of ${batch.label.toLowerCase()}`;
  return `${count} ${SAME_WORD.has(cut.id) ? noun : `${SHORT_KIND[cut.id] ?? cut.name} ${noun}`}`;
}
/** Cuts whose one word says it all. */
const SAME_WORD = new Set(['brisket-whole', 'tri-tip', 'chicken-whole', 'turkey-whole']);
const SHORT_KIND: Record<string, string> = {
  'brisket-flat': 'brisket',
  'brisket-point': 'brisket',
  'beef-plate-ribs': 'beef rib',
  'beef-chuck-ribs': 'chuck rib',
  'beef-back-ribs': 'beef back rib',
  'beef-chuck-roast': 'chuck',
  'beef-cheek': 'beef',
  'rib-roast': 'rib',
  'eye-of-round': 'eye of round',
  'pork-butt': 'pork',
  'pork-picnic': 'pork',
  'pork-collar': 'pork',
  'pork-belly': 'pork',
  'pork-loin': 'pork',
  'spare-ribs': 'spare rib',
  'spare-ribs-squared': 'spare rib',
  'loin-back-ribs': 'loin back rib',
  'sausage-link': 'sausage',
  'chicken-half': 'chicken',
  'chicken-thigh': 'chicken',
  'turkey-breast-boneless': 'turkey',
  'turkey-breast-bone-in': 'turkey',
  'lamb-shoulder': 'lamb',
  'lamb-leg-boneless': 'lamb',
  'pan-dish': 'dish',
};

/** Short name for a bar: `Briskets 3`. */
export function batchName(speech: Speech, batchId: string): string {
  const batch = speech.event.batches.find((each) => each.id === batchId);
  const cut = batch && cutIn(speech.library, batch.cutId);
  if (!batch || !cut) return 'Batch';
  if (batch.label) return batch.label;
  const plural = cut.noun[batch.pieces.length === 1 ? 0 : 1];
  return capital(SAME_WORD.has(cut.id) ? plural : `${SHORT_KIND[cut.id] ?? cut.name} ${plural}`);
}

const WRAP_WORDS: Record<Wrap, string> = { none: '', paper: 'in paper', foil: 'in foil', pan: 'in a covered pan' };

export interface TaskWords {
  title: string;
  detail: string;
}

/** What to do, and what to look for while doing it. */
export function taskWords(speech: Speech, task: Task, runs: Run[]): TaskWords {
  const { units } = speech;
  const pit = task.pitId ? pitName(speech, task.pitId) : '';
  if (task.kind === 'light' && !speech.pits.find((each) => each.id === task.pitId)?.smoke)
    return {
      title: `Heat the ${lowerPit(pit)} to ${formatTemp(task.pitC!, units)}`,
      detail: 'No smoke here: it takes what is wrapped, and pans.',
    };
  if (task.kind === 'light')
    return {
      title: `Light the ${lowerPit(pit)}`,
      detail: `Come up from below to ${formatTemp(task.pitC!, units)}; load once the smoke is clean.`,
    };
  if (task.kind === 'setPoint')
    return { title: `Set the ${lowerPit(pit)} to ${formatTemp(task.pitC!, units)}`, detail: 'Change the heat ahead of the next batch.' };
  if (task.kind === 'serve') {
    const serving = speech.event.servings.find((each) => each.id === task.servingId)!;
    return {
      title: `Serve ${serving.name.toLowerCase()}`,
      detail: `${serving.guests.adults + serving.guests.children} guests, for ${formatMinutes(serving.serveForMin)}.`,
    };
  }
  const run = runs.find((each) => each.id === task.runId)!;
  return runTaskWords(speech, task, run, pit);
}

const onOrIn = (speech: Speech, pitId: string | undefined) =>
  ['cabinet', 'oven'].includes(speech.pits.find((pit) => pit.id === pitId)?.kind ?? '') ? 'in' : 'on';
const lowerPit = (name: string) => (name.startsWith('The ') ? name.slice(4) : name.charAt(0).toLowerCase() + name.slice(1));

function runTaskWords(speech: Speech, task: Task, run: Run, pit: string): TaskWords {
  const { units, event } = speech;
  const zone = event.timeZone;
  const batch = event.batches.find((each) => each.id === run.batchId)!;
  const cut = cutIn(speech.library, batch.cutId)!;
  const method = methodIn(speech.library, batch.methodId)!;
  const pieces = piecesWords(speech, run.batchId, run.pieceIds.length);
  const places = list(
    run.legs
      .filter((leg) => leg.pitId === run.pitId)
      .map((leg) => `${leg.pieceIds.length} on the ${rackName(speech, leg.pitId, leg.rackId)}`),
  );
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  switch (task.kind) {
    case 'load':
      return {
        title: `Put ${pieces} ${onOrIn(speech, task.pitId)} the ${lowerPit(pit)}`,
        detail: `${capital(places)}, ${formatMass(run.kg, units)} in all; pit at ${formatTemp(run.pitC, units)}. A gap all round for air.`,
      };
    case 'wrap': {
      const at =
        method.wrapWhen.coreC !== undefined
          ? `Core about ${formatTemp(method.wrapWhen.coreC, units)} and the bark set.`
          : 'By the clock; the colour should be right.';
      return { title: `Wrap ${pieces} ${WRAP_WORDS[method.wrap]}`, detail: at };
    }
    case 'unwrap':
      return { title: `Unwrap ${pieces}`, detail: 'Open again to dry and glaze.' };
    case 'move': {
      const finish = run.legs.find((leg) => leg.fromMs === run.moveAtMs);
      return {
        title: `Move ${pieces} to the ${lowerPit(finish ? pitName(speech, finish.pitId) : pit)}`,
        detail: `Wrapped meat needs heat, not smoke: this frees the ${lowerPit(pit)}.`,
      };
    }
    case 'check':
      return {
        title: `Start checking ${pieces}`,
        detail:
          cut.done.by === 'tender'
            ? `Tender from about ${formatTemp(cut.pulledAtC[0], units)}: a probe meets almost no resistance. Expected ${time(run.pullMedianMs)}, by ${time(run.pullLateMs)} at the latest.`
            : `Pull at ${formatTemp(run.pullCoreC, units)}; it must reach ${formatTemp(cut.done.coreC, units)} while resting. Measure and write down the peak. Expected ${time(run.pullMedianMs)}.`,
      };
    case 'pull':
      return { title: `Pull ${pieces} as they are done`, detail: `Each on its own. Expected now; the latest is ${time(run.pullLateMs)}.` };
    case 'vent':
      return { title: `Vent ${pieces}`, detail: `Open for ${formatMinutes(task.minutes)} to stop the carry-over.` };
    case 'rest':
      return {
        title: `Rest ${pieces}`,
        detail:
          cut.done.by === 'core'
            ? `At least ${formatMinutes(run.restMin)} on the board; the core still climbs.`
            : `At least ${formatMinutes(run.restMin)}, under a tent.`,
      };
    case 'hold': {
      const box = speech.boxes.find((each) => each.id === run.hold.gearId);
      return {
        title: `Hold ${pieces} in the ${lowerPit(box?.name ?? 'box')}`,
        detail: `Until ${time(run.carveAtMs)}; coolest core then about ${formatTemp(run.hold.coolestAtCarveC, units)}. Keep at or above ${formatTemp(60, units)}.`,
      };
    }
    case 'carve':
      return { title: `Carve ${pieces}`, detail: `About ${formatMinutes(task.minutes)} of work for one pair of hands.` };
    default:
      return { title: capital(task.kind), detail: '' };
  }
}

/** One sentence for one reason of a run's start. */
export function reasonWords(speech: Speech, reason: Reason): string {
  const zone = speech.event.timeZone;
  const { units } = speech;
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  switch (reason.code) {
    case 'servingNeeds': {
      const serving = speech.event.servings.find((each) => each.id === reason.servingId);
      return `${serving?.name ?? 'The serving'} is carved from ${time(reason.carveAtMs)}`;
    }
    case 'restNeeds':
      return reason.ventMin > 0
        ? `Before that it vents ${reason.ventMin} min and rests at least ${formatMinutes(reason.restMin)}`
        : `Before that it rests at least ${formatMinutes(reason.restMin)}`;
    case 'cookTakes':
      return `Half of such cooks are done within ${formatMinutes(reason.medianMin)}, ${oddsWords(reason.confidence)} within ${formatMinutes(reason.lateMin)}`;
    case 'movedEarlier':
      return `On ${formatMinutes(reason.minutes)} earlier than the serving asks: ${pitName(speech, reason.pitId)}, ${rackName(speech, reason.pitId, reason.rackId)}${reason.blockedUntilMs ? `, is taken until ${time(reason.blockedUntilMs)}` : ' has no room later'}`;
    case 'sharesHeat':
      return `Cooks at ${formatTemp(reason.pitC, units)}, not the method's ${formatTemp(reason.wantedC, units)}, to share the ${lowerPit(pitName(speech, reason.pitId))}`;
    case 'finishesElsewhere':
      return `Once wrapped it finishes in the ${lowerPit(pitName(speech, reason.pitId))} from ${time(reason.atMs)}, which frees the rack`;
  }
}

/** `9 in 10`, `19 in 20`. */
export function oddsWords(share: number): string {
  const outOf = [10, 20, 100].find((each) => Math.abs(share * each - Math.round(share * each)) < 1e-6) ?? 100;
  return `${Math.round(share * outOf)} in ${outOf}`;
}

export interface ProblemWords {
  what: string;
  remedy: string;
}

/** What does not fit, what is short and when, and what would mend it. */
export function planProblemWords(speech: Speech, problem: PlanProblem): ProblemWords {
  const zone = speech.event.timeZone;
  const { units } = speech;
  const span = (fromMs: number, toMs: number) => `${dayAndTime(fromMs, zone, units.clock)} to ${clockTime(toMs, zone, units.clock)}`;
  const pieces = 'pieces' in problem ? capital(piecesWords(speech, problem.batchId, problem.pieces)) : batchName(speech, problem.batchId);
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
    case 'rackFull':
      return {
        what: `${pieces} ${have} no place: ${pitName(speech, problem.pitId)}, ${rackName(speech, problem.pitId, problem.rackId)} is short of ${formatArea(problem.shortMm2, units)}, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Add a pit, choose a method that wraps and finishes in the oven, or take fewer pieces.',
      };
    case 'rackOverloaded':
      return {
        what: `${pieces} ${have} no place: ${rackName(speech, problem.pitId, problem.rackId)} of the ${lowerPit(pitName(speech, problem.pitId))} would carry ${formatMass(problem.shortKg, units)} too much, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Spread the weight over another pit.',
      };
    case 'heatConflict':
      return {
        what: `${pieces} want ${formatTemp(problem.wantedC, units)} while the ${lowerPit(pitName(speech, problem.pitId))} runs at ${formatTemp(problem.setC, units)}, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Choose methods that share a heat, or add a pit.',
      };
    case 'poultryAbove':
      return {
        what: `${pieces} would share the ${lowerPit(pitName(speech, problem.pitId))} with other food in the wrong order, ${span(problem.fromMs, problem.toMs)}: raw poultry may never lie above anything else.`,
        remedy: 'Use another pit for the poultry, or serve it at another time.',
      };
    case 'boxFull':
      return {
        what: `${pieces} cannot be held: the box is short of ${Math.ceil(problem.shortLitres)} litres, ${span(problem.fromMs, problem.toMs)}.`,
        remedy: 'Bring a second box, or a larger one.',
      };
    case 'holdTooLong':
      return {
        what: `${pieces} would wait ${formatMinutes(problem.holdMin)} if they finish early; ${formatMinutes(Math.max(0, problem.allowedMin))} is what they can take and stay hot.`,
        remedy: 'Add an insulated box under Pits, or plan with a lower confidence.',
      };
    case 'neverDone':
      return { what: `${pieces} never get done at ${formatTemp(problem.pitC, units)}.`, remedy: 'Choose a hotter method or a wrap.' };
    case 'dangerZone':
      return {
        what: `${pieces} would spend ${formatMinutes(problem.minutes)} between ${formatTemp(5, units)} and ${formatTemp(57, units)}; ${formatMinutes(problem.allowedMin)} is the limit for poultry (trade rule, stricter than FSIS guidance; your local code decides).`,
        remedy: 'Choose a hotter method or smaller pieces.',
      };
    case 'alreadyPast':
      return {
        what: `${pieces} should have been started ${formatMinutes(problem.lateByMin)} ago.`,
        remedy: 'Move the serving later, or choose a faster method.',
      };
    case 'servedBelowHotHold':
      return {
        what: `${pieces}: served at about ${formatTemp(problem.coreC, units)}, below the ${formatTemp(60, units)} hot-holding value.`,
        remedy:
          'Food Code 3-603.11 asks for a consumer advisory, and 3-801.11 forbids it for highly susceptible guests. Your local code decides.',
      };
  }
}
