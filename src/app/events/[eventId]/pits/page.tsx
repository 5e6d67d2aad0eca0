import { house as openHouse } from '../../../../runtime/house';
import { listEquipment, listEvents } from '../../../../services';
import { EventPits } from '../../../../ui/pits/EventPits.client';
import { chooseEquipment, copyEquipment, saveDay } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Pits' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  const house = await openHouse();
  const equipment = await listEquipment(house);
  const others = (await listEvents(house)).filter((other) => other.id !== input.event.id).map(({ id, name }) => ({ id, name }));
  return (
    <>
      <Shell input={input} plan={plan} here="pits" />
      <EventPits
        event={input.event}
        equipment={equipment}
        others={others}
        chooseEquipment={chooseEquipment}
        copyEquipment={copyEquipment}
        saveDay={saveDay}
      />
    </>
  );
}
