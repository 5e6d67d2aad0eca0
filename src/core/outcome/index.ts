export { isWriteFault, WRITE_FAULTS } from './writeFaults';
export type { WriteFaultCode } from './writeFaults';

/**
 * What a piece of work can come to: a value, or problems as codes with data. Words and HTTP
 * status are chosen last, at the edge.
 */
export type Outcome<Value, P extends Problem = Problem> = { ok: true; value: Value } | { ok: false; problems: P[] };

/** A problem names what is wrong (`code`), where (`path` in the input, when it has one) and with which figures. */
export interface Problem {
  code: string;
  path?: string;
  message?: string;
  data?: Record<string, string | number | boolean>;
}

export const success = <Value>(value: Value): Outcome<Value, never> => ({ ok: true, value });
export const failure = <P extends Problem>(...problems: P[]): Outcome<never, P> => ({ ok: false, problems });
