import { PrepDesk } from '../../../../ui/prep/PrepDesk.client';
import { markStep, saveKitchen, savePrep } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Prep' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="prep" />
      <PrepDesk key={input.event.id} input={input} plan={plan} actions={{ savePrep, markStep, saveKitchen }} />
    </>
  );
}
