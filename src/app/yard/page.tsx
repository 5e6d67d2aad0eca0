import type { Metadata } from 'next';
import Link from 'next/link';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { context as openContext } from '../../runtime/context';
import { askerOf } from '../../runtime/yardSeat';
import { runningDays } from '../../services';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Yard' };

/** Days under way, for a phone: straight to the one there is, or a choice of several. */
export default async function Page() {
  const days = await runningDays(await openContext());
  if (days.length === 1) redirect(`/yard/${days[0]!.eventId}`);
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-3 px-5 py-8">
      <h1 className="text-[1.6rem]">{days.length === 0 ? 'No day is under way' : 'Which day?'}</h1>
      {days.length === 0 && <p className="text-soft">Start one on the stage “Cook day” of its event; then this page goes there.</p>}
      {days.map((day) => (
        <Link
          key={day.eventId}
          href={`/yard/${day.eventId}`}
          className="min-h-14 rounded border border-line bg-sheet px-4 py-3 text-[1.15rem] font-bold"
        >
          {day.name}
        </Link>
      ))}
      {askerOf(await headers()).role !== 'watcher' && (
        <Link href="/practice" className="text-soft underline">
          Practise a day without meat
        </Link>
      )}
      {askerOf(await headers()).role === 'owner' && (
        <Link href="/" className="text-soft underline">
          All events
        </Link>
      )}
    </main>
  );
}
