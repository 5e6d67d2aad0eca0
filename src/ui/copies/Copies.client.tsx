'use client';
import { Download, FolderUp, History, Package, Save } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Outcome } from '../../core/outcome';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { Dialog } from '../kit/Dialog';

interface Contents {
  events: string[];
  days: number;
  entries: number;
}
interface CopiesProps {
  copies: { name: string; when: string; size: string; kind: string }[];
  folder: string;
  /** Why the daily copy could not be made. */
  noCopyToday?: string;
  makeCopy: Action<unknown>;
  previewCopy: Action<Contents>;
  putCopyBack: Action<{ before: string }>;
}

const MOST_NAMES = 6;

/** Copies of everything: made by hand and once a day, looked into before one is put back. */
export function Copies({ copies, folder, noCopyToday, makeCopy, previewCopy, putCopyBack }: CopiesProps) {
  const [busy, setBusy] = useState(false);
  const [asked, setAsked] = useState<{ name: string; what: string; contents: Contents }>();
  const router = useRouter();
  const chosen = useRef<HTMLInputElement>(null);
  const bring = async (file: File) => {
    setBusy(true);
    const brought = await sentAsItIs(file);
    setBusy(false);
    router.refresh();
    if (brought.ok) setAsked({ name: brought.value.name, what: file.name, contents: brought.value });
    else complain(brought.problems);
  };
  const make = async () => {
    setBusy(true);
    const made = await callAction(makeCopy, undefined);
    setBusy(false);
    if (made.ok) announce('A copy was made, and looked through.');
    else complain(made.problems);
  };
  const look = async ({ name, when }: CopiesProps['copies'][number]) => {
    const seen = await callAction(previewCopy, { name });
    if (seen.ok) setAsked({ name, what: `the copy of ${when}`, contents: seen.value });
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
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button look="ember" disabled={busy} onClick={() => void make()}>
          <Save size={16} aria-hidden /> {busy ? 'Working…' : 'Make a copy'}
        </Button>
        <Button disabled={busy} onClick={() => chosen.current?.click()}>
          <FolderUp size={16} aria-hidden /> Bring one in…
        </Button>
        <input
          ref={chosen}
          type="file"
          accept=".sqlite,.zip"
          aria-label="A copy, or an archive of a house"
          className="hidden"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            target.value = '';
            if (file) void bring(file);
          }}
        />
        <a href="/settings/house" download className={buttonClass('quiet')}>
          <Package size={16} aria-hidden /> All as open files
        </a>
      </div>
      <p className="mt-2 max-w-prose text-[0.92rem] text-soft">
        The open files are one archive of text that other programs can read, and that comes in here again like a copy.
      </p>
      {noCopyToday && (
        <p role="status" className="mt-3 font-semibold text-warn">
          No copy could be made today: {noCopyToday}
        </p>
      )}
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
        title={`Put ${asked?.what ?? ''} in place of all that is here?`}
        description="A copy of the present is made first, and stands in the list."
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

/** Sent as it lies on the disk: it may be larger than a page can hold. */
async function sentAsItIs(file: File): Promise<Outcome<Contents & { name: string }>> {
  try {
    const answer = await fetch('/settings/copies', { method: 'POST', body: file, headers: { 'Content-Type': 'application/octet-stream' } });
    return (await answer.json()) as Outcome<Contents & { name: string }>;
  } catch {
    const message = 'The program did not answer, or did not take the file. Nothing was changed; try again.';
    return { ok: false, problems: [{ code: 'unreachable', message }] };
  }
}

const namesOf = (names: readonly string[]): string =>
  names.length > MOST_NAMES ? `${names.slice(0, MOST_NAMES).join(', ')} and ${names.length - MOST_NAMES} more` : names.join(', ');
