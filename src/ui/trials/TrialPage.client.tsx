'use client';
import { Printer, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { lotOf, type JudgedTrial } from '../../core/learn';
import { formatMinutes } from '../../formats/units';
import { byNumber, TASTED_WORDS, trialVerdict, TRIAL_KIND_WORDS, undrawnLine } from '../../formats/messages/trial';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { TableHead } from '../kit/TableHead';

interface TrialPageProps {
  judged: JudgedTrial;
  eventName: string;
  batchName: string;
  /** Tags of its pieces as the racks show them. */
  tags: Record<string, string>;
  takeTrialOut: Action<{ id: string }>;
  bringTrialBack: Action<{ id: string }>;
  takePaperOut: Action<object>;
}

const ARMS = [0, 1] as const;
/** Labels on the sheet that is cut up. */
const PLATES = 16;
const signed = (value: number): string => `${value > 0 ? '+' : value < 0 ? '-' : ''}${Math.abs(value).toFixed(1)}`;

/** One trial: its lot, its labels, its papers and what they say. */
export function TrialPage({ judged, eventName, batchName, tags, ...actions }: TrialPageProps) {
  const { trial, tastings, result, cooked } = judged;
  const { id, name, kind, arms, pieces, codes, firstArms } = trial;
  const router = useRouter();
  const takeOut = async () => {
    const done = await callAction(actions.takeTrialOut, { id });
    if (!done.ok) return complain(done.problems);
    announce('The trial is taken away.', () => void callAction(actions.bringTrialBack, { id }));
    router.push('/log/trials');
  };
  const lot = lotOf(
    { pieces },
    Object.keys(tags).map((pieceId) => ({ id: pieceId })),
  );
  const tagsOf = (ids: readonly string[]) => byNumber(ids.map((pieceId) => tags[pieceId]!));
  return (
    <main className="mx-auto max-w-4xl px-4 py-6">
      <p className="text-[0.92rem] print:hidden">
        <Link href="/log/trials" className="underline">
          Trials
        </Link>
      </p>
      <div className="mt-1 flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-2xl">{name}</h1>
        <span className="flex flex-wrap gap-2 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print labels and papers
          </Button>
          <Button look="quiet" onClick={() => void takeOut()}>
            <Trash2 size={16} aria-hidden /> Take away
          </Button>
        </span>
      </div>
      <p className="text-soft">
        {batchName} of {eventName}; {TRIAL_KIND_WORDS[kind]}
      </p>
      <section aria-label="Result" className="mt-4 rounded-md border border-line bg-sheet px-4 py-3 print:hidden">
        <h2 className="text-lg">What came of it</h2>
        <p className="mt-1">{trialVerdict(trial, result)}</p>
        {result.traits.length > 0 && (
          <table className="mt-3 w-full text-left text-[0.94rem]">
            <TableHead names={['(Trait)', arms[0], arms[1], `${arms[1]} over ${arms[0]}`, '80 % range']} />
            <tbody>
              {result.traits.map(({ trait, means, differs, range, papers }) => (
                <tr key={trait} className="border-b border-line">
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {TASTED_WORDS[trait].name}
                    <span className="block text-[0.84rem] text-soft">
                      1 {TASTED_WORDS[trait].from}, 7 {TASTED_WORDS[trait].to}
                    </span>
                  </th>
                  <td className="figures py-1 pr-3">{means[0].toFixed(1)}</td>
                  <td className="figures py-1 pr-3">{means[1].toFixed(1)}</td>
                  <td className="figures py-1 pr-3 font-semibold">{signed(differs)}</td>
                  <td className="figures py-1 pr-3 text-soft">
                    {range ? `${signed(range[0])} to ${signed(range[1])}` : `too few to tell (${papers})`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {cooked.some(({ cooks }) => cooks > 0) && (
          <p className="mt-2 text-[0.94rem]">
            By the log:{' '}
            {ARMS.map(
              (arm) =>
                `${arms[arm]} took ${cooked[arm].meanHours === undefined ? '?' : formatMinutes(Math.round(cooked[arm].meanHours * 60))} (${cooked[arm].cooks})`,
            ).join(', ')}
            .
          </p>
        )}
      </section>
      <section aria-label="The lot" className="mt-5">
        <h2 className="text-lg">The lot</h2>
        <p className="max-w-prose text-[0.92rem] text-soft">
          {kind === 'sides'
            ? 'The place itself is what is tried: pieces left and right of the middle of each rack.'
            : 'Pieces that lie beside each other go one to each way, by lot, so that neither has the better places.'}{' '}
          The codes are for the carver: the tasters see nothing else.{undrawnLine(tagsOf(lot.undrawn))}
        </p>
        <table className="mt-2 w-full max-w-xl text-left">
          <TableHead names={['Way', 'Pieces', 'Code']} />
          <tbody>
            {ARMS.map((arm) => (
              <tr key={arm} className="border-b border-line">
                <th scope="row" className="py-1.5 pr-3 font-semibold">
                  {arms[arm]}
                </th>
                <td className="py-1.5 pr-3">{tagsOf(lot.arms[arm]).join(', ') || 'gone with its event'}</td>
                <td className="figures py-1.5 text-lg font-bold">{codes[arm]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section aria-label="Labels for the plates" className="hidden print:block print:break-before-page">
        <ul className="grid grid-cols-4 gap-2">
          {Array.from({ length: PLATES }, (_, i) => (
            <li key={i} className="figures break-inside-avoid rounded border border-line py-3 text-center text-3xl font-bold">
              {codes[i % 2]}
            </li>
          ))}
        </ul>
      </section>
      {firstArms.length > 0 && (
        <section aria-label="Papers" className="mt-5">
          <h2 className="text-lg">Papers</h2>
          <p className="max-w-prose text-[0.92rem] text-soft print:hidden">
            {tastings.length} of {firstArms.length} are in. Give each taster the number of a paper; it says which code they taste first. On
            a phone of the yard they fill it in at{' '}
            <Link href={`/yard/tasting/${id}`} className="underline">
              the tasting page
            </Link>
            .
          </p>
          <ul className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
            {firstArms.map((first, i) => {
              const paper = tastings.find((each) => each.paper === i + 1);
              return (
                <li key={i} className="break-inside-avoid rounded border border-line px-3 py-2 text-[0.94rem]">
                  <span className="block font-bold">Paper {i + 1}</span>
                  <span className="figures">
                    {codes[first]}, then {codes[first === 0 ? 1 : 0]}
                  </span>
                  {paper && (
                    <span className="block print:hidden">
                      {paper.taster}: {paper.prefers === undefined ? 'cannot tell' : arms[paper.prefers]}
                      {paper.note && <span className="block text-soft">{paper.note}</span>}
                      <button
                        type="button"
                        className="mt-0.5 block text-[0.86rem] text-soft underline"
                        aria-label={`Take out: paper ${paper.paper}`}
                        onClick={() =>
                          void callAction(actions.takePaperOut, { id, paper: paper.paper }).then((done) =>
                            done.ok ? announce('The paper counts no more.') : complain(done.problems),
                          )
                        }
                      >
                        Take out
                      </button>
                    </span>
                  )}
                </li>
              );
            })}
          </ul>
        </section>
      )}
    </main>
  );
}
