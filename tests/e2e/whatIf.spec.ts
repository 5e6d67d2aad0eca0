import { expect, test } from '@playwright/test';
import { CALM, runSamples, SHIPPED_PARAMETERS } from '../../src/core/forecast';
import { METHODS, CUTS, typicalTrimmedKg } from '../../src/core/model';
import { WHAT_IF_SAMPLES, whatIfEnsemble, whatIfAnswer, whatIfSetup, type WhatIfRequest } from '../../src/core/planning';

const minutes = (text: string) => {
  const [, hours, rest] = /^(?:(\d+) h)? ?(\d+)?/.exec(text)!;
  return Number(hours ?? 0) * 60 + Number(rest ?? 0);
};

test('methods side by side answer while a slider moves, by keyboard too', async ({ page }) => {
  await page.goto('/what-if');
  const first = page.getByRole('region', { name: 'Method A' });
  const done = first.locator('dd').first();
  await expect(done).toHaveText(/\d+ h \d+/);
  await expect(page.getByRole('status').filter({ hasText: 'Up to date' })).toBeVisible();
  const before = minutes((await done.textContent())!);
  await first.getByRole('slider', { name: 'Pit heat A' }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(async () => minutes((await done.textContent())!)).toBeLessThan(before);
  await expect(page.getByRole('status').filter({ hasText: 'Up to date' })).toBeVisible();
  await expect(
    first
      .locator('dd')
      .filter({ hasText: /min to|\d to \d/ })
      .first(),
  ).toBeVisible();
  expect(page.workers().length).toBeGreaterThan(0);

  await page.getByRole('slider', { name: 'Thickness' }).focus();
  const thicker = minutes((await done.textContent())!);
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(async () => minutes((await done.textContent())!)).toBeGreaterThan(thicker);

  await page.getByRole('button', { name: 'Compare another method' }).click();
  await expect(page.getByRole('region', { name: 'Method D' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Cut' }).selectOption('chicken-half');
  await expect(
    page
      .getByRole('region', { name: 'Method B' })
      .getByText(/165 °F/)
      .first(),
  ).toBeVisible();
});

test('the browser’s forecast is the server’s and the command’s, to the last digit', async ({ page }) => {
  await page.goto('/what-if');
  await expect(page.getByRole('region', { name: 'Method C' }).locator('dd').first()).toHaveText(/\d+ h/);
  await expect(page.getByRole('status').filter({ hasText: 'Up to date' })).toBeVisible();
  const cut = CUTS.find((each) => each.id === 'brisket-whole')!;
  const expected = ['low-bare', 'low-paper', 'hot-foil'].map((id) => {
    const method = METHODS.find((each) => each.id === id)!;
    const request: WhatIfRequest = {
      cut,
      method,
      massKg: typicalTrimmedKg(cut),
      startC: 4,
      grade: 'choice',
      pitC: method.pitC,
      pitKind: 'offset',
      altitudeM: 0,
      weather: CALM,
      darkShare: 0,
      chew: 'usual',
    };
    return whatIfAnswer(request, runSamples(whatIfSetup(request), SHIPPED_PARAMETERS, whatIfEnsemble(request), 0, WHAT_IF_SAMPLES)).done
      .p50;
  });
  const drawn = () => page.locator('[data-drawn]').getAttribute('data-drawn');
  await expect.poll(async () => (await drawn())!.split(' ').length).toBe(3);
  await expect
    .poll(async () => Math.max(...(await drawn())!.split(' ').map((each, i) => Math.abs(Number(each) / expected[i]! - 1))))
    .toBeLessThan(1e-9);
});
