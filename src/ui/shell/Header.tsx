import Link from 'next/link';
import type { ReactNode } from 'react';
import { SettingsMenu } from './SettingsMenu.client';

export const tab = (here: boolean) =>
  `flex h-full items-center gap-2 border-b-[3px] px-2.5 text-[0.92rem] whitespace-nowrap ${here ? 'border-ember font-bold' : 'border-transparent hover:border-line'}`;

/** `twoRows` where there are too many tabs to stand beside the rest on an ordinary screen. */
export function Bar({ children, nav, twoRows = false }: { children: ReactNode; nav: ReactNode; twoRows?: boolean }) {
  return (
    <header className="sticky top-0 z-30 flex min-h-[50px] flex-wrap items-stretch justify-between gap-x-4 border-b border-line bg-sheet px-4 print:static print:border-0 print:px-0">
      <div className="flex min-w-0 grow items-center gap-4">
        <Link href="/" className="font-title text-[1.15rem] font-extrabold print:hidden">
          Anachron
        </Link>
        {children}
      </div>
      <nav
        aria-label="Main"
        className={`flex min-h-[49px] max-w-full items-stretch overflow-x-auto print:hidden ${twoRows ? 'basis-full min-[1440px]:basis-auto' : ''}`}
      >
        {nav}
        <span className="ml-auto flex items-center pl-2">
          <SettingsMenu />
        </span>
      </nav>
    </header>
  );
}

const STANDING = [
  ['events', '/', 'Events'],
  ['equipment', '/equipment', 'Equipment'],
  ['library', '/library', 'Cuts & methods'],
  ['log', '/log', 'Cook log'],
  ['what-if', '/what-if', 'What if'],
  ['practice', '/practice', 'Practice'],
  ['settings', '/settings', 'Settings'],
] as const;

/** The header of the standing pages. */
export function SiteHeader({ here }: { here: (typeof STANDING)[number][0] }) {
  return (
    <Bar
      nav={STANDING.map(([id, href, name]) => (
        <Link key={id} href={href} aria-current={here === id ? 'page' : undefined} className={tab(here === id)}>
          {name}
        </Link>
      ))}
    >
      <span className="hidden text-soft sm:inline">Counted back from serving</span>
    </Bar>
  );
}
