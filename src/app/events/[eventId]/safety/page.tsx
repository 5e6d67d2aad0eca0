import { SafetyPanel } from '../../../../ui/safety/SafetyPanel.client';
import { loosenRule, tightenRule } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Safety' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="safety" />
      <SafetyPanel key={input.event.id} input={input} plan={plan} loosenRule={loosenRule} tightenRule={tightenRule} />
    </>
  );
}
