import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { livedSupper, type Lived } from './livedSupper';

let lived: Lived | undefined;
test.afterAll(() => lived?.forget());

async function phone(browser: Browser, name: string, eventId: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, timezoneId: 'America/Halifax' });
  const page = await context.newPage();
  await page.goto(`/yard/${eventId}`);
  await page.getByRole('button', { name, exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'Yard' })).toBeVisible();
  return page;
}

interface State {
  day: {
    nowMs: number;
    forecastAtMs?: number;
    phase: string;
    pieces: {
      key: string;
      onAtMs?: number;
      wrappedAtMs?: number;
      pulledAtMs?: number;
      carvedAtMs?: number;
      lastLeftOut: boolean;
      last?: { tempC: number };
    }[];
    tasks: { id: string; kind: string; status: string; dueMs: number }[];
    alarms: { causeId: string; acknowledgedAtMs?: number }[];
    revisions: { lever: string }[];
    journalCount: number;
    safety: object[];
  };
}
const stateOf = (page: Page, eventId: string): Promise<State['day']> =>
  page.evaluate(async (id) => ((await (await fetch(`/days/${id}/state?since=0`)).json()) as State).day, eventId);

/** What the steps of the test answer themselves, however long it takes until they look. */
const LEFT_TO_THE_TEST = /The probe in P1 cannot be right|is falling|too cool/;

/**
 * Does what a phone asks its owner for, as a thumb would; false when there is nothing to do yet. Without `pulls` pieces are left
 * on: the steps of the test pull them.
 */
async function thumb(page: Page, pulls: boolean): Promise<boolean> {
  const seeTo = page.getByRole('alert').filter({ hasNotText: LEFT_TO_THE_TEST }).getByRole('button', { name: 'I see to it' }).first();
  if (await seeTo.isVisible()) {
    await seeTo.click({ timeout: 2000 }).catch(() => {});
    return true;
  }
  const next = page.getByRole('region', { name: 'Next task' });
  // Not what the house holds due: what this screen says is late or due within minutes, to whoever's it is.
  const said = (await next.textContent({ timeout: 2000 }).catch(() => '')) ?? '';
  if (!/^Late|(^|\D)0:0[0-5]about/.test(said)) return false;
  const press = (name: string) => next.getByRole('button', { name, exact: true }).click({ timeout: 2000 });
  const button = next.getByRole('button').first();
  const label = ((await button.textContent({ timeout: 2000 }).catch(() => '')) ?? '').trim();
  if (!/^[A-Z]{1,2}\d+$/.test(label)) await button.click({ timeout: 2000 }).catch(() => {});
  else if (/Start checking/.test(said)) {
    // What is not tender yet is asked for again.
    await press('Not yet').catch(() => {});
    await press('in 20 min').catch(() => {});
  } else if (pulls) {
    // A piece's own sheet: it is done, and pulled.
    await press(label).catch(() => {});
    await page
      .getByRole('dialog')
      .getByRole('button', { name: 'Pulled' })
      .click({ timeout: 3000 })
      .catch(() => {});
    await shut(page);
  } else return false;
  await page.waitForTimeout(120);
  return true;
}

/** A sheet that a slow machine left open hides the page behind it. */
async function shut(page: Page) {
  await expect(async () => {
    if (await page.getByRole('dialog').isVisible()) await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0, { timeout: 1000 });
  }).toPass({ timeout: 20_000 });
}

/** Turns the pit to a heat, as another phone would tell it. */
async function turnPit(page: Page, eventId: string, pitC: number) {
  const { nowMs } = await stateOf(page, eventId);
  const deed = { kind: 'pit', pitId: 'offset', did: 'setPoint', pitC };
  const answer = await page.request.post(`/days/${eventId}/entries`, {
    data: { eventId, entries: [{ id: `turn-${pitC}`, atMs: nowMs, by: 'Ada', deed }] },
  });
  expect(answer.status()).toBe(200);
}

