import { proxy, wrap, type Remote } from 'comlink';
import type { Debrief, DrillQuestion, DrillSetId, PracticeDeed, PracticeSave, Scenario } from '../core/practice';
import type { PracticeShown, PracticeWorkerApi } from './practiceProtocol';

/** The page's end of a day in practice. */
export class PracticeThread {
  private readonly worker = new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' });
  private readonly api: Remote<PracticeWorkerApi> = wrap<PracticeWorkerApi>(this.worker);

  begin(scenario: Scenario, save: PracticeSave): Promise<PracticeShown> {
    return this.api.begin(scenario, save);
  }
  advance(byMs: number): Promise<PracticeShown> {
    return this.api.advance(byMs);
  }
  do(deed: PracticeDeed): ReturnType<Remote<PracticeWorkerApi>['do']> {
    return this.api.do(deed);
  }
  debrief(tell: (done: number, all: number) => void): Promise<Debrief> {
    return this.api.debrief(proxy(tell));
  }
  question(set: DrillSetId, n: number): Promise<DrillQuestion> {
    return this.api.question(set, n);
  }
  stop(): void {
    this.worker.terminate();
  }
}
