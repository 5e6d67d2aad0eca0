import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { addCut, makeEvent, saved, stage } from './steps';

test('a cook is found in the log, judged, and what is to change comes up on the next plan', async ({ page }) => {
  await page.goto('/log');
  await expect(page.getByRole('status').filter({ hasText: /cooks\./ })).toBeVisible();
  await page.getByLabel('Find').fill('brisket');
  await expect(page.getByRole('status').filter({ hasText: / of \d+ cooks\./ })).toBeVisible();
  await page.getByLabel('Order').selectOption('Longest first');
  await page.getByRole('table').getByRole('button').first().click();
  const cook = page.getByRole('dialog');
  await cook.getByLabel('Bark').selectOption('hard');
  await cook.getByLabel('Change next time').fill('Wrap at the first dark');
  await cook.getByLabel('Notes').fill('x'.repeat(1001));
  await cook.getByRole('button', { name: 'Keep' }).click();
  await expect(cook.getByRole('alert')).toBeVisible();
  await cook.getByLabel('Notes').fill('Gusts from the north');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await cook.getByRole('button', { name: 'Keep' }).click();
  await expect(cook).toBeHidden();
  await expect(page.getByRole('row', { name: /bark hard/ }).first()).toContainText('Wrap at the first dark');
  await page.getByLabel('Find').fill('first dark');
  await expect(page.getByRole('status').filter({ hasText: /^1 of / })).toBeVisible();

  await makeEvent(page, 'Net mending');
  await addCut(page, 'brisket-whole');
  await saved(page);
  await expect(page.getByRole('region', { name: 'From the log' })).toContainText('Wrap at the first dark');
  await stage(page, 'Plan');
  await expect(page.getByText('Wrap at the first dark').first()).toBeVisible();
  await stage(page, 'Run sheet');
  await expect(page.getByRole('region', { name: 'From the log' })).toContainText('Wrap at the first dark');
});

test('two cooks are laid side by side, on going on or on the wrap, and their difference is said', async ({ page }) => {
  await page.goto('/log');
  await page.getByLabel('Find').fill('brisket');
  const ticks = page.getByRole('checkbox', { name: /^Compare Brisket/ });
  await ticks.nth(0).check();
  await expect(page.getByRole('button', { name: 'Compare 1' })).toBeDisabled();
  await ticks.nth(1).check();
  await page.getByRole('button', { name: 'Compare 2' }).click();
  const side = page.getByRole('dialog', { name: 'Side by side' });
  await expect(side.getByRole('row', { name: /^Took/ })).toBeVisible();
  await expect(side.getByText(/^Cook 2 took/)).toBeVisible();
  await side.getByRole('button', { name: 'on the wrap' }).click();
  await expect(side.getByRole('row', { name: /^In the stall/ })).toContainText('by the model');
  await expect(side.getByRole('img', { name: 'Cores over time' })).toHaveAttribute('data-drawn', /wrap 2/);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test('what the log teaches is shown, taken, and put back', async ({ page }) => {
  await page.goto('/log');
  await page.getByRole('tab', { name: 'Your kitchen' }).click();
  await expect(page.getByText(/Plans go by the model as it was shipped/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Hours told against hours taken' })).toBeVisible();
  await expect(page.getByRole('table', { name: 'Time by cut' }).getByRole('row', { name: /Brisket, whole/ })).toContainText('cooks');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: 'Go by these' }).click();
  await expect(page.getByText(/Plans go by what \d+ cooks of yours taught/)).toBeVisible();
  await page.getByRole('button', { name: 'Put back what was before' }).click();
  await expect(page.getByText(/Plans go by the model as it was shipped/)).toBeVisible();
});

test('an old notebook is typed in line by line', async ({ page }) => {
  await page.goto('/log');
  await page.getByRole('button', { name: 'Type one in' }).click();
  const line = page.getByRole('dialog', { name: 'From an old notebook' });
  await line.getByLabel('Cut').selectOption({ label: 'Pork collar' });
  await line.getByLabel('Heat').fill('250');
  await line.getByRole('button', { name: 'Keep, and the next' }).click();
  await expect(line.getByRole('alert').first()).toBeVisible();
  await line.getByLabel('Weight of the piece').fill('4.5');
  await line.getByLabel('Hours, on to pulled').fill('7.25');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await line.getByRole('button', { name: 'Keep, and the next' }).click();
  // The next line begins with what the last one had.
  await expect(line.getByLabel('Weight of the piece')).toHaveValue('');
  await expect(line.getByLabel('Heat')).toHaveValue('250');
  await expect(line.getByLabel('Cut').locator('option:checked')).toHaveText('Pork collar');
  await page.keyboard.press('Escape');
  await page.getByLabel('Find').fill('collar');
  await expect(page.getByRole('row', { name: /Pork collar, 4.5 lb/ })).toContainText('7 h 15');
});

test('cooks come in from a file, lines that cannot be used are told, and one is taken out with undo', async ({ page }) => {
  await page.goto('/log');
  const file = ['cook_id,cut,piece_lb,pit_f,done,hours', 'old-1,lamb-shoulder,5,250,tender,7.5', 'old-2,kelp,5,250,tender,7'].join('\n');
  await page.getByLabel('A file of cooks').setInputFiles({ name: 'cooks.csv', mimeType: 'text/csv', buffer: Buffer.from(file) });
  const told = page.getByRole('dialog', { name: 'Some lines could not be used' });
  await expect(told).toContainText('Line 3: cut "kelp" is not known');
  await page.keyboard.press('Escape');
  await page.getByLabel('Find').fill('lamb shoulder');
  await page
    .getByRole('table')
    .getByRole('button', { name: /Lamb shoulder/ })
    .click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take it out of the log' }).click();
  await expect(page.getByRole('button', { name: /Lamb shoulder/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /Lamb shoulder/ })).toBeVisible();
  const csv = await (await page.request.get('/log/csv')).text();
  expect(csv).toContain('old-1,lamb-shoulder');
});
