import type { WriteFaultCode } from '../../core/outcome';
import { clockTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import type { DayScreen } from './dayScreen';
import type { Joined } from './useDay';

/** Why nothing can be written, and what brings it back: what it means for whoever stands in the yard. */
const FAULT_WORDS: Record<WriteFaultCode, [why: string, cure: string]> = {
  diskFull: ['The house’s disk is full', 'Make room on it.'],
  databaseBusy: ['Another program holds the house’s data', 'Stop that program.'],
  databaseReadOnly: ['The house’s data cannot be written to', 'Allow writing to its file and folder.'],
  databaseDamaged: ['The house’s data or disk fails', 'Stop the program there, and put the last copy back.'],
};
const faultInWords = (fault: WriteFaultCode): string => {
  const [why, cure] = FAULT_WORDS[fault];
  return `${why}: nothing new is written, and no new alarm rings. Taps wait on this phone. ${cure}`;
};

/** How the screen stands with the house and the house with its devices: said only when somebody should know. */
export function JoinedLine({
  day,
  joined,
  waiting,
  context,
}: {
  day: DayScreen;
  joined: Joined;
  waiting: number;
  context: MessageContext;
}) {
  const at = (ms: number) => clockTime(ms, context.event.timeZone, context.units.clock);
  const lines = [
    ...(joined.by === 'none' ? [`Alone since ${at(joined.sinceMs)}: what you see is from then. Taps are kept and sent later.`] : []),
    ...(day.fault ? [faultInWords(day.fault)] : []),
    ...(waiting > 0 && (joined.by === 'none' || day.fault) ? [`${waiting} ${waiting === 1 ? 'tap waits' : 'taps wait'} to be sent.`] : []),
    ...day.links
      .filter((link) => link.state !== 'connected')
      .map(
        (link) =>
          `The broker ${link.id} is ${link.state === 'lost' ? `gone since ${at(link.sinceMs)}; it is looked for` : 'being called'}. Read by hand until then.`,
      ),
    ...(day.phase === 'paused' ? [`The day stands still${day.pausedReason ? `: ${day.pausedReason}` : ''}.`] : []),
  ];
  return (
    <>
      {joined.by === 'out' && (
        <p role="alert" className="border-b border-line bg-sheet px-4 py-2 text-[0.98rem] font-semibold text-warn">
          This phone is out. What waits to be sent is kept.{' '}
          <a href="/join" className="underline">
            Join again
          </a>
        </p>
      )}
      {day.clock.simulated && (
        <p className="border-b border-line bg-shade px-4 py-1 text-[0.86rem] text-soft">
          Simulated{day.clock.speed > 1 ? `, ${day.clock.speed} times as fast` : ''}: no real fire, no real meat.
        </p>
      )}
      {lines.map((line) => (
        <p key={line} role="status" className="border-b border-line bg-sheet px-4 py-1.5 text-[0.94rem] font-semibold text-warn">
          {line}
        </p>
      ))}
    </>
  );
}
