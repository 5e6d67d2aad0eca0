import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics';
import { balanced, byLuck, drawTrial, judgeTrial, lotOf, neededOf, type Tasting } from './trial';

const laid = (count: number, rackId = 'main') =>
  Array.from({ length: count }, (_, i) => ({ pieceId: `${rackId}-${String(i).padStart(2, '0')}`, rackId, xMm: 120 * i }));
const paper = (nth: number, prefers?: 0 | 1, scores: Tasting['scores'] = {}): Tasting => ({
  paper: nth,
  taster: `taster ${nth}`,
  ...(prefers !== undefined && { prefers }),
  scores,
  note: '',
  atMs: nth,
});
const papers = (first: number, second: number, untold = 0) => [
  ...Array.from({ length: first }, (_, i) => paper(i, 0)),
  ...Array.from({ length: second }, (_, i) => paper(100 + i, 1)),
  ...Array.from({ length: untold }, (_, i) => paper(200 + i)),
];

describe('the lot of a trial', () => {
  it('gives each of two neighbours another way, whatever the seed, and the same lot for the same seed', () => {
    for (let seed = 0; seed < 200; seed++) {
      const { pieces } = drawTrial('rubs', [...laid(7, 'upper'), ...laid(6)], 10, seed);
      expect(pieces).toHaveLength(13);
      for (let i = 0; i + 1 < 13; i += 2) expect(pieces[i]!.arm).not.toBe(pieces[i + 1]!.arm);
      expect(drawTrial('rubs', [...laid(6), ...laid(7, 'upper')], 10, seed).pieces).toEqual(pieces);
    }
  });

  it('favours no place: over many lots each has either way about as often', () => {
    const seconds = laid(4).map((_, i) =>
      Array.from({ length: 600 }, (__, seed) => Number(drawTrial('wrap', laid(4), 2, seed).pieces[i]!.arm)).reduce((a, b) => a + b, 0),
    );
    for (const count of seconds) expect(Math.abs(count / 600 - 0.5)).toBeLessThan(0.07);
  });

  it('tells left from right by the place itself', () => {
    const { pieces } = drawTrial('sides', [...laid(4), ...laid(3, 'upper')], 2, 5);
    expect(pieces.map(({ pieceId, arm }) => `${pieceId} ${arm}`)).toEqual([
      'main-00 0',
      'main-01 0',
      'main-02 1',
      'main-03 1',
      'upper-00 0',
      'upper-01 0',
      'upper-02 1',
    ]);
  });

  it('gives each way a code of three digits unlike the other, and each first to half of the tasters', () => {
    for (let seed = 0; seed < 300; seed++) {
      const { codes, firstArms } = drawTrial('rubs', laid(2), 14, seed);
      for (const code of codes) expect(code).toMatch(/^\d{3}$/);
      expect(Math.abs(Number(codes[0]) - Number(codes[1]))).toBeGreaterThan(90);
      expect(firstArms.filter((arm) => arm === 0)).toHaveLength(7);
    }
    expect(balanced(0, seededRandom(1))).toEqual([]);
  });
});

describe('a lot whose batch was changed since', () => {
  const lot = { pieces: [0, 1, 0].map((arm, i) => ({ pieceId: `p${i}`, arm: arm as 0 | 1 })) };
  it('tells what is still there of each way, and what came after it was drawn', () => {
    expect(lotOf(lot, [{ id: 'p0' }, { id: 'p1' }, { id: 'p2' }])).toEqual({ arms: [['p0', 'p2'], ['p1']], undrawn: [] });
    expect(lotOf(lot, [{ id: 'p9' }, { id: 'p1' }])).toEqual({ arms: [[], ['p1']], undrawn: ['p9'] });
    expect(lotOf(lot, [])).toEqual({ arms: [[], []], undrawn: [] });
  });
});

describe('what tasters say', () => {
  it('is by luck as often as a coin says: 10 of 14 in 1 of 11, 12 of 14 in 1 of 155, 5 of 5 in 1 of 32', () => {
    expect(byLuck(10, 14)).toBeCloseTo(1471 / 16_384, 12);
    expect(1 / byLuck(10, 14)).toBeCloseTo(11.1, 1);
    expect(byLuck(12, 14)).toBeCloseTo(106 / 16_384, 12);
    expect(byLuck(5, 5)).toBe(1 / 32);
    expect(byLuck(0, 9)).toBe(1);
    expect(byLuck(300, 500)).toBeGreaterThan(0);
    expect(byLuck(300, 500)).toBeLessThan(1e-5);
  });

  it('has a winner only where more liked it, and is sure only where luck seldom gives as much', () => {
    expect(judgeTrial({ traits: [] }, papers(4, 10))).toMatchObject({ papers: 14, told: 14, wins: [4, 10], winner: 1, sureness: 'likely' });
    expect(judgeTrial({ traits: [] }, papers(12, 2, 3))).toMatchObject({ papers: 17, told: 14, winner: 0, sureness: 'sure' });
    expect(judgeTrial({ traits: [] }, papers(3, 4))).toMatchObject({ winner: 1, sureness: 'open' });
    const even = judgeTrial({ traits: [] }, papers(5, 5));
    expect(even).toMatchObject({ wins: [5, 5], sureness: 'open' });
    expect(even.winner).toBeUndefined();
    expect(judgeTrial({ traits: [] }, [])).toMatchObject({ papers: 0, told: 0, sureness: 'open' });
  });

  it('says how many would be needed, and where no number is enough', () => {
    expect(neededOf(14)).toBe(11);
    expect(neededOf(5)).toBe(5);
    expect(neededOf(4)).toBeUndefined();
    for (const tasters of [6, 9, 20, 60]) {
      expect(byLuck(neededOf(tasters)!, tasters)).toBeLessThan(0.05);
      expect(byLuck(neededOf(tasters)! - 1, tasters)).toBeGreaterThanOrEqual(0.05);
    }
  });

  it('has a margin for each trait, by pairs, with Student’s range: of 1, 2, 0, 1, 1 the middle 1 +- 0.485', () => {
    const scores: [number, number][] = [
      [3, 4],
      [2, 4],
      [5, 5],
      [4, 5],
      [3, 4],
    ];
    const { traits } = judgeTrial(
      { traits: ['bark', 'smoke'] },
      scores.map((pair, i) => paper(i, 1, { bark: pair })),
    );
    expect(traits).toHaveLength(1);
    expect(traits[0]).toMatchObject({ trait: 'bark', papers: 5, differs: 1 });
    expect(traits[0]!.means[0]).toBeCloseTo(3.4, 12);
    // t(0.9; 4) = 1.5332; sd = 0.7071; / sqrt 5.
    expect(traits[0]!.range![1]).toBeCloseTo(1 + (1.5332 * Math.SQRT1_2) / Math.sqrt(5), 3);
    expect(judgeTrial({ traits: ['bark'] }, [paper(1, 0, { bark: [3, 4] })]).traits[0]!.range).toBeUndefined();
  });

  it('covers the truth 8 times in 10, for scores drawn about it', () => {
    const random = seededRandom(4);
    let inside = 0;
    for (let i = 0; i < 500; i++) {
      const list = Array.from({ length: 8 }, (_, k) => paper(k, 0, { taste: [4 + random.normal(), 4.6 + random.normal()] }));
      const [low, high] = judgeTrial({ traits: ['taste'] }, list).traits[0]!.range!;
      if (low <= 0.6 && 0.6 <= high) inside++;
    }
    expect(inside / 500).toBeGreaterThan(0.74);
    expect(inside / 500).toBeLessThan(0.86);
  });
});
