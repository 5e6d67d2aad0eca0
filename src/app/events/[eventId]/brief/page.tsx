import { BriefForm } from '../../../../ui/brief/BriefForm.client';
import { saveBrief } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Brief' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="brief" />
      <BriefForm key={input.event.id} event={input.event} library={input.library} saveBrief={saveBrief} />
    </>
  );
}
