/** Problem codes of what cannot be written just now: nothing is wrong with what was sent, and it may be sent again. */
export const WRITE_FAULTS = ['diskFull', 'databaseBusy', 'databaseReadOnly', 'databaseDamaged', 'databaseGone'] as const;
export type WriteFaultCode = (typeof WRITE_FAULTS)[number];

export const isWriteFault = (code: string): code is WriteFaultCode => (WRITE_FAULTS as readonly string[]).includes(code);
