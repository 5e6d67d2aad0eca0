import { describe, expect, it } from 'vitest';
import { CUTS, METHODS } from '../../core/model';
import { check, CutInput, MethodInput } from '../../inputs';
import { copyOf, cutInput, methodInput } from './entries';

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('entries as their forms hold them', () => {
  it('pass their own door, every shipped one of them', () => {
    for (const cut of CUTS) expect(check(CutInput, plain(cutInput(cut))), cut.id).toMatchObject({ ok: true });
    for (const method of METHODS) expect(check(MethodInput, plain(methodInput(method))), method.id).toMatchObject({ ok: true });
  });

  it('are refused at the right field', () => {
    const broken = (change: object) => {
      const outcome = check(CutInput, { ...(plain(cutInput(CUTS[0]!)) as object), ...change });
      return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
    };
    expect(broken({ yieldShare: 1.3 })).toEqual(['yieldShare']);
    expect(broken({ boughtHighKg: 0.5 })).toEqual(['boughtHighKg']);
    expect(broken({ doneBy: 'core' })).toEqual(['doneCoreC']);
    expect(broken({ doneBy: 'core', doneCoreC: 63, convertedShare: undefined })).toEqual([]);
    expect(broken({ thicknessMm: 2000 })).toEqual(['thicknessMm']);
  });

  it('become the owner’s own when copied', () => {
    const copy = copyOf(methodInput(METHODS[0]!));
    expect(copy.id).not.toBe(METHODS[0]!.id);
    expect(copy.name).toBe(`${METHODS[0]!.name}, mine`);
  });
});
