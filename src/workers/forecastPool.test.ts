import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { WhatIfAnswer, WhatIfRequest } from '../core/planning';
import { ForecastPool } from './forecastPool';
import type { ForecastWorkerApi } from './protocol';

const asked: [from: number, to: number][] = [];

/** A worker that lives in this thread and answers at once. */
class NearWorker {
  private readonly port: MessagePort;
  private readonly far: MessagePort;

  constructor() {
    const { port1, port2 } = new MessageChannel();
    this.port = port1;
    this.far = port2;
    const api: ForecastWorkerApi = {
      samples: (_request, from, to) => {
        asked.push([from, to]);
        return Array.from({ length: to - from }, (_, i) => ({ doneAtMin: from + i }) as never);
      },
      answer: (_request, samples) => ({ minutes: samples.map((sample) => sample.doneAtMin) }) as WhatIfAnswer,
    };
    expose(api, port2);
    port1.start();
  }

  postMessage(...message: Parameters<MessagePort['postMessage']>) {
    this.port.postMessage(...message);
  }
  addEventListener(...listener: Parameters<MessagePort['addEventListener']>) {
    this.port.addEventListener(...listener);
  }
  removeEventListener(...listener: Parameters<MessagePort['removeEventListener']>) {
    this.port.removeEventListener(...listener);
  }
  terminate() {
    this.port.close();
    this.far.close();
  }
}

const request = { massKg: 1 } as WhatIfRequest;
let pool: ForecastPool;

beforeEach(() => {
  vi.stubGlobal('Worker', NearWorker);
  asked.length = 0;
  pool = new ForecastPool(3);
});
afterEach(() => {
  pool.stop();
  vi.unstubAllGlobals();
});

describe('the forecast pool', () => {
  it('gives the median first, its progress, then the whole range with every sample in order', async () => {
    const answers: [WhatIfAnswer, boolean][] = [];
    const shares: number[] = [];
    await pool.forecast(request, {
      signal: new AbortController().signal,
      onAnswer: (answer, whole) => answers.push([answer, whole]),
      onProgress: (share) => shares.push(share),
    });
    expect(answers.map(([, whole]) => whole)).toEqual([false, true]);
    expect(answers[0]![0].minutes).toEqual([]);
    expect(answers[1]![0].minutes).toEqual(Array.from({ length: 200 }, (_, i) => i));
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  it('stops between chunks when it is told to', async () => {
    const abort = new AbortController();
    const running = pool.forecast(request, { signal: abort.signal, onAnswer: () => {}, onProgress: () => abort.abort() });
    await expect(running).rejects.toThrow(/abort/i);
    expect(asked.length).toBeLessThan(10);
  });

  it('goes on with the next when many are given up, one after another', async () => {
    const given: Promise<unknown>[] = [];
    for (let i = 0; i < 12; i++) {
      const abort = new AbortController();
      given.push(pool.forecast(request, { signal: abort.signal, onAnswer: () => {}, onProgress: () => {} }).catch(() => 'given up'));
      await new Promise((resolve) => setTimeout(resolve, 1));
      abort.abort();
    }
    const whole: boolean[] = [];
    await pool.forecast(request, { signal: new AbortController().signal, onAnswer: (_, done) => whole.push(done), onProgress: () => {} });
    expect(whole).toEqual([false, true]);
    await Promise.all(given);
  });
});
