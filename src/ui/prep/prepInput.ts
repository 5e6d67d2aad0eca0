import { cutIn, prepOf, type Batch, type Library, type PrepDrop } from '../../core/model';
import type { PrepInput } from '../../inputs';

/** A batch's prep as its form holds it. */
export function prepInput(library: Library, batch: Batch): PrepInput {
  const { done: _, recipes, ...prep } = prepOf(cutIn(library, batch.cutId)!, batch);
  return { batchId: batch.id, ...prep, recipes: { ...recipes } };
}

/** What a drop changes. */
export function dropped(input: PrepInput, what: PrepDrop): Partial<PrepInput> {
  const { brine: _, ...withoutBrine } = input.recipes;
  switch (what) {
    case 'thawInWater':
      return { thaw: 'water' };
    case 'saltInsteadOfBrine':
      return { brine: 'none', salt: 'hour', recipes: withoutBrine };
    case 'skipBrine':
      return { brine: 'none', recipes: withoutBrine };
    case 'saltAnHour':
      return { salt: 'hour' };
    case 'saltAsItGoesOn':
      return { salt: 'on' };
    case 'skipTempering':
      return { temperMin: 0 };
    case 'none':
      return {};
  }
}
