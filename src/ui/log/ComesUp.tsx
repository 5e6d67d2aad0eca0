import type { LucideIcon } from 'lucide-react';
import type { ReactNode } from 'react';

interface ComesUpProps {
  icon: LucideIcon;
  /** What it is, and where folded what stands first in it. */
  name: string;
  summary: ReactNode;
  folded: boolean;
  children: ReactNode;
}

/** What the log has to say where something is planned. Folded to a line where room is scarce. */
export function ComesUp({ icon: Icon, name, summary, folded, children }: ComesUpProps) {
  if (folded)
    return (
      <details className="border-b border-line bg-sheet px-4 py-1 text-[0.92rem] print:hidden">
        <summary className="cursor-pointer">
          <Icon size={15} aria-hidden className="mr-1 inline" />
          {summary}
        </summary>
        <div className="pt-1 pl-5">{children}</div>
      </details>
    );
  return (
    <section
      aria-label={name}
      className="mb-4 flex gap-2 rounded-md border border-line bg-sheet px-4 py-2 text-[0.94rem] print:mb-1 print:border-0 print:px-0 print:py-0 print:text-[0.8rem]"
    >
      <Icon size={17} aria-hidden className="mt-0.5 shrink-0" />
      <div>{children}</div>
    </section>
  );
}
