import { BellRing } from 'lucide-react';
import { alarmMessage } from '../../formats/messages/day/alarm';
import type { MessageContext } from '../../formats/messages/names';
import type { DayGround, DayScreen } from './dayScreen';
import { titleOfTask } from './wording';

/** What rings and is not answered while a sheet lies over it. */
export function RingsBehind({ day, ground, context }: { day: DayScreen; ground: DayGround; context: MessageContext }) {
  const open = day.alarms.filter((mark) => mark.acknowledgedAtMs === undefined && mark.alarm.urgency === 'now');
  if (open.length === 0) return null;
  const title = titleOfTask(context, ground, day.tasks);
  return (
    <p role="status" className="mb-3 flex items-start gap-2 border-l-[6px] border-bad bg-shade px-3 py-2 font-bold text-bad">
      <BellRing size={18} className="mt-0.5 shrink-0" aria-hidden />
      <span>
        {open.map((mark) => alarmMessage(context, mark.alarm, title).title).join('; ')}.{' '}
        <span className="font-normal text-ink">Close this sheet to answer.</span>
      </span>
    </p>
  );
}
