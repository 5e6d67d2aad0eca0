import type { Run } from '../model';
import type { PrepOrder } from '../prep';
import type { PlanInput } from './planInput';
import { batchOrders } from './searchInput';

/** The batches that go on, with the moment their first piece does. */
export function prepOrders({ event, library }: Pick<PlanInput, 'event' | 'library'>, runs: readonly Run[]): PrepOrder[] {
  return batchOrders({ event, library }).flatMap(({ batch, cut }) => {
    const own = runs.filter((run) => run.batchId === batch.id);
    return own.length === 0 ? [] : [{ batch, cut, onAtMs: Math.min(...own.map((run) => run.onAtMs)) }];
  });
}