const rings = ({ alarms }: State['day'], cause: RegExp): boolean =>
  alarms.some(({ causeId, acknowledgedAtMs }) => cause.test(causeId) && acknowledgedAtMs === undefined);

const STEP_MS = 10 * 60_000;
/** Ten minutes of the day go by: until the house has lived them and looked ahead, however slow the machine. */
async function stepOn(desk: Page, eventId: string) {
  const { nowMs } = await stateOf(desk, eventId);
  await desk.getByRole('button', { name: '+ 10 min' }).click();
  await expect
    .poll(
      async () => {
        const { nowMs: isMs, forecastAtMs = 0 } = await stateOf(desk, eventId);
        return isMs >= nowMs + STEP_MS && isMs - forecastAtMs < STEP_MS / 3;
      },
      { timeout: 60_000, intervals: [200] },
    )
    .toBe(true);
}

/** Lives on in steps, a thumb on each phone, until something holds. */
async function liveUntil(
  { phones, desk, eventId }: { phones: readonly Page[]; desk: Page; eventId: string },
  holds: (day: State['day']) => boolean,
  pulls = false,
): Promise<void> {
  for (let steps = 0; ; steps++) {
    for (let busy = true; busy;) {
      if (holds(await stateOf(desk, eventId))) return;
      busy = false;
      for (const page of phones) busy = (await thumb(page, pulls)) || busy;
    }
    const day = await stateOf(desk, eventId);
    if (steps === 6 * 16) throw new Error(`not in 16 hours: ${JSON.stringify(day.pieces)}`);
    await stepOn(desk, eventId);
  }
}

