'use client';
import { useCallback, useMemo } from 'react';
import { deedNeeds, isAtLeast, type Role } from '../../core/access';
import { alarmMessage } from '../../formats/messages/day/alarm';
import type { MessageContext } from '../../formats/messages/names';
import { NOT_YOURS } from '../../formats/messages/notYours';
import { complain } from '../kit/actions';
import { useUnits } from '../kit/UnitsProvider';
import { openTasks, type DayGround, type DayScreen } from './dayScreen';
import { useRinging } from './ringing';
import { useDay, useDayNow } from './useDay';
import { useDeeds, type Say } from './useDeeds';
import { useName } from './useName';
import { withWaiting } from './waitingTaps';
import { titleOfTask } from './wording';

const ON_ITS_WAY_MS = 3000;

export interface LivedDayProps {
  ground: DayGround;
  first: DayScreen;
  version: number;
  /** Who joined with this phone; left out on the owner's own machine. */
  me?: { role: Role; name?: string };
}

/** What desk and yard are made of alike: the day as it changes, its clock, whose screen it is, how to say something, what rings. */
export function useLivedDay({ ground, first, version, me }: LivedDayProps, as: string) {
  const units = useUnits();
  const context = useMemo((): MessageContext => ({ ...ground, units }), [ground, units]);
  const live = useDay(ground.event.id, first, version);
  const nowMs = useDayNow(live);
  const [chosen, setName] = useName();
  const name = me?.name ?? chosen;
  const { say: tell, waiting } = useDeeds(live, ground.event.id, name ?? as);
  const say = useCallback<Say>(
    (deed, words) => {
      if (!me || isAtLeast(me.role, deedNeeds(deed))) return tell(deed, words);
      complain([{ code: 'notAllowed', message: NOT_YOURS }]);
      return '';
    },
    [me, tell],
  );
  const { joined } = live;
  // Of what is on its way nobody need be told, of what lies here everybody.
  const lies = joined.by === 'none' || live.day.fault !== undefined;
  const lying = lies ? waiting : waiting.filter((tap) => nowMs - tap.atMs > ON_ITS_WAY_MS * live.day.clock.speed);
  const day = useMemo(() => withWaiting(live.day, waiting), [live.day, waiting]);
  return { units, context, day, joined, nowMs, name, setName, say, waiting: lying.length, open: openTasks(day) };
}

/** Rings for every alarm that nobody has answered. */
export function useAlarmCalls(day: DayScreen, ground: DayGround, context: MessageContext, quiet: boolean): void {
  const calls = useMemo(() => {
    const title = titleOfTask(context, ground, day.tasks);
    return day.alarms
      .filter((mark) => mark.acknowledgedAtMs === undefined)
      .map((mark) => ({ causeId: mark.causeId, urgency: mark.alarm.urgency, title: alarmMessage(context, mark.alarm, title).title }));
  }, [day, ground, context]);
  useRinging(calls, quiet);
}
