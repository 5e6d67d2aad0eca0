import { Check, Circle, CircleAlert, History } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Stage as StageId, StageState } from '../../core/planning';
import { SettingsMenu } from './SettingsMenu.client';

interface Stage {
  id: StageId;
  name: string;
  state: StageState;
}

const STATE_WORDS: Record<StageState, string> = {
  settled: 'settled',
  decide: 'needs a decision',
  open: 'not begun',
  stale: 'changed since it was kept',
};

function StageIcon({ state }: { state: StageState }) {
  if (state === 'settled') return <Check size={15} strokeWidth={3} className="rounded-full bg-safe p-0.5 text-sheet" aria-hidden />;
  if (state === 'decide') return <CircleAlert size={16} className="text-warn" aria-hidden />;
  if (state === 'stale') return <History size={16} className="text-warn" aria-hidden />;
  return <Circle size={15} className="text-soft" aria-hidden />;
}

const tab = (here: boolean) =>
  `flex h-full items-center gap-2 border-b-[3px] px-2.5 text-[0.92rem] whitespace-nowrap ${here ? 'border-ember font-bold' : 'border-transparent hover:border-line'}`;

function Bar({ children, nav }: { children: ReactNode; nav: ReactNode }) {
  return (
    <header className="sticky top-0 z-30 flex min-h-[50px] flex-wrap items-stretch justify-between gap-x-4 border-b border-line bg-sheet px-4 print:static print:border-0 print:px-0">
      <div className="flex min-w-0 items-center gap-4">
        <Link href="/" className="font-title text-[1.15rem] font-extrabold print:hidden">
          Anachron
        </Link>
        {children}
      </div>
      <nav aria-label="Main" className="flex min-h-[49px] items-stretch overflow-x-auto print:hidden">
        {nav}
        <span className="flex items-center pl-2">
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
  ['what-if', '/what-if', 'What if'],
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

/** The header of an event: its name and its stages in the order of the work, each with its state. */
export function EventHeader({
  eventId,
  name,
  subtitle,
  stages,
  here,
}: {
  eventId: string;
  name: string;
  subtitle: string;
  stages: Stage[];
  here: StageId;
}) {
  return (
    <Bar
      nav={stages.map((stage) => (
        <Link
          key={stage.id}
          href={`/events/${eventId}/${stage.id}`}
          aria-current={stage.id === here ? 'page' : undefined}
          className={tab(stage.id === here)}
          title={STATE_WORDS[stage.state]}
        >
          <StageIcon state={stage.state} />
          {stage.name}
          <span className="sr-only">, {STATE_WORDS[stage.state]}</span>
        </Link>
      ))}
    >
      <div className="min-w-0 py-1 leading-tight">
        <p className="truncate font-title text-[0.93rem] font-bold">{name}</p>
        <p className="truncate text-[0.82rem] text-soft">{subtitle}</p>
      </div>
    </Bar>
  );
}
