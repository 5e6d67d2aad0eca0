import { failure, WRITE_FAULTS, type Outcome } from '../core/outcome';
import { WriteFault } from '../persistence';
import type { Context } from '../services';

/** What a door answers when disk or file do not take what came, or cannot be read: 503, to be sent again. */
export async function withFaults<T>(context: Context, work: (context: Context) => Promise<Outcome<T>>): Promise<Outcome<T>> {
  try {
    return await work(context);
  } catch (error) {
    const told = context.db.noticed(error);
    if (WriteFault.is(told)) return failure({ code: told.code });
    throw told;
  }
}

/** Statuses of these codes, for routes. */
export const FAULT_STATUS: Readonly<Record<string, number>> = Object.fromEntries(WRITE_FAULTS.map((code) => [code, 503]));
