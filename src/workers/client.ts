import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { NamedPlan, Plan } from '../core/model';
import type { Conflict, PlanInput, Remedy } from '../core/planning';
import { NewestAsk } from './newestAsk';
import { newsUntilEnd } from './newsUntilEnd';
import type { Answered, Compared, PlanAskKind, PlanAsks, PlanWorkerApi, SearchNews, SearchRequest, Versioned } from './protocol';

const MOST_ASSISTANTS = 3;
const planWorker = () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });

/** The page's end of the planning worker. Of each kind of ask only the newest gets an answer. */
export class Planner {
  private readonly worker = planWorker();
  private readonly api: Remote<PlanWorkerApi> = wrap<PlanWorkerApi>(this.worker);
  private assistants?: Worker[];
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

  /** Puts further workers at the side of the first, once something is searched for: as many in all as there are cores. */
  private gatherAssistants(): void {
    this.assistants ??= Array.from({ length: Math.max(0, Math.min(MOST_ASSISTANTS, navigator.hardwareConcurrency - 1)) }, () => {
      const worker = planWorker();
      const { port1, port2 } = new MessageChannel();
      void wrap<PlanWorkerApi>(worker).assist(transfer(port1, [port1]));
      void this.api.lead(transfer(port2, [port2]));
      return worker;
    });
  }

  search(request: SearchRequest, tell: (news: SearchNews) => void): Promise<Plan> {
    this.gatherAssistants();
    return newsUntilEnd(tell, (told) => this.api.search(request, proxy(told)));
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
    for (const worker of [this.worker, ...(this.assistants ?? [])]) worker.terminate();
  }
}
