import { proxy, wrap, type Remote } from 'comlink';
import type { Broken, NamedPlan, Plan } from '../core/model';
import type { Conflict, FinishByOffset, PlanInput, Remedy, RunCurve } from '../core/planning';
import type { Compared, PlanAnswer, PlanWorkerApi, SearchNews, SearchRequest } from './protocol';

/** The page's end of the planning worker. Only the newest request gets an answer. */
export class Planner {
  private readonly worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  private readonly api: Remote<PlanWorkerApi> = wrap<PlanWorkerApi>(this.worker);
  private newest = 0;

  /** Plans in the background; undefined when a newer request has overtaken this one. */
  async plan(input: PlanInput): Promise<PlanAnswer | undefined> {
    const requestId = ++this.newest;
    const answer = await this.api.plan({ requestId, planVersion: input.event.revision, input });
    return answer.requestId === this.newest ? answer : undefined;
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

  dragged(runId: string, byMin: number, pitId?: string): Promise<Broken[]> {
    return this.api.dragged(runId, byMin, pitId);
  }

  compare(input: PlanInput, named: NamedPlan[]): Promise<Compared[]> {
    return this.api.compare(input, named);
  }

  atConfidence(input: PlanInput, confidence: number): ReturnType<Remote<PlanWorkerApi>['atConfidence']> {
    return this.api.atConfidence(input, confidence);
  }

  curve(runId: string): Promise<RunCurve | undefined> {
    return this.api.curve(runId);
  }

  finishes(runId: string, pieceId: string): Promise<FinishByOffset | undefined> {
    return this.api.finishes(runId, pieceId);
  }

  stop(): void {
    this.worker.terminate();
  }
}
