import type { ExchangeBatch, ExchangeMethod, ExchangePit } from '../src/core/model';
import { upgraded, type EventFile, type EventFileV1 } from '../src/formats/open';

const LONG = { ventMin: 15, restMin: 60, holdIdealMin: [60, 240] as [number, number], holdMaxMin: 720 };
const SHORT = { ventMin: 5, restMin: 10, holdIdealMin: [0, 60] as [number, number], holdMaxMin: 180 };
const paper: ExchangeMethod = {
  pitC: 121,
  pitRangeC: [115, 135],
  wrap: 'paper',
  wrapWhen: { coreC: 74 },
  finishOffSmoke: true,
  finishRangeC: [105, 150],
  ...LONG,
};
const bare: ExchangeMethod = { pitC: 121, pitRangeC: [113, 135], wrap: 'none', ...SHORT };
const bird: ExchangeMethod = {
  pitC: 135,
  pitRangeC: [121, 163],
  wrap: 'none',
  ventMin: 0,
  restMin: 15,
  holdIdealMin: [0, 30],
  holdMaxMin: 120,
};

const KINDS: { cut: string; method: ExchangeMethod; kg: number }[] = [
  { cut: 'brisket-whole', method: paper, kg: 5.7 },
  { cut: 'pork-butt', method: paper, kg: 3.6 },
  { cut: 'spare-ribs-squared', method: bare, kg: 1.2 },
  { cut: 'chicken-half', method: bird, kg: 1 },
  { cut: 'beef-chuck-roast', method: paper, kg: 1.6 },
  { cut: 'pork-collar', method: paper, kg: 2 },
  { cut: 'turkey-breast-boneless', method: bird, kg: 1.8 },
  { cut: 'lamb-shoulder', method: paper, kg: 2.2 },
];

const pit = (n: number): ExchangePit => ({
  id: `pit-${n + 1}`,
  name: `Pit ${n + 1}`,
  kind: n % 3 === 0 ? 'offset' : n % 3 === 1 ? 'cabinet' : 'reverse-flow',
  smoke: true,
  travels: false,
  rangeC: [100, 165],
  warmUpMin: 60,
  openingDropC: 15,
  recoverMin: 9,
  racks: [1, 2].map((level) => ({
    id: `rack-${level}`,
    shape: 'rect' as const,
    widthMm: 1300,
    depthMm: 600,
    clearanceMm: 250,
    maxKg: 80,
    level,
  })),
});

/** So many batches of so many pieces in all for a supper and a lunch, in so many pits: busy, not hopeless. */
export function kitchen(batches: number, pieces: number, pits: number): EventFileV1 {
  const share = Math.round(pieces / batches);
  return {
    format: 'anachron-event',
    version: 1,
    name: `${batches} batches in ${pits} pits`,
    timeZone: 'America/Halifax',
    altitudeM: 20,
    workFrom: '2027-06-17T12:00:00-03:00',
    confidence: 0.9,
    weather: { airC: 14, windMPerS: 5, rain: false },
    quietHours: { from: '22:30', to: '04:30' },
    rules: { airGapMm: 25, hotHoldC: 60, minPitC: 107, dangerZoneMaxMin: 240 },
    servings: [
      {
        id: 'lunch',
        name: 'Lunch',
        at: '2027-06-19T12:30:00-03:00',
        serveForMin: 60,
        guests: { adults: 60, children: 0 },
        carveLeadMin: 30,
        travelMin: 0,
        setUpMin: 0,
      },
      {
        id: 'supper',
        name: 'Supper',
        at: '2027-06-19T18:00:00-03:00',
        serveForMin: 60,
        guests: { adults: 120, children: 0 },
        carveLeadMin: 30,
        travelMin: 0,
        setUpMin: 0,
      },
    ],
    batches: Array.from({ length: batches }, (_, b): ExchangeBatch => {
      const { cut, method, kg } = KINDS[b % KINDS.length]!;
      return {
        id: `batch-${b + 1}`,
        serving: b % 3 === 2 ? 'lunch' : 'supper',
        cut,
        method,
        pieces: Array.from({ length: share }, (_, i) => ({
          id: `batch-${b + 1}-${i + 1}`,
          kg: Math.round(kg * (0.92 + 0.04 * ((i + b) % 5)) * 100) / 100,
          startC: 4,
        })),
      };
    }),
    pits: Array.from({ length: pits }, (_, n) => pit(n)),
    holding: [
      ...Array.from({ length: Math.ceil(batches / 5) }, (_, i) => ({
        id: `box-${i + 1}`,
        kind: 'insulated-box' as const,
        litres: 160,
        lossWPerK: 0.7,
      })),
      { id: 'warmer', kind: 'warmer', slots: batches * 2, setC: 64 },
    ],
    crew: Array.from({ length: 2 + Math.ceil(batches / 6) }, (_, i) => ({
      id: `hand-${i + 1}`,
      from: i < 2 ? '2027-06-17T12:00:00-03:00' : '2027-06-19T05:00:00-03:00',
      to: '2027-06-19T22:00:00-03:00',
    })),
  };
}

/** The same kitchen in a yard, its supper at a green so many minutes away: boxes travel, the pits stay, half of the crew drives. */
export function kitchenAway(batches: number, pieces: number, pits: number, roadMin: number): EventFile {
  const file = upgraded(kitchen(batches, pieces, pits));
  return {
    ...file,
    name: `${file.name}, supper away`,
    places: [
      { id: 'yard', name: 'Yard' },
      { id: 'green', name: 'Green' },
    ],
    roads: [{ from: 'yard', to: 'green', min: roadMin }],
    servings: file.servings.map((serving) =>
      serving.id === 'supper' ? { ...serving, place: 'green', setUpMin: 30, handsThere: 1 } : { ...serving, place: 'yard' },
    ),
    // What bears no long hold is served at home.
    batches: file.batches.map((batch) => ({ ...batch, serving: batch.method.holdMaxMin > 300 ? 'supper' : 'lunch' })),
    pits: file.pits.map((pit) => ({ ...pit, place: 'yard' })),
    holding: file.holding.map((gear) => ({ ...gear, place: 'yard', travels: gear.kind === 'insulated-box' })),
    crew: file.crew.map((shift, i) => ({ ...shift, place: 'yard', drives: i % 2 === 0 })),
  };
}