test('a whole day is lived, from lighting to the last carved piece', async ({ browser, page: desk }) => {
  // Half a day in steps of ten minutes, however slow the machine.
  test.setTimeout(900_000);
  lived = livedSupper();
  const { eventId, fireFailsMs } = lived;
  await desk.goto(`/events/${eventId}/day`);
  await expect(desk.getByText(/Simulated[:,]/).first()).toBeVisible();
  const ada = await phone(browser, 'Ada', eventId);
  const bo = await phone(browser, 'Bo', eventId);
  const lives = { phones: [ada, bo], desk, eventId };

  await test.step('lit, loaded, read by hub and by hand', async () => {
    await liveUntil(lives, (day) => day.pieces.some((piece) => piece.onAtMs !== undefined && (piece.last?.tempC ?? 0) > 8));
    await ada.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: 'Pits' }).click();
    await ada.getByRole('button', { name: /^P2 / }).click();
    const sheet = ada.getByRole('dialog', { name: 'P2' });
    await sheet.getByRole('button', { name: 'Type a reading' }).click();
    // Impossible first: it says so, and keeps nothing.
    for (const digit of '999') await sheet.getByRole('button', { name: digit, exact: true }).click();
    await sheet.getByRole('button', { name: /Keep for P2/ }).click();
    await expect(sheet.getByRole('alert')).toContainText('cannot be a core');
    for (const digit of '57') await sheet.getByRole('button', { name: digit, exact: true }).click();
    await sheet.getByRole('button', { name: /Keep for P2/ }).click();
    await expect(ada.getByRole('button', { name: /^P2 / })).toContainText('57 °F');
    // The second phone, and the desk, see it without being touched.
    await bo.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: 'Pits' }).click();
    await expect(bo.getByRole('button', { name: /^P2 / })).toContainText('57 °F');
    await expect(desk.getByRole('region', { name: 'Journal' })).toContainText('P2 57 °F');
    for (const page of [ada, bo]) await page.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: 'Now' }).click();
  });

  await test.step('a probe that slipped out is noticed, answered, and left out', async () => {
    await liveUntil(lives, (day) => rings(day, /^probeLies/));
    await expect(ada.getByRole('alert').filter({ hasText: 'The probe in P1 cannot be right' })).toBeVisible();
    await ada
      .getByRole('alert')
      .filter({ hasText: 'The probe in P1 cannot be right' })
      .getByRole('button', { name: 'I see to it' })
      .click();
    await expect(ada.getByText(/Ada answered/).first()).toBeVisible();
  });

  await test.step('a falling fire rings, and is answered with fuel', async () => {
    await liveUntil(lives, (day) => day.nowMs > fireFailsMs && rings(day, /^pit(Low|Falling)/));
    const alarm = ada.getByRole('alert').filter({ hasText: /is falling|too cool/ });
    await expect(alarm).toBeVisible();
    await expect(alarm).toContainText('fuel');
    await alarm.getByRole('button', { name: 'I see to it' }).click();
    await expect(alarm).toHaveCount(0);
  });

  await test.step('the page is loaded again in the middle, and knows all', async () => {
    const before = (await stateOf(ada, eventId)).journalCount;
    await ada.reload();
    await expect(ada.getByRole('button', { name: 'Ada', exact: true })).toBeVisible();
    expect((await stateOf(ada, eventId)).journalCount).toBeGreaterThanOrEqual(before);
  });

  await test.step('a lever is taken and taken back', async () => {
    const levers = desk.getByRole('region', { name: 'Levers' });
    const taking = levers.getByRole('button', { name: 'Take it' }).first();
    // The day may be so sure that there is nothing to pull; then the serving is put under strain by its crew.
    if (!(await taking.isVisible())) {
      await turnPit(ada, eventId, 105);
      for (let steps = 0; steps < 9 && !(await taking.isVisible()); steps++) await stepOn(desk, eventId);
    }
    await expect(taking).toBeVisible();
    await expect(levers).toContainText('Do nothing');
    await taking.click();
    const taken = levers.getByRole('list', { name: 'Taken' });
    await expect(taken).toBeVisible();
    await expect.poll(async () => (await stateOf(ada, eventId)).revisions.length).toBe(1);
    await taken.getByRole('button', { name: 'Take back' }).click();
    await expect(taken).toHaveCount(0);
    await turnPit(ada, eventId, 135);
  });

  await test.step('a piece of a batch is wrapped and pulled alone', async () => {
    await liveUntil(lives, (day) =>
      day.pieces.filter((piece) => piece.key.startsWith('butt')).every((piece) => piece.wrappedAtMs !== undefined),
    );
    await ada.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: 'Pits' }).click();
    await ada.getByRole('button', { name: /^P2 / }).click();
    await ada.getByRole('dialog', { name: 'P2' }).getByRole('button', { name: 'Pulled' }).click();
    await expect(ada.getByRole('button', { name: /^P2 / })).toContainText('pulled');
    // The phone shows its own tap before the house has written it.
    const pulled = async () =>
      (await stateOf(ada, eventId)).pieces
        .filter((piece) => piece.key.startsWith('butt'))
        .map((piece) => piece.pulledAtMs !== undefined)
        .sort();
    await expect.poll(pulled).toEqual([false, true]);
    await ada.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: 'Now' }).click();
  });

  await test.step('all is carved', async () => {
    await liveUntil(lives, (day) => day.pieces.every((piece) => piece.carvedAtMs !== undefined), true);
  });

  await test.step('a value that fails asks what was done; the log prints on one leaf', async () => {
    await desk.getByRole('tab', { name: 'Safety log' }).click();
    const log = desk.getByRole('region', { name: 'Safety log' });
    await log.getByRole('button', { name: 'Hot holding', exact: true }).click();
    const form = desk.getByRole('dialog', { name: 'Hot holding' });
    await form.getByLabel(/Read, /).fill('120');
    await expect(form.getByText(/Fails its rule/)).toBeVisible();
    await expect(form.getByRole('button', { name: 'Write it down' })).toBeDisabled();
    await form.getByLabel('What was done').fill('Reheated to 170 F in the oven');
    await form.getByRole('button', { name: 'reheated' }).click();
    await form.getByRole('button', { name: 'Write it down' }).click();
    await expect(log.getByRole('table')).toContainText('Reheated to 170 F in the oven');
    await log.getByRole('button', { name: 'Correct' }).last().click();
    const again = desk.getByRole('dialog', { name: 'Hot holding' });
    await again.getByLabel(/Read, /).fill('150');
    await again.getByLabel('Why the earlier line was wrong').fill('Read the lid, not the meat');
    await again.getByRole('button', { name: 'Write it down' }).click();
    await expect(log.getByRole('row')).toHaveCount(3);
    await desk.emulateMedia({ media: 'print' });
    const leaf = (await desk.pdf({ format: 'Letter' })).toString('latin1');
    expect(leaf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
    await desk.emulateMedia({ media: 'screen' });
    const csv = await desk.evaluate(async (id) => await (await fetch(`/days/${id}/safety`)).text(), eventId);
    expect(csv.split('\r\n').filter(Boolean)).toHaveLength(3);
  });

  await test.step('the day is ended, and says so everywhere', async () => {
    await desk.getByRole('button', { name: 'End the day' }).click();
    await desk.getByRole('button', { name: 'End it' }).click();
    await expect(desk.getByRole('button', { name: 'Open it again' })).toBeVisible();
    await expect(bo.getByRole('navigation', { name: 'Yard' })).toBeVisible();
    await expect(bo.getByText('The day has ended.')).toBeVisible();
  });
});

