import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { livedSupper, type Lived } from './livedSupper';

let lived: Lived | undefined;
test.afterAll(() => lived?.forget());

const crewOf = (page: Page) => page.getByRole('region', { name: 'Crew' });

/** Opens the yard at the owner's machine; the address and the code that are shown. */
async function open(owner: Page, joinsAs: string): Promise<{ address: string; code: string }> {
  await owner.goto('/settings');
  const crew = crewOf(owner);
  // A yard that an earlier test left open shows its old code until the new one is there.
  const close = crew.getByRole('button', { name: 'Close, and put all out' });
  if (await close.isVisible()) await close.click();
  await expect(close).toHaveCount(0);
  await crew.getByLabel('Whoever joins is a').selectOption(joinsAs);
  await crew.getByRole('button', { name: 'Let crew join' }).click();
  await expect(crew.getByRole('img', { name: /^Join at / })).toBeVisible();
  const shown = (await crew.textContent())!;
  return { address: /http:\/\/[\d.]+:\d+/.exec(shown)![0], code: /Code([A-Z2-9]{8})/.exec(shown)![1]! };
}

async function joined(browser: Browser, { address, code }: { address: string; code: string }, name: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, timezoneId: 'America/Halifax' });
  const page = await context.newPage();
  await page.goto(`${address}/join?code=${code}`);
  await page.getByLabel('Another name').fill(name);
  await page.getByRole('button', { name: 'That is me' }).click();
  await page.waitForURL(/\/yard/);
  return page;
}

test('crew joins with the code, does what its role lets it, and is put out', async ({ browser, page: owner }) => {
  const door = await open(owner, 'helper');
  expect((await new AxeBuilder({ page: owner }).analyze()).violations).toEqual([]);

  // Whoever has not joined is shown the way, and gets nothing else.
  const stranger = await (await browser.newContext()).newPage();
  await stranger.goto(`${door.address}/settings`);
  expect(stranger.url()).toBe(`${door.address}/join`);
  expect((await new AxeBuilder({ page: stranger }).analyze()).violations).toEqual([]);
  await stranger.getByLabel('Code').fill('WRONGONE');
  await stranger.getByRole('button', { name: 'Join' }).click();
  await expect(stranger.getByRole('alert').filter({ hasText: 'not the code' })).toBeVisible();
  expect((await stranger.request.get(`${door.address}/events/x/file/event`)).status()).toBe(401);
  expect((await stranger.request.get(`${door.address}/`, { headers: { Host: 'house.example' } })).status()).toBe(421);

  const bo = await joined(browser, door, 'Bo');
  await expect(bo.getByRole('navigation', { name: 'Yard' }).or(bo.getByRole('heading', { name: 'Which day?' }))).toBeVisible();
  await bo.goto(`${door.address}/settings`);
  expect(new URL(bo.url()).pathname).toMatch(/^\/yard/);
  // Not by a header, a foreign page, or another's name.
  await owner.goto('/');
  const day = await owner
    .getByRole('link', { name: /pilots/ })
    .first()
    .getAttribute('href');
  const eventId = day!.split('/')[2]!;
  const entry = (id: string, deed: object) => ({ eventId, entries: [{ id, atMs: Date.now(), by: 'Ada', deed }] });
  const post = (data: object, headers: Record<string, string> = {}) =>
    bo.request.post(`${door.address}/days/${eventId}/entries`, { data, headers });
  const lever = { kind: 'revision', lever: 'x', reason: 'y', changes: [{ what: 'setPoint', pitId: 'trailer', pitC: 130 }] };
  expect((await post(entry('yard-lever', lever))).status()).toBe(403);
  expect((await post(entry('yard-lever', lever), { 'X-Anachron-Role': 'owner' })).status()).toBe(403);
  expect((await post(entry('yard-note', { kind: 'note', text: 'gulls' }), { Origin: 'http://evil.example' })).status()).toBe(403);
  expect((await post(entry('yard-note', { kind: 'note', text: 'gulls about' }))).status()).toBe(200);
  const seen = (await (await owner.request.get(`/days/${eventId}/state?since=0`)).json()) as {
    day: { journal: { id: string; by: string }[] };
  };
  expect(seen.day.journal.find((each) => each.id === 'yard-note')!.by).toBe('Bo');

  await owner.goto('/settings');
  await crewOf(owner).getByLabel('What Bo may do').selectOption('watcher');
  await expect(owner.getByText('Bo: looks')).toBeVisible();
  expect((await post(entry('yard-note-2', { kind: 'note', text: 'no' }))).status()).toBe(403);
  await bo.goto(`${door.address}/yard/${eventId}`);
  await expect(bo.getByText('Bo, looking on')).toBeVisible();
  await crewOf(owner).getByRole('button', { name: 'Put out Bo' }).click();
  await expect(bo.getByText('This phone is out.')).toBeVisible({ timeout: 20_000 });
  await bo.getByRole('link', { name: 'Join again' }).click();
  await expect(bo.getByLabel('Code')).toBeVisible();

  await crewOf(owner).getByRole('button', { name: 'Close, and put all out' }).click();
  await expect(crewOf(owner).getByRole('button', { name: 'Let crew join' })).toBeVisible();
  await expect(stranger.request.get(`${door.address}/join`)).rejects.toThrow();
});

