'use client';
import { useState } from 'react';
import { piecesOfTask, type DayTask, type KeptDay } from '../../core/day';
import { HANDLED } from '../../core/model';
import { clockTime } from '../../formats/clock';
import { list, memberName, type MessageContext } from '../../formats/messages/names';
import { tagOfPiece } from '../../formats/messages/day/names';
import { formatMinutes } from '../../formats/units';
import type { DayGround, DayScreen } from './dayScreen';
import type { Say } from './useDeeds';
import { countdown, DONE_WORDS } from './wording';
import { dayTaskMessage } from '../../formats/messages/day/task';

interface NextTaskProps {
  task: DayTask;
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  say: Say;
  onPad(key: string): void;
  onPiece(key: string): void;
}

const LATER_MIN = [10, 20, 40] as const;
const WHY_NOT = ['not needed', 'done another way', 'no time', 'broken or gone'] as const;

/** Work whose minutes tell how quick these hands are. */
const isTimed = ({ kind }: DayTask): boolean => HANDLED.some((each) => each === kind);

/** The next thing to do, large: what, when, who; done, not yet, or why not. */
export function NextTask({ task, day, ground, context, nowMs, say, onPad, onPiece }: NextTaskProps) {
  const [asking, setAsking] = useState<'no' | 'notYet' | 'whyNot'>('no');
  const message = dayTaskMessage(context, task, ground.plan.runs);
  const leftMs = task.dueMs - nowMs;
  const late = leftMs < 0;
  const keys = piecesOfTask({ plan: ground.plan } as KeptDay, task).filter((key) => {
    const piece = day.pieces.find((each) => each.key === key);
    return piece && piece.pulledAtMs === undefined;
  });
  const byPiece = (task.kind === 'check' || task.kind === 'pull') && keys.length > 0;
  const who = list((task.who ?? []).map((id) => memberName(context, id)));
  const time = clockTime(task.dueMs, context.event.timeZone, context.units.clock);
  const done = () => say({ kind: 'task', taskId: task.id, did: 'done' }, `${message.title}: done`);
  const wide = 'min-h-14 rounded border px-2 text-[1.05rem] font-bold whitespace-nowrap';
  return (
    <section aria-label="Next task" className="border-b border-line bg-sheet px-4 pb-4 pt-3">
      <p className="text-[0.92rem] text-soft">
        {late ? 'Late' : 'Next'}
        {who ? `, for ${who}` : ''}
        {task.insteadOf ? ` (in place of ${list(task.insteadOf.map((id) => memberName(context, id)))})` : ''}
      </p>
      <h2 className="text-[1.45rem]">{message.title}</h2>
      <p className="mt-1 flex items-baseline gap-3">
        <span className={`figures text-[3.1rem] leading-none font-bold ${late ? 'text-bad' : 'text-ember-ink'}`}>{countdown(leftMs)}</span>
        <span className="text-[1.1rem] text-soft">about {time}</span>
      </p>
      {message.detail && <p className="mt-2 text-[1rem] text-soft">{message.detail}</p>}
      {task.clash && (
        <p className="mt-1 font-semibold text-warn">{memberName(context, task.clash.memberId)} is busy with something else then.</p>
      )}
      {byPiece ? (
        <div className="mt-3 flex flex-wrap gap-2">
          {keys.map((key) => (
            <button key={key} type="button" className={`${wide} grow border-ember bg-ember text-on-ember`} onClick={() => onPiece(key)}>
              {tagOfPiece(context, key)}
            </button>
          ))}
          <button type="button" className={`${wide} border-line`} onClick={() => setAsking('notYet')}>
            Not yet
          </button>
        </div>
      ) : (
        <div className="mt-3 grid grid-cols-[1fr_auto_auto] gap-2">
          <button type="button" className={`${wide} border-ember bg-ember text-on-ember`} onClick={done}>
            {DONE_WORDS[task.kind] ?? 'Done'}
          </button>
          <button type="button" className={`${wide} border-line`} onClick={() => setAsking(asking === 'notYet' ? 'no' : 'notYet')}>
            Not yet
          </button>
          <button
            type="button"
            className={`${wide} border-line`}
            onClick={() => onPad(keys[0] ?? (task.pitId === undefined ? '' : `pit/${task.pitId}`))}
          >
            Reading
          </button>
        </div>
      )}
      {task.begunAtMs === undefined ? (
        isTimed(task) && (
          <button
            type="button"
            className="mt-2 min-h-11 text-[0.95rem] underline underline-offset-4"
            onClick={() => say({ kind: 'task', taskId: task.id, did: 'begun' }, `${message.title}: begun`)}
          >
            I begin now
          </button>
        )
      ) : (
        <p className="mt-2 text-[0.95rem] text-soft">
          {task.begunBy} is at it since {clockTime(task.begunAtMs, context.event.timeZone, context.units.clock)}.
        </p>
      )}
      {asking === 'notYet' && (
        <div className="mt-2 flex flex-wrap gap-2">
          {LATER_MIN.map((minutes) => (
            <button
              key={minutes}
              type="button"
              className={`${wide} grow border-line`}
              onClick={() => {
                say(
                  { kind: 'task', taskId: task.id, did: 'notYet', minutes },
                  `${message.title}: asked again in ${formatMinutes(minutes)}`,
                );
                setAsking('no');
              }}
            >
              in {minutes} min
            </button>
          ))}
          <button type="button" className={`${wide} grow border-line`} onClick={() => setAsking('whyNot')}>
            Not at all
          </button>
        </div>
      )}
      {asking === 'whyNot' && (
        <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Why not">
          {WHY_NOT.map((reason) => (
            <button
              key={reason}
              type="button"
              className={`${wide} grow border-line`}
              onClick={() => {
                say({ kind: 'task', taskId: task.id, did: 'skipped', reason }, `${message.title}: left out, ${reason}`);
                setAsking('no');
              }}
            >
              {reason}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}
