import { byTheClock, COLD_C, plannedCook, runCook, SHIPPED_PARAMETERS } from '../forecast';
import { findCut, METHODS, presetPit, type Method } from '../model';
import { MS_PER_MIN } from '../units';
import { SimulatedWorld, worldMeat, type CloseUp } from '../world';
import { CALM, questionId, type DrillQuestion } from './drill';
import { outcomeOf } from './outcome';
import { scenarioIn } from './scenarios';
import { barkOf, feltOf, seenOf } from './seen';
import { begin, cookOn, freshMemory } from './steadyHand';

/** A piece in the simulated world, after so long at a heat. */
function pieceAfter(
  seed: number,
  cutId: string,
  kg: number,
  pitC: number,
  hours: number,
  wrapAfterH?: number,
): { piece: CloseUp; key: string } {
  const key = 'P1';
  const cut = findCut(cutId)!;
  const world = new SimulatedWorld({
    seed,
    startMs: 0,
    altitudeM: 0,
    weather: CALM,
    deviceId: 'drill',
    everyS: 600,
    closeUp: true,
    meats: [{ ...worldMeat(key, cut, kg, undefined, COLD_C), thinShare: cut.thinEnd?.thicknessShare }],
    fires: [{ pitId: 'pit', feedsItself: true, blower: true, openingDropC: 8, lastsMin: 1e5, wanderC: 0.5 }],
  });
  world.act(0, { did: 'lit', pitId: 'pit', pitC });
  world.act(30 * MS_PER_MIN, { did: 'on', key, pitId: 'pit' });
  for (let at = 0; at < 4; at++)
    world.act((30 + at * 45) * MS_PER_MIN, { did: 'wood', pitId: 'pit', kg: 0.1, waterShare: 0.15, warmed: true });
  if (wrapAfterH !== undefined) world.act((30 + wrapAfterH * 60) * MS_PER_MIN, { did: 'wrapped', key, wrap: 'paper' });
  world.advanceTo((30 + hours * 60) * MS_PER_MIN);
  return { piece: world.closeUp(key)!, key };
}

const BARK_AT: [cutId: string, kg: number, pitC: number, hours: number][] = [
  ['pork-butt', 3.2, 121, 2],
  ['pork-butt', 3.2, 121, 5.7],
  ['brisket-flat', 3, 135, 3.2],
  ['spare-ribs-squared', 1.25, 135, 1.9],
  ['spare-ribs-squared', 1.25, 135, 2.8],
  ['beef-chuck-roast', 1.6, 121, 4.6],
  ['brisket-whole', 5.5, 121, 7],
  ['pork-collar', 2, 149, 6.5],
];

/** What a fingernail would tell. */
export function barkQuestion(n: number): DrillQuestion {
  const [cutId, kg, pitC, hours] = BARK_AT[n % BARK_AT.length]!;
  const { piece } = pieceAfter(70 + n, cutId, kg, pitC, hours);
  const seen = seenOf(piece);
  return {
    id: questionId('bark', n),
    set: 'bark',
    scene: { kind: 'piece', cutId, seen, hoursOn: hours },
    choices: ['none', 'scrapes', 'set', 'hard'],
    right: [barkOf(piece.crust.bark)],
    why: { code: `bark.${barkOf(piece.crust.bark)}`, values: [hours, pitC] },
  };
}

const TENDER_AT: [cutId: string, kg: number, pitC: number, wrapAfterH: number, from: number][] = [
  ['pork-butt', 3.2, 121, 5, 0.35],
  ['brisket-flat', 3, 121, 5, 0.85],
  ['spare-ribs-squared', 1.25, 135, 2.2, 1.02],
  ['pork-butt', 3, 135, 4, 1.06],
  ['brisket-whole', 5.5, 121, 6, 0.58],
  ['beef-chuck-roast', 1.6, 135, 3, 1.25],
  ['loin-back-ribs', 1.1, 121, 2.5, 0.72],
  ['pork-collar', 2, 135, 4, 0.97],
];

/** Whether a hand would take it off now, by what it feels. */
export function tenderQuestion(n: number): DrillQuestion {
  const [cutId, kg, pitC, wrapAfterH, from] = TENDER_AT[n % TENDER_AT.length]!;
  const seed = 90 + n;
  let [hours, at] = [3, pieceAfter(seed, cutId, kg, pitC, 3, wrapAfterH).piece];
  while (at.tenderShare < from && hours < 24) at = pieceAfter(seed, cutId, kg, pitC, (hours += 0.5), wrapAfterH).piece;
  const felt = feltOf(at, findCut(cutId)!, 'thick', 0);
  const right = { tight: 'muchLonger', some: 'hourMore', almost: 'soon', tender: 'pullNow', falling: 'tooFar' }[felt.give];
  return {
    id: questionId('tender', n),
    set: 'tender',
    scene: { kind: 'felt', cutId, felt },
    choices: ['muchLonger', 'hourMore', 'soon', 'pullNow', 'tooFar'],
    right: [right],
    why: { code: `give.${felt.give}`, tempC: felt.coreC, share: at.tenderShare },
  };
}

/** Points of a plate that nobody tastes. */
const AS_GOOD = 1.5;

const WRAP_AT: [scenarioId: string, afterMin: number][] = [
  ['two-hours-of-ribs', 22],
  ['the-long-stall', 6],
  ['the-long-stall', 110],
  ['the-helper', 120],
  ['wet-wood', 150],
  ['squall', 70],
  ['squall', 155],
  ['grease-on-the-drum', 25],
];

