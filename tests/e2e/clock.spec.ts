import { expect, test, type Page } from '@playwright/test';
import { addCut, makeEvent, saved, setClock, stage } from './steps';

const servedAt = (page: Page) => page.getByRole('group', { name: 'Served at' });
const part = (page: Page, name: string) => servedAt(page).getByRole('spinbutton', { name: new RegExp(`^${name}`, 'i') });
async function clock(page: Page, hours: '18:00' | '6:00 pm') {
  await page.getByRole('button', { name: 'Units and light' }).click();
  await page.getByRole('radiogroup', { name: 'Clock' }).getByRole('radio', { name: hours }).click();
  await page.keyboard.press('Escape');
}

test('clock times are typed as the house shows them: of 24 hours or of 12, and turned with the arrow keys', async ({ page }) => {
  await makeEvent(page, 'By the clock', { date: '2028-07-15', time: '18:00' });
  await addCut(page, 'pork-butt');
  await saved(page);
  await expect(servedAt(page)).toHaveText(/18:00/);
  await expect(part(page, 'am/pm')).toHaveCount(0);

  await clock(page, '6:00 pm');
  await expect(servedAt(page)).toHaveText(/\b6:00.* pm/i);
  await part(page, 'hour').click();
  await page.keyboard.type('5');
  await part(page, 'minute').click();
  await page.keyboard.type('15');
  await saved(page);
  await expect(servedAt(page)).toHaveText(/\b5:15.* pm/i);
  await part(page, 'am/pm').click();
  await page.keyboard.press('ArrowUp');
  await expect(servedAt(page)).toHaveText(/\b5:15.* am/i);
  await page.keyboard.press('ArrowUp');
  await saved(page);
  await stage(page, 'Run sheet');
  await expect(page.getByText(/5:15 pm/).first()).toBeVisible();

  await stage(page, 'Brief');
  await clock(page, '18:00');
  await expect(servedAt(page)).toHaveText(/17:15/);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(servedAt(page)).not.toHaveText(/17:15/);
  await setClock(page, 'Served at', '19:40');
  await saved(page);
  await page.reload();
  await expect(servedAt(page)).toHaveText(/19:40/);
});

test('a panel at a button opens, closes by its button, by Escape and by a click elsewhere, and gives the focus back', async ({ page }) => {
  await page.goto('/');
  const button = page.getByRole('button', { name: 'Units and light' });
  const heat = page.getByRole('radiogroup', { name: 'Heat' });
  await button.click();
  await expect(heat).toBeVisible();
  await button.click();
  await expect(heat).toBeHidden();
  await button.press('Enter');
  await expect(heat).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(heat).toBeHidden();
  await expect(button).toBeFocused();
  await button.click();
  await expect(heat).toBeVisible();
  await page.getByRole('heading', { name: 'Events' }).click();
  await expect(heat).toBeHidden();
});
