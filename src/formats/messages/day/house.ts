import type { WriteFaultCode } from '../../../core/outcome';
import { clockTime } from '../../clock';
import { formatMinutes } from '../../units';
import type { MessageContext } from '../names';

/** What is wrong with the house itself, in words for whoever stands in the yard: what it means, what is kept, what to do. */

const FAULT_WORDS: Record<WriteFaultCode, [why: string, cure: string]> = {
  diskFull: ['The house’s disk is full', 'Make room on it.'],
  databaseBusy: ['Another program holds the house’s data', 'Stop that program.'],
  databaseReadOnly: ['The house’s data cannot be written to', 'Allow writing to its file and folder.'],
  databaseDamaged: ['The house’s data or disk fails', 'Stop the program there, and put the last copy back: npm run restore.'],
  databaseGone: [
    'The house’s data file was moved or deleted while in use',
    'Put it back where it was, or make a copy in Settings before the program is stopped.',
  ],
};
export const writeFaultMessage = (fault: WriteFaultCode): string => {
  const [why, cure] = FAULT_WORDS[fault];
  return `${why}: nothing new is written, and no new alarm rings. Taps wait on this phone. ${cure}`;
};

const at = (ms: number, { event, units }: MessageContext) => clockTime(ms, event.timeZone, units.clock);

const DAY_MS = 86_400_000;
const spanOf = (ms: number) => (ms < 2 * DAY_MS ? formatMinutes(ms / 60_000) : `${Math.round(ms / DAY_MS)} days`);
export const clockSetMessage = ({ sinceMs, byMs }: { sinceMs: number; byMs: number }, context: MessageContext): string =>
  `The house’s clock was set ${spanOf(Math.abs(byMs))} ${byMs > 0 ? 'ahead' : 'back'} at ${at(sinceMs, context)}. The day goes on by the time it had. Set the clock right; if it was wrong before, take the new time at the desk.`;

export const sleptMessage = ({ fromMs, toMs }: { fromMs: number; toMs: number }, context: MessageContext): string =>
  `The house slept from ${at(fromMs, context)} to ${at(toMs, context)}: nothing was read or rung. What was written before is kept. Look at fires and meat by hand, and keep the machine awake.`;
