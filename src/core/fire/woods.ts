import {
  buyingOf,
  cutIn,
  fireRecipeFor,
  prepOf,
  woodsOfRecipe,
  type CookEvent,
  type Library,
  type Pit,
  type Run,
  type SmokeWanted,
  type WoodShare,
} from '../model';
import { addMinutes } from '../units';

/** What meat wants of the fire it lies on. */
export interface FireWishes {
  /** The wood of a run's batch, as it is bought. */
  woodOf(run: Run): string;
  smokeOf(run: Run): SmokeWanted;
}

export function fireWishes({ event, library }: { event: CookEvent; library: Library }): FireWishes {
  const found = (run: Run) => {
    const batch = event.batches.find((each) => each.id === run.batchId);
    const cut = batch && cutIn(library, batch.cutId);
    return batch && cut ? { batch, cut } : undefined;
  };
  return {
    woodOf: (run) => {
      const of = found(run);
      return of ? buyingOf(of.cut, of.batch).wood : USUAL_WOOD;
    },
    smokeOf: (run) => {
      const of = found(run);
      return (of && prepOf(of.cut, of.batch).smoke) ?? 'usual';
    },
  };
}

const USUAL_WOOD = 'oak';
/** A run that goes on this soon is already burned for. */
const SOON_MIN = 60;

/** What burns on a pit at a moment: its recipe's woods where one is written down for the heat, else the wood of the most meat there. */
export function woodsAt(pit: Pit, pitC: number, atMs: number, runs: readonly Run[], { woodOf }: FireWishes): WoodShare[] {
  const recipe = fireRecipeFor(pit, pitC);
  const named = recipe && woodsOfRecipe(recipe);
  if (named) return named;
  const kgOf = new Map<string, number>();
  for (const run of runs) {
    if (run.pitId !== pit.id || (run.smokeUntilMs ?? run.pullMedianMs) <= atMs || run.onAtMs > addMinutes(atMs, SOON_MIN)) continue;
    kgOf.set(woodOf(run), (kgOf.get(woodOf(run)) ?? 0) + run.kg);
  }
  const [most] = [...kgOf].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
  return [{ wood: most?.[0] ?? USUAL_WOOD, share: 1 }];
}
