import { coolingOf, thickestThatKeeps } from '../../../../core/planning';
import { ServiceDesk } from '../../../../ui/service/ServiceDesk.client';
import { saveKitchen, saveLeftover } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Service' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  const cooling = Object.fromEntries(
    input.event.batches.flatMap((batch) => (batch.leftover ? [[batch.id, coolingOf(batch.leftover)] as const] : [])),
  );
  return (
    <>
      <Shell input={input} plan={plan} here="service" />
      <ServiceDesk
        key={input.event.id}
        input={input}
        plan={plan}
        cooling={cooling}
        keeps={thickestThatKeeps()}
        actions={{ saveKitchen, saveLeftover }}
      />
    </>
  );
}
