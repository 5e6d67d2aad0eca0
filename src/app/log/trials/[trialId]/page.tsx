import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { planInputFor } from '../../../../document';
import { batchName, messageContextOf, pieceTag } from '../../../../formats/messages/names';
import { context as openContext } from '../../../../runtime/context';
import { readDocument, readTrial } from '../../../../services';
import { SiteHeader } from '../../../../ui/shell/Header';
import { TrialPage } from '../../../../ui/trials/TrialPage.client';
import { bringTrialBack, takePaperOut, takeTrialOut } from '../../../actions';
import { preferences } from '../../../preferences';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Trial' };

export default async function Page({ params }: { params: Promise<{ trialId: string }> }) {
  const context = await openContext();
  const judged = (await readTrial(context, (await params).trialId)) ?? notFound();
  const { eventId, batchId } = judged.trial;
  const document = await readDocument(context, eventId);
  const { units } = await preferences();
  const words = document && messageContextOf(planInputFor(document.event, document.facts).input, units);
  const pieces = document?.event.batches.find(({ id }) => id === batchId)?.pieces ?? [];
  return (
    <>
      <SiteHeader here="log" />
      <TrialPage
        judged={judged}
        eventName={document?.event.name ?? 'an event that is gone'}
        batchName={words ? batchName(words, batchId) : 'A batch'}
        tags={Object.fromEntries(pieces.map(({ id }, nth) => [id, pieceTag(words!, batchId, nth)]))}
        takeTrialOut={takeTrialOut}
        bringTrialBack={bringTrialBack}
        takePaperOut={takePaperOut}
      />
    </>
  );
}
