import type { Answered, PlanAskKind, PlanAsks, Versioned } from './protocol';

type Send<K extends PlanAskKind> = (request: Versioned<K>) => Promise<Answered<K>>;

/**
 * Asks of one kind, one at a time: while one is out, only the newest of those that come is kept, and
 * whoever was overtaken gets no answer. A burst of changes costs two answers, not one each.
 */
export class NewestAsk<K extends PlanAskKind> {
  private busy = false;
  private next?: { request: Versioned<K>; settle(answer: PlanAsks[K]['answer'] | undefined): void; fail(error: unknown): void };
  /** How many were sent: what an edit costs can be counted. */
  sent = 0;

  constructor(private readonly send: Send<K>) {}

  /** The answer, or undefined when a newer ask of this kind has overtaken it or the worker stands at another version. */
  ask(request: Versioned<K>): Promise<PlanAsks[K]['answer'] | undefined> {
    this.next?.settle(undefined);
    return new Promise((settle, fail) => {
      this.next = { request, settle, fail };
      void this.run();
    });
  }

  private async run(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    while (this.next) {
      const { request, settle, fail } = this.next;
      this.next = undefined;
      this.sent++;
      try {
        const { version, answer } = await this.send(request);
        settle(version === request.version && !this.next ? answer : undefined);
      } catch (error) {
        fail(error);
      }
    }
    this.busy = false;
  }
}
