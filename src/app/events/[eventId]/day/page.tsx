import { context as openContext } from '../../../../runtime/context';
import { dayHouse } from '../../../../runtime/dayHouse';
import { heardChannels, readDayFacts, rememberedColumns, runningDays } from '../../../../services';
import { DayDesk } from '../../../../ui/day/DayDesk.client';
import type { DayScreen } from '../../../../ui/day/dayScreen';
import { StartDay } from '../../../../ui/day/StartDay.client';
import { guessLog, importLog, setDaySpeed, startDay, takeMachineTime } from '../../../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cook day' };

/** The cook day at the desk: its start, then all of it. */
export default async function Page({ params }: { params: Promise<{ eventId: string }> }) {
  const { eventId } = await params;
  const context = await openContext();
  const ground = await readDayFacts(context, eventId);
  const room = ground && (await dayHouse(context).room(eventId));
  if (!room) return <StartDay startDay={startDay} />;
  const { version, json } = room.current();
  const others = (await runningDays(context)).filter((each) => each.eventId !== eventId);
  return (
    <DayDesk
      ground={ground}
      first={JSON.parse(json) as DayScreen}
      version={version}
      setDaySpeed={setDaySpeed}
      takeMachineTime={takeMachineTime}
      log={{ remembered: await rememberedColumns(context), guessLog, importLog }}
      heard={await heardChannels(context, room.nowMs())}
      others={others}
    />
  );
}
