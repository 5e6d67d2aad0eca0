import { context as openContext } from '../runtime/context';
import { listEvents } from '../services';
import { EventsPage } from '../ui/events/EventsPage.client';
import { SiteHeader } from '../ui/shell/Header';
import { createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent } from './actions';

export const dynamic = 'force-dynamic';

export default async function Page() {
  const context = await openContext();
  const events = await listEvents(context);
  return (
    <>
      <SiteHeader here="events" />
      <EventsPage
        events={events}
        nowMs={context.nowMs()}
        actions={{ createEvent, importEvent, deleteEvent, duplicateEvent, renameEvent, restoreEvent }}
      />
    </>
  );
}
