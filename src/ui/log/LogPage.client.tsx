'use client';
import { Download, PenLine } from 'lucide-react';
import Link from 'next/link';
import { Tabs } from 'radix-ui';
import { lazy, Suspense, useMemo, useState } from 'react';
import type { ServingKept } from '../../core/learn';
import type { TypedCookInput } from '../../inputs';
import { clockTime, dateWithYear } from '../../formats/clock';
import { formatMass } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { FileButton } from '../kit/FileButton.client';
import { useUnits } from '../kit/UnitsProvider';
import type { AttachCurveActions } from './AttachCurve.client';
import { CookTable } from './CookTable.client';
import { CookForm } from './CookForm.client';
import { Figures, type FiguresProps } from './Figures.client';
import { MadeFires, type MadeFiresProps } from './MadeFires';
import { ALL, findCooks, JUDGED, SORTS, type Sought } from './findCooks';
import { Kitchen, type KitchenProps } from './Kitchen.client';
import type { LogRow } from './logRow';
import { Servings } from './Worth';
import { TypeCook } from './TypeCook.client';

interface Brought {
  kept: number;
  known: number;
  refused: { line: number; reason: string }[];
}
interface LogPageProps {
  rows: LogRow[];
  zone: string;
  kitchen: KitchenProps;
  figures: FiguresProps;
  fires: MadeFiresProps;
  servings: (ServingKept & { when: string })[];
  saveCookWords: Action<{ id: string; together?: boolean }>;
  takeCookOut: Action<{ id: string }>;
  bringCookBack: Action<{ id: string }>;
  importCooks: Action<Brought>;
  typeCook: Action<{ id: string }>;
  attaching: AttachCurveActions;
  /** What may be typed in: cuts, and the house's pits. */
  cuts: readonly (readonly [id: string, name: string])[];
  pits: readonly (readonly [id: string, name: string])[];
}

// Curves come once they are asked for.
const Compare = lazy(() => import('./Compare.client').then((made) => ({ default: made.Compare })));

