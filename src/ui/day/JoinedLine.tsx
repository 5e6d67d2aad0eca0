import { clockTime } from '../../formats/clock';
import { clockSetMessage, sleptMessage, writeFaultMessage } from '../../formats/messages/day/house';
import type { MessageContext } from '../../formats/messages/names';
import type { DayScreen } from './dayScreen';
import type { Joined } from './useDay';

/** How the screen stands with the house and the house with its devices: said only when somebody should know. */
export function JoinedLine({
  day,
  joined,
  waiting,
  context,
  takeTime,
}: {
  day: DayScreen;
  joined: Joined;
  waiting: number;
  context: MessageContext;
  /** Where the owner sits: goes by the house's clock as it is set now. */
  takeTime?: () => void;
}) {
  const at = (ms: number) => clockTime(ms, context.event.timeZone, context.units.clock);
  const lines = [
    ...(joined.by === 'none' ? [`Alone since ${at(joined.sinceMs)}: what you see is from then. Taps are kept and sent later.`] : []),
    ...(day.fault ? [writeFaultMessage(day.fault)] : []),
    ...(waiting > 0 ? [`${waiting} ${waiting === 1 ? 'tap waits' : 'taps wait'} to be sent.`] : []),
    ...(day.slept ? [sleptMessage(day.slept, context)] : []),
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
          Simulated{paceWords(day.clock, at)}: no real fire, no real meat.
        </p>
      )}
      {day.clockSet && (
        <p role="status" className="border-b border-line bg-sheet px-4 py-1.5 text-[0.94rem] font-semibold text-warn">
          {clockSetMessage(day.clockSet, context)}{' '}
          {takeTime && (
            <button type="button" onClick={takeTime} className="min-h-9 underline">
              Take the new time
            </button>
          )}
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

function paceWords({ speed, fastToMs }: DayScreen['clock'], at: (ms: number) => string): string {
  if (fastToMs !== undefined) return `, on to ${at(fastToMs)}`;
  return speed > 1 ? `, ${speed} times as fast` : '';
}
