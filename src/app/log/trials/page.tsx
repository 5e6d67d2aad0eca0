import { cutIn } from '../../../core/model';
import { capital } from '../../../formats/messages/names';
import { context as openContext } from '../../../runtime/context';
import { listEvents, readDocument, readLibrary, readTrials } from '../../../services';
import { SiteHeader } from '../../../ui/shell/Header';
import { TrialsPage } from '../../../ui/trials/TrialsPage.client';
import { planTrial } from '../../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Trials' };

/** Trials of the house, and events that one can be planned on. */
export default async function Page() {
  const context = await openContext();
  const { library } = await readLibrary(context);
  const found = await Promise.all((await listEvents(context)).map(({ id }) => readDocument(context, id)));
  const events = found.flatMap((document) => (document ? [document.event] : []));
  const triable = events.map(({ id, name, batches }) => ({
    id,
    name,
    batches: batches.flatMap((batch) => {
      const cut = cutIn(library, batch.cutId);
      return batch.pieces.length < 2 || !cut || cut.species === 'dish'
        ? []
        : [{ id: batch.id, name: batch.label || capital(cut.name), pieces: batch.pieces.length }];
    }),
  }));
  const trials = (await readTrials(context)).map((judged) => ({
    ...judged,
    eventName: events.find(({ id }) => id === judged.trial.eventId)?.name ?? 'an event that is gone',
  }));
  return (
    <>
      <SiteHeader here="log" />
      <TrialsPage
        trials={trials}
        events={triable.filter(({ batches }) => batches.length > 0)}
        zone={Intl.DateTimeFormat().resolvedOptions().timeZone}
        planTrial={planTrial}
      />
    </>
  );
}
