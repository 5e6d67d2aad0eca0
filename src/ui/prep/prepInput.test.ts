import { expect, it } from 'vitest';
import { batchOf, eventOf } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY } from '../../core/model';
import { check, PrepInput } from '../../inputs';
import { dropped, prepInput } from './prepInput';

it('shows what a batch is prepared with, and passes its own check before and after each drop', () => {
  const event = eventOf([
    batchOf('chicken-half', 2, { prep: { brine: 'timed', salt: 'none', temperMin: 30, recipes: { brine: 'brine-tide' } } }),
  ]);
  const input = prepInput(SHIPPED_LIBRARY, event.batches[0]!);
  expect(input).toMatchObject({ brine: 'timed', temperMin: 30, thaw: 'fresh' });
  const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
  expect(check(PrepInput, plain(input)).ok).toBe(true);
  for (const drop of ['thawInWater', 'saltInsteadOfBrine', 'skipBrine', 'saltAnHour', 'saltAsItGoesOn', 'skipTempering', 'none'] as const)
    expect(check(PrepInput, plain({ ...input, ...dropped(input, drop) })).ok, drop).toBe(true);
  expect(dropped(input, 'saltInsteadOfBrine')).toEqual({ brine: 'none', salt: 'hour', recipes: {} });
});
