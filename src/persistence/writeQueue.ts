/**
 * Lets one write transaction run at a time: SQLite has one writer, and a second one that waits
 * inside the driver fails instead. The order of asking is the order of writing.
 */
export class WriteQueue {
  private tail: Promise<unknown> = Promise.resolve();

  run<T>(work: () => Promise<T>): Promise<T> {
    const next = this.tail.then(work, work);
    this.tail = next.catch(() => {});
    return next;
  }
}
