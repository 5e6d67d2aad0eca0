import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { servedSupper } from './livedSupper';
import { addCut, makeEvent, saved, stage } from './steps';

const clean = async (page: Page) => expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

test('a day is weighed and ended, judged in the log, compared, tried out with tasters, and what it measured is taken and put back', async ({
  page,
}) => {
  test.setTimeout(600_000);
  const { eventId, forget } = servedSupper();
  const made: string[] = [];
  try {
    await page.goto(`/events/${eventId}/day`);
    await page.getByRole('tab', { name: 'On the scale' }).click();
    const fuel = page.getByLabel(/^Fuel burnt, Long offset/);
    await fuel.fill('150');
    await fuel.press('Enter');
    await page.getByLabel(/butt.*, ready to carve/i).fill('9.5');
    await page.getByLabel(/butt.*, left over/i).fill('1.25');
    await page
      .getByLabel(/chicken.*, ready to carve|half.*, ready to carve/i)
      .first()
      .fill('6');
    await page
      .getByLabel(/chicken.*, left over|half.*, left over/i)
      .first()
      .fill('0.5');
    await page.keyboard.press('Tab');
    await clean(page);
    // How the fire was made: begun with what is written down for its heat, changed to what was done.
    await page.getByRole('button', { name: 'Write it down: the fire of the long offset as it was made' }).click();
    const fire = page.getByRole('dialog', { name: 'The fire of the long offset' });
    await fire.getByLabel('Air in, eighths open').fill('9');
    await fire.getByLabel('Coals lit').fill('4');
    await fire.getByLabel('Wood', { exact: true }).fill('alder');
    await fire.getByRole('button', { name: 'Keep it' }).click();
    await expect(fire.getByText('The air in, in eighths, can be at most 8.')).toBeVisible();
    await fire.getByLabel('Air in, eighths open').fill('3');
    await clean(page);
    await fire.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/^4 lb lit; alder; air in open 3\/8, for/)).toBeVisible();
    await page.getByRole('tab', { name: 'Day', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText('Fuel burnt, long offset: 150 lb');
    await expect(page.getByRole('region', { name: 'Journal' })).toContainText('ready to carve: 9.5 lb');
    await page.getByRole('button', { name: 'End the day' }).click();
    await page.getByRole('dialog', { name: 'End the day?' }).getByRole('button', { name: /^End/ }).click();
    await expect(page.getByRole('button', { name: 'Open it again' })).toBeVisible();

    // Its cooks are in the log; one is judged, with what to change.
    await page.goto('/log');
    await page.getByLabel('Find').fill('served supper');
    await expect(page.getByRole('status').filter({ hasText: /^6 of \d+ cooks\./ })).toBeVisible();
    await page
      .getByRole('button', { name: /^Pork butt/ })
      .first()
      .click();
    const cook = page.getByRole('dialog');
    await cook.getByLabel('Tenderness').selectOption('tight');
    await cook.getByLabel('Change next time').fill('Pull the slip supper later');
    await cook.getByRole('button', { name: 'Keep' }).click();
    await expect(cook).toBeHidden();

    // Two of it side by side.
    const butts = page.getByRole('checkbox', { name: /^Compare Pork butt/ });
    await butts.nth(0).check();
    await butts.nth(1).check();
    await page.getByRole('button', { name: 'Compare 2' }).click();
    await expect(page.getByRole('dialog', { name: 'Side by side' }).getByText(/^Cook 2 took/)).toBeVisible();
    await page.keyboard.press('Escape');

    // The next time butts are planned it comes up.
    await makeEvent(page, 'Slip supper again', { adults: 60 });
    made.push(page.url().split('/events/')[1]!.split('/')[0]!);
    await addCut(page, 'pork-butt');
    await saved(page);
    await expect(page.getByRole('region', { name: 'From the log' })).toContainText('Pull the slip supper later');
    await stage(page, 'Plan');
    await expect(page.getByText('Pull the slip supper later').first()).toBeVisible();

    await trial(page);
    await figure(page);
    await fireTaken(page);
  } finally {
    // It uses the pit that the served one brought.
    forget(...made);
  }
});

