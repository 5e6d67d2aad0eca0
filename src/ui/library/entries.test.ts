import { describe, expect, it } from 'vitest';
import { CUTS, METHODS } from '../../core/model';
import { check, CutRecord, MethodRecord } from '../../inputs';
import { copyOf, plain } from './entries';

describe('entries as their forms hold them', () => {
  it('pass their own check, every shipped one of them', () => {
    for (const cut of CUTS) expect(check(CutRecord, plain(cut)), cut.id).toMatchObject({ ok: true });
    for (const method of METHODS) expect(check(MethodRecord, plain(method)), method.id).toMatchObject({ ok: true });
  });

  it('are refused at the right field', () => {
    const broken = (change: object) => {
      const outcome = check(CutRecord, { ...plain(CUTS[0]!), ...change });
      return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
    };
    expect(broken({ yieldShare: 1.3 })).toEqual(['yieldShare']);
    expect(broken({ typicalBoughtKg: [6, 0.5] })).toEqual(['typicalBoughtKg']);
    expect(broken({ done: { by: 'core' } })).toEqual(['done.coreC']);
    expect(broken({ done: { by: 'core', coreC: 63 } })).toEqual([]);
    expect(broken({ thicknessMm: 2000 })).toEqual(['thicknessMm']);
  });

  it('become the owner’s own when copied', () => {
    const copy = copyOf(METHODS[0]!);
    expect(copy.id).not.toBe(METHODS[0]!.id);
    expect(copy.name).toBe(`${METHODS[0]!.name}, mine`);
  });
});
