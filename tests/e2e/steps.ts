import { expect, type Locator, type Page } from '@playwright/test';

/** Steps that many flows share, in the words of the screen. */
export async function makeEvent(
  page: Page,
  name: string,
  options: { date?: string; time?: string; zone?: string; adults?: number } = {},
): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New event' }).click();
  const dialog = page.getByRole('dialog', { name: 'New event' });
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('Time zone of the place').fill(options.zone ?? 'America/Halifax');
  if (options.date) await setDay(dialog, 'Day served', options.date);
  if (options.time) await setClock(dialog, 'Serving time', options.time);
  await dialog.getByLabel('Adults').fill(String(options.adults ?? 40));
  await dialog.getByRole('button', { name: 'Make the event' }).click();
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
}

async function setParts(within: Page | Locator, label: string, parts: [string, string][]): Promise<void> {
  const field = within.getByRole('group', { name: label, exact: true });
  for (const [part, typed] of parts) {
    const segment = field.getByRole('spinbutton', { name: new RegExp(`^${part}`) });
    await segment.click();
    await segment.pressSequentially(typed);
  }
}

/** Types a day, `2028-07-15`, into its parts. */
export async function setDay(within: Page | Locator, label: string, day: string): Promise<void> {
  const [year, month, date] = day.split('-') as [string, string, string];
  await setParts(within, label, [
    ['year', year],
    ['month', month],
    ['day', date],
  ]);
}

/** Types a clock time of 24 hours, `17:05`, into its parts. */
export async function setClock(within: Page | Locator, label: string, time: string): Promise<void> {
  const [hour, minute] = time.split(':') as [string, string];
  await setParts(within, label, [
    ['hour', hour],
    ['minute', minute],
  ]);
}

export async function addCut(page: Page, cutId: string): Promise<void> {
  await page.getByRole('combobox', { name: /menu/ }).first().selectOption(cutId);
}

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();

/** Goes to a stage of the event and waits until it stands. */
export async function stage(
  page: Page,
  name: 'Brief' | 'Buying' | 'Prep' | 'Pits' | 'Plan' | 'Racks' | 'Run sheet' | 'Service' | 'Safety',
): Promise<void> {
  await page
    .getByRole('navigation')
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: new RegExp(`^${name}`) })).toBeAttached();
}

/** What is done before the fire, as the run sheet says it. */
const PREP = /^\d+:\d+\D*?(Trim|Season|Salt|Fill|Mix the brine|Lay|Rinse|Inject|Thaw|Move .* from the freezer|Take .* out of the cold)/;
/** Made ready in the gaps, within the kitchen's hours. */
const READY = /^\d+:\d+\D*?(Mix the|Make the|Lay out|Lay fuel|Knives|Labels|Warm the|Heat the)/;
/** Tending a fire: an even rhythm stands in one line a day, so which times are written depends on where midnight falls. */
const TENDING = /Feed the|A piece of|Fill the water|Clear the ash/;

/** Every action's clock time on the run sheet, as minutes. Prep follows the kitchen's hours; the `cook` follows the serving alone. */
export async function sheetInstants(page: Page, which: 'all' | 'cook' = 'all'): Promise<number[]> {
  await expect(page.getByRole('heading', { level: 1, name: 'Run sheet' })).toBeVisible();
  // An event that had nothing on its menu a moment ago stands with that plan until the next is made.
  await expect(page.getByRole('main').locator('time').first()).toBeVisible();
  const times = await page
    .getByRole('main')
    .locator('time')
    .evaluateAll((all) => all.map((each) => [Date.parse(each.getAttribute('datetime')!), each.closest('li')?.textContent ?? ''] as const));
  return times
    .filter(([, words]) => which === 'all' || !(PREP.test(words) || READY.test(words) || TENDING.test(words)))
    .map(([ms]) => ms / 60_000)
    .sort((a, b) => a - b);
}
