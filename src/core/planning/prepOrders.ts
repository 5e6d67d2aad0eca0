import { cutIn, type Run } from '../model';
import type { PrepOrder } from '../prep';
import type { PlanInput } from './planInput';

/** The batches that go on, with the moment their first piece does. */
export const prepOrders = ({ event, library }: Pick<PlanInput, 'event' | 'library'>, runs: readonly Run[]): PrepOrder[] =>
  event.batches.flatMap((batch) => {
    const cut = cutIn(library, batch.cutId);
    const own = runs.filter((run) => run.batchId === batch.id);
    return !cut || own.length === 0 ? [] : [{ batch, cut, onAtMs: Math.min(...own.map((run) => run.onAtMs)) }];
  });
