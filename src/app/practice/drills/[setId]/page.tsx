import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { DRILL_SETS } from '../../../../core/practice';
import { SHIPPED_LIBRARY } from '../../../../core/model';
import { context as openContext } from '../../../../runtime/context';
import { askerOf } from '../../../../runtime/yardSeat';
import { readPractice } from '../../../../services';
import { Drill } from '../../../../ui/practice/Drill.client';
import { PracticeHeader } from '../../../../ui/practice/PracticeHeader';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Drill' };

export default async function Page({ params }: { params: Promise<{ setId: string }> }) {
  const { setId } = await params;
  const set = DRILL_SETS.find((each) => each === setId) ?? notFound();
  const context = await openContext();
  const { marks } = await readPractice(context);
  return (
    <>
      <PracticeHeader owner={askerOf(await headers()).role === 'owner'} />
      <Drill set={set} library={SHIPPED_LIBRARY} marks={marks} nowMs={context.nowMs()} />
    </>
  );
}
