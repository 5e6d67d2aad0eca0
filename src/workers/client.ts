import { proxy, wrap, type Remote } from 'comlink';
import type { NamedPlan, Plan } from '../core/model';
import type { Conflict, PlanInput, Remedy } from '../core/planning';
import { NewestAsk } from './newestAsk';
import type { Answered, Compared, PlanAskKind, PlanAsks, PlanWorkerApi, SearchNews, SearchRequest, Versioned } from './protocol';

/** The page's end of the planning worker. Of each kind of ask only the newest gets an answer. */
export class Planner {
  private readonly worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  private readonly api: Remote<PlanWorkerApi> = wrap<PlanWorkerApi>(this.worker);
  private readonly asks = new Map<PlanAskKind, NewestAsk<never>>();

  ask<K extends PlanAskKind>(version: number, kind: K, ask: PlanAsks[K]['ask']): Promise<PlanAsks[K]['answer'] | undefined> {
    let own = this.asks.get(kind) as unknown as NewestAsk<K> | undefined;
    if (!own) {
      own = new NewestAsk<K>((request) => this.api.ask(request as Versioned<never>) as unknown as Promise<Answered<K>>);
      this.asks.set(kind, own as unknown as NewestAsk<never>);
    }
    return own.ask({ version, kind, ask });
  }

  /** How many asks of a kind went out since the page was opened. */
  sent(kind: PlanAskKind): number {
    return this.asks.get(kind)?.sent ?? 0;
  }

  search(request: SearchRequest, tell: (news: SearchNews) => void): Promise<Plan> {
    return this.api.search(request, proxy(tell));
  }

  stopSearch(): void {
    void this.api.stopSearch();
  }

  remedies(tell: (remedies: Remedy[], tried: number) => void): Promise<{ conflict?: Conflict }> {
    return this.api.remedies(proxy(tell));
  }

  levers(batchId: string, tell: (tried: Remedy[]) => void): Promise<void> {
    return this.api.levers(batchId, proxy(tell));
  }

  compare(input: PlanInput, named: NamedPlan[]): Promise<Compared[]> {
    return this.api.compare(input, named);
  }

  atConfidence(input: PlanInput, confidence: number): ReturnType<Remote<PlanWorkerApi>['atConfidence']> {
    return this.api.atConfidence(input, confidence);
  }

  stop(): void {
    this.worker.terminate();
  }
}
