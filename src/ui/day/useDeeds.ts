'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Deed } from '../../core/day';
import type { Outcome } from '../../core/outcome';
import { announce, complain } from '../kit/actions';
import { dayTimeNow, type LiveDay } from './useDay';

interface Sent {
  id: string;
  atMs: number;
  by: string;
  deed: Deed;
}

export type Say = (deed: Deed, words?: string) => string;

const RETRY_MS = 3000;

/**
 * Tells the house what somebody did. What could not be sent waits and is sent again, each under its own id, so that it
 * counts once; with it goes what time it is here, by which the house sets what this screen's clock is off. `words` are
 * shown with an undo.
 */
export function useDeeds(live: LiveDay, eventId: string, by: string): { say: Say; waiting: number } {
  const queue = useRef<Sent[]>([]);
  const [waiting, setWaiting] = useState(0);
  const clock = useRef(live);
  const sending = useRef(false);
  useEffect(() => {
    clock.current = live;
  }, [live]);

  const flush = useCallback(async () => {
    if (sending.current || queue.current.length === 0) return;
    sending.current = true;
    const batch = queue.current.slice(0, 100);
    try {
      const answer = await fetch(`/days/${eventId}/entries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ eventId, nowMs: Math.round(dayTimeNow(clock.current)), entries: batch }),
      });
      const outcome = (await answer.json()) as Outcome<unknown>;
      // What was refused is not sent again: whoever typed it is told why.
      if (!outcome.ok) complain(outcome.problems);
      queue.current = queue.current.slice(batch.length);
    } catch {
      // The house does not answer: it is tried again.
    } finally {
      sending.current = false;
      setWaiting(queue.current.length);
    }
  }, [eventId]);

  useEffect(() => {
    const timer = setInterval(() => void flush(), RETRY_MS);
    return () => clearInterval(timer);
  }, [flush]);

  const say = useCallback<Say>(
    (deed, words) => {
      const put = (what: Deed) => {
        const id = crypto.randomUUID();
        queue.current.push({ id, atMs: Math.round(dayTimeNow(clock.current)), by, deed: what });
        setWaiting(queue.current.length);
        void flush();
        return id;
      };
      const id = put(deed);
      if (words !== undefined) announce(words, () => put({ kind: 'undo', entryId: id }));
      return id;
    },
    [by, flush],
  );
  return { say, waiting };
}
