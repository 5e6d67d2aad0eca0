import { presetPit, SHIPPED_LIBRARY, type Pit, type PitKind, type Wrap } from '../model';
import type { PracticePiece, Scenario, Trouble } from './scenario';

const HOUR = 60;

/** A pit as it comes, named by its kind: ids are told apart by their order. */
function pitOf(kind: PitKind, id: string): Pit {
  let made = 0;
  return { ...presetPit(kind, () => `${id}-${++made}`), id };
}

const pieces = (
  tag: string,
  many: number,
  cutId: string,
  methodId: string,
  kg: number,
  pitId: string,
  wrap: Wrap,
  onBeforeMin?: number,
): PracticePiece[] =>
  Array.from({ length: many }, (_, i) => ({
    key: `${tag}${i + 1}`,
    tag: `${tag}${i + 1}`,
    cutId,
    methodId,
    kg: kg * (1 + 0.04 * (i - (many - 1) / 2)),
    pitId,
    wrap,
    onBeforeMin,
  }));

type Given = Pick<Scenario, 'id' | 'takeOverMin' | 'pieces'> &
  Partial<Pick<Scenario, 'holds' | 'probeIn' | 'woodWaterShare' | 'untendedMin' | 'coalsLeftKg' | 'sweats' | 'weather'>> & {
    kind: PitKind;
    pitC: number;
    servedAt: `${string}:${string}`;
    troubles: Trouble[];
  };

const DAY = '2028-06-17';

const scenario = ({ kind, pitC, servedAt, ...given }: Given): Scenario => ({
  holds: ['box'],
  woodWaterShare: 0.18,
  weather: { airC: 16, windMPerS: 2 },
  ...given,
  serveAtMs: Date.parse(`${DAY}T${servedAt}:00Z`),
  timeZone: 'UTC',
  altitudeM: 20,
  pits: [{ pit: pitOf(kind, 'pit'), pitC }],
  library: SHIPPED_LIBRARY,
});

/** What can be practised without an event of one's own, from the shortest to a whole night. */
export const SCENARIOS: readonly Scenario[] = Object.freeze([
  scenario({
    id: 'two-hours-of-ribs',
    kind: 'kettle',
    pitC: 135,
    servedAt: '18:00',
    takeOverMin: 2 * HOUR,
    untendedMin: 25,
    coalsLeftKg: 0.37,
    pieces: pieces('R', 3, 'spare-ribs-squared', 'ribs-middle', 1.25, 'pit', 'foil', 4.2 * HOUR),
    troubles: [{ kind: 'coalsDie', afterMin: 0, pitId: 'pit' }],
  }),
  scenario({
    id: 'birds-and-a-gauge',
    kind: 'ceramic',
    pitC: 149,
    servedAt: '13:00',
    takeOverMin: 100,
    holds: [],
    pieces: pieces('C', 4, 'chicken-half', 'poultry-hot', 0.8, 'pit', 'none', 72),
    troubles: [{ kind: 'gaugeLies', afterMin: 0, pitId: 'pit', much: 25 }],
  }),
  scenario({
    id: 'grease-on-the-drum',
    kind: 'drum',
    pitC: 149,
    servedAt: '17:30',
    takeOverMin: 150,
    pieces: pieces('B', 2, 'pork-butt', 'hot-foil', 2.4, 'pit', 'foil', 5.8 * HOUR),
    troubles: [{ kind: 'flare', afterMin: 12, lastsMin: 25, pitId: 'pit' }],
  }),
  scenario({
    id: 'squall',
    kind: 'kettle',
    pitC: 135,
    servedAt: '18:30',
    takeOverMin: 4 * HOUR,
    weather: { airC: 11, windMPerS: 3 },
    pieces: pieces('R', 3, 'loin-back-ribs', 'ribs-middle', 1.1, 'pit', 'foil', 4 * HOUR),
    troubles: [{ kind: 'rain', afterMin: 50, lastsMin: 90, much: 13 }],
  }),
  scenario({
    id: 'an-hour-early',
    kind: 'cabinet',
    pitC: 121,
    servedAt: '19:00',
    takeOverMin: 5 * HOUR,
    pieces: pieces('B', 3, 'pork-butt', 'low-paper', 3.2, 'pit', 'paper', 11.7 * HOUR),
    troubles: [{ kind: 'guestsEarly', afterMin: 20, much: 60 }],
  }),
  scenario({
    id: 'the-helper',
    kind: 'reverse-flow',
    pitC: 135,
    servedAt: '17:00',
    takeOverMin: 4.5 * HOUR,
    pieces: pieces('K', 3, 'pork-collar', 'middle-paper', 2, 'pit', 'paper', 7 * HOUR),
    troubles: [{ kind: 'helperOpens', afterMin: 25, lastsMin: 150, pitId: 'pit' }],
  }),
  scenario({
    id: 'wet-wood',
    kind: 'offset',
    pitC: 129,
    servedAt: '18:00',
    takeOverMin: 6 * HOUR,
    woodWaterShare: 0.38,
    pieces: pieces('K', 3, 'pork-collar', 'middle-paper', 2, 'pit', 'paper', 7 * HOUR),
    troubles: [{ kind: 'wetWood', afterMin: 0, pitId: 'pit' }],
  }),
  scenario({
    id: 'one-brisket-short',
    kind: 'offset',
    pitC: 135,
    servedAt: '18:00',
    takeOverMin: 7 * HOUR,
    pieces: [
      ...pieces('B', 1, 'brisket-flat', 'middle-paper', 3, 'pit', 'paper', 7.6 * HOUR),
      ...pieces('K', 2, 'pork-collar', 'middle-paper', 1.9, 'pit', 'paper'),
    ],
    troubles: [{ kind: 'deliveryShort', afterMin: 0 }],
  }),
  scenario({
    id: 'probe-in-the-fat',
    kind: 'pellet',
    pitC: 121,
    servedAt: '18:00',
    takeOverMin: 9 * HOUR,
    probeIn: 'B1',
    pieces: pieces('B', 2, 'pork-butt', 'low-paper', 3, 'pit', 'paper', 11 * HOUR),
    troubles: [{ kind: 'probeInFat', afterMin: 10, key: 'B1' }],
  }),
  scenario({
    id: 'the-long-stall',
    kind: 'offset',
    pitC: 121,
    servedAt: '18:00',
    takeOverMin: 9.5 * HOUR,
    sweats: 1.85,
    probeIn: 'B1',
    pieces: pieces('B', 2, 'brisket-whole', 'low-paper', 5.2, 'pit', 'paper', 13.2 * HOUR),
    troubles: [
      { kind: 'longStall', afterMin: 0 },
      { kind: 'thinDries', afterMin: 60 },
    ],
  }),
  scenario({
    id: 'three-in-the-morning',
    kind: 'bullet',
    pitC: 121,
    servedAt: '12:30',
    takeOverMin: 9.5 * HOUR,
    untendedMin: 40,
    coalsLeftKg: 0.42,
    pieces: pieces('B', 2, 'pork-butt', 'low-foil', 3.1, 'pit', 'foil', 11.3 * HOUR),
    troubles: [
      { kind: 'coalsDie', afterMin: 0, pitId: 'pit' },
      { kind: 'truckLate', afterMin: 6 * HOUR, much: 45 },
    ],
  }),
]);

export const scenarioIn = (id: string): Scenario | undefined => SCENARIOS.find((each) => each.id === id);
