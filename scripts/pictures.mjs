import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT } from './prepare.mjs';

/** `npm run pictures`: one current picture of each main view, from the demo data, into docs/screenshots. */
const PORT = process.env.PORT ?? '3220';
const base = `http://127.0.0.1:${PORT}`;
/** Another address of this machine, as phones would come by one. */
const YARD = '127.0.0.2';
const folder = mkdtempSync(path.join(tmpdir(), 'anachron-pictures-'));
const server = spawn(process.execPath, [path.join(ROOT, 'scripts', 'serve.mjs'), '--demo'], {
  cwd: ROOT,
  env: { ...process.env, PORT, ANACHRON_DB: path.join(folder, 'demo.sqlite'), ANACHRON_YARD: YARD },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  await new Promise((resolve) => server.stdout.on('data', (text) => String(text).includes('Anachron is at') && resolve()));
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: 'America/Halifax' });
  const page = await context.newPage();
  await page.goto(base);
  const event = (await page.getByRole('link', { name: 'Gannet Point, 150 years' }).getAttribute('href')).replace(/\/plan$/, '');
  const pilots = (
    await page
      .getByRole('link', { name: /pilots/ })
      .first()
      .getAttribute('href')
  ).split('/')[2];
  const take = async (name, address, drawn) => {
    await page.goto(base + address);
    if (drawn) await page.locator(drawn).first().waitFor();
    await page.waitForTimeout(2500);
    await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  };
  await take('events', '/');
  await take('equipment', '/equipment');
  await take('library', '/library');
  await take('what-if', '/what-if');
  await take('brief', `${event}/brief`);
  await take('buying', `${event}/buying`);
  await take('prep', `${event}/prep`);
  await take('service', `${event}/service`);
  await take('safety', `${event}/safety`);
  await page.goto(`${base}/log`);
  await page.getByRole('tab', { name: 'Your kitchen' }).click();
  await page.waitForTimeout(2500);
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', 'log.png') });
  await take('plan', `${event}/plan`, '.main-svg');
  await take('day', `/events/${pilots}/day`);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.evaluate(() => localStorage.setItem('anachron-name', 'Isa'));
  await page.goto(`${base}/yard/${pilots}`);
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: 'Light for the night' }).click();
  await page.waitForTimeout(400);
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', 'yard-night.png') });
  await page.getByRole('button', { name: 'Light for noon' }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${base}${event}/plan`);
  await page.waitForTimeout(2500);
  await page.getByRole('group', { name: /the day downward/ }).evaluate((strip) => strip.scrollIntoView());
  await page.evaluate(() => window.scrollBy(0, -110));
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', 'plan-phone.png') });
  await page.setViewportSize({ width: 1280, height: 800 });
  await take('racks', `${event}/racks`);
  await take('run-sheet', `${event}/run-sheet`);
  await page.goto(`${base}${event}/plan`);
  await page.getByRole('button', { name: 'Compare' }).click();
  await page.getByLabel('Keep this plan as').fill('As searched');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page
    .getByRole('button', { name: /^Pork butts \d, on at/ })
    .first()
    .click();
  await page.getByLabel('Method').selectOption('hot-foil');
  await page.waitForTimeout(3000);
  await page.getByRole('button', { name: 'Re-plan' }).click();
  await page.getByRole('button', { name: 'Stop, take the best' }).waitFor();
  await page.getByRole('button', { name: 'Re-plan' }).waitFor();
  await page.getByRole('button', { name: 'Mark As searched on the timeline' }).click();
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.waitForTimeout(11000);
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', 'plan-compare.png') });
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.waitForTimeout(2000);
  await page.goto(`${base}/practice`);
  await page.getByLabel('Who practises').fill('Isa');
  await page.getByRole('button', { name: 'Cook it' }).nth(9).click();
  await page.getByRole('button', { name: 'Warmed split' }).click();
  await page.getByRole('button', { name: 'Lift and look' }).click();
  await page.getByRole('button', { name: '10 min', exact: true }).click();
  await page.getByRole('button', { name: 'Ask the forecast' }).click();
  await page.waitForTimeout(3000);
  await page.screenshot({ path: path.join(ROOT, 'docs', 'screenshots', 'practice.png') });
  await page.goto(`${base}/settings`);
  await page.getByRole('button', { name: 'Let crew join' }).click();
  const crew = page.getByRole('region', { name: 'Crew' });
  const shown = (await crew.filter({ has: page.getByRole('img', { name: /^Join at/ }) }).textContent()) ?? '';
  const code = /Code([A-Z2-9]{8})/.exec(shown)[1];
  for (const name of ['Tam', 'Rue'])
    await fetch(`http://${YARD}:${PORT}/join/enter`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ code, name }),
    });
  await take('settings', '/settings');
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((resolve) => server.on('exit', resolve));
  rmSync(folder, { recursive: true, force: true });
}
