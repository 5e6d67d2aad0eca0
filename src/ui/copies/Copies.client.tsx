'use client';
import { Download, History, Save } from 'lucide-react';
import { useState } from 'react';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';

interface Contents {
  events: string[];
  days: number;
  entries: number;
}
interface CopiesProps {
  copies: { name: string; when: string; size: string; kind: string }[];
  folder: string;
  makeCopy: Action<unknown>;
  previewCopy: Action<Contents>;
  putCopyBack: Action<{ before: string }>;
}

const MOST_NAMES = 6;

/** Copies of everything: made by hand and once a day, looked into before one is put back. */
export function Copies({ copies, folder, makeCopy, previewCopy, putCopyBack }: CopiesProps) {
  const [busy, setBusy] = useState(false);
  const [asked, setAsked] = useState<{ name: string; when: string; contents: Contents }>();
  const make = async () => {
    setBusy(true);
    const made = await callAction(makeCopy, undefined);
    setBusy(false);
    if (made.ok) announce('A copy was made, and looked through.');
    else complain(made.problems);
  };
  const look = async ({ name, when }: CopiesProps['copies'][number]) => {
    const seen = await callAction(previewCopy, { name });
    if (seen.ok) setAsked({ name, when, contents: seen.value });
    else complain(seen.problems);
  };
  const putBack = async (name: string) => {
    setBusy(true);
    const done = await callAction(putCopyBack, { name });
    setBusy(false);
    setAsked(undefined);
    if (done.ok) announce(`It is back. What was there before is kept as ${done.value.before}.`);
    else complain(done.problems);
  };
  return (
    <section aria-label="Copies" className="md:col-span-2">
      <h2 className="text-xl">Copies</h2>
      <p className="mt-1 max-w-prose text-soft">
        Everything in one file, while the program runs. One is made every day: a week of them is kept, then one a week. They lie in{' '}
        <span className="break-all">{folder}</span>; download one now and then, and keep it elsewhere.
      </p>
      <Button look="ember" className="mt-3" disabled={busy} onClick={() => void make()}>
        <Save size={16} aria-hidden /> {busy ? 'Working…' : 'Make a copy'}
      </Button>
      {copies.length === 0 ? (
        <p className="mt-3 text-soft">There is none yet.</p>
      ) : (
        <ul className="mt-3 max-w-2xl">
          {copies.map((copy) => (
            <li key={copy.name} className="flex flex-wrap items-center justify-between gap-3 border-b border-line py-1.5">
              <span>
                <strong>{copy.when}</strong>{' '}
                <span className="text-[0.9rem] text-soft">
                  {copy.kind}, {copy.size}
                </span>
              </span>
              <span className="flex items-center gap-2">
                <a
                  href={`/settings/copies/${copy.name}`}
                  download
                  className="inline-flex min-h-9 items-center gap-1.5 rounded px-2 font-semibold"
                  aria-label={`Download the copy of ${copy.when}`}
                >
                  <Download size={16} aria-hidden /> Download
                </a>
                <Button look="quiet" disabled={busy} aria-label={`Put back… the copy of ${copy.when}`} onClick={() => void look(copy)}>
                  <History size={16} aria-hidden /> Put back…
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      <Dialog
        open={asked !== undefined}
        onOpenChange={(open) => !open && setAsked(undefined)}
        title={`Put the copy of ${asked?.when ?? ''} back?`}
        description="All that is here now is replaced by it. A copy of the present is made first, and stands in the list."
      >
        {asked && (
          <>
            <p>
              It is whole. It holds {asked.contents.events.length === 1 ? 'one event' : `${asked.contents.events.length} events`}
              {asked.contents.events.length > 0 ? `: ${namesOf(asked.contents.events)}` : ''};{' '}
              {asked.contents.days === 1 ? 'one cook day' : `${asked.contents.days} cook days`} with {asked.contents.entries} entries.
            </p>
            <div className="mt-4 flex justify-end gap-2">
              <Button onClick={() => setAsked(undefined)}>Leave all as it is</Button>
              <Button look="ember" disabled={busy} onClick={() => void putBack(asked.name)}>
                Put it back
              </Button>
            </div>
          </>
        )}
      </Dialog>
    </section>
  );
}

const namesOf = (names: readonly string[]): string =>
  names.length > MOST_NAMES ? `${names.slice(0, MOST_NAMES).join(', ')} and ${names.length - MOST_NAMES} more` : names.join(', ');
