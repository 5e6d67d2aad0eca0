import type {
  DeedKind,
  DrillSetId,
  News,
  OptionKind,
  PieceFault,
  PracticeDeed,
  Refusal,
  Scenario,
  Skill,
  TroubleKind,
} from '../../core/practice';
import { CHIMNEY_MIN } from '../../core/practice';
import type { Units } from '../units';
import { formatMinutes, formatTemp, formatTempDifference } from '../units';

interface ScenarioWords {
  title: string;
  /** What the trouble is, in a few words. */
  about: string;
  /** What is taken over. */
  brief: string;
  /** What to do first. */
  first: string;
}

/** What is said of each scenario before it begins. */
export const SCENARIO_WORDS: Record<string, ScenarioWords> = {
  'two-hours-of-ribs': {
    title: 'Two hours of ribs',
    about: 'a fire that falls',
    brief: 'Three racks have been on the kettle for two hours. Nobody has looked at the coals for a while. Supper is in two hours.',
    first: 'Look through the vent: how much still glows? A chimney takes a quarter of an hour.',
  },
  'birds-and-a-gauge': {
    title: 'Birds, and a gauge that lies',
    about: 'a gauge that reads too hot',
    brief: 'Four half chickens for lunch, a ceramic that stands ready, and a new gauge that nobody has checked.',
    first: 'Put the birds on in time. Do not serve by the gauge: probe every bird.',
  },
  'grease-on-the-drum': {
    title: 'Grease on the drum',
    about: 'fat that catches fire',
    brief: 'Two butts drip on hot coals in the drum. They are wrapped in foil once the bark is set. Supper is in two and a half hours.',
    first: 'Lift the lid once and look at the bark. Keep a hand near the lower vent.',
  },
  squall: {
    title: 'Squall',
    about: 'rain and wind',
    brief: 'Loin back ribs for an early supper, and the sky to the west is black.',
    first: 'Put the racks on. Know where the wind shelter stands before you need it.',
  },
  'an-hour-early': {
    title: 'An hour early',
    about: 'guests who want to eat sooner',
    brief: 'Three butts in the cabinet since the morning, five hours to go, and a client who likes to telephone.',
    first: 'Look how far they are: lift the lid, then ask the forecast.',
  },
  'the-helper': {
    title: 'The helper',
    about: 'a lid that never stays shut',
    brief: 'Pork collars on the reverse-flow pit, and somebody’s cousin who would like to help.',
    first: 'Feed the fire with a warmed split before it burns down to coals.',
  },
  'wet-wood': {
    title: 'Wet wood',
    about: 'wood that smokes white',
    brief: 'Pork collars on the offset. The wood that came today is wet right through. Six hours to go.',
    first: 'Lay splits on the firebox to warm and dry before they go in.',
  },
  'one-brisket-short': {
    title: 'One brisket short',
    about: 'a delivery that is short',
    brief: 'The truck brought one brisket flat in place of two. Two pork collars lie in the cold. Seven hours to go.',
    first: 'Decide now whether the collars can still make it, and put them on.',
  },
  'probe-in-the-fat': {
    title: 'Probe in the fat',
    about: 'a probe that reads the wrong thing',
    brief: 'Two butts on the pellet pit since two hours, a probe in the first. The core climbs faster than anybody has seen.',
    first: 'Compare: probe the same butt by hand before you believe the curve.',
  },
  'the-long-stall': {
    title: 'The long stall',
    about: 'a stall that will not end',
    brief: 'Two briskets on the offset since before dawn. It is damp, and the cores stand still. Nine and a half hours to go.',
    first: 'Keep the fire clean: a warmed split about every half hour. Look at the bark, not at the clock.',
  },
  'three-in-the-morning': {
    title: 'Three in the morning',
    about: 'coals that die at night',
    brief: 'Butts on the bullet since one. Whoever had the watch went to sleep. It is three, and lunch is at half past twelve.',
    first: 'Look through the vent. Light a chimney before you do anything else.',
  },
};

/** A rehearsal is of an event’s own. */
export const rehearsalWords = (eventName: string, { pieces, troubles }: Scenario): ScenarioWords => ({
  title: `Rehearsal: ${eventName}`,
  about: 'your own plan, on your own pits',
  brief: `${pieces.length} pieces go on when the plan says.${troubles.length > 0 ? ' One thing will go wrong.' : ''}`,
  first: 'Let the fire settle, and put the first pieces on when they are due.',
});

