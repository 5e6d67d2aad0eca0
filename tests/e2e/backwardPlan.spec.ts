import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import ICAL from 'ical.js';
import { addCut, makeEvent, saved, sheetInstants, stage, setClock, setDay } from './steps';

test('an event from nothing to a calendar: three cuts, a plan, an hour earlier, every time moves', async ({ page }) => {
  await makeEvent(page, 'Keepers’ reunion', { adults: 50 });
  for (const cut of ['brisket-whole', 'pork-butt', 'chicken-half']) await addCut(page, cut);
  await expect(page.getByRole('row')).toHaveCount(4);
  await saved(page);

  await stage(page, 'Plan');
  const brisket = page.getByRole('button', { name: /^Briskets? \d+, on at/ }).first();
  await expect(brisket).toBeVisible();
  await brisket.click();
  const panel = page.getByRole('complementary', { name: 'Run in full' });
  await expect(panel.getByRole('heading', { name: /briskets?/ })).toBeVisible();
  await expect(panel.getByText(/is carved from/)).toBeVisible();
  await expect(panel.getByText(/90 % within/)).toBeVisible();
  await expect(panel.locator('[data-drawn]')).toBeVisible();

  await stage(page, 'Run sheet');
  await expect(page.getByRole('heading', { name: 'Run sheet' })).toBeVisible();
  const before = await sheetInstants(page, 'cook');
  expect(before.length).toBeGreaterThan(15);

  await stage(page, 'Brief');
  await setClock(page, 'Served at', '17:00');
  await saved(page);
  await stage(page, 'Run sheet');
  await expect.poll(() => sheetInstants(page, 'cook')).toEqual(before.map((minute) => minute - 60));
  const sheet = await sheetInstants(page);

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Calendar' }).click();
  const calendar = new ICAL.Component(ICAL.parse(readFileSync(await (await download).path(), 'utf8')));
  ICAL.TimezoneService.register(calendar.getFirstSubcomponent('vtimezone')!);
  const starts = calendar.getAllSubcomponents('vevent').map((entry) => new ICAL.Event(entry).startDate.toJSDate().getTime() / 60_000);
  // The sheet says an even rhythm once; the calendar has every time of it.
  expect(starts).toEqual(expect.arrayContaining(sheet));
  expect(new Set(sheet).size).toBeGreaterThan(15);
});

test('a serving is nudged on the plan, every run follows at once, and undo brings it back', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Gannet Point, 150 years' }).click();
  await expect(page.getByRole('button', { name: /, on at/ }).first()).toBeVisible();
  const runs = () => page.locator('[data-run]').evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')).join('\n'));
  const first = await runs();
  await page.getByRole('button', { name: 'Supper 15 minutes earlier' }).click();
  await expect.poll(runs).not.toBe(first);
  await page.keyboard.press('Control+z');
  await expect.poll(runs).toBe(first);
  await saved(page);
  await page.reload();
  await expect.poll(runs).toBe(first);
});

test('the arrow keys walk through the runs', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Gannet Point, 150 years' }).click();
  const heading = page.getByRole('complementary', { name: 'Run in full' }).getByRole('heading', { level: 2 });
  const first = await heading.textContent();
  await page.keyboard.press('ArrowRight');
  await expect(heading).not.toHaveText(first!);
  await page.keyboard.press('ArrowLeft');
  await expect(heading).toHaveText(first!);
  await page.keyboard.press('Escape');
  await expect(heading).toHaveCount(0);
});

// Halifax: forward on 12 March 2028 at 02:00, back on 5 November 2028 at 02:00.
for (const [night, date] of [
  ['the clocks go forward', '2028-03-12'],
  ['the clocks go back', '2028-11-05'],
] as const) {
  test(`over the night when ${night} the cook’s hours stay true`, async ({ page }) => {
    await makeEvent(page, `Night when ${night}`, { date, time: '12:00' });
    await addCut(page, 'pork-butt');
    await saved(page);
    await stage(page, 'Run sheet');
    const changing = await sheetInstants(page, 'cook');
    const all = await sheetInstants(page);
    const shown = await page.getByRole('main').locator('time').allTextContents();

    await stage(page, 'Brief');
    await setDay(page, 'Day', '2028-06-18');
    await saved(page);
    await stage(page, 'Run sheet');
    await expect(page.getByRole('heading', { name: /18 June 2028/ })).toBeVisible();
    const plain = await sheetInstants(page, 'cook');
    const last = (list: number[]) => list.at(-1)!;
    expect(changing.map((minute) => last(changing) - minute)).toEqual(plain.map((minute) => last(plain) - minute));
    // The clock shows what a clock on the wall would: read each time back in the place's own zone.
    const clock = new Intl.DateTimeFormat('en-GB', { timeZone: 'America/Halifax', hour: '2-digit', minute: '2-digit' });
    expect([...shown].sort()).toEqual(all.map((minute) => clock.format(minute * 60_000)).sort());
  });
}

test('a serving time that the clocks skip is said at its field', async ({ page }) => {
  await makeEvent(page, 'Small hours', { date: '2028-03-11', time: '02:30' });
  await setDay(page, 'Day', '2028-03-12');
  await expect(page.getByText('The clocks go forward over this time that night')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Served at' })).toHaveText(/02:30/);
});
