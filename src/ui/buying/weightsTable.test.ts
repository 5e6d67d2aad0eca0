import { describe, expect, it } from 'vitest';
import { pasteInto, readFigure, rowsOf } from './weightsTable';

const rows = rowsOf([
  { id: 'a', kg: 5 },
  { id: 'b', kg: 5, boughtKg: 7 },
  { id: 'c', kg: 5 },
]);
const same = (value: number) => value;
const kept = { boughtKg: (lb: number) => lb / 2, trimmedKg: (lb: number) => lb / 2, thicknessMm: same };

describe('figures as they are typed or pasted', () => {
  it('are read with their unit, comma or point', () => {
    expect(readFigure('16.4')).toBe(16.4);
    expect(readFigure(' 7,3 kg')).toBe(7.3);
    expect(readFigure('1,250.5')).toBe(1250.5);
    expect(readFigure('3"')).toBe(3);
    expect(readFigure('-2')).toBe(-2);
    expect(readFigure('')).toBeNaN();
    expect(readFigure('heavy')).toBeNaN();
  });
});

describe('a pasted column', () => {
  it('fills down from its cell, in the units of the screen, and leaves blanks alone', () => {
    const pasted = pasteInto(rows, 0, 'boughtKg', '16\n\n15.2\n', kept);
    expect(pasted.rows.map((row) => row.boughtKg)).toEqual([8, 7, 7.6]);
    expect(pasted).toMatchObject({ filled: 2, unread: [], tooMany: 0 });
    expect(rows[0]!.boughtKg).toBeUndefined();
  });

  it('fills a block of several columns, and says what it could not read or place', () => {
    const pasted = pasteInto(rows, 1, 'boughtKg', '16\t12\t70\nx\t11\t69\n1\t2\t3', kept);
    expect(pasted.rows.map((row) => [row.boughtKg, row.trimmedKg, row.thicknessMm])).toEqual([
      [undefined, undefined, undefined],
      [8, 6, 70],
      [undefined, 5.5, 69],
    ]);
    expect(pasted).toMatchObject({ filled: 5, unread: ['x'], tooMany: 1 });
  });
});