test('a phone without signal keeps every tap, over a reload too, and each counts once when it is back', async ({
  browser,
  page: owner,
}) => {
  lived = livedSupper();
  const { eventId } = lived;
  // Not one of the crew's names: the simulated hands tap in those.
  const wren = await joined(browser, await open(owner, 'cook'), 'Wren');
  await wren.goto(wren.url().replace(/\/yard.*/, `/yard/${eventId}`));
  const next = wren.getByRole('region', { name: 'Next task' });
  await expect(next).toBeVisible();
  await wren.evaluate(() => navigator.serviceWorker.ready);
  // The page itself must have come by the worker once.
  await wren.reload();
  await expect(next).toBeVisible();
  await owner.goto(`/events/${eventId}/day`);
  const speed = owner.getByRole('group', { name: 'Speed of the simulation' });
  await speed.getByRole('button', { name: '600 x', exact: true }).click();
  await expect(wren.getByText(/600 times as fast/)).toBeVisible();

  await wren.context().setOffline(true);
  const done: string[] = [];
  const tapNext = async () => {
    done.push((await next.getByRole('heading').textContent())!);
    await next.getByRole('button').first().click();
    await expect(next.getByRole('heading')).not.toHaveText(done.at(-1)!);
  };
  await tapNext();
  await expect(wren.getByText(/^Alone since/)).toBeVisible({ timeout: 20_000 });
  await wren.reload();
  await expect(next).toBeVisible();
  await expect(next.getByRole('heading')).not.toHaveText(done[0]!);
  await tapNext();
  await expect(wren.getByText('2 taps wait to be sent.')).toBeVisible({ timeout: 20_000 });
  // An hour goes by.
  await owner.waitForTimeout(6500);
  await wren.context().setOffline(false);
  await expect(wren.getByText(/taps wait to be sent/)).toHaveCount(0, { timeout: 20_000 });
  const tapped = async () => {
    const { day } = (await (await owner.request.get(`/days/${eventId}/state?since=0`)).json()) as {
      day: { nowMs: number; journal: { by: string; atMs: number; deed: { kind: string; taskId?: string } }[] };
    };
    return { nowMs: day.nowMs, taps: day.journal.filter((each) => each.by === 'Wren' && each.deed.kind === 'task') };
  };
  await expect.poll(async () => (await tapped()).taps.length).toBe(2);
  const { nowMs, taps } = await tapped();
  expect(new Set(taps.map((each) => each.deed.taskId)).size).toBe(2);
  // They are of when they were tapped, not of when they came.
  for (const { atMs } of taps) expect(nowMs - atMs).toBeGreaterThan(50 * 60_000);
  await speed.getByRole('button', { name: '1 x', exact: true }).click();
  await owner.goto('/settings');
  await crewOf(owner).getByRole('button', { name: 'Close, and put all out' }).click();
  await expect(crewOf(owner).getByRole('button', { name: 'Let crew join' })).toBeVisible();
});

test('a helper practises on a phone of their own, and it is kept; a watcher does not', async ({ browser, page: owner }) => {
  const door = await open(owner, 'helper');
  const sal = await joined(browser, door, 'Sal');
  await sal.goto(`${door.address}/practice`);
  await expect(sal.getByRole('link', { name: 'Library' })).toHaveCount(0);
  await sal.getByLabel('Who practises').fill('Sal');
  await sal.getByRole('button', { name: 'Cook it' }).first().click();
  await expect(sal.getByRole('timer')).toHaveText('16:00');
  const kept = sal.waitForResponse((answer) => answer.url().endsWith('/practice/papers') && answer.ok());
  await sal.getByRole('button', { name: 'Light a chimney' }).click();
  await kept;
  await sal.reload();
  await expect(sal.getByRole('button', { name: /^Chimney: \d+ min/ })).toBeVisible();
  expect(await sal.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  const looker = await joined(browser, await open(owner, 'watcher'), 'Ash');
  const refused = await looker.request.post(`${door.address}/practice/papers`, {
    data: { what: 'begin', trainee: 'Ash', scenarioId: 'squall' },
  });
  expect(refused.status()).toBeGreaterThanOrEqual(400);
});
