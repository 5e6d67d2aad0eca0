import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { context as openContext } from '../../../runtime/context';
import { dayHouse } from '../../../runtime/dayHouse';
import { askerOf } from '../../../runtime/yardSeat';
import { readDayFacts } from '../../../services';
import type { DayScreen } from '../../../ui/day/dayScreen';
import { Yard } from '../../../ui/day/Yard.client';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Yard' };

/** The day on a phone: nothing but what a pair of greasy hands wants. */
export default async function Page({ params }: { params: Promise<{ eventId: string }> }) {
  const { eventId } = await params;
  const context = await openContext();
  const ground = (await readDayFacts(context, eventId)) ?? notFound();
  const room = (await dayHouse(context).room(eventId)) ?? notFound();
  const { version, json } = room.current();
  const asker = askerOf(await headers());
  const me = asker.name === undefined ? undefined : asker;
  return <Yard me={me} ground={ground} first={JSON.parse(json) as DayScreen} version={version} />;
}
