import Link from 'next/link';
import { buttonClass } from '../ui/kit/Button';
import { SiteHeader } from '../ui/shell/Header';

export default function NotFound() {
  return (
    <>
      <SiteHeader here="events" />
      <main className="mx-auto max-w-3xl px-4 py-10">
        <h1 className="text-2xl">There is nothing here</h1>
        <p className="mt-2 text-soft">The event may have been deleted, or the address is mistyped. Nothing was changed.</p>
        <Link href="/" className={`${buttonClass('ember')} mt-4`}>
          All events
        </Link>
      </main>
    </>
  );
}
