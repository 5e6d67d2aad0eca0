import { decisionsOf } from '../../../../core/planning';
import { RunSheet } from '../../../../ui/runsheet/RunSheet.client';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Run sheet' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="run-sheet" />
      <RunSheet input={input} plan={plan} decisions={decisionsOf(input, plan)} />
    </>
  );
}