/** Two rubs on the butts of the next supper, five tasters. */
async function trial(page: Page) {
  await page.goto('/log/trials');
  await page.getByRole('button', { name: 'Plan a trial' }).click();
  const form = page.getByRole('dialog', { name: 'Plan a trial' });
  await form.getByLabel('Event').selectOption({ label: 'Slip supper again' });
  await form.getByRole('button', { name: 'Draw the lot' }).click();
  await expect(form.getByRole('alert').first()).toBeVisible();
  await form.getByLabel('Name of the trial').fill('Salt alone');
  await form.getByLabel('The first way').fill('Salt');
  await form.getByLabel('The second way').fill('Salt and pepper');
  await form.getByLabel('Tasters').fill('5');
  await form.getByLabel('Tenderness').uncheck();
  await clean(page);
  await form.getByRole('button', { name: 'Draw the lot' }).click();
  await expect(page.getByRole('heading', { name: 'Salt alone' })).toBeVisible();
  const lot = page.getByRole('region', { name: 'The lot' });
  const codeOf = async (way: string) =>
    (await lot.getByRole('row', { name: new RegExp(`^${way} `) }).textContent())!.match(/(\d{3})$/)![1]!;
  const pepper = await codeOf('Salt and pepper');
  const trialAddress = page.url();
  await clean(page);

  // Each taster on a phone: codes alone, the one with pepper liked by all.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'the tasting page' }).click();
  for (let paper = 1; paper <= 5; paper++) {
    const give = page.getByRole('button', { name: `Give paper ${paper}` });
    await expect(give).toBeVisible();
    await expect(page.getByRole('main')).not.toContainText(/salt|pepper/i);
    if (paper === 1) {
      await give.click();
      await expect(page.getByRole('alert').filter({ hasText: 'Who tastes?' })).toBeVisible();
      await clean(page);
    }
    await page.getByLabel('Who tastes').fill(`Taster ${paper}`);
    await page
      .getByRole('radiogroup', { name: `Taste of ${pepper}` })
      .getByRole('radio', { name: '6' })
      .click();
    for (const each of await page.getByRole('radiogroup', { name: /^Taste of/ }).all())
      if (!((await each.getAttribute('aria-label')) ?? '').includes(pepper))
        await each.getByRole('radio', { name: String(2 + (paper % 3)) }).click();
    await page.getByRole('radiogroup', { name: 'Which do you like better' }).getByRole('radio', { name: pepper }).click();
    await give.click();
    await expect(page.getByRole('status').filter({ hasText: `Paper ${paper} is kept` })).toBeVisible();
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(trialAddress);
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result).toContainText('5 of 5 tasters liked Salt and pepper better; by luck 1 in 32.');
  await expect(result.getByRole('row', { name: /^Taste/ })).toContainText('+2.8');
  await clean(page);

  // It stands where the meat is worked on.
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Slip supper again/ })
    .first()
    .click();
  await stage(page, 'Run sheet');
  await expect(page.getByRole('region', { name: 'Trials' })).toContainText('Salt and pepper: P');
  // Taken away, and back with its papers.
  await page.goto(trialAddress);
  await page.getByRole('button', { name: 'Take away' }).click();
  await expect(page.getByRole('heading', { name: 'Trials' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('5 of 5 tasters liked Salt and pepper better')).toBeVisible();
}

/** A fire as it was made that day: taken it is its pit's recipe, taken back the pit's fires are as they were. */
async function fireTaken(page: Page) {
  await page.goto('/log');
  await page.getByRole('tab', { name: 'Your kitchen' }).click();
  const fires = page.getByRole('region', { name: 'Fires as they were made' });
  const made = fires.getByRole('row', { name: /^Long offset/ });
  await expect(made).toContainText('4 lb lit; alder; air in open 3/8');
  await expect(made).toContainText(/\d+ % of \d+ h/);
  await expect(made).toContainText(/lb\/h/);
  await clean(page);
  await made.getByRole('button', { name: /^Use it: the fire of Long offset/ }).click();
  await expect(made.getByText('in use')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(made.getByRole('button', { name: /^Use it: the fire of/ })).toBeVisible();
}

/** A gauge's learned offset: taken it stands on the pit itself, put back the pit is as it was. */
async function offset(page: Page) {
  const trailer = async (): Promise<string> => {
    await page.goto('/equipment');
    return (await page
      .getByText(/^offset stick burner · smoke/)
      .first()
      .textContent())!;
  };
  const before = await trailer();
  const kitchen = async () => {
    await page.goto('/log');
    await page.getByRole('tab', { name: 'Your kitchen' }).click();
  };
  await kitchen();
  await page.getByRole('button', { name: 'Use it: Trailer pit, grate over the gauge, about 250 °F' }).click();
  const back = page.getByRole('button', { name: 'Put back: Trailer pit, grate over the gauge, about 250 °F' });
  await expect(back).toBeVisible();
  expect(await trailer()).not.toBe(before);
  await kitchen();
  await back.click();
  await expect(back).toHaveCount(0);
  expect(await trailer()).toBe(before);
}

/** What the scale and the day measured, and a gauge that somebody read of a Tuesday. */
async function figure(page: Page) {
  await offset(page);
  await page.goto('/log');
  await page.getByRole('tab', { name: 'Your kitchen' }).click();
  const figures = page.getByRole('region', { name: 'Figures of gear, food and people' });
  const row = (name: RegExp) => figures.getByRole('row', { name });
  const burns = row(/burns at/).filter({ has: page.getByRole('button', { name: /Long offset/ }) });
  await expect(burns).toContainText('1 measurement');
  await expect(figures.getByRole('button', { name: /of Long offset, light to ready/ })).toBeVisible();
  await figures.getByRole('button', { name: 'Write a measurement down' }).click();
  const form = page.getByRole('dialog', { name: 'Write a measurement down' });
  await form.getByLabel('What was measured').selectOption({ label: 'grate over the gauge, about 250 °F' });
  await form.getByRole('textbox', { name: 'grate over the gauge, about 250 °F' }).fill('400');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form.getByRole('alert').first()).toBeVisible();
  await form.getByRole('textbox', { name: 'grate over the gauge, about 250 °F' }).fill('20');
  await clean(page);
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form).toBeHidden();
  // Taken, it stands in the gear and so in every plan; put back, it is as it was.
  const inUse = (await burns.getByRole('cell').nth(1).textContent())!.trim();
  await burns.getByRole('button', { name: /^Use it: Long offset/ }).click();
  await expect(burns).toContainText(`was ${inUse}`);
  await clean(page);
  await burns.getByRole('button', { name: /^Put back: Long offset/ }).click();
  await expect(burns).not.toContainText('was');
  await expect(burns.getByRole('cell').nth(1)).toHaveText(inUse);
  await burns.getByRole('button', { name: /^1 measurement of/ }).click();
  await expect(page.getByRole('dialog').getByText(/on the day, A served supper/)).toBeVisible();
}
