'use client';
import { useEffect, useRef, useState } from 'react';
import { dayTimeAfter } from '../../core/day';
import type { DayScreen } from './dayScreen';
import { forgetDays, keepLastSeen, lastSeen } from './keptHere';

/** How the screen is joined to the house: by a stream, by asking now and then, not at all since an instant, or put out. */
export type Joined = { by: 'stream' | 'asking' | 'out' } | { by: 'none'; sinceMs: number };

const ASK_EVERY_MS = 4000;
/** What was seen last is kept on the phone this often. */
const KEEP_EVERY_MS = 5000;
/** A stream that was cut so often at once is not held again: then the screen asks. */
const CUTS_UNTIL_ASKING = 3;
/** The house tells the time every quarter of a minute. */
const SILENT_MS = 40_000;

export interface LiveDay {
  day: DayScreen;
  /** When this screen was told the day's time, by its own clock. */
  receivedMs: number;
  joined: Joined;
}

/** The day as it changes: a stream that resumes where it was, and asking where something between cuts streams. */
export function useDay(eventId: string, first: DayScreen, firstVersion: number): LiveDay {
  const [live, setLive] = useState<LiveDay>(() => ({ day: first, receivedMs: Date.now(), joined: { by: 'stream' } }));
  const version = useRef(firstVersion);
  useEffect(() => {
    let gone = false;
    let source: EventSource | undefined;
    let asking: ReturnType<typeof setInterval> | undefined;
    let cuts = 0;
    let heardMs = Date.now();
    let keptMs = 0;
    let keptSpeed = 0;
    const openedMs = Date.now();
    const joined = (next: Joined) => setLive((before) => (before.joined.by === next.by ? before : { ...before, joined: next }));
    const keep = (day: DayScreen, of: number) => {
      // How fast the day goes is never left to be guessed from an older one.
      if (Date.now() - keptMs < KEEP_EVERY_MS && day.clock.speed === keptSpeed) return;
      keptMs = Date.now();
      keptSpeed = day.clock.speed;
      void keepLastSeen(eventId, { day, version: of, receivedMs: keptMs });
    };
    // A page that came from the phone's own shelf is older than what the phone saw last.
    void lastSeen(eventId).then((seen) => {
      if (!gone && seen && seen.version >= version.current && seen.receivedMs < openedMs) {
        version.current = seen.version;
        setLive((before) => ({ ...before, day: seen.day, receivedMs: seen.receivedMs }));
      } else keep(first, firstVersion);
    });
    const take = (day: DayScreen, of: number, by: 'stream' | 'asking') => {
      if (gone) return;
      heardMs = Date.now();
      version.current = of;
      keep(day, of);
      setLive({ day, receivedMs: Date.now(), joined: { by } });
    };
    const ask = async () => {
      try {
        const answer = await fetch(`/days/${eventId}/state?since=${version.current}`, { cache: 'no-store' });
        if (answer.status === 204) return joined({ by: 'asking' });
        if (answer.status === 401) {
          void forgetDays();
          return joined({ by: 'out' });
        }
        if (!answer.ok) throw new Error(String(answer.status));
        const { version: of, day } = (await answer.json()) as { version: number; day: DayScreen };
        take(day, of, 'asking');
      } catch {
        if (!gone) joined({ by: 'none', sinceMs: heardMs });
      }
    };
    const listen = () => {
      source = new EventSource(`/days/${eventId}/stream?since=${version.current}`);
      source.addEventListener('day', (event) => {
        cuts = 0;
        take(JSON.parse(event.data as string) as DayScreen, Number(event.lastEventId), 'stream');
      });
      source.addEventListener('clock', (event) => {
        const nowMs = Number(event.data);
        heardMs = Date.now();
        if (!gone) setLive((before) => ({ ...before, day: { ...before.day, nowMs }, receivedMs: Date.now() }));
      });
      source.addEventListener('open', () => joined({ by: 'stream' }));
      source.addEventListener('error', () => {
        cuts++;
        joined({ by: 'none', sinceMs: heardMs });
        if (source?.readyState === EventSource.CLOSED || cuts >= CUTS_UNTIL_ASKING) {
          source?.close();
          source = undefined;
          asking ??= setInterval(() => void ask(), ASK_EVERY_MS);
          void ask();
        }
      });
    };
    listen();
    const again = () => {
      cuts = 0;
      heardMs = Date.now();
      clearInterval(asking);
      asking = undefined;
      source?.close();
      listen();
      void ask();
    };
    const alone = () => {
      source?.close();
      source = undefined;
      joined({ by: 'none', sinceMs: heardMs });
    };
    // A phone that walked out of its net often holds on to a stream that has died: silence says so.
    const silence = setInterval(() => {
      if (asking !== undefined || Date.now() - heardMs < SILENT_MS) return;
      alone();
      again();
    }, 5000);
    window.addEventListener('offline', alone);
    window.addEventListener('online', again);
    // Whoever comes back to the screen sees the present, not what it slept through.
    const wake = () => {
      if (document.visibilityState === 'visible') void ask();
    };
    document.addEventListener('visibilitychange', wake);
    return () => {
      gone = true;
      source?.close();
      clearInterval(asking);
      clearInterval(silence);
      window.removeEventListener('offline', alone);
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', wake);
    };
    // What the page came with is only where it begins.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [eventId]);
  return live;
}

/** The day's own time at this moment, by what the house said last. */
export const dayTimeNow = ({ day, receivedMs }: LiveDay): number => dayTimeAfter(day.nowMs, Date.now() - receivedMs, day.clock);

/** The same, second by second. */
export function useDayNow(live: LiveDay): number {
  const [now, setNow] = useState(() => live.day.nowMs);
  useEffect(() => {
    const tick = () => setNow(dayTimeNow(live));
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [live]);
  return now;
}
