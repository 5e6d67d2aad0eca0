import { mayUndo } from '../../core/day';
import { clockTime } from '../../formats/clock';
import { entryMessage } from '../../formats/messages/day/entry';
import type { MessageContext } from '../../formats/messages/names';
import type { DayGround, DayScreen } from './dayScreen';
import type { Say } from './useDeeds';
import { titleOfTask } from './wording';

/** What happened, the newest first; what a person did can be taken back. */
export function JournalList({
  day,
  ground,
  context,
  say,
  shown = 40,
}: {
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  say: Say;
  shown?: number;
}) {
  const title = titleOfTask(context, ground, day.tasks);
  const undone = new Set(day.journal.flatMap(({ deed }) => (deed.kind === 'undo' ? [deed.entryId] : [])));
  const late = new Set(day.late.map((each) => each.entryId));
  const entries = day.journal.toReversed().slice(0, shown);
  return (
    <ol className="text-[0.92rem]">
      {entries.map((entry) => (
        <li
          key={entry.id}
          className={`flex items-baseline gap-2 border-b border-line py-1 ${undone.has(entry.id) ? 'text-soft line-through' : ''}`}
        >
          <span className="figures w-12 shrink-0 text-soft">{clockTime(entry.atMs, context.event.timeZone, context.units.clock)}</span>
          <span className="grow">
            {entryMessage(context, entry, title)}
            {late.has(entry.id) && <span className="ml-1 font-semibold text-warn">came late, and changed what was said</span>}
          </span>
          <span className="shrink-0 text-[0.84rem] text-soft">{entry.source === 'house' ? '' : entry.by}</span>
          {mayUndo(entry) && !undone.has(entry.id) && (
            <button type="button" className="shrink-0 text-[0.84rem] underline" onClick={() => say({ kind: 'undo', entryId: entry.id })}>
              Take back
            </button>
          )}
        </li>
      ))}
      {day.journalCount > entries.length && <li className="py-1 text-soft">and {day.journalCount - entries.length} before</li>}
    </ol>
  );
}
