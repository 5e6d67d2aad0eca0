import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { addCut, makeEvent, saved, stage } from './steps';

const keeps = (page: Page) => page.getByRole('status', { name: 'What the racks keep' });
const WELL = /Every piece has its gap/;

/** An event of our own, so that no other test finds pieces laid by hand. */
async function ownRacks(page: Page, name: string): Promise<void> {
  await makeEvent(page, name, { adults: 60 });
  for (const cut of ['brisket-whole', 'pork-butt']) await addCut(page, cut);
  await saved(page);
  await stage(page, 'Racks');
  await expect(keeps(page)).toHaveText(WELL);
}

/** How far something goes along one axis until it lies on a third of what is shorter, px; 0 where it does already. */
function towards(from: number, length: number, onto: number, ontoLength: number): number {
  const lap = Math.min(length, ontoLength) / 3;
  if (from + length < onto + lap) return onto + lap - from - length;
  if (from > onto + ontoLength - lap) return onto + ontoLength - lap - from;
  return 0;
}

test('a rack is laid by hand, breaks the gap, says why, is undone, laid by keyboard and arranged again', async ({ page }) => {
  await ownRacks(page, 'Laid by hand');
  const pieces = page.getByRole('button', { name: /^[A-Z]+\d+, (briskets?|pork butts?),/ });
  await expect(pieces.first()).toBeVisible();
  // Whatever the plan laid there: of two on one rack, one goes just so far towards the other that it lies on a third of it. Between two
  // places that are on the rack it hangs over no edge.
  const racks = await pieces.evaluateAll((all) => all.map((piece) => [...document.querySelectorAll('svg')].indexOf(piece.closest('svg')!)));
  const [first, other] = racks.flatMap((rack, i) => racks.flatMap((each, k) => (k > i && each === rack ? [[i, k] as const] : [])))[0]!;
  await pieces.nth(first).scrollIntoViewIfNeeded();
  const [from, onto] = [(await pieces.nth(first).boundingBox())!, (await pieces.nth(other).boundingBox())!];
  const across = towards(from.x, from.width, onto.x, onto.width);
  const down = towards(from.y, from.height, onto.y, onto.height);

  // Onto its neighbour: said while it is dragged, and still once it lies there.
  const held = { x: from.x + from.width / 2, y: from.y + from.height / 2 };
  await page.mouse.move(held.x, held.y);
  await page.mouse.down();
  await page.mouse.move(held.x + across, held.y + down, { steps: 8 });
  await expect(keeps(page)).toHaveText(/lie on each other|is .* from .*: the air gap is/);
  await page.mouse.up();
  await expect(keeps(page)).toHaveText(/lie on each other|is .* from .*: the air gap is/);
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.getByRole('region', { name: 'What does not fit' })).toContainText('Laid by hand');
  await stage(page, 'Racks');
  await expect(keeps(page)).not.toHaveText(WELL);

  // The way back is the plan's own arrangement.
  await page.getByRole('button', { name: 'Arrange it' }).click();
  await expect(keeps(page)).toHaveText(WELL);
  await saved(page);

  // By keyboard: ten millimetres at a time, turned, and back with undo.
  // A butt is nearly square: it can be turned wherever the plan has put it, a brisket on the shallow rack cannot.
  const name = (await page
    .getByRole('button', { name: /^[A-Z]+\d+, pork butts?,/ })
    .first()
    .getAttribute('aria-label'))!;
  const same = page.getByRole('button', { name: new RegExp(`^${name.split(',')[0]},`) });
  await same.focus();
  const panel = page.getByRole('complementary', { name: 'Piece in full' });
  await expect(panel.getByRole('heading')).toContainText(name.split(',')[0]!);
  const where = panel.locator('dd').nth(2);
  const before = await where.textContent();
  await page.keyboard.press('ArrowUp');
  await expect(where).not.toHaveText(before!);
  await expect(panel.getByRole('button', { name: 'Let the plan place it' })).toBeVisible();
  const straight = (await same.getAttribute('aria-label'))!.includes('straight');
  await page.keyboard.press('t');
  await expect(same).toHaveAttribute('aria-label', straight ? /turned/ : /straight/);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(where).toHaveText(before!);
  await expect(keeps(page)).toHaveText(WELL);
  await page.keyboard.press('Control+Shift+z');
  await expect(where).not.toHaveText(before!);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Arrange it' })).toBeEnabled();
});

