import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { fitErrors, SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { readCooksCsv } from '../../src/formats/cooksCsv';

const { rows, refused } = readCooksCsv(readFileSync('data/cooks/reference-cooks.csv', 'utf8'));

describe('the reference cooks', () => {
  it('are all readable', () => {
    expect(refused).toEqual([]);
    expect(rows).toHaveLength(54);
  });

  it('are met with a log-RMSE of at most 0.10', () => {
    expect(
      fitErrors(
        rows.map((row) => row.cook),
        SHIPPED_PARAMETERS,
      ).logRmse,
    ).toBeLessThanOrEqual(0.1);
  });
});

describe('reading a cooks file', () => {
  it('leaves out rows it cannot use, with their line and reason, and keeps the others', () => {
    const text =
      'cook_id,cut,piece_kg,pit_c,wrap,wrap_at,done\na,pork-butt,3.6,121,,,tender\nb,griffin,3,121,,,tender\nc,pork-butt,-1,121,,,tender\nd,pork-butt,3.6,121,foil,,tender\ne,pork-butt,3.6,110;135,,,tender\na,pork-butt,3,121,,,tender\nf,pork-loin,2,107@0h;135@2h,paper,74C,60C\n';
    const file = readCooksCsv(text);
    expect(file.rows.map((row) => row.cook.id)).toEqual(['a', 'f']);
    expect(file.refused.map((row) => row.line)).toEqual([3, 4, 5, 6, 7]);
    expect(file.refused[0]!.reason).toContain('griffin');
    expect(file.rows[1]!.cook).toMatchObject({
      wrapWhen: { coreC: 74 },
      done: { by: 'probe', coreC: 60 },
      pitSteps: [
        { fromMin: 0, pitC: 107 },
        { fromMin: 120, pitC: 135 },
      ],
    });
  });
});
