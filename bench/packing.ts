import { seededRandom } from '../src/core/numerics';
import { arrange, type Ground, type Item } from '../src/core/packing';
import { cutAtRandom, CUT_RACK, onShelves } from './perfectFits';

const GAP_MM = 25;
const RACK = { widthMm: 900, depthMm: 500 };

/** More mixed pieces than a rack takes: what counts is how full it gets. */
function mixed(seed: number): Item[] {
  const { uniform } = seededRandom(seed);
  return Array.from({ length: 24 }, (_, i) => {
    const lengthMm = Math.round(90 + 260 * uniform());
    return { id: `p${String(i).padStart(2, '0')}`, lengthMm, widthMm: Math.round(lengthMm * (0.45 + 0.5 * uniform())) };
  });
}

/** The rules that a search of plans uses, those with tries along a skyline (racks that are shown), and all with the exact search. */
const WAYS = {
  'rules alone': { skylines: 0, exactNodes: 0 },
  'with skylines': { skylines: 200, exactNodes: 0 },
  'and exact': { skylines: 200, exactNodes: 4000 },
} as const;

/** Fill and time of the ways of laying pieces, side by side. */
export function benchPacking(instances: number): void {
  const tell = (what: string, itemsOf: (seed: number) => Item[], ground: Ground, shelves?: (items: Item[]) => number) => {
    const rackMm2 = (ground.floor.widthMm + ground.gapMm) * (ground.floor.depthMm + ground.gapMm);
    const sets = Array.from({ length: instances }, (_, i) => itemsOf(i + 1));
    const told = Object.entries(WAYS).map(([way, options]) => {
      const begun = performance.now();
      const laid = sets.map((items) => arrange(ground, items, options));
      const ms = (performance.now() - begun) / instances;
      const mm2 = laid.reduce(
        (sum, { placed }) => sum + placed.reduce((own, each) => own + (each.widthMm + ground.gapMm) * (each.depthMm + ground.gapMm), 0),
        0,
      );
      const whole = laid.filter(({ left }) => left.length === 0).length / instances;
      return `${way}: fill ${(mm2 / instances / rackMm2).toFixed(3)}, ${whole.toFixed(2)} whole, ${ms.toFixed(1)} ms`;
    });
    const plain = shelves && `shelves: fill ${(sets.reduce((sum, items) => sum + shelves(items), 0) / instances / rackMm2).toFixed(3)}`;
    console.log(`${what.padEnd(32)} ${[...told, ...(plain ? [plain] : [])].join('   ')}`);
  };
  console.log('\nPieces on one rack: cut at random to fit perfectly, and more mixed ones than it takes, 25 mm apart');
  for (const guillotine of [true, false])
    for (const [low, high] of [
      [8, 12],
      [13, 20],
      [21, 30],
    ] as const)
      tell(
        `${guillotine ? 'straight cuts' : 'pinwheels'}, ${low} to ${high} pieces`,
        (seed) => cutAtRandom(seed, low, high, guillotine),
        { floor: CUT_RACK, gapMm: 0, taken: [], blocked: [] },
        onShelves,
      );
  tell('24 mixed pieces', mixed, { floor: RACK, gapMm: GAP_MM, taken: [], blocked: [] });
}
