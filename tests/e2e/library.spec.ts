import { expect, test } from '@playwright/test';
import { addCut, makeEvent, saved } from './steps';

test('a method is changed, copied, put back and taken away', async ({ page }) => {
  await page.goto('/library');
  await page.getByRole('button', { name: 'Low, foil at the stall' }).click();
  const entry = page.getByRole('region', { name: 'Low, foil at the stall' });
  await entry.getByRole('button', { name: 'Change' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Pit heat').fill('500');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('The pit heat must lie within its band.')).toBeVisible();
  await expect(dialog.getByLabel('Pit heat')).toHaveValue('500');
  await dialog.getByLabel('Pit heat').fill('260');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(entry.getByText('changed')).toBeVisible();
  await expect(entry.getByText(/^260 °F/)).toBeVisible();

  await entry.getByRole('button', { name: 'Copy' }).click();
  await dialog.getByLabel('Name').fill('Harbour foil');
  await dialog.getByRole('button', { name: 'Save' }).click();
  const own = page.getByRole('region', { name: 'Harbour foil' });
  await expect(own.getByText('your own')).toBeVisible();

  await makeEvent(page, 'With my own method');
  await addCut(page, 'pork-butt');
  await page.getByRole('combobox', { name: /Method for/ }).selectOption({ label: 'Harbour foil, 260 °F' });
  await saved(page);
  await page.goto('/library');
  await page.getByRole('button', { name: 'Harbour foil' }).click();
  await own.getByRole('button', { name: 'Take away' }).click();
  await expect(page.getByText('Events still use it, so it was kept.')).toBeVisible();

  await page.getByRole('button', { name: 'Low, foil at the stall' }).click();
  await entry.getByRole('button', { name: 'Put back' }).click();
  await expect(entry.getByText('as shipped')).toBeVisible();
  await expect(entry.getByText(/^250 °F/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(entry.getByText('changed')).toBeVisible();
  await entry.getByRole('button', { name: 'Put back' }).click();
  await expect(entry.getByText('as shipped')).toBeVisible();
});

test('a cut of one’s own is made from a shipped one and is offered in the brief', async ({ page }) => {
  await page.goto('/library');
  await page.getByRole('tab', { name: 'Cuts' }).click();
  await page.getByRole('button', { name: 'Pork collar' }).click();
  await page.getByRole('region', { name: 'Pork collar' }).getByRole('button', { name: 'Copy' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Island collar');
  await dialog.getByLabel('Yield').fill('130');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('The yield can be at most 1.')).toBeVisible();
  await dialog.getByLabel('Yield').fill('60');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('region', { name: 'Island collar' }).getByText('your own')).toBeVisible();
  await makeEvent(page, 'With my own cut');
  await page.getByRole('combobox', { name: /menu/ }).selectOption({ label: 'Island collar' });
  await expect(page.getByRole('row', { name: /Island collar/ })).toBeVisible();
  await saved(page);
});

test('the heat of a method goes by several steps, in order of the clock or at a core', async ({ page }) => {
  await page.goto('/library');
  await page.getByRole('button', { name: 'Low for smoke, then up' }).click();
  const entry = page.getByRole('region', { name: 'Low for smoke, then up' });
  await entry.getByRole('button', { name: 'Copy' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Two steps up');
  await dialog.getByRole('button', { name: 'Add a step' }).click();
  await dialog.getByLabel('Step 2 after').fill('120');
  await dialog.getByLabel('Step 2 pit heat').fill('300');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('Each step must come after the one before.')).toBeVisible();
  await dialog.getByLabel('Step 2 after').fill('300');
  await dialog.getByRole('button', { name: 'Save' }).click();
  const own = page.getByRole('region', { name: 'Two steps up' });
  await expect(own.getByText(/to 275 °F after/)).toBeVisible();
  await expect(own.getByText(/to 300 °F after/)).toBeVisible();
  // A step may wait for a core in place of the clock, not for both; and it rests to a core.
  await own.getByRole('button', { name: 'Change' }).click();
  await dialog.getByLabel('Step 2 at core').fill('150');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('Say after how long, at which core or at which colour: one of the three.')).toBeVisible();
  await dialog.getByLabel('Step 2 after').fill('');
  await dialog.getByLabel('or rest to core').fill('145');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByText('to 300 °F at a core of 150 °F')).toBeVisible();
  await expect(own.getByText('to a core of 145 °F')).toBeVisible();
  // Or for the colour.
  await own.getByRole('button', { name: 'Change' }).click();
  await dialog.getByLabel('Step 2 at core').fill('');
  await dialog.getByLabel('Step 2 at bark').selectOption('dark');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByText('to 300 °F at a dark, nearly black bark')).toBeVisible();
  await own.getByRole('button', { name: 'Change' }).click();
  await dialog.getByRole('button', { name: 'Remove step 2' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByText(/to 300 °F/)).toBeHidden();
  await own.getByRole('button', { name: 'Take away' }).click();
});
