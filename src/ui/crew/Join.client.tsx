'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Outcome } from '../../core/outcome';
import { WhoAreYou } from '../day/WhoAreYou.client';

/** The code, then whose phone it is; then the yard. A code that was scanned is tried at once. */
export function Join({ code: scanned }: { code: string }) {
  const [code, setCode] = useState(scanned);
  const [names, setNames] = useState<string[]>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const tried = useRef(false);
  const router = useRouter();

  const send = async (name?: string) => {
    setBusy(true);
    setProblem(undefined);
    try {
      const answer = await fetch('/join/enter', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ code, name }),
      });
      const outcome = (await answer.json()) as Outcome<{ names?: string[] }>;
      if (!outcome.ok) {
        setNames(undefined);
        setProblem(outcome.problems[0]?.message ?? 'That did not work. Try again.');
      } else if (name === undefined) setNames(outcome.value.names ?? []);
      else router.push('/yard');
    } catch {
      setProblem('The house does not answer. Look whether this phone is in the same net, then try again.');
    } finally {
      setBusy(false);
    }
  };
  useEffect(() => {
    if (scanned === '' || tried.current) return;
    tried.current = true;
    void send();
  });

  if (names) return <WhoAreYou names={names} onChoose={(name) => void send(name)} />;
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-4 px-5 py-8">
      <h1 className="text-[1.6rem]">Join the crew</h1>
      <p className="text-soft">The code stands on the house’s screen, under Settings. Whoever runs the day can read it out.</p>
      <form
        className="flex flex-col gap-3"
        onSubmit={(submitted) => {
          submitted.preventDefault();
          void send();
        }}
      >
        <label className="flex flex-col gap-1">
          <span className="font-semibold">Code</span>
          <input
            className={`figures min-h-14 rounded border bg-sheet px-3 text-[1.5rem] tracking-[0.15em] uppercase ${problem ? 'border-bad' : 'border-line'}`}
            autoCapitalize="characters"
            autoComplete="off"
            spellCheck={false}
            maxLength={40}
            aria-invalid={problem !== undefined}
            aria-describedby={problem === undefined ? undefined : 'code-problem'}
            value={code}
            onChange={(changed) => setCode(changed.target.value)}
          />
        </label>
        {problem !== undefined && (
          <p id="code-problem" role="alert" className="text-bad">
            {problem}
          </p>
        )}
        <button
          type="submit"
          disabled={busy || code.trim() === ''}
          className="min-h-14 rounded border border-ember bg-ember px-5 text-[1.15rem] font-bold text-on-ember disabled:opacity-50"
        >
          {busy ? 'Asking…' : 'Join'}
        </button>
      </form>
    </main>
  );
}