/** Paper, foil or not yet: each tried on the day as it truly stands. */
export function wrapQuestion(n: number): DrillQuestion {
  const [scenarioId, afterMin] = WRAP_AT[n % WRAP_AT.length]!;
  const day = begin({ ...scenarioIn(scenarioId)!, troubles: [] }, 20 + n);
  // Nobody wraps before the question is put.
  const memory = freshMemory();
  cookOn(day, { hotterC: 0, wrap: 'none' }, memory, day.nowMs + afterMin * MS_PER_MIN);
  const bare = day.scenario.pieces.find(({ key }) => day.isOn(key) && day.pieces[key]!.wrap === 'none') ?? day.scenario.pieces[0]!;
  const truth = day.truth(bare.key);
  const tried = (['paper', 'foil', 'bare'] as const).map((choice) => {
    const other = day.fork();
    if (choice !== 'bare') {
      if (other.pieces[bare.key]!.wrap !== 'none') other.do({ kind: 'unwrap', key: bare.key });
      other.do({ kind: 'wrap', key: bare.key, wrap: choice });
    }
    cookOn(other, { hotterC: 0 }, structuredClone(memory));
    const { pieces } = outcomeOf(other);
    const own = pieces.find((piece) => piece.key === bare.key)!;
    return { choice, worth: own.plate - 0.9 * Math.max(0, own.lateMin - 10) };
  });
  const best = tried.reduce((most, each) => (each.worth > most.worth ? each : most));
  return {
    id: questionId('wrap', n),
    set: 'wrap',
    scene: {
      kind: 'piece',
      cutId: bare.cutId,
      seen: { ...seenOf(truth), wrapped: false },
      coreC: truth.coreC,
      hoursOn: (day.nowMs - (day.pieces[bare.key]!.onAtMs ?? day.nowMs)) / 3_600_000,
      untilMin: (day.serveAtMs - day.nowMs) / MS_PER_MIN,
    },
    choices: ['paper', 'foil', 'bare'],
    right: tried.filter((each) => each.worth > best.worth - AS_GOOD).map((each) => each.choice),
    why: { code: `wrap.${best.choice}.${barkOf(truth.crust.bark)}`, values: tried.map((each) => Math.round(each.worth)) },
  };
}

const FIRST_OF: { pieces: [cutId: string, kg: number, methodId: string][]; pitC: number }[] = [
  {
    pitC: 121,
    pieces: [
      ['brisket-whole', 5.5, 'low-paper'],
      ['pork-butt', 3.6, 'low-paper'],
      ['spare-ribs', 1.9, 'ribs-bare'],
    ],
  },
  {
    pitC: 121,
    pieces: [
      ['pork-butt', 4, 'low-bare'],
      ['brisket-flat', 3, 'low-foil'],
      ['beef-chuck-roast', 1.6, 'low-bare'],
    ],
  },
  {
    pitC: 135,
    pieces: [
      ['chicken-half', 0.8, 'poultry-middle'],
      ['loin-back-ribs', 1.1, 'ribs-middle'],
      ['turkey-breast-bone-in', 2.4, 'poultry-middle'],
    ],
  },
  {
    pitC: 149,
    pieces: [
      ['pork-butt', 2.6, 'hot-foil'],
      ['beef-plate-ribs', 2.4, 'hot-bare'],
      ['pork-collar', 2, 'hot-foil'],
    ],
  },
  {
    pitC: 121,
    pieces: [
      ['beef-plate-ribs', 2.4, 'low-paper'],
      ['spare-ribs-squared', 1.3, 'ribs-bare'],
      ['pork-collar', 2.2, 'low-paper'],
    ],
  },
  {
    pitC: 135,
    pieces: [
      ['brisket-whole', 5, 'middle-paper'],
      ['pork-butt', 4.2, 'middle-bare'],
      ['beef-chuck-roast', 1.6, 'middle-paper'],
    ],
  },
  {
    pitC: 121,
    pieces: [
      ['lamb-shoulder', 2.6, 'low-paper'],
      ['pork-butt', 3, 'low-foil'],
      ['chicken-whole', 1.8, 'poultry-middle'],
    ],
  },
  {
    pitC: 135,
    pieces: [
      ['pork-collar', 2.2, 'middle-paper'],
      ['pork-collar', 1.2, 'middle-paper'],
      ['loin-back-ribs', 1.1, 'ribs-middle'],
    ],
  },
];

/** Which must go on first, all being eaten together: the one that takes longest, by the cook model. */
export function firstQuestion(n: number): DrillQuestion {
  const { pitC, pieces } = FIRST_OF[n % FIRST_OF.length]!;
  const pit = presetPit('offset', () => 'rack');
  const known = pieces.map(([cutId, kg, methodId]) => ({
    cut: findCut(cutId)!,
    kg,
    method: METHODS.find((each: Method) => each.id === methodId)!,
  }));
  const minutes = known.map(({ cut, kg, method }) => {
    const clocked = byTheClock(cut, method, { kg, startC: COLD_C, altitudeM: 0, airC: CALM.airC }, SHIPPED_PARAMETERS);
    const place = { pit, pitC, altitudeM: 0, weather: CALM, loadKg: kg };
    const { setup } = plannedCook({ cut, method: clocked, temperMin: 0, kg }, place, SHIPPED_PARAMETERS);
    return Math.round(runCook(setup, SHIPPED_PARAMETERS, { stepMin: 2, cells: 14 }).doneAtMin + method.ventMin + method.restMin);
  });
  return {
    id: questionId('first', n),
    set: 'first',
    scene: { kind: 'pieces', pieces: known.map(({ cut, kg, method }) => ({ cutId: cut.id, kg, methodId: method.id })), pitC },
    choices: known.map((_, i) => String(i)),
    right: [String(minutes.indexOf(Math.max(...minutes)))],
    why: { code: 'first', minutes },
  };
}
