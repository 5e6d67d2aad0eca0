import { house as openHouse } from '../runtime/house';
import { listEvents } from '../services';
import { EventsPage } from '../ui/events/EventsPage.client';
import { HouseHeader } from '../ui/shell/Header';
import { createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent } from './actions';

export const dynamic = 'force-dynamic';

export default async function Page() {
  const house = await openHouse();
  const events = await listEvents(house);
  return (
    <>
      <HouseHeader here="events" />
      <EventsPage
        events={events}
        nowMs={house.nowMs()}
        actions={{ createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent }}
      />
    </>
  );
}
