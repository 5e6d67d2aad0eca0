import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import Papa from 'papaparse';
import { DateTime } from 'luxon';
import { addCut, makeEvent, saved, sheetInstants, stage } from './steps';

/** Puts text on the clipboard's way into a field, as a spreadsheet does. */
async function paste(page: Page, label: string, text: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).evaluate((field, clip) => {
    const data = new DataTransfer();
    data.setData('text', clip);
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
}
const weightsSaved = saved;
const onAt = async (page: Page, tag: string) => {
  const row = page.getByRole('row').filter({ has: page.getByText(tag, { exact: true }) });
  return Date.parse((await row.locator('time').getAttribute('datetime'))!);
};

test('from the brief over buying, real weights and prep to the run sheet', async ({ page }) => {
  await makeEvent(page, 'Keepers’ supper', { date: '2028-06-17', time: '18:00', adults: 40 });
  await addCut(page, 'brisket-whole');
  await page.getByLabel('Method for brisket, whole').selectOption('low-paper');
  await saved(page);

  // 40 at a buffet, one meat: 44 portions of 197.5 g, 0.60 and 0.78: 40.9 lb bought.
  await stage(page, 'Buying');
  await page.getByRole('button', { name: 'Why so much brisket, whole' }).click();
  await expect(page.getByText('Supper: 40 adults × 1.1 buffet = 44 portions')).toBeVisible();
  await expect(page.getByText(/7 oz a portion \(the only meat, .*at a supper\) = 19\.2 lb cooked/)).toBeVisible();
  await expect(page.getByText('= 40.9 lb bought')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const csv = readFileSync((await (await download).path())!, 'utf8');
  const rows = Papa.parse<Record<string, string>>(csv.trim(), { header: true }).data;
  expect(rows.find((row) => row.item === 'brisket, whole, choice')).toMatchObject({ source: 'Butcher', pieces: '3' });
  expect(rows.map((row) => row.item)).toEqual(expect.arrayContaining(['butcher paper', 'food gloves', expect.stringMatching(/^oak, /)]));
  await page.getByLabel('Black pepper, coarse').check();
  await expect(page.getByLabel('Black pepper, coarse')).toBeChecked();

  // The scale says more than was thought: the plan follows.
  const thought = await onAt(page, 'B1');
  await expect(page.getByText(/by shape/).first()).toBeVisible();
  await paste(page, 'Bought, B1', '18.6\n18.1\n17.9');
  await weightsSaved(page);
  await expect(page.getByLabel('Bought, B3', { exact: true })).toHaveValue('17.9');
  await expect(page.getByText(/by shape/)).toHaveCount(0);
  await page.getByLabel('Trimmed, B1', { exact: true }).fill('15.9');
  await page.keyboard.press('Enter');
  await page.keyboard.type('15.4');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('15.2');
  await page.getByLabel('Thick end, B1', { exact: true }).fill('3.5');
  await weightsSaved(page);
  await expect.poll(() => onAt(page, 'B1')).toBeLessThan(thought - 45 * 60_000);
  await expect(page.getByText(/Trim here runs 0\.\d\d over 3, usual 0\.22/)).toBeVisible();

  // What cannot be has its message at its field, and keeps what was typed.
  await page.getByLabel('Trimmed, B2', { exact: true }).fill('19');
  await expect(page.getByText('It cannot weigh more after trimming than before.')).toBeVisible();
  await expect(page.getByLabel('Trimmed, B2', { exact: true })).toHaveValue('19');
  await page.getByLabel('Bought, B1', { exact: true }).fill('661');
  await expect(page.getByText('The purchased weight is too large to be real.')).toBeVisible();
  await page.getByLabel('Trimmed, B2', { exact: true }).fill('15.4');
  await page.getByLabel('Bought, B1', { exact: true }).fill('18.6');
  await weightsSaved(page);
  await expect(page.getByLabel('Trimmed, B2', { exact: true })).toHaveValue('15.4');

  // It came warm: said at once, and on the safety panel.
  await page.getByRole('tab', { name: 'Receiving' }).click();
  await page.getByLabel(/^Core, at or below/).fill('46');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('It measured 46 °F, above 41 °F')).toBeVisible();
  await page.getByLabel(/^Core, at or below/).fill('38');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('It measured 46 °F')).toBeHidden();

  await page.reload();
  const weighed = await onAt(page, 'B1');
  await stage(page, 'Prep');
  await page.getByLabel('Salt', { exact: true }).selectOption('night');
  await page.getByLabel('Rub', { exact: true }).selectOption({ label: 'Black-rock rub' });
  await page.getByLabel('Tempered').selectOption('30');
  await expect(page.getByRole('listitem').filter({ hasText: 'Salt 3 briskets' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Take 3 briskets out of the cold' })).toBeVisible();
  await page.getByLabel('Trim 3 briskets: done').check();
  await expect(page.getByLabel('Trim 3 briskets: done')).toBeChecked();

  await stage(page, 'Run sheet');
  const sheet = page.getByRole('main');
  await expect(sheet.getByText('Salt 3 briskets')).toBeVisible();
  await expect(sheet.getByText('Trim 3 briskets')).toHaveCount(0);
  const load = sheet.getByRole('listitem').filter({ hasText: /^\d\d:\d\d\s*Put 3 briskets/ });
  const loadMs = Date.parse((await load.locator('time').first().getAttribute('datetime'))!);
  // Half an hour in the warm starts them closer to done: they go on a little later, not by hours.
  expect(Math.abs(loadMs - weighed)).toBeLessThan(90 * 60_000);
  const salt = sheet.getByRole('listitem').filter({ hasText: /^\d\d:\d\d\s*Salt 3 briskets/ });
  expect(loadMs - Date.parse((await salt.locator('time').first().getAttribute('datetime'))!)).toBeGreaterThan(8 * 3_600_000);
  const times = await sheetInstants(page);
  expect(times).toEqual([...times].sort((a, b) => a - b));
});

test('a kept plan shows what has changed since', async ({ page }) => {
  await makeEvent(page, 'Kept supper', { date: '2028-06-24', time: '18:00', adults: 20 });
  await addCut(page, 'pork-butt');
  await saved(page);
  await stage(page, 'Plan');
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.getByText('nothing has changed since')).toBeVisible();
  await stage(page, 'Brief');
  await page.getByLabel('Adults').fill('60');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('link', { name: /^Plan ?, changed since it was kept/ })).toBeVisible();
  await stage(page, 'Plan');
  const changed = page.getByRole('region', { name: 'Changed since the plan was kept' });
  await expect(changed.getByText('Supper: 20 guests, now 60')).toBeVisible();
  await expect(changed.getByText(/Pork butt, bone in: \d pieces, now \d/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep the new plan' }).click();
  await expect(page.getByText('nothing has changed since')).toBeVisible();
});

test('a hard value is loosened only with a reason, which is printed', async ({ page }) => {
  await makeEvent(page, 'Safe supper', { date: '2028-07-01', time: '18:00', adults: 20 });
  await addCut(page, 'chicken-half');
  await saved(page);
  await stage(page, 'Safety');
  const values = page.getByRole('region', { name: 'Hard values' });
  await values.getByRole('listitem').filter({ hasText: 'Hot holding' }).getByRole('button', { name: 'Loosen…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('it is printed with the plan')).toBeVisible();
  await dialog.getByLabel('Why, in your own words').fill('The county asks 135 °F, letter of May');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(values.getByText('Loosened from 140 °F: The county asks 135 °F, letter of May')).toBeVisible();
  await stage(page, 'Run sheet');
  await expect(page.getByText('Hot holding loosened for this event: 135 °F in place of 140 °F.')).toBeVisible();
  await stage(page, 'Safety');
  await page.getByRole('button', { name: 'Make strict' }).click();
  await expect(values.getByText(/Loosened from/)).toHaveCount(0);
});

test('a thaw that is too late says what to drop, and does it', async ({ page }) => {
  // Twenty hours ahead by the clock, not "tomorrow at noon": just after midnight that is time enough for a cold thaw.
  const soon = DateTime.now().setZone('America/Halifax').plus({ hours: 20 });
  await makeEvent(page, 'Soon', { date: soon.toISODate() ?? '', time: soon.toFormat('HH:mm'), adults: 6 });
  await addCut(page, 'chicken-whole');
  await saved(page);
  await stage(page, 'Prep');
  await page.getByLabel('It comes').selectOption('cold');
  await page.getByLabel('Brine').selectOption({ label: 'Tide brine, for hours' });
  await expect(page.getByText(/thawing should have begun .* ago/)).toBeVisible();
  await page.getByRole('button', { name: 'Do that' }).click();
  await expect(page.getByLabel('It comes')).toHaveValue('water');
});

test('leftovers are cooled by the rule and labelled', async ({ page }) => {
  await makeEvent(page, 'What is left', { date: '2028-07-08', time: '18:00', adults: 20 });
  await addCut(page, 'pork-butt');
  await saved(page);
  await stage(page, 'Service');
  await expect(page.getByText(/of knife work/)).toBeVisible();
  await page.getByRole('tab', { name: 'Afterwards' }).click();
  await page.getByText('nothing written down').click();
  await page.getByLabel('Left over').fill('3');
  await page.getByLabel('Portioned to, thick').fill('4');
  await page.getByLabel('Cooled', { exact: true }).selectOption('fridge');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Breaks the two-stage rule')).toBeVisible();
  await page.getByLabel('Portioned to, thick').fill('1');
  await page.getByLabel('Cooled', { exact: true }).selectOption('ice');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Keeps the two-stage rule')).toBeVisible();
  const label = page.getByRole('region', { name: 'Labels' });
  await expect(label.getByText(/Use by Fri 14 Jul/)).toBeVisible();
  await expect(label.getByText(/Reheat to 165 °F/)).toBeVisible();
});

test('the brief takes shares, sides, allergies and a margin, and says what is wrong at its field', async ({ page }) => {
  await makeEvent(page, 'Full table', { date: '2028-07-15', time: '18:00', adults: 40 });
  await addCut(page, 'pork-butt');
  await addCut(page, 'chicken-half');
  await page.getByLabel('Share of the plate for pork butt, bone in, or let it split').fill('70');
  await expect(page.getByText('30 %', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Sauce' }).click();
  await page.getByLabel('Recipe of Sauce').selectOption({ label: 'Buoy sauce' });
  await page.getByLabel('Add an allergen or a diet').selectOption({ label: 'mustard' });
  await expect(page.getByText(/Mustard is in pork butt, bone in and Sauce; 1 dish is declared free of it\./)).toBeVisible();
  await page.getByLabel('Safety margin').fill('10');
  await saved(page);
  await page.getByLabel('Share of the plate for chicken half, or let it split').fill('60');
  await expect(page.getByText('The shares of this plate add up to more than the whole.')).toBeVisible();
  await page.getByLabel('Share of the plate for chicken half, or let it split').fill('');
  await saved(page);
  await page.getByLabel('Helping of Sauce').fill('-3');
  await expect(page.getByText('The helping is too small to be real.')).toBeVisible();
  await expect(page.getByLabel('Helping of Sauce')).toHaveValue('-3');
  await page.getByLabel('Helping of Sauce').fill('1.5');
  await saved(page);
  await stage(page, 'Service');
  await page.getByRole('tab', { name: 'Cards and tags' }).click();
  await expect(page.getByRole('region', { name: 'Card of Supper' }).getByText('egg, mustard, sulphites')).toBeVisible();
});

test('a recipe is changed, scaled and put back', async ({ page }) => {
  await page.goto('/library');
  await page.getByRole('tab', { name: /Recipes/ }).click();
  await page.getByRole('button', { name: 'Lantern rub' }).click();
  await page.getByLabel('Weigh out for').fill('2');
  await expect(page.getByRole('row', { name: /coarse salt/ })).toContainText('1 lb');
  await page.getByRole('button', { name: 'Change' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Parts 1').fill('0');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('This part is too small to be real.')).toBeVisible();
  await dialog.getByLabel('Parts 1').fill('3');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('row', { name: /coarse salt/ })).toContainText('1.5 lb');
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByRole('row', { name: /coarse salt/ })).toContainText('1 lb');
});
