import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { DayScreen } from './dayScreen';
import type { Tap } from './waitingTaps';

/** A day as this phone saw it last, and when by its own clock. */
export interface LastSeen {
  day: DayScreen;
  version: number;
  receivedMs: number;
}

interface Kept extends DBSchema {
  taps: { key: string; value: Tap & { eventId: string }; indexes: { eventId: string } };
  days: { key: string; value: LastSeen };
}

let opening: Promise<IDBPDatabase<Kept> | undefined> | undefined;

/** What a phone keeps by itself while it has no signal. Undefined where the browser keeps nothing: then taps wait as long as the page is open. */
const kept = (): Promise<IDBPDatabase<Kept> | undefined> =>
  (opening ??= openDB<Kept>('anachron-yard', 1, {
    upgrade(db) {
      db.createObjectStore('taps', { keyPath: 'id' }).createIndex('eventId', 'eventId');
      db.createObjectStore('days');
    },
  }).catch(() => undefined));

/** Each of these gives up in silence where nothing can be kept: the page goes on with what it holds. */
const quietly = async <T>(work: (db: IDBPDatabase<Kept>) => Promise<T>): Promise<T | undefined> => {
  const db = await kept();
  return db ? work(db).catch(() => undefined) : undefined;
};

export const keepTap = (eventId: string, tap: Tap): Promise<unknown> => quietly((db) => db.put('taps', { ...tap, eventId }));

export const dropTaps = (ids: readonly string[]): Promise<unknown> =>
  quietly(async (db) => {
    const change = db.transaction('taps', 'readwrite');
    await Promise.all([...ids.map((id) => change.store.delete(id)), change.done]);
  });

/** In the order they were made. */
export const keptTaps = async (eventId: string): Promise<Tap[]> =>
  ((await quietly((db) => db.getAllFromIndex('taps', 'eventId', eventId))) ?? [])
    .map(({ id, atMs, madeMs, by, deed }) => ({ id, atMs, madeMs, by, deed }))
    .sort((a, b) => a.madeMs - b.madeMs);

export const keepLastSeen = (eventId: string, seen: LastSeen): Promise<unknown> => quietly((db) => db.put('days', seen, eventId));
export const lastSeen = (eventId: string): Promise<LastSeen | undefined> => quietly((db) => db.get('days', eventId));

/** This phone is out: what it saw goes. What it tapped stays until it can be sent. */
export const forgetDays = (): Promise<unknown> =>
  quietly(async (db) => {
    await db.clear('days');
    if (typeof caches !== 'undefined') await caches.delete('yard');
  });
