import { wrap, type Remote } from 'comlink';
import type { Plan } from '../core/model';
import type { FinishByOffset, PlanInput, RunCurve } from '../core/planning';
import type { PlanWorkerApi } from './protocol';

/** The page's end of the planning worker. Only the newest request gets an answer. */
export class Planner {
  private readonly worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  private readonly api: Remote<PlanWorkerApi> = wrap<PlanWorkerApi>(this.worker);
  private newest = 0;

  /** Plans in the background; undefined when a newer request has overtaken this one. */
  async plan(input: PlanInput): Promise<Plan | undefined> {
    const requestId = ++this.newest;
    const answer = await this.api.plan({ requestId, planVersion: input.event.revision, input });
    return answer.requestId === this.newest ? answer.plan : undefined;
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
