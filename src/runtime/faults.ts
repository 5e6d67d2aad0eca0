import { failure, WRITE_FAULTS, type Outcome } from '../core/outcome';
import { WriteFault } from '../persistence';

/** What a door answers when disk or file do not take what came: 503, to be sent again. */
export async function faultsAsOutcome<T>(work: Promise<Outcome<T>>): Promise<Outcome<T>> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof WriteFault) return failure({ code: error.code });
    throw error;
  }
}

/** Statuses of these codes, for routes. */
export const FAULT_STATUS: Readonly<Record<string, number>> = Object.fromEntries(WRITE_FAULTS.map((code) => [code, 503]));
