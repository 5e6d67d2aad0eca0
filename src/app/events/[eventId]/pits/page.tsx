import { house as openHouse } from '../../../../runtime/house';
import { listEquipment } from '../../../../services';
import { EventPits } from '../../../../ui/pits/EventPits.client';
import { chooseEquipment } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Pits' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  const { pits, boxes } = await listEquipment(await openHouse());
  return (
    <>
      <Shell input={input} plan={plan} here="pits" />
      <EventPits event={input.event} pits={pits} boxes={boxes} chooseEquipment={chooseEquipment} />
    </>
  );
}
