import { describe, expect, it } from 'vitest';
import { ALL, findCooks, judgedAs } from './findCooks';
import type { LogRow } from './logRow';

const row = (id: string, more: Partial<LogRow> = {}): LogRow => ({
  id,
  cut: 'Pork butt',
  massKg: 3,
  pitC: 121,
  wrap: 'none',
  words: { verdict: {}, notes: '', nextTime: '' },
  ...more,
});
const ROWS = [
  row('a', { pit: 'Trailer', hours: 9, ratio: 1.02, words: { verdict: { bark: 'right' }, notes: 'Gusts from the north', nextTime: '' } }),
  row('b', {
    cut: 'Brisket',
    method: 'Low, bare',
    hours: 14,
    ratio: 0.8,
    words: { verdict: { bark: 'hard', smoke: 'right' }, notes: '', nextTime: 'Wrap sooner' },
  }),
  row('c', { pit: 'Trailer', event: 'Supper at the slip' }),
];
const ids = (sought: Partial<typeof ALL>) => findCooks(ROWS, { ...ALL, ...sought }).map(({ id }) => id);

describe('cooks of the log', () => {
  it('are all there, the newest first, where nothing is looked for', () => expect(ids({})).toEqual(['a', 'b', 'c']));

  it('are found by every word, wherever it stands, in whatever case', () => {
    expect(ids({ words: 'NORTH trailer' })).toEqual(['a']);
    expect(ids({ words: 'sooner' })).toEqual(['b']);
    expect(ids({ words: 'slip' })).toEqual(['c']);
    expect(ids({ words: 'hard' })).toEqual(['b']);
    expect(ids({ words: 'kelp' })).toEqual([]);
    expect(ids({ words: 'undefined' })).toEqual([]);
  });

  it('are narrowed by cut, pit, method and verdict together', () => {
    expect(ids({ pit: 'Trailer' })).toEqual(['a', 'c']);
    expect(ids({ cut: 'Brisket', method: 'Low, bare' })).toEqual(['b']);
    expect(ROWS.map(judgedAs)).toEqual(['right', 'something off', 'not judged']);
    expect(ids({ judged: 'something off' })).toEqual(['b']);
    expect(ids({ judged: 'right', pit: 'Trailer' })).toEqual(['a']);
  });

  it('are put in order by hours, or by how far they were from the forecast, slower or quicker', () => {
    expect(ids({ sort: 'longest' })).toEqual(['b', 'a', 'c']);
    expect(ids({ sort: 'furthest' })).toEqual(['b', 'a', 'c']);
    expect(ids({ sort: 'newest', pit: 'Trailer' })).toEqual(['a', 'c']);
  });
});
