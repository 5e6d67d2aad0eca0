import { expect, test } from '@playwright/test';
import { addCut, makeEvent, saved, stage, setDay } from './steps';

test('events are duplicated, renamed, and deleted with undo', async ({ page }) => {
  await makeEvent(page, 'Harbour lunch');
  await page.goto('/');
  const more = (name: string) => page.getByRole('button', { name: `More for ${name}`, exact: true });
  await more('Harbour lunch').click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('link', { name: 'Harbour lunch, copy' })).toBeVisible();
  await more('Harbour lunch, copy').click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Harbour tea');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('link', { name: 'Harbour tea' })).toBeVisible();
  await more('Harbour tea').click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('link', { name: 'Harbour tea' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Harbour tea' })).toBeVisible();
});

test('what is wrong is said at its field, and nothing typed is lost', async ({ page }) => {
  await makeEvent(page, 'Faulty');
  await addCut(page, 'brisket-whole');
  await saved(page);
  await page.getByLabel('Adults').fill('-3');
  await page.getByLabel('Time zone').fill('Atlantis/Deep');
  await expect(page.getByText('The number of adults must be at least 0.')).toBeVisible();
  await expect(page.getByText('No such time zone.')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: '2 fields need a look' })).toBeVisible();
  await expect(page.getByLabel('Adults')).toHaveValue('-3');
  await page.getByLabel('Time zone').fill('America/Halifax');
  await page.getByLabel('Adults').fill('twenty');
  await expect(page.getByText('The number of adults must be a whole number.')).toBeVisible();
  await expect(page.getByLabel('Adults')).toHaveValue('twenty');
  await page.getByLabel('Adults').fill('30');
  await saved(page);

  await page.getByText('weights, helping, second dish').click();
  await page.getByLabel('Weight of brisket 1').fill('660');
  await expect(page.getByText('The weight of a piece is too large to be real.')).toBeVisible();
  await expect(page.getByLabel('Weight of brisket 1')).toHaveValue('660');
  await page.getByLabel('Weight of brisket 1').fill('14');
  await saved(page);
  await setDay(page, 'Day', '2020-01-01');
  await expect(page.getByText('This time has passed.')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Day', exact: true }).getByRole('spinbutton', { name: /^year/ })).toHaveText('2020');
});

test('the number of pieces follows the guests until it is set by hand, and undo takes a change back', async ({ page }) => {
  await makeEvent(page, 'Counting', { adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  const row = page.getByRole('row', { name: /Pork butt/ });
  const count = row.locator('[aria-live]');
  const first = Number(await count.textContent());
  await page.getByLabel('Adults').fill('120');
  await expect.poll(async () => Number(await count.textContent())).toBeGreaterThan(first * 2);
  await saved(page);
  await row.getByRole('button', { name: 'One butt fewer' }).click();
  await expect(row.getByRole('button', { name: 'by guests' })).toBeVisible();
  await expect(row.getByText(/% short/)).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row.getByRole('button', { name: 'by guests' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Adults')).toHaveValue('40');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Adults')).toHaveValue('40');
});

test('units and the clock switch everywhere at once, and stay', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Gannet Point, 150 years' }).click();
  await stage(page, 'Run sheet');
  await expect(page.getByText(/275 °F/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Units and light' }).click();
  await page.getByRole('radio', { name: '°C' }).click();
  await page.getByRole('radio', { name: 'kg, mm' }).click();
  await page.getByRole('radio', { name: '6:00 pm' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/135 °C/).first()).toBeVisible();
  await expect(page.getByText(/\d kg in all/).first()).toBeVisible();
  await expect(page.locator('time').filter({ hasText: 'pm' }).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(/135 °C/).first()).toBeVisible();
});

test('a pit is added from its kind, measured, used by an event, put away and brought back', async ({ page }) => {
  await page.goto('/equipment');
  await page.getByRole('combobox', { name: 'Add a pit' }).selectOption('bullet');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Beach bullet');
  await dialog.getByLabel('Highest set point').fill('200');
  await dialog.getByLabel('Lowest set point').fill('230');
  await dialog.getByRole('button', { name: 'Save the pit' }).click();
  await expect(dialog.getByText('The span of set points: the second figure must not be below the first.')).toBeVisible();
  await dialog.getByLabel('Highest set point').fill('300');
  await dialog.getByLabel('Width of rack 1').fill('18');
  await dialog.getByRole('button', { name: 'Save the pit' }).click();
  await expect(page.getByRole('heading', { name: 'Beach bullet' })).toBeVisible();
  await expect(page.getByText('18 in across')).toBeVisible();

  await makeEvent(page, 'On the beach');
  await addCut(page, 'pork-butt');
  await saved(page);
  await stage(page, 'Pits');
  for (const pit of ['Trailer pit', 'Cabinet', 'Kitchen oven']) await page.getByRole('checkbox', { name: pit }).uncheck();
  await expect(page.getByRole('checkbox', { name: 'Beach bullet' })).toBeChecked();
  await stage(page, 'Plan');
  await expect(page.getByText('Beach bullet').first()).toBeVisible();
  await expect(page.getByText('Trailer pit')).toHaveCount(0);

  await page.goto('/equipment');
  await page.getByRole('button', { name: 'Put Beach bullet away' }).click();
  await expect(page.getByRole('heading', { name: 'Beach bullet' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Beach bullet' })).toBeVisible();
  await page.getByRole('button', { name: 'Put Beach bullet away' }).click();
  await expect(page.getByRole('heading', { name: 'Beach bullet' })).toHaveCount(0);
});

test('too little room is said in words: what, where and when', async ({ page }) => {
  await makeEvent(page, 'Crowded', { adults: 400 });
  await addCut(page, 'brisket-whole');
  await addCut(page, 'spare-ribs-squared');
  await saved(page);
  await stage(page, 'Plan');
  await expect(
    page
      .getByRole('region', { name: 'What does not fit' })
      .getByText(/have no place|cannot be held/)
      .first(),
  ).toBeVisible();
  await expect(page.getByText('does not fit', { exact: true })).toBeVisible();
});

test('the keyboard gets everywhere, and ? lists how', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Events' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'New event' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('q');
  await expect(page.getByRole('heading', { name: 'Equipment' })).toBeVisible();
});

test('an address that leads nowhere says so', async ({ page }) => {
  const response = await page.goto('/events/nothing/plan');
  expect(response!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
});
