import type { Change } from '../../core/edits';

export type UnsavedStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

const unsavedKey = (eventId: string) => `anachron/unsaved/${eventId}`;
const newestKey = (eventId: string) => `anachron/newest/${eventId}`;

/** What of an event was changed and not saved when its page was left, and which revision this browser saved last. */
export class Unsaved {
  constructor(private readonly storage?: UnsavedStorage) {}

  keep(eventId: string, revision: number, changes: Change[]): void {
    if (changes.length === 0) this.drop(eventId);
    else this.storage?.setItem(unsavedKey(eventId), JSON.stringify({ revision, changes }));
  }

  of(eventId: string): Change[] | undefined {
    const text = this.storage?.getItem(unsavedKey(eventId));
    return text ? (JSON.parse(text) as { changes: Change[] }).changes : undefined;
  }

  drop(eventId: string): void {
    this.storage?.removeItem(unsavedKey(eventId));
  }

  keepNewest(eventId: string, revision: number): void {
    this.storage?.setItem(newestKey(eventId), String(revision));
  }

  newest(eventId: string): number {
    return Number(this.storage?.getItem(newestKey(eventId)) ?? 0);
  }
}
