/** What is news to a watcher: a version, and the day as JSON but for the time, which every screen counts by itself. */
export interface DayMessage {
  version: number;
  body: string;
}

/** Somebody who watches a day: told that there is news, and when it is over. */
export interface Watcher {
  news(): void;
  gone(): void;
}

/** Who watches a day, and what they are told last. */
export class Watchers {
  private readonly watchers = new Set<Watcher>();
  private message: DayMessage;

  /** Versions go on counting over a restart: what a screen saw before is older. */
  constructor(firstVersion: number) {
    this.message = { version: firstVersion, body: '' };
  }

  get count(): number {
    return this.watchers.size;
  }

  /** The day as it is now. The clock alone is no news: every screen has one. */
  tell({ nowMs: _, ...day }: { nowMs: number }): void {
    const body = JSON.stringify(day);
    if (body === this.message.body) return;
    this.message = { version: this.message.version + 1, body };
    for (const { news } of this.watchers) news();
  }

  last(): DayMessage {
    return this.message;
  }

  watch(watcher: Watcher): () => void {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  }

  letGo(): void {
    for (const { gone } of [...this.watchers]) gone();
  }
}

/** A message as it is sent, with the time of sending: by that a screen sets its clock. */
export const asSent = ({ body }: DayMessage, nowMs: number): string => `{"nowMs":${nowMs},${body.slice(1)}`;
