'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Deed } from '../../core/day';
import type { Outcome } from '../../core/outcome';
import { announce, complain } from '../kit/actions';
import { newId } from '../kit/newId';
import { dropTaps, keepTap, keptTaps } from './keptHere';
import { dayTimeNow, type LiveDay } from './useDay';
import { instantOf, type Tap } from './waitingTaps';

export type Say = (deed: Deed, words?: string) => string;

const RETRY_MS = 3000;

/**
 * Tells the house what somebody did. What could not be sent waits on this phone, over a reload too, and is sent again, each
 * under its own id, so that it counts once; with it goes what time it is here, by which the house sets what this screen's
 * clock is off. `words` are shown with an undo.
 */
export function useDeeds(live: LiveDay, eventId: string, by: string): { say: Say; waiting: readonly Tap[] } {
  const queue = useRef<Tap[]>([]);
  const [waiting, setWaiting] = useState<readonly Tap[]>([]);
  const clock = useRef(live);
  const sending = useRef(false);
  useEffect(() => {
    clock.current = live;
  }, [live]);

  const flush = useCallback(async () => {
    if (sending.current || queue.current.length === 0) return;
    sending.current = true;
    const batch = queue.current.slice(0, 100);
    const dayMs = dayTimeNow(clock.current);
    const now = { dayMs, hereMs: Date.now(), speed: clock.current.day.clock.speed };
    const entries = batch.map((tap) => ({ id: tap.id, by: tap.by, deed: tap.deed, atMs: instantOf(tap, now) }));
    try {
      const answer = await fetch(`/days/${eventId}/entries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ eventId, nowMs: Math.round(dayMs), entries }),
      });
      // Somebody who must join again first loses nothing by it, nor does what a house that is stopping did not take.
      if (answer.status === 401 || answer.status >= 500) throw new Error(String(answer.status));
      const outcome = (await answer.json()) as Outcome<unknown>;
      // What was refused is not sent again: whoever typed it is told why.
      if (!outcome.ok) complain(outcome.problems);
      queue.current = queue.current.slice(batch.length);
      await dropTaps(batch.map((tap) => tap.id));
    } catch {
      // The house does not answer: it is tried again.
    } finally {
      sending.current = false;
      setWaiting([...queue.current]);
    }
  }, [eventId]);

  useEffect(() => {
    let gone = false;
    // What waited when the page was left goes before what is tapped now.
    void keptTaps(eventId).then((taps) => {
      if (gone) return;
      const known = new Set(queue.current.map((tap) => tap.id));
      queue.current = [...taps.filter((tap) => !known.has(tap.id)), ...queue.current];
      setWaiting([...queue.current]);
      void flush();
    });
    const timer = setInterval(() => void flush(), RETRY_MS);
    const back = () => void flush();
    window.addEventListener('online', back);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener('online', back);
    };
  }, [eventId, flush]);

  const isAlone = live.joined.by === 'none';
  useEffect(() => {
    if (!isAlone) void flush();
  }, [isAlone, flush]);

  const say = useCallback<Say>(
    (deed, words) => {
      const put = (what: Deed) => {
        const tap: Tap = { id: newId(), atMs: Math.round(dayTimeNow(clock.current)), madeMs: Date.now(), by, deed: what };
        queue.current.push(tap);
        setWaiting([...queue.current]);
        // On this phone's disk first: a page that is closed now has lost nothing.
        void keepTap(eventId, tap).then(flush);
        return tap.id;
      };
      const id = put(deed);
      if (words !== undefined) announce(words, () => put({ kind: 'undo', entryId: id }));
      return id;
    },
    [by, eventId, flush],
  );
  return { say, waiting };
}
