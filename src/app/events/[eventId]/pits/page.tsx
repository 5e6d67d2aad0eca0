import { context as openContext } from '../../../../runtime/context';
import { listEquipment, listEvents } from '../../../../services';
import { EventPits } from '../../../../ui/pits/EventPits.client';
import { chooseEquipment, copyEquipment, saveDay } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Pits' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  const context = await openContext();
  const equipment = await listEquipment(context);
  const others = (await listEvents(context)).filter((other) => other.id !== input.event.id).map(({ id, name }) => ({ id, name }));
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
