'use client';
import { useMemo } from 'react';
import { alarmMessage } from '../../formats/messages/day/alarm';
import type { MessageContext } from '../../formats/messages/names';
import { useUnits } from '../kit/UnitsProvider';
import { openTasks, type DayGround, type DayScreen } from './dayScreen';
import { useRinging } from './ringing';
import { useDay, useDayNow } from './useDay';
import { useDeeds } from './useDeeds';
import { useName } from './useName';
import { titleOfTask } from './wording';

export interface LivedDayProps {
  ground: DayGround;
  first: DayScreen;
  version: number;
}

/** What desk and yard are made of alike: the day as it changes, its clock, whose screen it is, how to say something, what rings. */
export function useLivedDay({ ground, first, version }: LivedDayProps, as: string) {
  const units = useUnits();
  const context = useMemo((): MessageContext => ({ ...ground, units }), [ground, units]);
  const live = useDay(ground.event.id, first, version);
  const nowMs = useDayNow(live);
  const [name, setName] = useName();
  const { say, waiting } = useDeeds(live, ground.event.id, name ?? as);
  const { day, joined } = live;
  return { units, context, day, joined, nowMs, name, setName, say, waiting, open: openTasks(day) };
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
