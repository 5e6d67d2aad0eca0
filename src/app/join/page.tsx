import type { Metadata } from 'next';
import { Join } from '../../ui/crew/Join.client';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Join' };

/** Where a phone joins the crew: the code, then its name. */
export default async function Page({ searchParams }: { searchParams: Promise<{ code?: string | string[] }> }) {
  const { code } = await searchParams;
  return <Join code={typeof code === 'string' ? code.slice(0, 40) : ''} />;
}