test('the demo’s day under way is understood by whoever comes, in every light', async ({ browser }) => {
  for (const light of ['light', 'dark', 'night']) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    await context.addCookies([{ name: 'anachron-light', value: light, url: test.info().project.use.baseURL! }]);
    const page = await context.newPage();
    await page.goto('/');
    const href = await page
      .getByRole('link', { name: /pilots/ })
      .first()
      .getAttribute('href');
    await page.goto(`/yard/${href!.split('/')[2]}`);
    expect((await new AxeBuilder({ page }).analyze()).violations, `${light}, whose phone`).toEqual([]);
    await page.getByRole('button', { name: 'Isa', exact: true }).click();
    for (const tab of ['Now', 'Pits', 'Day', 'Safety']) {
      await page.getByRole('navigation', { name: 'Yard' }).getByRole('button', { name: tab }).click();
      expect((await new AxeBuilder({ page }).analyze()).violations, `${light}, ${tab}`).toEqual([]);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`/events/${href!.split('/')[2]}/day`);
    await expect(page.getByRole('region', { name: 'Next task' })).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations, `${light}, desk`).toEqual([]);
    await context.close();
  }
});

test('a device sends with its token, and impossible bodies are turned away while the day goes on', async ({ page, request }) => {
  await page.goto('/settings');
  await page.getByLabel('Name of the device').fill('Kettle');
  await page.getByRole('button', { name: 'Make a token' }).click();
  const token = (await page.locator('code').textContent())!;
  const send = (data: unknown, by = token) =>
    request.post('/api/readings', { data: data as object, headers: { Authorization: `Bearer ${by}` } });
  expect((await send({ readings: [{ channel: '1', c: 63.2 }] })).status()).toBe(200);
  expect((await send({ readings: [{ channel: '1', c: 900 }] })).status()).toBe(422);
  expect((await send({ readings: [{ channel: '1', c: 60 }] }, 'anr_somebody-elses-token')).status()).toBe(401);
  expect((await send('x'.repeat(600_000))).status()).toBe(413);
  await page.reload();
  await expect(page.getByText('Kettle')).toBeVisible();
  await expect(page.getByText('has sent', { exact: true })).toBeVisible();
  await page.getByLabel('Message broker').fill('ftp://nowhere');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText(/Give an address such as mqtt/)).toBeVisible();
});
