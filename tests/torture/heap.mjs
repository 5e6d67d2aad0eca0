import { appendFileSync } from 'node:fs';
import { isMainThread } from 'node:worker_threads';

// Put before a program that may be swept, it says on a signal what is still held after sweeping, in MB.
if (isMainThread)
  process.on('SIGUSR2', () => {
    globalThis.gc?.();
    globalThis.gc?.();
    const { heapUsed, external, rss } = process.memoryUsage();
    appendFileSync(process.env.TORTURE_HEAP, `${((heapUsed + external) / 1e6).toFixed(1)} ${(rss / 1e6).toFixed(0)}\n`);
  });
