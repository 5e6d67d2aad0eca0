import { expect, test } from '@playwright/test';
import { pageWeights } from '../../bench/pages';

/** What a page asks for before it can be used; what it loads later does not count. */
const MOST_KB = 230;

test('no page of the build asks for more JavaScript than a field with one bar can bear', () => {
  const pages = pageWeights();
  expect(pages.length).toBeGreaterThan(12);
  expect(pages.filter(({ kb }) => kb > MOST_KB).map(({ page, kb }) => `${page}: ${Math.round(kb)} kB`)).toEqual([]);
});
