import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import type { CookEvent } from '../../src/core/model';
import { addCut, makeEvent, saved, stage } from './steps';

const header = (page: Page) => page.getByRole('banner');
const guests = (page: Page) => page.getByRole('textbox', { name: 'Adults' });
/** What is typed is a step of its own once there is a pause, or another field is typed in. */
const pause = (page: Page) => page.waitForTimeout(1400);

test('five edits of the brief are five steps, back and forth, by button and by key', async ({ page }) => {
  await makeEvent(page, 'Five steps', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  // One after another as a person types: what comes within a blink is one step.
  const address = page.url().replace(/brief$/, 'edits');
  const kept = async () => ((await (await page.request.get(address)).json()) as { value: { event: CookEvent } }).value.event;
  await guests(page).fill('50');
  await expect.poll(async () => (await kept()).servings[0]!.guests.adults).toBe(50);
  await page.getByLabel('Children').fill('4');
  await expect.poll(async () => (await kept()).servings[0]!.guests.children).toBe(4);
  await page.getByLabel('Carve ahead').fill('20');
  await expect.poll(async () => (await kept()).servings[0]!.carveLeadMin).toBe(20);
  await page.getByLabel('Place').fill('The quay');
  await expect.poll(async () => (await kept()).place).toBe('The quay');
  await page.getByLabel('Safety margin').fill('10');
  await saved(page);
  const shown = async () => [
    await guests(page).inputValue(),
    await page.getByLabel('Children').inputValue(),
    await page.getByLabel('Carve ahead').inputValue(),
    await page.getByLabel('Place').inputValue(),
    await page.getByLabel('Safety margin').inputValue(),
  ];
  expect(await shown()).toEqual(['50', '4', '20', 'The quay', '10']);
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await undo.click();
  await expect.poll(shown).toEqual(['50', '4', '20', 'The quay', '0']);
  await undo.click();
  await undo.click();
  await expect.poll(shown).toEqual(['50', '4', '30', '', '0']);
  await page.getByRole('heading', { name: 'Brief' }).click();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(shown).toEqual(['40', '0', '30', '', '0']);
  // Twice within a blink, but not in one: the second is not undone by the form as it follows the first.
  for (const key of ['Control+Shift+z', 'Control+Shift+z', 'Control+z', 'Control+z']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(30);
  }
  await page.waitForTimeout(300);
  expect(await shown()).toEqual(['40', '0', '30', '', '0']);
  await page.keyboard.press('Control+Shift+z');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await page.keyboard.press('Control+y');
  await expect.poll(shown).toEqual(['50', '4', '20', '', '0']);
  await saved(page);
  await page.reload();
  await expect.poll(shown).toEqual(['50', '4', '20', '', '0']);
});

test('what is changed stands everywhere at once: header, stages, Back, and a reload in the same moment', async ({ page }) => {
  await makeEvent(page, 'Everywhere', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  await guests(page).fill('90');
  await expect(header(page).getByText(/90 guests/)).toBeVisible();
  await stage(page, 'Plan');
  await expect(header(page).getByText(/90 guests/)).toBeVisible();
  await page.goBack();
  await expect(guests(page)).toHaveValue('90');
  await page.goto('/equipment');
  await page.goBack();
  await expect(guests(page)).toHaveValue('90');
  await guests(page).fill('95');
  await expect(header(page).getByText(/95 guests/)).toBeVisible();
  await page.reload();
  await expect(guests(page)).toHaveValue('95');
  await expect(header(page).getByText(/95 guests/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(guests(page)).toHaveValue('95');
});

test('one undo walks through all stages of an event', async ({ page }) => {
  await makeEvent(page, 'Through the stages', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  await pause(page);
  await guests(page).fill('60');
  await stage(page, 'Prep');
  await page.getByLabel('Salt', { exact: true }).selectOption({ label: 'the night before' });
  await page.getByLabel('Tempered').selectOption('30');
  await expect(page.getByLabel('Tempered')).toHaveValue('30');
  for (let i = 0; i < 3; i++) await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Salt', { exact: true })).toHaveValue('on');
  await expect(header(page).getByText(/40 guests/)).toBeVisible();
  await saved(page);
});

test('two windows: what differs is put together, and what both changed is asked about with both values', async ({ page, context }) => {
  await makeEvent(page, 'Two windows', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(guests(other)).toHaveValue('40');
  await guests(page).fill('70');
  await saved(page);
  // Another field: both hold, and nobody is asked.
  await other.getByLabel('Place').fill('The mole');
  await saved(other);
  await expect(guests(other)).toHaveValue('70');
  await expect(other.getByLabel('Place')).toHaveValue('The mole');
  // The same field: nothing is overwritten unseen.
  const place = (of: Page) => of.getByRole('textbox', { name: 'Place' });
  await place(page).fill('The pier');
  const twice = page.getByRole('region', { name: 'Changed twice' });
  await expect(twice).toContainText('here: The pier');
  await expect(twice).toContainText('elsewhere: The mole');
  await expect(place(page)).toHaveValue('The pier');
  await twice.getByRole('radio', { name: 'elsewhere: The mole' }).check();
  await twice.getByRole('button', { name: 'Put together' }).click();
  await saved(page);
  await expect(place(page)).toHaveValue('The mole');
  await place(other).fill('The slip');
  await saved(other);
  await place(page).fill('The pier');
  await twice.getByRole('radio', { name: 'here: The pier' }).check();
  await twice.getByRole('button', { name: 'Put together' }).click();
  await saved(page);
  await other.reload();
  await expect(place(other)).toHaveValue('The pier');
  await expect(guests(other)).toHaveValue('70');
});

test('a dish nobody has declared is never called free: its card waits until it is declared or signed', async ({ page }) => {
  await makeEvent(page, 'Not declared', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pan-dish');
  await page.getByLabel('Name of the dish').fill('Mac and cheese');
  await page.getByLabel('Add an allergen or a diet').selectOption({ label: 'milk' });
  await expect(page.getByText(/Milk is not declared for Mac and cheese; no dish is known to be free of it\./)).toBeVisible();
  await saved(page);
  await stage(page, 'Service');
  await page.getByRole('tab', { name: 'Cards and tags' }).click();
  const card = page.getByRole('region', { name: 'Card of Supper' });
  await expect(card.getByText('not declared: ask the kitchen')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print cards' })).toBeDisabled();
  await card.getByLabel('Who signs the card of Supper').fill('Isa');
  await card.getByRole('button', { name: 'Sign the card' }).click();
  await expect(card.getByText('Signed by Isa.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print cards' })).toBeEnabled();
  await expect(card.getByText('not declared: ask the kitchen')).toBeVisible();
  await stage(page, 'Brief');
  await page.getByRole('button', { name: /^Allergens of Mac and cheese/ }).click();
  await page.getByLabel(/^Declared: what is not ticked/).check();
  await page.getByRole('checkbox', { name: 'wheat' }).check();
  await page.getByRole('checkbox', { name: 'milk' }).check();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/Milk is in Mac and cheese; no dish is known to be free of it\./)).toBeVisible();
  await stage(page, 'Service');
  await page.getByRole('tab', { name: 'Cards and tags' }).click();
  await expect(card.getByText('wheat, milk')).toBeVisible();
});

test('a pit changed in two windows is not overwritten unseen; what was typed stays', async ({ page, context }) => {
  const openPit = async (window: typeof page) => {
    await window.goto('/equipment');
    await window.getByRole('button', { name: 'Change Kitchen oven' }).click();
    await expect(window.getByRole('dialog').getByLabel('Name').first()).toHaveValue('Kitchen oven');
  };
  const other = await context.newPage();
  await openPit(page);
  await openPit(other);
  await page.getByLabel('Light to ready').fill('25');
  await page.getByRole('button', { name: 'Save the pit' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await other.getByLabel('Name').first().fill('Kitchen oven, left');
  await other.getByLabel('Light to ready').fill('30');
  await other.getByRole('button', { name: 'Save the pit' }).click();
  const twice = other.getByRole('alert', { name: 'Changed twice' });
  await expect(twice.getByRole('row', { name: /Light to ready 30 min 25 min/ })).toBeVisible();
  await expect(other.getByLabel('Light to ready')).toHaveValue('30');
  expect((await new AxeBuilder({ page: other }).analyze()).violations).toEqual([]);
  await twice.getByRole('button', { name: 'Mine hold' }).click();
  await expect(other.getByRole('dialog')).toBeHidden();
  // What only one changed is put together unasked.
  await page.goto('/equipment');
  await page.getByRole('button', { name: 'Change Kitchen oven, left' }).click();
  await other.getByRole('button', { name: 'Change Kitchen oven, left' }).click();
  await expect(page.getByLabel('Light to ready')).toHaveValue('30');
  await other.getByLabel('Name').first().fill('Kitchen oven');
  await other.getByRole('button', { name: 'Save the pit' }).click();
  await expect(other.getByRole('dialog')).toBeHidden();
  await page.getByLabel('Light to ready').fill('20');
  await page.getByRole('button', { name: 'Save the pit' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByText('together with what was changed elsewhere')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change Kitchen oven', exact: true })).toBeVisible();
});
