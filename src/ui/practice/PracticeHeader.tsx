import Link from 'next/link';
import { SiteHeader } from '../shell/Header';

/** The owner's own header; on a phone of the crew, no more than the way back. */
export function PracticeHeader({ owner }: { owner: boolean }) {
  if (owner) return <SiteHeader here="practice" />;
  return (
    <header className="flex min-h-[50px] items-center justify-between border-b border-line bg-sheet px-4">
      <span className="font-title text-[1.1rem] font-extrabold">Practice</span>
      <Link href="/yard" className="underline">
        Yard
      </Link>
    </header>
  );
}
