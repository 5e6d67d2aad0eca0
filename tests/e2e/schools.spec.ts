import { expect, test, type Page } from '@playwright/test';
import { addCut, makeEvent, saved, stage } from './steps';

/** What each school says on the run sheet that no other does, at the moment it is due. */
const SCHOOLS: { school: string; cutId: string; cut: string; methodId: string; says: RegExp[]; never?: RegExp }[] = [
  {
    school: 'hot and bare',
    cutId: 'pork-butt',
    cut: 'pork butt, bone in',
    methodId: 'hot-bare',
    says: [/Put \d+ pork butts (on|in) the/, /300 °F/],
    never: /Wrap \d+ pork/,
  },
  {
    school: 'wrapped only to rest',
    cutId: 'pork-butt',
    cut: 'pork butt, bone in',
    methodId: 'wrapped-to-rest',
    says: [/Pull \d+ pork butts as they are done and wrap them in paper/, /wrapped for the rest alone/],
    never: /(^|\s)Wrap \d+ pork/,
  },
  { school: 'a light bark', cutId: 'pork-butt', cut: 'pork butt, bone in', methodId: 'light-bark', says: [/A light, reddish bark/] },
  { school: 'a dark bark', cutId: 'pork-butt', cut: 'pork butt, bone in', methodId: 'dark-bark', says: [/A dark, nearly black bark/] },
  {
    school: 'heat in steps',
    cutId: 'pork-butt',
    cut: 'pork butt, bone in',
    methodId: 'stepped',
    says: [/When the core of the butts reads 165 °F/],
  },
  {
    school: 'rested to a core',
    cutId: 'pork-butt',
    cut: 'pork butt, bone in',
    methodId: 'rested-to-core',
    says: [/the core has fallen to 145 °F/],
  },
  { school: 'burned-down coals', cutId: 'pork-butt', cut: 'pork butt, bone in', methodId: 'over-coals', says: [/Turn \d+ pork butts/] },
  {
    school: 'ribs opened again',
    cutId: 'spare-ribs-squared',
    cut: 'spare ribs, squared',
    methodId: 'ribs-blocks',
    says: [/Unwrap \d+ spare rib racks/, /12 min to dry and firm up/],
  },
];

const sheet = (page: Page) => page.getByRole('main');

test('every school goes from the brief to its run sheet', async ({ page }) => {
  await makeEvent(page, 'Schools', { date: '2028-06-17', time: '18:00', adults: 24 });
  await addCut(page, 'pork-butt');
  await saved(page);
  let on = 'pork butt, bone in';
  for (const { school, cutId, cut, methodId, says, never } of SCHOOLS) {
    await test.step(school, async () => {
      await stage(page, 'Brief');
      if (cut !== on) {
        await page.getByRole('button', { name: `Take ${on} off the menu` }).click();
        await addCut(page, cutId);
        on = cut;
      }
      await page.getByLabel(`Method for ${cut}`).selectOption(methodId);
      // Its price is the model's, beside the plainest way.
      await expect(page.getByText(/ for a usual piece/).first()).toBeVisible();
      await saved(page);
      await stage(page, 'Run sheet');
      for (const words of says) await expect(sheet(page).getByText(words).first()).toBeVisible();
      if (never) await expect(sheet(page).getByText(never)).toHaveCount(0);
    });
  }
});

test('very low for colour is refused until the rule is loosened with a reason, and shows the danger zone', async ({ page }) => {
  await makeEvent(page, 'Colour first', { date: '2028-06-18', time: '18:00', adults: 16 });
  await addCut(page, 'pork-butt');
  await page.getByLabel('Method for pork butt, bone in').selectOption('colour-first');
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.getByText('does not fit')).toBeVisible();
  await stage(page, 'Safety');
  const values = page.getByRole('region', { name: 'Hard values' });
  await values.getByRole('listitem').filter({ hasText: 'Pit heat over bare meat' }).getByRole('button', { name: 'Loosen…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Value for this event').fill('200');
  await dialog.getByLabel('Why, in your own words').fill('The client asks for that colour; the danger zone is watched.');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(values.getByText(/Loosened from 225 °F/)).toBeVisible();
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.getByText('does not fit')).toHaveCount(0);
  await stage(page, 'Run sheet');
  await expect(page.getByText(/When the butts have a mahogany bark, by eye/).first()).toBeVisible();
});

test('a check on the run sheet says the signs of its cut, and carving its slices', async ({ page }) => {
  await makeEvent(page, 'Signs', { date: '2028-06-19', time: '18:00', adults: 24 });
  await addCut(page, 'brisket-whole');
  await addCut(page, 'chicken-half');
  await saved(page);
  await stage(page, 'Run sheet');
  await expect(page.getByText(/Push the probe into the flat in three places: no push needed/).first()).toBeVisible();
  await expect(page.getByText(/Flat across its grain, 1\/4 in slices/).first()).toBeVisible();
  await expect(page.getByText(/The leg moves loosely at the joint/).first()).toBeVisible();
});

test('a point that is cubed goes back on: on the plan, on its rack and on the run sheet, with its minutes', async ({ page }) => {
  await makeEvent(page, 'Cubes', { date: '2028-06-19', time: '18:00', adults: 24 });
  await addCut(page, 'brisket-whole');
  await saved(page);
  await page.getByText('weights, helping, second dish').click();
  await page.getByRole('button', { name: 'Carve a second dish from it' }).click();
  await page.getByLabel('Name of the second dish').fill('Point cubes');
  await page.getByLabel('Cubed, sauced, back on for').fill('5');
  await page.getByLabel('Cubed, sauced, back on for').press('Tab');
  await expect(page.getByText('The time back on, in minutes, must be at least 10.')).toBeVisible();
  await page.getByLabel('Cubed, sauced, back on for').fill('75');
  await page.getByLabel('Cubed, sauced, back on for').press('Tab');
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.locator('title').filter({ hasText: /^Point cubes, back on from \d\d:\d\d to \d\d:\d\d$/ })).toHaveCount(1);
  await expect(page.getByText(/Part of it is cubed and goes back on: all is off 1 h \d+ before it is wanted/)).toBeVisible();
  await stage(page, 'Run sheet');
  await expect(page.getByText(/^Cube and sauce the point cubes; back on the/).first()).toBeVisible();
  await expect(page.getByText(/in \d half pans?, .*, open, for 1 h 15; turned once/).first()).toBeVisible();
  await expect(page.getByText(/^Take the point cubes off the/).first()).toBeVisible();
});