const SHOWN_AT_ONCE = 100;
const tab = 'min-h-9 border-b-[3px] border-transparent px-3 font-semibold data-[state=active]:border-ember';
/** Every cook there was: found, read, judged, and what to do differently next time. */
export function LogPage({
  rows,
  zone,
  kitchen,
  figures,
  fires,
  servings,
  saveCookWords,
  takeCookOut,
  bringCookBack,
  importCooks,
  typeCook,
  cuts,
  pits,
  attaching,
}: LogPageProps) {
  const units = useUnits();
  const [sought, setSought] = useState(ALL);
  const seek = (part: Partial<Sought>) => setSought({ ...sought, ...part });
  const [most, setMost] = useState(SHOWN_AT_ONCE);
  const [open, setOpen] = useState<string>();
  const [refused, setRefused] = useState<Brought>();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [comparing, setComparing] = useState(false);
  /** The line before, while a notebook is typed in. */
  const [typing, setTyping] = useState<Partial<TypedCookInput>>();
  const [line, setLine] = useState(0);
  const found = useMemo(() => findCooks(rows, sought), [rows, sought]);
  const names = (of: (row: LogRow) => string | undefined) => [...new Set(rows.flatMap((row) => of(row) ?? []))].sort();
  const row = rows.find((each) => each.id === open);
  const bring = async (text: string) => {
    const done = await callAction(importCooks, { text });
    if (!done.ok) return complain(done.problems);
    const { kept, known } = done.value;
    announce(`${kept} ${kept === 1 ? 'cook is' : 'cooks are'} in the log${known > 0 ? `, ${known} of them were before` : ''}.`);
    if (done.value.refused.length > 0) setRefused(done.value);
  };
  const takeOut = async (id: string) => {
    const done = await callAction(takeCookOut, { id });
    if (!done.ok) return complain(done.problems);
    setOpen(undefined);
    announce('It is out of the log, and teaches nothing any more.', () => void callAction(bringCookBack, { id }));
  };
  return (
    <main className="mx-auto max-w-6xl px-4 py-6">
      <Tabs.Root defaultValue="cooks">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-2xl">Cook log</h1>
          <div className="flex">
            <Tabs.List aria-label="Cook log" className="flex">
              <Tabs.Trigger value="cooks" className={tab}>
                Cooks
              </Tabs.Trigger>
              <Tabs.Trigger value="kitchen" className={tab}>
                Your kitchen
              </Tabs.Trigger>
            </Tabs.List>
            <Link href="/log/trials" className={`${tab} flex items-center`}>
              Trials
            </Link>
          </div>
        </div>
        <Tabs.Content value="cooks">
          <div className="mt-4 flex flex-wrap items-end gap-3">
            <label className="grid text-[0.86rem] font-semibold">
              Find
              <input
                type="search"
                value={sought.words}
                onChange={({ target }) => seek({ words: target.value })}
                placeholder="a cut, a word of a note…"
                className="min-h-9 w-48 rounded border border-line bg-sheet px-2 text-base font-normal"
              />
            </label>
            <Choice label="Cut" value={sought.cut} onChange={(cut) => seek({ cut })} options={names((each) => each.cut)} />
            <Choice label="Pit" value={sought.pit} onChange={(pit) => seek({ pit })} options={names((each) => each.pit)} />
            <Choice label="Method" value={sought.method} onChange={(method) => seek({ method })} options={names((each) => each.method)} />
            <Choice label="Verdict" value={sought.judged} onChange={(judged) => seek({ judged })} options={[...JUDGED]} />
            <label className="grid text-[0.86rem] font-semibold">
              Order
              <select
                value={sought.sort}
                onChange={({ target }) => seek({ sort: target.value as Sought['sort'] })}
                className="min-h-9 max-w-52 rounded border border-line bg-sheet px-2 text-base font-normal"
              >
                {SORTS.map(([value, word]) => (
                  <option key={value} value={value}>
                    {word}
                  </option>
                ))}
              </select>
            </label>
            <span className="ml-auto flex flex-wrap gap-2">
              <FileButton label="A file of cooks" accept="text/csv,.csv" onText={(text) => void bring(text)}>
                Bring cooks in
              </FileButton>
              <Button onClick={() => setTyping({})}>
                <PenLine size={16} aria-hidden /> Type one in
              </Button>
              {rows.length > 0 && (
                <a href="/log/csv" download className={buttonClass('quiet')}>
                  <Download size={16} aria-hidden /> All as a file
                </a>
              )}
            </span>
          </div>
          {rows.length === 0 ? (
            <p className="mt-6 max-w-prose text-soft">
              No cook is in the log yet. When a cook day is ended, every piece of it comes in here by itself. Older ones come in from a
              file: a first line with cook_id, cut, piece_lb, pit_f, done and hours, then a line each.
            </p>
          ) : (
            <>
              <div className="mt-3 flex min-h-9 flex-wrap items-center gap-3 text-[0.92rem] text-soft">
                <p role="status">{found.length === rows.length ? `${rows.length} cooks.` : `${found.length} of ${rows.length} cooks.`}</p>
                {picked.length === 0 && rows.length > 1 && <p>Tick two to four of them to compare.</p>}
                {picked.length > 0 && (
                  <>
                    <Button look="ember" disabled={picked.length < 2} onClick={() => setComparing(true)}>
                      Compare {picked.length}
                    </Button>
                    <Button look="quiet" onClick={() => setPicked([])}>
                      Untick all
                    </Button>
                  </>
                )}
              </div>
              <CookTable
                rows={found.slice(0, most)}
                zone={zone}
                picked={picked}
                onPick={(id) => setPicked(toggled(picked, id))}
                onOpen={setOpen}
              />
              {found.length > most && (
                <button type="button" className={`${buttonClass('quiet')} mt-3`} onClick={() => setMost(most + SHOWN_AT_ONCE)}>
                  Show {Math.min(SHOWN_AT_ONCE, found.length - most)} more
                </button>
              )}
            </>
          )}
        </Tabs.Content>
        <Tabs.Content value="kitchen">
          <Kitchen {...kitchen} />
          <Servings servings={servings} />
          <Figures {...figures} zone={zone} />
          <MadeFires {...fires} zone={zone} />
        </Tabs.Content>
      </Tabs.Root>
      <Dialog
        open={row !== undefined}
        onOpenChange={(is) => !is && setOpen(undefined)}
        title={row ? `${row.cut}, ${formatMass(row.massKg, units)}` : ''}
        description={
          row
            ? [row.event, row.onMs !== undefined && `${dateWithYear(row.onMs, zone)}, on at ${clockTime(row.onMs, zone, units.clock)}`]
                .filter(Boolean)
                .join('; ')
            : ''
        }
      >
        {row && (
          <CookForm
            key={row.id}
            row={row}
            {...attaching}
            save={saveCookWords}
            takeOut={() => void takeOut(row.id)}
            onDone={() => setOpen(undefined)}
          />
        )}
      </Dialog>
      <Dialog
        open={typing !== undefined}
        onOpenChange={(is) => !is && setTyping(undefined)}
        title="From an old notebook"
        description="What it does not say is taken as usual. Cut, pit and heat stay for the next line."
        wide
      >
        {typing && (
          <TypeCook
            key={line}
            cuts={cuts}
            pits={pits}
            last={typing}
            typeCook={typeCook}
            onKept={(kept) => {
              setTyping(kept);
              setLine(line + 1);
            }}
          />
        )}
      </Dialog>
      <Dialog
        open={comparing}
        onOpenChange={setComparing}
        title="Side by side"
        description="The core of each, as it was read; where nobody read it, as the model has it for the hours it took."
        wide
      >
        <Suspense fallback={<p>Curves are fetched…</p>}>
          <Compare rows={picked.flatMap((id) => rows.find((each) => each.id === id) ?? [])} zone={zone} />
        </Suspense>
      </Dialog>
      <Dialog
        open={refused !== undefined}
        onOpenChange={(is) => !is && setRefused(undefined)}
        title="Some lines could not be used"
        description={`${refused?.kept ?? 0} cooks are in the log all the same. Mend these lines in the file and bring it in again: no cook counts twice.`}
      >
        <ul className="max-h-80 overflow-y-auto">
          {refused?.refused.map(({ line, reason }) => (
            <li key={line}>
              Line {line}: {reason}
            </li>
          ))}
        </ul>
      </Dialog>
    </main>
  );
}

const toggled = (ids: readonly string[], id: string): string[] => (ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id]);

function Choice({ label, value, onChange, options }: { label: string; value: string; onChange(value: string): void; options: string[] }) {
  if (options.length < 2) return null;
  return (
    <label className="grid text-[0.86rem] font-semibold">
      {label}
      <select
        value={value}
        onChange={({ target }) => onChange(target.value)}
        className="min-h-9 max-w-40 rounded border border-line bg-sheet px-2 text-base font-normal"
      >
        <option value="">all</option>
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  );
}