/** Taken care of in practice as it is in life. */
export const PRACTICE_CAUTION =
  'In life: never burn charcoal or wood in a tent, garage or room (carbon monoxide); heat-proof gloves at lid, vents and chimney; never water on burning fat; every bird to 165 °F (74 °C) by a checked probe. Your local code and fire marshal decide.';

const TROUBLE_WORDS: Record<TroubleKind, (news: News, units: Units) => string> = {
  coalsDie: () => 'The coals are burning down: nobody has fed them.',
  gaugeLies: (news, units) => `This gauge is new. Another of its kind was ${formatTempDifference(news.much ?? 25, units)} wrong.`,
  flare: () => 'Grease has caught: black smoke, flames at the rim.',
  wind: () => 'The wind gets up and comes in at the lower vent.',
  rain: () => 'Rain, driven flat by the wind.',
  guestsEarly: (news) => `The client telephones: they will eat ${formatMinutes(news.much ?? 60)} earlier.`,
  truckLate: (news) => `The guests’ boat is late: they will eat ${formatMinutes(news.much ?? 45)} later.`,
  deliveryShort: () => 'One flat for all of them is not enough. Two pork collars lie in the cold.',
  probeInFat: () => 'The probe that stays in climbs faster than before.',
  helperOpens: () => 'The helper lifts the lid to have a look. And again.',
  wetWood: () => 'The wood is wet: what goes in cold smokes white for a quarter of an hour.',
  longStall: () => 'The cores have stopped. The air is damp.',
  thinDries: () => 'The thin ends look drier than the rest.',
};

export function newsMessage(news: News, units: Units): string {
  switch (news.kind) {
    case 'chimneyReady':
      return 'The chimney glows: pour it.';
    case 'pitStrayed':
      return `The pit ran ${formatTempDifference(Math.abs(news.much ?? 0), units)} too ${(news.much ?? 0) < 0 ? 'cool' : 'hot'}.`;
    case 'flareOver':
      return 'The flare is out.';
    case 'flareWorse':
      return 'Water on burning fat throws it about. Somebody would be in hospital now. Shut the vents instead.';
    case 'tookOver':
      return 'It is yours from here.';
    case 'timeUp':
      return 'The guests have gone home.';
    default:
      return TROUBLE_WORDS[news.kind](news, units);
  }
}

export const REFUSAL_WORDS: Record<Refusal, string> = {
  notThere: 'That is not there.',
  nothingLit: `No chimney glows yet. Light one; it takes ${CHIMNEY_MIN} min.`,
  alreadyServed: 'That has been served.',
  notOnPit: 'It is not on the pit.',
  alreadyOn: 'It is on already.',
  alreadyWrapped: 'It is wrapped already.',
  notWrapped: 'It is not wrapped.',
  noThinEnd: 'It has no thin end.',
  noSuchHold: 'There is nothing like that to hold it in.',
  noProbe: 'No probe stays in that piece.',
  stillOnPit: 'Take it off the pit first.',
  outOfRange: 'This pit cannot be set to that.',
  noHelper: 'Nobody is there to send away.',
  notThisFire: 'This fire looks after itself: it has a set point.',
  over: 'This day is over.',
};

export const DEED_WORDS: Record<DeedKind, string> = {
  vents: 'Vents moved',
  chimney: 'Chimney lit',
  coals: 'Coals added',
  wood: 'Wood added',
  lid: 'Lid',
  water: 'Water filled',
  ash: 'Ash cleared',
  shelter: 'Wind shelter put up',
  douse: 'Water thrown on the fire',
  look: 'Looked',
  setPoint: 'Set point changed',
  load: 'Put on',
  unwrap: 'Opened up',
  spray: 'Sprayed',
  shield: 'Thin end shielded',
  moveProbe: 'Probe moved',
  press: 'Pressed',
  probe: 'Probed',
  wrap: 'Wrapped',
  pull: 'Taken off',
  serve: 'Served',
  sendHelper: 'Helper sent for ice',
  forecast: 'Forecast asked',
};

