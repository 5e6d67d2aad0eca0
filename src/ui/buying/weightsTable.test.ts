import { describe, expect, it } from 'vitest';
import { pasteInto, rowsOf } from './weightsTable';

const rows = rowsOf([
  { id: 'a', kg: 5 },
  { id: 'b', kg: 5, boughtKg: 7 },
  { id: 'c', kg: 5 },
]);
const same = (value: number) => value;
const units = { boughtKg: 'lb', trimmedKg: 'lb', thicknessMm: 'mm' };
const kept = { boughtKg: (lb: number) => lb / 2, trimmedKg: (lb: number) => lb / 2, thicknessMm: same };

describe('a pasted column', () => {
  it('fills down from its cell, in the units of the screen, and leaves blanks alone', () => {
    const pasted = pasteInto(rows, 0, 'boughtKg', '16\n\n15.2\n', kept, units);
    expect(pasted.rows.map((row) => row.boughtKg)).toEqual([8, 7, 7.6]);
    expect(pasted).toMatchObject({ filled: 2, unread: [], tooMany: 0 });
    expect(rows[0]!.boughtKg).toBeUndefined();
  });

  it('fills a block of several columns, and says what it could not read or place', () => {
    const pasted = pasteInto(rows, 1, 'boughtKg', '16\t12\t70\nx\t11\t69\n1\t2\t3', kept, units);
    expect(pasted.rows.map((row) => [row.boughtKg, row.trimmedKg, row.thicknessMm])).toEqual([
      [undefined, undefined, undefined],
      [8, 6, 70],
      [undefined, 5.5, 69],
    ]);
    expect(pasted).toMatchObject({ filled: 5, unread: ['x'], tooMany: 1 });
  });

  it('converts a figure that comes with its own unit, and reports one it cannot', () => {
    const pasted = pasteInto(rows, 0, 'boughtKg', '16 oz\t2 lb\t3 in\n9 stone\t1 kg\t2 kg', kept, units);
    expect(pasted.rows[0]).toMatchObject({ boughtKg: 0.5, trimmedKg: 1 });
    expect(pasted.rows[0]!.thicknessMm).toBeCloseTo(76.2, 6);
    expect(pasted.rows[1]!.trimmedKg).toBeCloseTo(1.1023, 3);
    expect(pasted.unread).toEqual(['9 stone', '2 kg']);
  });
});
