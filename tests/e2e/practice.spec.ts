import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', typeof name === 'string' ? { name, exact: true } : { name }).click();
const clock = async (page: Page): Promise<string> => (await page.getByRole('timer').textContent())!;

/** Lives on by so many minutes, and waits until the clock says so. */
async function live(page: Page, minutes: number): Promise<void> {
  for (let i = 0; i < minutes; i += 10) {
    const before = await clock(page);
    await press(page, '10 min');
    await expect(page.getByRole('timer')).not.toHaveText(before);
  }
}

async function begin(page: Page, trainee: string, scenario: string): Promise<void> {
  await page.goto('/practice');
  await page.getByLabel('Who practises').fill(trainee);
  const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: scenario, exact: true }) });
  await card.getByRole('button', { name: 'Cook it' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
}

async function serious(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) => nodes.map((node) => `${id}: ${node.html.slice(0, 140)}`));
}

test('a two-hour day is cooked at speed: a falling fire is caught, ribs are wrapped, felt and served, and the debrief says what each decision was worth', async ({
  page,
}) => {
  await begin(page, 'Juniper', 'Two hours of ribs');
  // What to do first stands there before anything else.
  const first = page.getByRole('region', { name: 'What to do first' });
  await expect(first).toContainText('First: Look through the vent');
  await expect(page.getByText(/Through the vent: .*none left to catch/)).toBeVisible();
  expect(await serious(page)).toEqual([]);

  // The fire falls: a chimney takes its quarter of an hour, and only then can it be poured.
  await press(page, 'Light a chimney');
  await expect(page.getByRole('button', { name: /^Chimney: \d+ min/ })).toBeDisabled();
  await expect(first).toHaveCount(0);
  await press(page, '60×');
  await expect(page.getByText('The chimney glows: pour it.')).toBeVisible();
  // What happens stops the clock.
  await expect(page.getByRole('button', { name: 'Let the clock run' })).toBeVisible();
  await press(page, 'Pour the lit coals');
  const lower = page.getByRole('slider', { name: 'Lower vent (air in)' });
  await lower.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/Through the vent: about/)).toBeVisible();
  const gaugeF = async () => Number(/Gauge (\d+)/.exec((await page.getByText(/^Gauge \d+/).textContent())!)![1]);
  await live(page, 20);
  // Left alone it would be far below two hundred by now.
  expect(await gaugeF()).toBeGreaterThan(235);

  // A lid has to be lifted to see anything; a piece as it was seen stays so until somebody looks again.
  await expect(page.getByText('Nobody has looked yet.')).toBeVisible();
  await press(page, 'Lift and look');
  await expect(page.getByText(/Seen \d\d:\d\d: .*bark/)).toBeVisible();
  await press(page, 'Foil all 3');
  for (const tag of ['R1', 'R2', 'R3']) await expect(page.getByRole('button', { name: new RegExp(`^${tag}`) })).toContainText('in foil');

  // Left in the middle, and gone on with where it stood.
  await live(page, 30);
  const at = await clock(page);
  await page.getByRole('link', { name: 'Leave; it is kept' }).click();
  await expect(page.getByRole('heading', { name: 'Go on' })).toBeVisible();
  await page.getByRole('link', { name: 'Go on', exact: true }).first().click();
  await expect(page.getByRole('timer')).toHaveText(at);
  await expect(page.getByRole('button', { name: /^R2/ })).toContainText('in foil');

  // By feel, not by number alone: the give and how hard the probe is pushed.
  for (let tries = 0; tries < 4; tries++) {
    await press(page, 'Probe');
    await expect(page.getByRole('img', { name: /^Push along the way in/ })).toBeVisible();
    if (await page.getByText(/Probed .*(tender: no push|no hold left)/).count()) break;
    await live(page, 10);
  }
  await press(page, 'Ask the forecast');
  await expect(page.getByText(/Forecast, asked \d\d:\d\d: done \d\d:\d\d to \d\d:\d\d/)).toBeVisible();
  while ((await clock(page)) < '17:50') await live(page, 10);
  for (const tag of ['R1', 'R2', 'R3']) {
    await press(page, new RegExp(`^${tag}`));
    await press(page, 'Take off, to the board');
    await press(page, 'Carve and serve');
    if (tag !== 'R3') await expect(page.getByRole('button', { name: new RegExp(`^${tag}`) })).toContainText('served');
  }

  // The debrief: plates, skills, each decision with what else could have been done.
  await expect(page.getByRole('heading', { level: 1, name: /Served on time\..*of 100/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What you decided, and what it was worth' })).toBeVisible({ timeout: 120_000 });
  const decisions = page.getByRole('main').getByRole('listitem');
  await expect(decisions.filter({ hasText: 'The coals are burning down' }).first()).toContainText('seen to at once');
  await expect(decisions.filter({ hasText: 'Wrapped in foil: R1, R2, R3' }).first()).toContainText(
    /paper instead.*The forecast said then of R1/s,
  );
  await expect(page.locator('[data-drawn]')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Skills' })).toContainText('Juniper');
  expect(await serious(page)).toEqual([]);

  // It counts among the skills from now on, and is over when it is opened again.
  await page.getByRole('link', { name: 'Back to practice' }).click();
  const skills = page.getByRole('region', { name: 'Skills over time' });
  await expect(skills.getByRole('heading', { name: 'Juniper’s skills' })).toBeVisible();
  await skills.getByRole('link', { name: 'Two hours of ribs' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: /Served on time\./ })).toBeVisible();
});

test('a drill set is answered by keyboard and touch; what was missed comes back in the round, and the rest is not due again', async ({
  page,
}) => {
  await page.goto('/practice');
  await page.getByLabel('Who practises').fill('Tamsin');
  await page.getByRole('link', { name: /^Name this smoke/ }).click();
  await expect(page.getByRole('heading', { name: 'What smoke is this?' })).toBeVisible();
  const why = page.getByRole('status').filter({ hasText: /Right\.|Not so\./ });
  let [asked, missed] = [0, 0];
  /** What was right for a plume that was missed: taken at its word when it comes back. */
  const learned = new Map<string, string>();
  const done = page.getByText(/^That was the set:/);
  while ((await done.count()) === 0) {
    await expect(page.getByText(`${asked} answered`, { exact: false })).toBeVisible();
    const plume = await page.getByRole('figure').innerHTML();
    const guess = plume.includes('shimmers') ? 'none, only heat' : plume.includes('right through') ? 'thin and blue' : 'thick and white';
    // By key at first, and wrong on purpose where it is not black.
    if (asked === 0) await page.keyboard.press('5');
    else await page.getByRole('button', { name: learned.get(plume) ?? guess }).click();
    await expect(why).toBeVisible();
    const right = page.getByRole('listitem').filter({ has: page.getByLabel('right', { exact: true }) });
    await expect(right).toHaveCount(1);
    expect((await why.textContent())!.length).toBeGreaterThan(40);
    if (!((await why.textContent()) ?? '').startsWith('Right.')) {
      missed++;
      learned.set(plume, (await right.textContent())!.replace(/^\d/, ''));
    }
    asked++;
    await page.getByRole('button', { name: /^(Next|Finish)$/ }).click();
    expect(missed).toBeLessThan(8);
  }
  expect(missed).toBeGreaterThan(0);
  await expect(done).toContainText(`${asked - missed} of ${asked}`);
  expect(asked).toBe(8 + missed);
  await page.getByRole('link', { name: 'Back to practice' }).click();
  await expect(page.getByRole('link', { name: /^Name this smoke/ })).toContainText('none due');
  await page.getByLabel('Who practises').fill('Somebody else');
  await expect(page.getByRole('link', { name: /^Name this smoke/ })).toContainText('8 of 8 due');
});

test('an event’s own plan is rehearsed on its own pits, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/practice');
  // Nothing is begun for nobody.
  await page.getByRole('button', { name: 'Rehearse it' }).click();
  await expect(page.getByText('Say who practises, so that it is kept for you.')).toBeVisible();
  await page.getByLabel('Who practises').fill('Corin');
  await page.getByRole('combobox', { name: 'Event' }).selectOption({ label: 'Gannet Point, 150 years' });
  await page.getByRole('button', { name: 'Rehearse it' }).click();
  await expect(page.getByRole('timer')).toHaveText('15:00');
  await expect(page.getByRole('group', { name: 'Pits' }).getByRole('button', { name: /Trailer pit/ })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  for (const button of await page.getByRole('main').getByRole('button').all()) {
    const box = await button.boundingBox();
    if (box) expect(box.height, await button.textContent().then(String)).toBeGreaterThanOrEqual(46);
  }
  await press(page, '1 min');
  await expect(page.getByRole('timer')).toHaveText('15:01');
  expect(await serious(page)).toEqual([]);
});
