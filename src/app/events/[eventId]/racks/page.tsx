import { RackDesk } from '../../../../ui/racks/RackDesk.client';
import { layPieces } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Racks' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="racks" />
      <RackDesk key={input.event.id} input={input} plan={plan} layPieces={layPieces} />
    </>
  );
}
