import { FUEL_HAZARDS, fuelOf, type LoosenableRule } from '../../core/model';
import { SAFETY_RULES, type SafetyFinding, type SafetyStage } from '../../core/safety';
import { clockTime, dayAndTime } from '../clock';
import { batchName, capital, list, type MessageContext } from './names';
import { formatMinutes, formatTemp, type Units, withFigures } from '../units';

export const STAGE_NAMES: Record<SafetyStage, string> = {
  receive: 'Receiving',
  thaw: 'Thawing',
  season: 'Seasoning',
  trim: 'Trimming',
  fire: 'Fire',
  cook: 'Cooking',
  hold: 'Holding',
  serve: 'Serving',
  after: 'Afterwards',
};

export interface SafetyMessage {
  title: string;
  /** The usual value. */
  guidance: string;
  /** What this plan does. */
  does: string;
  /** What to change, or to do on the day. */
  change: string;
}

const LOOSE_NAMES: Record<LoosenableRule, string> = {
  hotHold: 'Hot holding',
  bareMeatPit: 'Pit heat over bare meat',
  dangerZone: 'Time in the danger zone',
  nonIntactCore: 'Core of non-intact meat',
};
export const looseName = (rule: LoosenableRule): string => LOOSE_NAMES[rule];
/** `60 °C`, `4 h`. */
export const limitMessage = (rule: LoosenableRule, limit: number, units: Units): string =>
  rule === 'dangerZone' ? formatMinutes(limit) : formatTemp(limit, units);

