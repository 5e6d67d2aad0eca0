import { expect, test } from 'vitest';
import { newsUntilEnd } from './newsUntilEnd';

test('news is told while the work goes on, and news that comes behind its result is not', async () => {
  const told: number[] = [];
  let late = (_: number) => {};
  const result = await newsUntilEnd(
    (done: number) => void told.push(done),
    async (tell) => {
      late = tell;
      tell(1);
      await Promise.resolve();
      tell(2);
      return 'the best';
    },
  );
  late(3);
  expect(result).toBe('the best');
  expect(told).toEqual([1, 2]);
});

test('nor is news of work that failed, and its failure is handed on', async () => {
  const told: number[] = [];
  let late = (_: number) => {};
  const work = newsUntilEnd(
    (done: number) => void told.push(done),
    async (tell) => {
      late = tell;
      throw new Error('the worker is gone');
    },
  );
  await expect(work).rejects.toThrow('the worker is gone');
  late(1);
  expect(told).toEqual([]);
});
