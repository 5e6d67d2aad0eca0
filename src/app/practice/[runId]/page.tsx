import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { scenarioIn } from '../../../core/practice';
import { context as openContext } from '../../../runtime/context';
import { askerOf } from '../../../runtime/yardSeat';
import { readLibrary, readPracticeRun } from '../../../services';
import { PracticeDesk } from '../../../ui/practice/PracticeDesk.client';
import { PracticeHeader } from '../../../ui/practice/PracticeHeader';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Practice' };

/** A day in practice, where it was left. */
export default async function Page({ params }: { params: Promise<{ runId: string }> }) {
  const context = await openContext();
  const run = (await readPracticeRun((await params).runId)) ?? notFound();
  const scenario = run.rehearsal?.scenario ?? scenarioIn(run.scenarioId) ?? notFound();
  const { library } = await readLibrary(context);
  return (
    <>
      <PracticeHeader owner={askerOf(await headers()).role === 'owner'} />
      <PracticeDesk key={run.id} run={run} scenario={scenario} library={library} />
    </>
  );
}
