import { context as openContext } from '../runtime/context';
import { listEquipment, listEvents, runningDays } from '../services';
import { EventsPage } from '../ui/events/EventsPage.client';
import { SiteHeader } from '../ui/shell/Header';
import { addSet, createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent } from './actions';

export const dynamic = 'force-dynamic';

export default async function Page() {
  const context = await openContext();
  const running = new Set((await runningDays(context)).map((day) => day.eventId));
  const events = (await listEvents(context)).map((event) => ({ ...event, underWay: running.has(event.id) }));
  return (
    <>
      <SiteHeader here="events" />
      <EventsPage
        events={events}
        nowMs={context.nowMs()}
        hasPits={(await listEquipment(context)).pits.length > 0}
        actions={{ createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent, addSet }}
      />
    </>
  );
}