/** One finding of the review in words. */
export function safetyMessage(messageContext: MessageContext, finding: SafetyFinding): SafetyMessage {
  const { units, event } = messageContext;
  const { figures, limit = 0 } = finding;
  const temp = (c: number) => formatTemp(c, units);
  const names = list(finding.batchIds.map((id) => batchName(messageContext, id).toLowerCase()));
  const which = capital(names);
  const at = (ms: number) => dayAndTime(ms, event.timeZone, units.clock);
  switch (finding.code) {
    case 'coldOnArrival':
      return {
        title: 'Cold when it comes',
        guidance: `Core at or below ${temp(limit)} on delivery`,
        does: finding.state === 'measure' ? `Not measured yet: ${names}` : `Measured: ${names}`,
        change: 'Measure between two packs and write it on the receiving list; send back what is warmer.',
      };
    case 'arrivedWarm':
      return {
        title: `${which} came warm`,
        guidance: `Core at or below ${temp(limit)} on delivery`,
        does: `${which} measured ${temp(figures.coreC!)}`,
        change: 'Refuse it, or ask the department before using it: nobody knows how long it was warm.',
      };
    case 'thawCold':
      return {
        title: 'Thawed in the cold',
        guidance: `At or below ${temp(limit)} throughout`,
        does: withFigures(`${which}: planned in the fridge, 24 h for each {1.8 to 2.3 kg}`, units),
        change: 'Lowest shelf, in a tray; never on the counter.',
      };
    case 'thawWater':
      return {
        title: 'Thawed under running water',
        guidance: `Water at or below ${temp(21)}; at most ${formatMinutes(limit)} above ${temp(5)}`,
        does: finding.state === 'breaks' ? `${which} would take longer than that` : `${which}: within the limit`,
        change: finding.state === 'breaks' ? 'Thaw it in the cold, or buy lighter pieces.' : 'Cook it or chill it at once.',
      };
    case 'brineCold':
      return {
        title: 'Brine cold before meat goes in',
        guidance: `At or below ${temp(limit)}, in a food-safe tub; thrown away after`,
        does: `${which}: the recipe is cooled with ice; measure before the meat goes in`,
        change: 'Rinse, dry, then scrub the sink: splashes carry what was on the bird.',
      };
    case 'injected':
      return {
        title: 'Injected meat is non-intact',
        guidance: `Core ${temp(limit)} for 17 s (or ${temp(63)} 3 min, ${temp(66)} 1 min, ${temp(70)} at once)`,
        does: `${which}: counted as non-intact; the ${formatMinutes(SAFETY_RULES.dangerZoneMin.limit)} clock applies`,
        change:
          finding.state === 'breaks'
            ? 'Leave the injection out, or cook it tender.'
            : 'Clean needles; throw away what is left of the injection.',
      };
    case 'rawPoultry':
      return {
        title: 'Raw poultry apart',
        guidance: 'Never beside or above other food; hands, boards and sinks washed after',
        does:
          figures.fromMs === undefined
            ? `${which}: no prep planned`
            : `${which}: handled ${at(figures.fromMs)} to ${at(figures.toMs!)} by ${figures.prepCrew} ${figures.prepCrew === 1 ? 'pair' : 'pairs'} of hands, with no other food on the table`,
        change: 'Fresh gloves before and after; sanitise the table before anything else comes to it.',
      };
    case 'tempering':
      return {
        title: `${which}: tempering`,
        guidance: `At most ${formatMinutes(limit)} in the warm; it counts toward 4 h`,
        does: `${formatMinutes(figures.minutes!)} planned, counted in the forecast and in the danger-zone clock`,
        change: finding.state === 'breaks' ? 'Shorten it under Prep.' : 'Put it on cold if the pit is late.',
      };
    case 'knives':
      return {
        title: 'Knives',
        guidance: 'Cut-resistant glove on the holding hand; sharp knives; a damp cloth under the board',
        does: `${formatMinutes(figures.minutes!)} of trimming planned`,
        change: 'Change hands every hour: cold, tired fingers slip.',
      };
    case 'carbonMonoxide':
      return {
        title: 'Carbon monoxide',
        guidance: 'No fire of wood, charcoal, pellets or gas in a tent, garage or vehicle',
        does: `This plan burns ${list(fuelsBurnt(messageContext))}`,
        change: 'Pits outdoors, away from walls, doors and air intakes; an alarm where people sleep.',
      };
    case 'gasLeak':
      return {
        title: 'Gas',
        guidance: 'Leak test at every connection before lighting',
        does: 'A gas flame is lit',
        change: 'Soap water on each joint; shut the bottle before moving it.',
      };
    case 'greaseFire':
      return {
        title: 'Grease fire',
        guidance: 'Lid shut, air shut; class K or B extinguisher; never water',
        does: 'Every pit that is lit drips fat',
        change: 'Empty drip pans between batches; the extinguisher stands upwind, not behind the pit.',
      };
    case 'pitHot':
      return {
        title: 'Pit hot enough over bare meat',
        guidance: `At or above ${temp(limit)}`,
        does: `Lowest set point ${temp(figures.lowestC!)}`,
        change: finding.state === 'breaks' ? 'Choose a hotter method.' : 'Watch the grate, not the lid.',
      };
    case 'dangerClock':
      return {
        title: `${which}: time in the danger zone`,
        guidance: `${temp(5)} to ${temp(57)} within ${formatMinutes(limit)}`,
        does: `${formatMinutes(figures.minutes!)} at the latest${figures.temperMin! > 0 ? `, ${figures.temperMin} min of it tempering` : ''}`,
        change: finding.state === 'breaks' ? 'Hotter, thinner, not injected, or not tempered.' : 'Keep the lid shut for the first hours.',
      };
    case 'poultryAbove':
      return {
        title: 'Raw poultry never above other food',
        guidance: 'On the lowest level in use, or in a pit of its own',
        does: finding.state === 'breaks' ? 'No place was found that keeps this' : `${which}: placed so`,
        change: finding.state === 'breaks' ? 'Use another pit, or serve it at another time.' : 'Keep it so when pieces are moved by hand.',
      };
    case 'burns':
      return {
        title: 'Burns',
        guidance: 'Gloves to the elbow; hot fat collects in foil and pans',
        does: `${which}: wrapped, then opened hot`,
        change: 'Open wraps away from the face; carry boxes with two people.',
      };
    case 'core':
      return {
        title: `${which}: core`,
        guidance: `At or above ${temp(limit)}`,
        does: `Done at ${temp(figures.doneC!)}`,
        change: 'Measure each piece and write it down.',
      };
    case 'poultryPeak':
      return {
        title: `${which}: measure the peak`,
        guidance: `${temp(limit)} in breast and thigh`,
        does: `Pulled at ${temp(figures.pullC!)}, forecast to reach ${temp(figures.doneC!)} while resting: a forecast, not a measurement`,
        change: 'Measure the peak of every piece after resting and write it down; below it, back on.',
      };
    case 'rare':
      return {
        title: `${which}: served rare`,
        guidance: `Whole muscle ${temp(limit)} and 3 min; below that a consumer advisory, and never for highly susceptible guests`,
        does: `Served at about ${temp(figures.doneC!)}`,
        change: 'Print the advisory on the menu, or cook it further.',
      };
    case 'hotHold':
      return {
        title: `${which}: held hot`,
        guidance: `At or above ${temp(limit)}; some codes ask ${temp(57)}`,
        does: `Up to ${formatMinutes(figures.holdMin!)} in the box; coolest core ${temp(figures.coolestC!)} at carving`,
        change: finding.state === 'breaks' ? 'A warmer, a fuller box or a shorter hold.' : 'Measure when the box is opened; write it down.',
      };
    case 'timeAlone':
      return {
        title: 'On the table',
        guidance: `Kept hot or cold; or by time alone, ${formatMinutes(limit)}, labelled, then thrown away (with local approval)`,
        does: `${formatMinutes(figures.minutes!)} from carving to the end of service`,
        change: 'Carve as it is eaten; small pans, changed often.',
      };
    case 'tiredDriver':
      return {
        title: 'Tired drivers',
        guidance: `Nobody drives after ${formatMinutes(limit)} awake`,
        does: `${formatMinutes(figures.minutes!)} from the first fire to the end of service`,
        change:
          finding.state === 'watch'
            ? 'Split the night, or let someone who slept drive home.'
            : 'Still: whoever lit the pit does not tow it home.',
      };
    case 'cooling':
      return {
        title: 'Leftovers',
        guidance: `${temp(57)} to ${temp(21)} within 2 h, to ${temp(5)} within 4 h more`,
        does: `${event.batches.filter((batch) => batch.leftover).length || 'No'} leftovers written down yet`,
        change: 'Portion thin, into ice or a blast chiller: the forecast stands under Service.',
      };
    case 'ash':
      return {
        title: 'Ash',
        guidance: 'Lidded metal can, outdoors, for days',
        does: 'Fires are left to die after the last pull',
        change: 'Never in a bin, never in cardboard.',
      };
    case 'towing':
      return {
        title: 'Towing',
        guidance: 'Never tow a hot pit',
        does: `The last fire dies after service, ${lastOff(messageContext)}`,
        change: 'Touch the firebox before you hitch it.',
      };
  }
}

/** The fuels of the pits that are used and that give off carbon monoxide, each once. */
const fuelsBurnt = ({ pits }: MessageContext): string[] => [
  ...new Set(pits.map((pit) => fuelOf(pit).kind).filter((fuel) => FUEL_HAZARDS[fuel].carbonMonoxide)),
];

const lastOff = ({ event, units }: MessageContext): string => {
  const last = Math.max(...event.servings.map((serving) => serving.atMs));
  return `not before ${clockTime(last, event.timeZone, units.clock)}`;
};

export const DEFERS =
  'Usual US guidance, the stricter value by default. It does not replace your local code, your permit or licensed practice: where they ask more, or otherwise, they decide.';
