import { BuyingDesk } from '../../../../ui/buying/BuyingDesk.client';
import { saveBuying, saveKitchen, saveReceipt, saveWeights, tickItem } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Buying' };

export default async function Page(params: EventParams) {
  const { input, plan, learned } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="buying" />
      <BuyingDesk
        key={input.event.id}
        input={input}
        plan={plan}
        learned={learned}
        actions={{ saveWeights, saveBuying, saveReceipt, saveKitchen, tickItem }}
      />
    </>
  );
}
