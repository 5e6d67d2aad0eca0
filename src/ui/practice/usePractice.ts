'use client';
import { useEffect, useRef, useState } from 'react';
import type { PracticeDeed, PracticeRun, Refusal, Scenario } from '../../core/practice';
import { TICK_MS } from '../../core/practice';
import { PracticeThread } from '../../workers/practiceClient';
import type { PracticeShown } from '../../workers/practiceProtocol';
import { sendPaper } from './papers';

export const SPEEDS = [1, 60, 300, 600] as const;
/** The page asks for the next stretch so often, ms. */
const BEAT_MS = 200;
/** A day that goes on is kept so often, ms. */
const KEEP_MS = 8000;

/** A day in practice on a page: it lives in its thread, goes at a speed, and is kept as it goes. */
export function usePractice(run: PracticeRun, scenario: Scenario) {
  const thread = useRef<PracticeThread>(undefined);
  const [shown, setShown] = useState<PracticeShown>();
  const [speed, setSpeed] = useState(0);
  const [refused, setRefused] = useState<Refusal>();
  const [unkept, setUnkept] = useState<string>();
  const latest = useRef<PracticeShown>(undefined);
  const keptAt = useRef('');
  const busy = useRef(false);
  const askedMs = useRef(0);
  const owedMs = useRef(0);

  const keep = async (how: { keepalive?: boolean } = {}) => {
    const now = latest.current;
    if (!now) return;
    const { nowMs, deeds } = now.save;
    const stamp = `${nowMs} ${deeds.length} ${Boolean(now.outcome)}`;
    if (stamp === keptAt.current) return;
    const { value, onTime, skills } = now.outcome ?? {};
    const result = now.outcome && { value, onTime, skills };
    const kept = await sendPaper({ what: 'keep', id: run.id, nowMs, deeds, result }, how);
    if (kept.ok) keptAt.current = stamp;
    setUnkept(kept.ok ? undefined : kept.problems[0]?.message);
  };
  const keeps = useRef(keep);
  useEffect(() => {
    keeps.current = keep;
  });

  const take = (next: PracticeShown) => {
    const before = latest.current;
    latest.current = next;
    setShown(next);
    // Whatever happens stops the clock: nobody should miss it at six hundred times life.
    if (before && next.view.news.length > before.view.news.length) setSpeed((now) => (now > 1 ? 0 : now));
    if (next.outcome && !before?.outcome) {
      setSpeed(0);
      void keeps.current();
    }
  };

  useEffect(() => {
    const own = new PracticeThread();
    thread.current = own;
    let gone = false;
    void own.begin(scenario, run.save).then((first) => !gone && take(first));
    const leave = () => void keeps.current({ keepalive: true });
    window.addEventListener('pagehide', leave);
    const every = setInterval(() => void keeps.current(), KEEP_MS);
    return () => {
      gone = true;
      leave();
      clearInterval(every);
      window.removeEventListener('pagehide', leave);
      own.stop();
    };
    // One day a page: what it began with does not change under it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [run.id]);

  const advances = useRef<(byMs: number) => Promise<void>>(undefined);
  const advance = async (byMs: number) => {
    askedMs.current += byMs;
    if (busy.current || !thread.current) return;
    busy.current = true;
    while (askedMs.current > 0) {
      const nextMs = askedMs.current;
      askedMs.current = 0;
      take(await thread.current.advance(nextMs));
    }
    busy.current = false;
  };

  useEffect(() => {
    advances.current = advance;
  });

  useEffect(() => {
    if (speed === 0) return;
    owedMs.current = 0;
    const beat = setInterval(() => {
      owedMs.current += BEAT_MS * speed;
      const byMs = Math.floor(owedMs.current / TICK_MS) * TICK_MS;
      if (byMs === 0 || busy.current) return;
      owedMs.current -= byMs;
      void advances.current?.(byMs);
    }, BEAT_MS);
    return () => clearInterval(beat);
  }, [speed]);

  const act = async (deed: PracticeDeed) => {
    const answer = await thread.current!.do(deed);
    setRefused(answer.refused);
    take(answer);
    if (!answer.refused && deed.kind !== 'vents') void keeps.current();
  };

  return { thread, shown, speed, setSpeed, advance, act, refused, unkept };
}
