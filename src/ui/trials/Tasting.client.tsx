'use client';
import { useState } from 'react';
import { SCORES, type BlindPaper, type Tasted } from '../../core/learn';
import type { Outcome } from '../../core/outcome';
import { TASTED_WORDS } from '../../formats/messages/trial';
import { firstMessage } from '../kit/actions';

type Scores = Partial<Record<Tasted, number>>;
const STEPS = Array.from({ length: SCORES.to - SCORES.from + 1 }, (_, i) => SCORES.from + i);

/** The first paper that nobody gave yet. */
const nextPaper = (drawn: number, given: readonly number[]): number =>
  Array.from({ length: drawn }, (_, i) => i + 1).find((paper) => !given.includes(paper)) ?? drawn;

/** One taster after the other, on one phone or on many: which codes, in which order, what they are like, which is liked. */
export function Tasting({ papers }: { papers: BlindPaper }) {
  const { trialId, traits, orders } = papers;
  const [given, setGiven] = useState(papers.given);
  const [paper, setPaper] = useState(nextPaper(orders.length, papers.given));
  const [taster, setTaster] = useState('');
  const [scores, setScores] = useState<[Scores, Scores]>([{}, {}]);
  const [prefers, setPrefers] = useState<0 | 1 | 'untold'>();
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  const [sending, setSending] = useState(false);
  const [kept, setKept] = useState<number>();
  const order = orders[paper - 1];

  const send = async () => {
    if (taster.trim() === '') return setTrouble('Who tastes? A first name will do.');
    if (prefers === undefined) return setTrouble('Which of the two do you like better?');
    setTrouble('');
    setSending(true);
    try {
      const answer = await fetch(`/yard/tasting/${trialId}/papers`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ paper, taster, first: scores[0], second: scores[1], note, ...(prefers !== 'untold' && { prefers }) }),
      });
      const outcome = (await answer.json()) as Outcome<{ paper: number }>;
      if (!outcome.ok) return setTrouble(firstMessage(outcome.problems));
      const now = [...given, paper];
      setGiven(now);
      setKept(paper);
      setPaper(nextPaper(orders.length, now));
      setTaster('');
      setScores([{}, {}]);
      setPrefers(undefined);
      setNote('');
      window.scrollTo({ top: 0 });
    } catch {
      setTrouble('The house does not answer. What you said still stands here: send it again.');
    } finally {
      setSending(false);
    }
  };

  return (
    <main className="mx-auto max-w-md px-4 py-5 text-[1.05rem]">
      <h1 className="text-[1.5rem]">{papers.name}</h1>
      {kept !== undefined && (
        <p role="status" className="mt-2 rounded border border-line bg-sheet px-3 py-2 font-semibold">
          Paper {kept} is kept. Thank you; hand the phone on.
        </p>
      )}
      {orders.length === 0 ? (
        <p className="mt-3">No papers were drawn for this trial.</p>
      ) : (
        <form
          className="mt-3 grid gap-5"
          onSubmit={(event) => {
            event.preventDefault();
            void send();
          }}
        >
          <div className="grid grid-cols-[6rem_1fr] gap-3">
            <label className="grid text-[0.9rem] font-semibold">
              Paper
              <select
                value={paper}
                onChange={({ target }) => setPaper(Number(target.value))}
                className="min-h-12 rounded border border-line bg-sheet px-2 text-[1.1rem] font-normal"
              >
                {orders.map((_, i) => (
                  <option key={i} value={i + 1}>
                    {i + 1}
                    {given.includes(i + 1) ? ' (given)' : ''}
                  </option>
                ))}
              </select>
            </label>
            <label className="grid text-[0.9rem] font-semibold">
              Who tastes
              <input
                value={taster}
                maxLength={60}
                autoComplete="off"
                onChange={({ target }) => setTaster(target.value)}
                className="min-h-12 rounded border border-line bg-sheet px-3 text-[1.1rem] font-normal"
              />
            </label>
          </div>
          {order!.map((code, nth) => (
            <fieldset key={code} className="rounded-md border border-line bg-sheet px-3 pb-3">
              <legend className="px-1 text-[1.2rem] font-bold">
                {nth === 0 ? 'First' : 'Then'}: <span className="figures">{code}</span>
              </legend>
              {traits.map((trait) => (
                <Score
                  key={trait}
                  trait={trait}
                  code={code}
                  value={scores[nth as 0 | 1][trait]}
                  onChange={(value) =>
                    setScores(nth === 0 ? [{ ...scores[0], [trait]: value }, scores[1]] : [scores[0], { ...scores[1], [trait]: value }])
                  }
                />
              ))}
            </fieldset>
          ))}
          <div role="radiogroup" aria-label="Which do you like better" className="grid gap-2">
            <p className="font-semibold">Which do you like better?</p>
            {([0, 1, 'untold'] as const).map((choice) => (
              <button
                key={choice}
                type="button"
                role="radio"
                aria-checked={prefers === choice}
                onClick={() => setPrefers(choice)}
                className={`min-h-14 rounded border px-3 text-[1.15rem] font-bold ${prefers === choice ? 'border-ember bg-ember text-on-ember' : 'border-line bg-sheet'}`}
              >
                {choice === 'untold' ? 'I cannot tell' : order![choice]}
              </button>
            ))}
          </div>
          <label className="grid text-[0.9rem] font-semibold">
            In your words, if you like
            <textarea
              value={note}
              rows={2}
              maxLength={400}
              onChange={({ target }) => setNote(target.value)}
              className="rounded border border-line bg-sheet px-3 py-2 text-[1.05rem] font-normal"
            />
          </label>
          {trouble && (
            <p role="alert" className="font-semibold text-bad">
              {trouble}
            </p>
          )}
          <button type="submit" disabled={sending} className="min-h-16 rounded bg-ember text-[1.25rem] font-bold text-on-ember">
            {given.includes(paper) ? `Give paper ${paper} anew` : `Give paper ${paper}`}
          </button>
        </form>
      )}
    </main>
  );
}

function Score({
  trait,
  code,
  value,
  onChange,
}: {
  trait: Tasted;
  code: string;
  value: number | undefined;
  onChange(value: number): void;
}) {
  const { name, from, to } = TASTED_WORDS[trait];
  return (
    <div role="radiogroup" aria-label={`${name} of ${code}`} className="mt-2">
      <p className="flex justify-between text-[0.9rem]">
        <span className="font-semibold">{name}</span>
        <span className="text-soft">
          {from} to {to}
        </span>
      </p>
      <div className="mt-1 grid grid-cols-7 gap-1">
        {STEPS.map((step) => (
          <button
            key={step}
            type="button"
            role="radio"
            aria-checked={value === step}
            onClick={() => onChange(step)}
            className={`figures min-h-12 rounded border ${value === step ? 'border-ink bg-ink font-bold text-sheet' : 'border-line'}`}
          >
            {step}
          </button>
        ))}
      </div>
    </div>
  );
}
