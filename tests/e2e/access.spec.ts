import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

/** Serious faults of the page as it stands: all rules in the light palette, what colour can spoil in the other two. */
async function faults(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const light of ['light', 'dark', 'night']) {
    await page.evaluate((palette) => (document.documentElement.dataset.light = palette), light);
    const axe = new AxeBuilder({ page });
    const { violations } = await (light === 'light' ? axe : axe.withRules(['color-contrast', 'link-in-text-block'])).analyze();
    for (const { id, impact, nodes } of violations)
      if (impact === 'serious' || impact === 'critical')
        found.push(...nodes.map((node) => `${light}, ${id}: ${node.html.slice(0, 160)} ${node.failureSummary?.slice(0, 200)}`));
  }
  return found;
}

test('no screen has a serious fault in any palette', async ({ page }) => {
  test.setTimeout(900_000);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  await page.goto('/');
  const href = await page.getByRole('link', { name: 'Gannet Point, 150 years' }).getAttribute('href');
  const event = href!.replace(/\/plan$/, '');
  for (const path of [
    '/',
    '/equipment',
    '/library',
    '/log',
    '/log/trials',
    '/what-if',
    '/practice',
    '/practice/drills/smoke',
    `${event}/brief`,
    `${event}/buying`,
    `${event}/prep`,
    `${event}/pits`,
    `${event}/plan`,
    `${event}/racks`,
    `${event}/run-sheet`,
    `${event}/service`,
    `${event}/safety`,
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeAttached();
    if (path.endsWith('/plan')) await expect(page.locator('[data-drawn]')).toBeVisible();
    expect(await faults(page), path).toEqual([]);
  }
  await page.goto('/');
  await page.getByRole('button', { name: 'New event' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await faults(page), 'new event').toEqual([]);
  await page.goto('/equipment');
  await page.getByRole('button', { name: 'Change Trailer pit' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await faults(page), 'pit form').toEqual([]);
  expect(errors).toEqual([]);
});

test('planning runs in a worker, not on the page', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Gannet Point, 150 years' }).click();
  await expect(page.locator('[data-drawn]')).toBeVisible();
  expect(page.workers()).toHaveLength(1);
});

for (const format of ['Letter', 'A4'] as const) {
  test(`the run sheet prints on ${format}`, async ({ page }) => {
    await page.goto('/');
    const href = await page.getByRole('link', { name: 'Gannet Point, 150 years' }).getAttribute('href');
    await page.goto(href!.replace(/plan$/, 'run-sheet'));
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
    const widthPx = format === 'Letter' ? 816 - 106 : 794 - 106;
    await page.setViewportSize({ width: widthPx, height: 900 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(widthPx);
    const pdf = await page.pdf({ format });
    const pages = pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length;
    expect(pages).toBeGreaterThanOrEqual(1);
    expect(pages).toBeLessThanOrEqual(3);
  });
}
