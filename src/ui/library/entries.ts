import type { Cut, Method } from '../../core/model';
import type { CutInput, MethodInput } from '../../inputs';

/** A method as its form holds it. */
export function methodInput(method: Method): MethodInput {
  const { pitRangeC, wrapWhen, holdIdealMin, ...rest } = method;
  return {
    ...rest,
    pitLowC: pitRangeC[0],
    pitHighC: pitRangeC[1],
    wrapCoreC: wrapWhen.coreC,
    wrapAfterMin: wrapWhen.afterMin,
    wrapBark: wrapWhen.bark ?? false,
    wrapAll: wrapWhen.all ?? false,
    holdIdealLowMin: holdIdealMin[0],
    holdIdealHighMin: holdIdealMin[1],
  };
}

/** A cut as its form holds it. */
export function cutInput(cut: Cut): CutInput {
  const { noun, typicalBoughtKg, pulledAtC, done, thinEnd, ...rest } = cut;
  return {
    ...rest,
    nounOne: noun[0],
    nounMany: noun[1],
    boughtLowKg: typicalBoughtKg[0],
    boughtHighKg: typicalBoughtKg[1],
    pulledLowC: pulledAtC[0],
    pulledHighC: pulledAtC[1],
    doneBy: done.by,
    doneCoreC: done.by === 'core' ? done.coreC : undefined,
    convertedShare: done.by === 'tender' ? done.convertedShare : undefined,
    thinThicknessShare: thinEnd?.thicknessShare,
    thinWeightShare: thinEnd?.weightShare,
  };
}

/** A copy under a new name and identity, to be the owner's own. A cut's copy cooks, and is as safe, as what it was copied from. */
export const copyOf = <T extends { id: string; name: string }>(input: T): T => ({
  ...input,
  ...('safetyClass' in input && { modelCutId: (input as { modelCutId?: string }).modelCutId ?? input.id }),
  id: crypto.randomUUID(),
  name: `${input.name}, mine`,
});