/** One line for one or more deeds of a kind. */
export function deedMessage(deeds: readonly PracticeDeed[], tagOf: (key: string) => string, units: Units): string {
  const [first] = deeds;
  if (!first) return '';
  const tags = [...new Set(deeds.flatMap((deed) => ('key' in deed ? [tagOf(deed.key)] : [])))].join(', ');
  const detail =
    first.kind === 'wrap'
      ? ` in ${first.wrap}`
      : first.kind === 'pull'
        ? first.to === 'board'
          ? ' to the board'
          : ` into the ${first.to}`
        : first.kind === 'coals'
          ? first.lit
            ? ', lit'
            : ', unlit'
          : first.kind === 'lid'
            ? first.open
              ? ' opened'
              : ' shut'
            : first.kind === 'setPoint'
              ? ` to ${formatTemp(first.pitC, units)}`
              : '';
  return `${DEED_WORDS[first.kind]}${detail}${tags ? `: ${tags}` : ''}`;
}

export const OPTION_WORDS: Record<OptionKind, string> = {
  asDone: 'as you did',
  waited: 'not then',
  paperInstead: 'paper instead',
  foilInstead: 'foil instead',
  seenToAtOnce: 'seen to at once',
};

export const FAULT_WORDS: Record<PieceFault, string> = {
  notServed: 'never served',
  underdone: 'underdone',
  tough: 'tough',
  mushy: 'falls apart',
  thinGone: 'thin end gone',
  dry: 'dry',
  pale: 'bark not set',
  softBark: 'soft bark',
  bitter: 'bitter',
  cool: 'served too cool',
  late: 'late',
  unprobed: 'not probed',
};

export const SKILL_WORDS: Record<Skill, [name: string, meaning: string]> = {
  fire: ['Fire', 'Minutes within reach of the heat that was wished, less those of white or black smoke.'],
  wrap: ['Wrap', 'Bark set before it was wrapped, and not steamed soft.'],
  tenderness: ['Tenderness', 'Tender, neither tough nor falling apart.'],
  timing: ['Timing', 'Served when the guests sat down.'],
  safety: ['Safety', 'Birds probed and hot, held meat hot, no water on fat.'],
};

export const SMOKE_WORD = {
  none: 'none, only heat',
  blue: 'thin and blue',
  grey: 'grey',
  white: 'thick and white',
  black: 'black',
} as const;
export const COLOUR_WORD = { raw: 'raw', amber: 'amber', mahogany: 'mahogany', dark: 'dark', black: 'nearly black' } as const;
export const WETNESS_WORD = { wet: 'wet', tacky: 'tacky', dry: 'dry' } as const;
export const BARK_WORD = { none: 'no bark yet', scrapes: 'comes off on the nail', set: 'set', hard: 'hard' } as const;
export const GIVE_WORD = {
  tight: 'tight: pushes back',
  some: 'some give',
  almost: 'almost: a little drag',
  tender: 'tender: no push',
  falling: 'no hold left',
} as const;
export const PRESS_WORD = { springs: 'springs back', yields: 'yields and comes back slowly', sinks: 'the finger sinks in' } as const;
export const BONE_WORD = {
  stuck: 'the bone will not turn',
  loosening: 'the bone turns with a pull',
  turns: 'the bone turns freely',
} as const;
export const BEND_WORD = {
  stiff: 'the rack stays stiff',
  bends: 'it bends',
  cracks: 'it bends and the bark cracks',
  breaks: 'it breaks in two',
} as const;

export const DRILL_WORDS: Record<DrillSetId, { title: string; about: string; ask: string }> = {
  smoke: { title: 'Name this smoke', about: 'eight fires and what comes out of them', ask: 'What smoke is this?' },
  bark: { title: 'Is this bark set?', about: 'eight pieces under an open lid', ask: 'You draw a fingernail over it. What is the bark?' },
  wrap: { title: 'Would you wrap?', about: 'eight pieces, and the hour of serving', ask: 'What would you do with it now?' },
  tender: { title: 'Is it tender?', about: 'eight probes going in', ask: 'You feel this under the probe. What now?' },
  first: {
    title: 'Which goes on first?',
    about: 'three pieces for one supper, eight times',
    ask: 'All are eaten together. Which goes on first?',
  },
  fourAm: {
    title: 'At ten past four',
    about: 'eight night fires',
    ask: 'It is 04:10, and there is a chimney glowing beside the pit. What do you do?',
  },
};
