import { expect, test, type Page } from '@playwright/test';
import { addCut, makeEvent, saved, setClock, setDay, stage } from './steps';

/** Two servings at a fair forty minutes away, from the yard of the demo's caterer with three people. */
async function makeFair(page: Page): Promise<void> {
  await page.goto('/equipment');
  await page.getByRole('button', { name: 'Add a box' }).click();
  const box = page.getByRole('dialog');
  await box.getByLabel('Name').fill('Small cooler');
  await box.getByLabel('Loses').fill('0.6');
  await box.getByRole('button', { name: 'Save the box' }).click();
  await expect(box).toBeHidden();

  await makeEvent(page, 'The fair at Sorrel Down', { date: '2028-07-15', time: '13:00', adults: 30 });
  await page.getByLabel('Serving', { exact: true }).fill('Tasting');
  await addCut(page, 'pork-butt');
  await page.getByRole('button', { name: 'Add a serving' }).click();
  const second = page.getByRole('region', { name: 'Serving', exact: true });
  await second.getByLabel('Serving', { exact: true }).fill('Supper');
  const supper = page.getByRole('region', { name: 'Supper', exact: true });
  await setClock(supper, 'Served at', '18:30');
  await supper.getByRole('combobox', { name: /menu/ }).selectOption('brisket-whole');
  await supper.getByRole('combobox', { name: /menu/ }).selectOption('spare-ribs-squared');
  await saved(page);

  await stage(page, 'Pits');
  await page.getByRole('combobox', { name: 'Use the equipment of another event' }).selectOption({ label: 'Gannet Point, 150 years' });
  await expect(page.getByText('The same equipment is chosen here.')).toBeVisible();
  await page.getByRole('checkbox', { name: /^Small cooler/ }).check();
  await page.getByRole('button', { name: 'Weather, places and crew' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('All begins at').fill('Yard');
  await dialog.getByRole('button', { name: 'Add a place' }).click();
  await dialog.getByRole('textbox', { name: 'Place 2' }).fill('Sorrel Down');
  await dialog.getByLabel('Yard to Sorrel Down').fill('40');
  await dialog.getByLabel('Setting up before serving').fill('30');
  const shifts: [string, string, string][] = [
    ['Isa', '2028-07-14', '12:00'],
    ['Tam', '2028-07-15', '06:00'],
    ['Rue', '2028-07-15', '08:00'],
  ];
  for (const [i, [name, day, from]] of shifts.entries()) {
    await dialog.getByRole('button', { name: 'Add a shift' }).click();
    const shift = dialog.getByRole('listitem').filter({ has: page.getByRole('button', { name: `Remove shift ${i + 1}` }) });
    await shift.getByLabel('Who').selectOption({ label: name });
    await setDay(shift, 'From', day);
    await setClock(shift.getByRole('group', { name: 'at' }).first().locator('..'), 'at', from);
    const until = shift.getByRole('group', { name: 'at' }).last();
    await until.getByRole('spinbutton', { name: /^hour/ }).click();
    await until.getByRole('spinbutton', { name: /^hour/ }).pressSequentially('22');
  }
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await saved(page);
}

/** What somebody's sheet has them do: from when, for how many minutes. */
async function dayOf(page: Page, name: string): Promise<{ fromMin: number; minutes: number; words: string }[]> {
  const rows = await page
    .getByRole('region', { name, exact: true })
    .locator('li:has(> time)')
    .evaluateAll((lines) =>
      lines.map((line) => ({
        at: line.querySelector('time')!.getAttribute('datetime')!,
        words: line.textContent ?? '',
        length: line.lastElementChild?.textContent ?? '',
      })),
    );
  return rows.map(({ at, words, length }) => {
    const [, hours = '0', minutes = '0'] = /(?:(\d+) h ?)?(?:(\d+)(?: min)?)?$/.exec(length.trim()) ?? [];
    return { fromMin: Date.parse(at) / 60_000, minutes: Number(hours) * 60 + Number(minutes), words };
  });
}

test('a fair forty minutes away: planned, each person’s day read, nobody twice, a place changed, printed', async ({ page }) => {
  await makeFair(page);
  await stage(page, 'Plan');
  await expect(page.locator('svg').getByText('Road', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'What does not fit' })).toHaveCount(0);
  await expect(page.locator('[data-person]')).toHaveCount(3);

  await stage(page, 'Run sheet');
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Tasting', exact: true })).toContainText('pork butts');
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Supper', exact: true })).toContainText('2 briskets');
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Supper, ahead' })).toContainText(/Trailer pit, cold/);

  await page.getByRole('button', { name: 'By person' }).click();
  let drives = 0;
  for (const name of ['Isa', 'Tam', 'Rue']) {
    const day = (await dayOf(page, name)).filter(({ words }) => !/Serve |Hold |Box |Vent |Rest /.test(words));
    expect(day.length, name).toBeGreaterThan(1);
    drives += day.filter(({ words }) => /Drive /.test(words)).length;
    day.sort((a, b) => a.fromMin - b.fromMin);
    day.forEach((task, i) => {
      const next = day[i + 1];
      if (next) expect(next.fromMin, `${name}: ${task.words} | ${next.words}`).toBeGreaterThanOrEqual(task.fromMin + task.minutes);
    });
  }
  expect(drives).toBeGreaterThan(2);

  // At the fair one carves, sets up and unloads.
  await page.getByRole('button', { name: 'By place' }).click();
  const fair = page.getByRole('region', { name: 'Sorrel Down', exact: true });
  await expect(fair.getByText('Set up for tasting at Sorrel Down')).toBeVisible();
  await expect(fair.getByText(/^Carve \d pork butt/).first()).toBeVisible();
  // The trailer is lit where it was taken; what stays in the yard is lit there.
  await expect(fair.getByText(/^Light the trailer pit/)).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Yard', exact: true })
      .getByText(/cabinet/i)
      .first(),
  ).toBeVisible();
  const pages = await page.pdf({ format: 'A4' });
  expect(pages.length).toBeGreaterThan(20_000);

  // The tasting comes home: nobody drives for it any more.
  await stage(page, 'Brief');
  await page.getByRole('region', { name: 'Tasting', exact: true }).getByRole('combobox', { name: 'Where' }).selectOption('Yard');
  await saved(page);
  await stage(page, 'Run sheet');
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Supper', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Tasting', exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('region', { name: 'Load-out to Sorrel Down for Tasting', exact: true })).toBeVisible();
});
