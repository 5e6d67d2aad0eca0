import { headers } from 'next/headers';
import { context as openContext } from '../../runtime/context';
import { askerOf } from '../../runtime/yardSeat';
import { readPractice } from '../../services';
import { PracticeHome } from '../../ui/practice/PracticeHome.client';
import { PracticeHeader } from '../../ui/practice/PracticeHeader';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Practice' };

/** `event` is whose plan is to be rehearsed. */
export default async function Page({ searchParams }: { searchParams: Promise<{ event?: string | string[] }> }) {
  const { event } = await searchParams;
  const context = await openContext();
  return (
    <>
      <PracticeHeader owner={askerOf(await headers()).role === 'owner'} />
      <PracticeHome
        {...await readPractice(context)}
        eventId={typeof event === 'string' ? event : undefined}
        nowMs={context.nowMs()}
        zone={Intl.DateTimeFormat().resolvedOptions().timeZone}
      />
    </>
  );
}