test('a piece is moved to another rack, the scrubber follows the cook, and the drawing is saved as a file', async ({ page }) => {
  await ownRacks(page, 'Moved about');
  const piece = page.getByRole('button', { name: /^[A-Z]+\d+, (briskets?|pork butts?),/ }).first();
  await piece.focus();
  const panel = page.getByRole('complementary', { name: 'Piece in full' });
  const racks = panel.getByRole('combobox', { name: 'Move to another rack' });
  const here = await racks.inputValue();
  const others = await racks.locator('option').evaluateAll((options) => options.map((option) => (option as HTMLOptionElement).value));
  const other = others.find((value) => value !== here && value.split('|')[0] === here.split('|')[0])!;
  await racks.selectOption(other);
  await expect(racks).toHaveValue(other);
  await expect(keeps(page)).toHaveText(WELL);
  await saved(page);

  const slider = page.getByRole('slider', { name: /lie here at/ });
  const at = await slider.getAttribute('aria-valuetext');
  await page.getByRole('button', { name: 'Earlier change' }).click();
  await page.getByRole('button', { name: 'Later change' }).click();
  await slider.focus();
  await page.keyboard.press('End');
  await expect(slider).not.toHaveAttribute('aria-valuetext', at!);
  await page.getByRole('checkbox', { name: 'all through the cook' }).check();
  await expect(piece).toBeVisible();

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'SVG' }).click();
  const drawing = readFileSync(await (await download).path(), 'utf8');
  expect(drawing).toMatch(/^<svg xmlns/);
  expect(drawing.trim()).toMatch(/<\/svg>$/);
});

test('equipment: a box is tested, a thermometer reads wrong, a zone reaches beyond its rack', async ({ page }) => {
  await page.goto('/equipment');
  await page.getByRole('button', { name: 'Add a box' }).click();
  let dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Tested box');
  await dialog.getByLabel('Warm at first').fill('176');
  await dialog.getByLabel('Then').fill('140');
  await dialog.getByLabel('Hours between').fill('10');
  await dialog.getByLabel('Room').fill('68');
  await dialog.getByRole('button', { name: 'Use 0.89 BTU/h °F' }).click();
  await dialog.getByRole('button', { name: 'Save the box' }).click();
  await expect(page.getByText('loses 0.89 BTU/h °F')).toBeVisible();
  await page.getByRole('button', { name: 'Put Tested box away' }).click();

  await page.getByRole('button', { name: 'Add a thermometer' }).click();
  dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Old dial');
  await dialog.getByLabel('Reads in ice water').fill('37');
  await dialog.getByRole('button', { name: 'Save the thermometer' }).click();
  await expect(page.getByText(/reads 5 °F high: recalibrate or replace/)).toBeVisible();
  await page.getByRole('button', { name: 'Put Old dial away' }).click();
  await expect(page.getByText('Old dial', { exact: true })).toHaveCount(0);

  await page.getByRole('button', { name: 'Change Cabinet' }).click();
  dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Hot band' }).first().click();
  await dialog.getByLabel('End of band 1 of rack 1').fill('40');
  await dialog.getByRole('button', { name: 'Save the pit' }).click();
  await expect(dialog.getByText('This reaches beyond the rack')).toBeVisible();
  await expect(dialog.getByLabel('End of band 1 of rack 1')).toHaveValue('40');
});

test('the day: weather, places and who is on duty', async ({ page }) => {
  await makeEvent(page, 'A windy day');
  await stage(page, 'Pits');
  await page.getByRole('button', { name: 'Weather, places and crew' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Wind').fill('20');
  await dialog.getByRole('button', { name: 'Add a place' }).click();
  await dialog.getByRole('textbox', { name: 'Place 2' }).fill('Sorrel Down');
  await dialog.getByLabel('Base to Sorrel Down').fill('35');
  await dialog.getByRole('button', { name: 'Add a shift' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/wind 20 mph/)).toBeVisible();
  await expect(page.getByText(/Sorrel Down, a drive of 35 min/)).toBeVisible();
  await expect(page.getByText('Isa')).toBeVisible();
  await page.getByRole('combobox', { name: 'Use the equipment of another event' }).selectOption({ label: 'Gannet Point, 150 years' });
  await expect(page.getByText('The same equipment is chosen here.')).toBeVisible();

  // The drive is on the plan, and on the run sheet with what goes into the van.
  await stage(page, 'Brief');
  await addCut(page, 'chicken-half');
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.locator('svg').getByText('Road', { exact: true })).toBeVisible();
  await stage(page, 'Run sheet');
  // Whether it goes done or, since it bears no long hold, raw to be cooked there.
  const loadOut = page.getByRole('region', { name: /^Load-out to Sorrel Down for Supper(, ahead)?$/ }).first();
  await expect(loadOut).toContainText(/leave .*\d\d:\d\d/);
  await expect(loadOut).toContainText(/chicken halves, [\d.]+ lb/);
  await expect(page.getByRole('main').getByText('Drive to Sorrel Down for supper').first()).toBeVisible();
});
