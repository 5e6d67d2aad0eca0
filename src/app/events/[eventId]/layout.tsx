import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { context } from '../../../runtime/context';
import { planAtHand } from '../../../services';
import { EventDocumentProvider } from '../../../ui/document/EventDocument.client';
import { EventHeader } from '../../../ui/document/EventHeader.client';
import { PlanGate } from '../../../ui/document/PlanGate.client';

export const dynamic = 'force-dynamic';

/** One event, opened once for all its stages: read here with the plan at hand, edited and planned anew on the page. */
export default async function Layout({ params, children }: { params: Promise<{ eventId: string }>; children: ReactNode }) {
  const { eventId } = await params;
  const { event, plan, facts } = (await planAtHand(await context(), eventId)) ?? notFound();
  return (
    <EventDocumentProvider key={eventId} event={event} facts={facts} plan={plan}>
      <EventHeader />
      <PlanGate>{children}</PlanGate>
    </EventDocumentProvider>
  );
}
