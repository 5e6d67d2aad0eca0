import { cookIn, hiddenKitchen, measuredDays } from '../src/devices/simulated/kitchen';
import { DEMO_BOXES, DEMO_EVENT, DEMO_PITS } from './gannetPoint';
import { seededRandom } from '../src/core/numerics';
import { figureInUse, type CookWords, type FigureKey, type MadeFire } from '../src/core/learn';
import { SHIPPED_LIBRARY, type FireRecipe } from '../src/core/model';
import { localDate } from '../src/formats/clock';
import { cooksCsv, type CookOfLog } from '../src/formats/cooksCsv';

/** A made-up season of Ember & Tide: cooks of a hidden kitchen, drawn from a seed, with what the crew said of some of them. */

const SEED = 150;
const COOKS = 42;
const WEEK_MS = 7 * 86_400_000;
const PITS = [
  { id: 'trailer', kind: 'offset' },
  { id: 'cabinet', kind: 'cabinet' },
] as const;
const MENU = [
  { cutId: 'brisket-whole', methodIds: ['middle-paper', 'paper-by-bark'], kg: 5.6, pitC: 121, startsAt: 19 },
  { cutId: 'pork-butt', methodIds: ['low-foil', 'low-bare'], kg: 3.5, pitC: 118, startsAt: 22 },
  { cutId: 'spare-ribs-squared', methodIds: ['ribs-bare'], kg: 1.25, pitC: 124, startsAt: 11 },
  { cutId: 'chicken-half', methodIds: ['poultry-hot'], kg: 0.95, pitC: 149, startsAt: 14 },
  { cutId: 'beef-chuck-roast', methodIds: ['middle-paper'], kg: 1.7, pitC: 121, startsAt: 7 },
] as const;

/** What is said of a cook that took so much longer than usual. */
function wordsFor(ratio: number, nth: number, cutId: string): CookWords {
  const said: CookWords = { verdict: {}, notes: '', nextTime: '' };
  if (nth % 3 === 2) return said;
  said.verdict = { tenderness: 'right', bark: 'right' };
  if (ratio > 1.2) {
    said.notes = 'Held at the stall for ever; the wind went round to the north.';
    said.nextTime = 'Light an hour earlier, and shelter the firebox.';
  } else if (cutId === 'chicken-half' && nth % 2 === 0) {
    said.verdict = { moisture: 'dry', smoke: 'right' };
    said.nextTime = 'Pull three degrees sooner.';
  } else if (cutId === 'spare-ribs-squared' && nth % 2 === 1) {
    said.verdict = { bark: 'hard', tenderness: 'tight' };
    said.nextTime = 'Spray twice before the third hour.';
  } else if (nth % 7 === 0) {
    said.verdict = { smoke: 'too much', tenderness: 'right' };
    said.notes = 'Damp oak.';
  }
  return said;
}

/** The season up to a moment, as a cooks file. */
export function seasonCsv(nowMs: number): string {
  const kitchen = hiddenKitchen(SEED);
  const luck = seededRandom(SEED + 1);
  const season: CookOfLog[] = [];
  for (let i = 0; season.length < COOKS; i++) {
    const { cutId, methodIds, kg, pitC, startsAt } = MENU[Math.floor(luck.uniform() * MENU.length)]!;
    const methodId = methodIds[Math.floor(luck.uniform() * methodIds.length)]!;
    const pit = PITS[luck.uniform() < 0.6 ? 0 : 1];
    const massKg = Number((kg * (0.85 + 0.3 * luck.uniform())).toFixed(2));
    const asked = {
      id: `season-${i + 1}`,
      cutId,
      methodId,
      massKg,
      pit,
      pitC: pitC + 3 * Math.floor(3 * luck.uniform()),
      airC: Math.round(8 + 14 * luck.uniform()),
      altitudeM: 20,
    };
    const cook = cookIn(kitchen, asked, luck);
    if (!cook) continue;
    const week = Math.floor(((COOKS - season.length) * 26) / COOKS) + 1;
    const dayMs = Math.floor((nowMs - week * WEEK_MS) / 86_400_000) * 86_400_000;
    season.push({
      cook,
      onMs: dayMs + (startsAt + 3 * luck.uniform()) * 3_600_000,
      words: wordsFor(cook.observedH! / USUAL_H[cutId], season.length, cutId),
    });
  }
  return cooksCsv(season);
}

const USUAL_H = { 'brisket-whole': 12, 'pork-butt': 11, 'spare-ribs-squared': 5.5, 'chicken-half': 1.6, 'beef-chuck-roast': 6.5 } as const;

/** On how many days of the season each figure was measured. */
const MEASURED: readonly (readonly [FigureKey, days: number])[] = [
  ['gauge/trailer/low', 7],
  ['gauge/trailer/hot', 3],
  ['zone/trailer/trailer-main/0', 4],
  ['warmUp/trailer', 6],
  ['drop/trailer', 5],
  ['recover/trailer', 5],
  ['fuel/trailer', 6],
  ['gauge/cabinet/low', 4],
  ['warmUp/cabinet', 4],
  ['boxLoss/box-1', 3],
  ['portion/supper', 4],
  ['hands/wrap', 5],
  ['trim/brisket-whole', 5],
  ['yield/brisket-whole', 4],
  ['yield/pork-butt', 5],
];

/** Fires of the season as they were made: a good one that is what is written down, one of wet wood, and a hotter one that held well. */
export function seasonFires(nowMs: number): MadeFire[] {
  const [usual, hotter] = DEMO_PITS.find(({ id }) => id === 'trailer')!.fires!;
  const made: [weeksAgo: number, recipe: FireRecipe, held: Pick<MadeFire, 'heldMin' | 'nearShare' | 'offC' | 'kgPerH' | 'reloadMin'>][] = [
    [3, usual!, { heldMin: 702, nearShare: 0.88, offC: 1, kgPerH: 2.6, reloadMin: 42 }],
    [8, { ...usual!, wood: 'birch', inEighths: 5 }, { heldMin: 655, nearShare: 0.61, offC: -6, kgPerH: 3.4, reloadMin: 30 }],
    [13, { ...hotter!, inEighths: 4, waterLitres: 4 }, { heldMin: 318, nearShare: 0.92, offC: 2, kgPerH: 2.7, reloadMin: 38 }],
  ];
  return made.map(([weeksAgo, recipe, held]) => ({
    id: `season/${weeksAgo}`,
    eventId: 'season',
    pitId: 'trailer',
    litAtMs: Math.floor((nowMs - weeksAgo * WEEK_MS) / 86_400_000) * 86_400_000 + 20 * 3_600_000,
    recipe,
    ...held,
    airC: 12,
    windMPerS: 3,
  }));
}

/** What was measured of the kitchen over the season, a week or two apart. */
export function seasonMeasures(nowMs: number): { figure: FigureKey; value: number; date: string }[] {
  const ground = { equipment: { pits: DEMO_PITS, boxes: DEMO_BOXES }, library: SHIPPED_LIBRARY };
  return MEASURED.flatMap(([figure, days]) =>
    measuredDays(SEED, figure, figureInUse(figure, ground)!, days).values.map((value, i) => ({
      figure,
      value: Number(value.toFixed(3)),
      date: localDate(nowMs - Math.ceil(((days - i) * 26) / days) * WEEK_MS, DEMO_EVENT.timeZone),
    })),
  );
}
