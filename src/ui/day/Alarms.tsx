import { BellRing, Check } from 'lucide-react';
import { alarmHistory, alarmMessage } from '../../formats/messages/day/alarm';
import type { MessageContext } from '../../formats/messages/names';
import type { DayGround, DayScreen } from './dayScreen';
import type { Say } from './useDeeds';
import { titleOfTask } from './wording';

interface AlarmsProps {
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  say: Say;
}

/** What rings, on top of everything: what it is, what to do, and one large button. Those answered stay as a line until they are over. */
export function Alarms({ day, ground, context, say }: AlarmsProps) {
  const title = titleOfTask(context, ground, day.tasks);
  const open = day.alarms.filter((mark) => mark.acknowledgedAtMs === undefined);
  const answered = day.alarms.filter((mark) => mark.acknowledgedAtMs !== undefined);
  if (day.alarms.length === 0) return null;
  return (
    <section aria-label="Alarms" className="border-b border-line">
      {open.map((mark) => {
        const message = alarmMessage(context, mark.alarm, title);
        return (
          <div
            key={mark.causeId}
            role="alert"
            className={`border-l-[6px] bg-sheet px-4 py-3 lg:flex lg:items-center lg:justify-between lg:gap-6 ${mark.alarm.urgency === 'now' ? 'border-bad' : 'border-warn'}`}
          >
            <div>
              <p className={`flex items-start gap-2 text-[1.12rem] font-bold ${mark.alarm.urgency === 'now' ? 'text-bad' : 'text-warn'}`}>
                <BellRing size={20} className="mt-0.5 shrink-0" aria-hidden />
                {message.title}
              </p>
              <p className="mt-1 text-[1rem]">{message.whatToDo}</p>
            </div>
            <div className="mt-2 flex items-center justify-between gap-3">
              <p className="text-[0.86rem] text-soft">
                {message.who ? `${message.who}, ` : ''}
                {alarmHistory(context, mark)}
              </p>
              <button
                type="button"
                className="inline-flex min-h-12 shrink-0 items-center gap-2 rounded border border-ink bg-ink px-4 text-[1rem] font-bold text-sheet"
                onClick={() => say({ kind: 'alarm', causeId: mark.causeId, did: 'acknowledged' }, `Answered: ${message.title}`)}
              >
                <Check size={18} aria-hidden /> I see to it
              </button>
            </div>
          </div>
        );
      })}
      {answered.map((mark) => (
        <p key={mark.causeId} className="bg-sheet px-4 py-1.5 text-[0.9rem] text-soft">
          <span className="font-semibold text-ink">{alarmMessage(context, mark.alarm, title).title}</span>, {alarmHistory(context, mark)}
        </p>
      ))}
    </section>
  );
}
