import { wrap, type Remote } from 'comlink';
import type { SampleOutcome } from '../core/forecast';
import { WHAT_IF_SAMPLES, type WhatIfAnswer, type WhatIfRequest } from '../core/planning';
import type { ForecastWorkerApi } from './protocol';

interface Member {
  worker: Worker;
  api: Remote<ForecastWorkerApi>;
  busy: boolean;
}

export interface ForecastOptions {
  /** Stops the work; the promise is then refused with an AbortError. */
  signal: AbortSignal;
  /** Called with the median at once, and with the full range at the end. */
  onAnswer(answer: WhatIfAnswer, whole: boolean): void;
  /** Called as samples come in, with the share that is done. */
  onProgress(share: number): void;
}

/** Samples one worker runs before it may be asked to stop. */
const CHUNK = 20;
const MOST_WORKERS = 4;

/** The page's end of the forecast workers: shares a forecast's samples among them and can be stopped between chunks. */
export class ForecastPool {
  private readonly members: Member[];
  private readonly waiting: (() => void)[] = [];

  constructor(cores: number) {
    this.members = Array.from({ length: Math.max(1, Math.min(MOST_WORKERS, cores - 1)) }, () => {
      const worker = new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' });
      return { worker, api: wrap<ForecastWorkerApi>(worker), busy: false };
    });
  }

  /** Forecasts one piece. The median comes first; each chunk moves the progress on; the range comes last. */
  async forecast(request: WhatIfRequest, { signal, onAnswer, onProgress }: ForecastOptions): Promise<void> {
    const median = await this.run(signal, (api) => api.answer(request, []));
    onAnswer(median, false);
    let done = 0;
    const chunks: Promise<SampleOutcome[]>[] = [];
    for (let from = 0; from < WHAT_IF_SAMPLES; from += CHUNK) {
      const to = Math.min(from + CHUNK, WHAT_IF_SAMPLES);
      const chunk = this.run(signal, (api) => api.samples(request, from, to));
      chunks.push(
        chunk.then((samples) => {
          done += to - from;
          onProgress(done / WHAT_IF_SAMPLES);
          return samples;
        }),
      );
    }
    const samples = (await Promise.all(chunks)).flat();
    onAnswer(await this.run(signal, (api) => api.answer(request, samples)), true);
  }

  private async run<T>(signal: AbortSignal, work: (api: Remote<ForecastWorkerApi>) => Promise<T>): Promise<T> {
    const member = await this.free(signal);
    try {
      signal.throwIfAborted();
      return await work(member.api);
    } finally {
      member.busy = false;
      this.waiting.shift()?.();
    }
  }

  private async free(signal: AbortSignal): Promise<Member> {
    for (;;) {
      if (signal.aborted) {
        // Whoever was woken and no longer wants the worker wakes the next.
        this.waiting.shift()?.();
        signal.throwIfAborted();
      }
      const member = this.members.find((each) => !each.busy);
      if (member) {
        member.busy = true;
        return member;
      }
      await new Promise<void>((resolve) => this.waiting.push(resolve));
    }
  }

  stop(): void {
    for (const { worker } of this.members) worker.terminate();
  }
}
