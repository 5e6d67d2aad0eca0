import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { context as openContext } from '../../../../runtime/context';
import { blindPapers } from '../../../../services';
import { Tasting } from '../../../../ui/trials/Tasting.client';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Tasting' };

/** A blind tasting on a phone: codes and scores, and nothing that says which is which. */
export default async function Page({ params }: { params: Promise<{ trialId: string }> }) {
  const { trialId } = await params;
  const papers = (await blindPapers(await openContext(), trialId)) ?? notFound();
  return <Tasting papers={papers} />;
}
