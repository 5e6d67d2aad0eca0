import { describe, expect, it } from 'vitest';
import { foldDay, type Deed, type Entry, type KeptDay } from '../../src/core/day';
import { isWritten, madeFires, NEAR_C, withFire } from '../../src/core/learn';
import { fireRecipeFor, type FireRecipe, type Pit } from '../../src/core/model';
import { smallSupper } from '../fixtures/day';
import { keptDayOf } from '../fixtures/livedDay';

const MIN = 60_000;
const HOUR = 60 * MIN;
const OAK: FireRecipe = {
  pitC: 121,
  litKg: 1.5,
  unlitKg: 4,
  lay: 'ring',
  wood: 'oak',
  inEighths: 2,
  outEighths: 8,
  waterLitres: 4,
  waterHot: true,
};

/** A day of one pit: what was done and read, by hours from lighting. */
function fireOf(pit: Pit | undefined, deeds: [atH: number, deed: object][], read: [atH: number, tempC: number][], kept: KeptDay) {
  const fromMs = kept.plan.runs[0]!.onAtMs - 2 * HOUR;
  const entries = deeds.map(([atH, deed], i): Entry => ({
    id: `e${i}`,
    atMs: fromMs + atH * HOUR,
    by: 'Ada',
    source: 'crew',
    deed: deed as Deed,
  }));
  const state = foldDay(kept, entries);
  const pits = { [pit!.id]: read.map(([atH, tempC]) => ({ atMs: fromMs + atH * HOUR, tempC })) };
  return madeFires('event', { kept, state, readings: { pits, pieces: {} } as never, mealOf: () => 'supper', nowMs: fromMs + 12 * HOUR });
}
const every10 = (fromH: number, toH: number, tempAt: (h: number) => number): [number, number][] =>
  Array.from({ length: Math.round((toH - fromH) * 6) }, (_, i) => [fromH + i / 6, tempAt(fromH + i / 6)]);

describe('a fire as it was made', () => {
  const kept = keptDayOf(smallSupper());
  const [pit] = kept.input.pits;
  const pitId = pit!.id;
  const lit: [number, object][] = [
    [0, { kind: 'pit', pitId, did: 'lit', pitC: 121 }],
    [1, { kind: 'pit', pitId, did: 'fuelled' }],
    [2.5, { kind: 'pit', pitId, did: 'fuelled' }],
    [4, { kind: 'pit', pitId, did: 'fuelled' }],
  ];
  const said: [number, object] = [10, { kind: 'fire', pitId, recipe: OAK }];
  const out: [number, object] = [10, { kind: 'pit', pitId, did: 'out' }];

  it('is told only where somebody wrote it down, and of a pit that was lit', () => {
    expect(fireOf(pit, [...lit, out], [], kept)).toEqual([]);
    expect(fireOf(pit, [said], [], kept)).toEqual([]);
    expect(fireOf(pit, [...lit, said, out], [], kept)).toHaveLength(1);
  });

  it('held by the share of its time near the set point, once it had settled', () => {
    // Up in an hour, six hours on the mark, two hours twenty over it.
    const read = [...every10(0, 1, (h) => 20 + 101 * h), ...every10(1, 7, () => 122), ...every10(7, 9, () => 141)];
    const [fire] = fireOf(pit, [...lit, said, [9, { kind: 'pit', pitId, did: 'out' }]], read, kept);
    expect(fire!.nearShare).toBeCloseTo(6 / 8, 1);
    expect(fire!.heldMin! / 60).toBeCloseTo(8.1, 0);
    expect(fire!.offC).toBeCloseTo(1, 6);
    expect(fire!.reloadMin).toBe(90);
    expect(fire!.recipe).toEqual(OAK);
    expect(fire!.kgPerH).toBeUndefined();
    const steady = fireOf(
      pit,
      [...lit, said, out],
      every10(0, 9, () => 121 + NEAR_C),
      kept,
    )[0]!;
    expect(steady.nearShare).toBe(1);
  });

  it('says nothing of how it held where too little was read, and counts no reading for longer than it stands', () => {
    const [few] = fireOf(
      pit,
      [...lit, said, out],
      [
        [3, 121],
        [6, 121],
      ],
      kept,
    );
    expect(few!.nearShare).toBeUndefined();
    const [hourly] = fireOf(
      pit,
      [...lit, said, out],
      [2, 3, 4, 5, 6].map((h): [number, number] => [h, 121]),
      kept,
    );
    expect(hourly!.heldMin).toBe(75);
  });

  it('belongs to the heat the pit was held at longest, and its fuel to an hour of the usual one', () => {
    const deeds: [number, object][] = [
      ...lit,
      [2, { kind: 'pit', pitId, did: 'setPoint', pitC: 135 }],
      said,
      out,
      [11, { kind: 'weighed', of: 'fuel', id: pitId, kg: 30 }],
    ];
    const [fire] = fireOf(
      pit,
      deeds,
      every10(0, 10, (h) => (h < 2 ? 121 : 135)),
      kept,
    );
    expect(fire!.recipe.pitC).toBe(135);
    expect(fire!.nearShare).toBe(1);
    expect(fire!.kgPerH).toBeGreaterThan(1);
    expect(fire!.kgPerH).toBeLessThan(5);
  });

  it('takes the place of what was written for its heat, and stands beside what was written for others', () => {
    const hot: FireRecipe = { pitC: 160, wood: 'ash' };
    const owned: Pit = { ...pit!, fires: [{ pitC: 121, wood: 'apple' }, hot] };
    const with119 = withFire(owned, { ...OAK, pitC: 119 });
    expect(with119.fires).toEqual([OAK, hot]);
    expect(isWritten(owned, OAK)).toBe(false);
    expect(isWritten(with119, { ...OAK, pitC: 119 })).toBe(true);
    const beside = withFire(owned, { ...OAK, pitC: 138 });
    expect(beside.fires!.map(({ pitC }) => pitC)).toEqual([121, 138, 160]);
    expect(fireRecipeFor(beside, 138)).toMatchObject({ wood: 'oak' });
    expect(withFire({ ...pit!, fires: undefined }, OAK).fires).toEqual([OAK]);
  });
});
