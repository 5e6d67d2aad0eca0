import type { DrillQuestion } from '../../core/practice';
import type { Library } from '../../core/model';
import { cutIn, methodIn } from '../../core/model';
import { formatMass, formatMinutes, formatTemp, formatTempDifference, type Units } from '../units';
import { BARK_WORD, SMOKE_WORD } from './practice';

const CHOICES: Record<string, string> = {
  paper: 'Paper, now',
  foil: 'Foil, now',
  bare: 'Leave it bare for now',
  muchLonger: 'Hours to go: shut the lid',
  hourMore: 'About an hour more',
  soon: 'Look again in twenty minutes',
  pullNow: 'Take it off',
  tooFar: 'It should have been off',
  openBottom: 'Open both vents',
  closeBottom: 'Close the lower vent nearly',
  litCoals: 'Pour the chimney on',
  clearAsh: 'Clear the ash away',
  nothing: 'Nothing: leave it shut',
};

/** One choice in words. */
export function choiceMessage({ scene, set }: DrillQuestion, choice: string, library: Library, units: Units): string {
  if (scene.kind === 'pieces') {
    const { cutId, kg, methodId } = scene.pieces[Number(choice)]!;
    return `${cutIn(library, cutId)?.name ?? cutId}, ${formatMass(kg, units)}, ${(methodIn(library, methodId)?.name ?? '').toLowerCase()}`;
  }
  if (set === 'smoke') return SMOKE_WORD[choice as keyof typeof SMOKE_WORD];
  if (set === 'bark') return BARK_WORD[choice as keyof typeof BARK_WORD];
  return CHOICES[choice] ?? choice;
}

const WHY_SMOKE: Record<string, string> = {
  cleanSplit: 'A dry, warmed split burns in flame with air to spare: what can burn is burned, and what is left is thin and blue.',
  wetSplit: 'The water in a wet split must boil off first. Until then it smoulders, white and bitter. Dry it on the firebox.',
  coalsOnly: 'Charcoal gave up its smoke when it was made. Without wood there is heat and hardly anything to see.',
  choked: 'Two splits in flame and the vent nearly shut: they burn without their air, and the rest comes out of the stack. Open up.',
  freshCoals: 'Coals from the bag smoke white for some minutes on a hot bed. Light them in the chimney, or add them before the meat.',
  greaseFlare: 'Fat burns with soot. Shut the vents and the lid; never water.',
  cleanChunk: 'A dry chunk in flame on glowing coals: as it should be.',
  coldSplit: 'A cold split smoulders until it is hot right through. Warmed on the firebox it catches in a minute.',
};
const WHY_BARK: Record<string, string> = {
  none: 'Wet still, and rub comes off with the finger. It loses as much heat as it gets; nothing browns on water.',
  scrapes: 'It browns and dries, but a nail still takes it off. Wrapped now it would wash away.',
  set: 'Dry, dark, and the nail slides over it. From here a wrap keeps it.',
  hard: 'Dry for hours: it is past set and gets hard. It should have been wrapped, or be nearly done.',
};
const WHY_GIVE: Record<string, string> = {
  tight: 'It pushes back all the way in. Collagen has hardly begun to let go, whatever the number says.',
  some: 'The outside lets the probe in, the middle holds on to it.',
  almost: 'A little drag near the middle: close. Hot meat gets there in minutes.',
  tender: 'No push from crust to middle: the probe falls in by its own weight.',
  falling: 'Nothing holds it any more. It will not slice; pull it, and take the next one off sooner.',
};
const WHY_WRAP: Record<string, string> = {
  'paper.set': 'The bark is set: paper keeps most of it, and some speed.',
  'paper.scrapes': 'The bark is nearly there, and the hours are short enough for paper.',
  'foil.set': 'Set, and late: foil is the fastest. The bark softens for it.',
  'foil.scrapes': 'It is late: foil costs bark and saves the supper.',
  'foil.none': 'Far too late for bark: foil saves the supper.',
  'bare.none': 'No bark yet. A wrap now would steam it pale, and there is time.',
  'bare.scrapes': 'Nearly: a nail still takes it off, and there is time to let it set.',
  'bare.set': 'There is time, and bare keeps the bark crisp.',
  'bare.hard': 'It is nearly done: a wrap would only soften what is good.',
  'paper.none': 'The hours are short: paper gives a little speed.',
  'paper.hard': 'Hard already: paper keeps it from drying further.',
  'foil.hard': 'Hard already, and late.',
};
const WHY_NIGHT: Record<string, string> = {
  openBottom: 'Plenty of coals, and hardly any air: open, and wait ten minutes before you touch it again.',
  closeBottom: 'Too much air, and it runs away. Close early: it answers only after minutes.',
  litCoals: 'Hardly anything glows. Air cannot burn what is not there; unlit coals would take most of an hour.',
  clearAsh: 'Enough coals, vents open, and still it falls: the ash has shut the lower vent from inside.',
  nothing: 'It wanders a little and comes back by itself. Every hand on it makes it worse.',
};

/** Why the right answer is right, with its figures. */
export function whyMessage({ scene, why, choices }: DrillQuestion, library: Library, units: Units): string {
  const [kind, ...rest] = why.code.split('.');
  if (scene.kind === 'smoke') return WHY_SMOKE[why.code] ?? '';
  if (scene.kind === 'pieces') {
    const lines = scene.pieces.map(({ cutId }, i) => `${cutIn(library, cutId)?.name ?? cutId} ${formatMinutes(why.minutes![i]!)}`);
    return `By the cook model, with vent and rest: ${lines.join('; ')}. Thickness, wrap and collagen decide, not weight alone.`;
  }
  if (kind === 'bark')
    return `${WHY_BARK[rest[0]!]!} After ${formatMinutes(why.values![0]! * 60)} at ${formatTemp(why.values![1]!, units)}.`;
  if (kind === 'give')
    return `${WHY_GIVE[rest[0]!]!} The core was ${formatTemp(why.tempC!, units)}: the number only says when to begin looking.`;
  if (kind === 'wrap') {
    const worth = choices.map((choice, i) => `${choice} ${why.values![i]}`).join(', ');
    return `${WHY_WRAP[rest.join('.')] ?? ''} Each was tried on this very day; points of the plate, late minutes counted: ${worth}.`;
  }
  const off = choices.map(
    (choice, i) => `${(CHOICES[choice] ?? choice).toLowerCase().split(':')[0]} ${formatTempDifference(why.values![i]!, units)}`,
  );
  return `${WHY_NIGHT[rest[0]!] ?? ''} Each was tried, and an hour lived: off the wished heat on average by: ${off.join('; ')}.`;
}
