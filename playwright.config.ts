import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 3210);

/** Real browser flows against the production build, with a database of their own. */
export default defineConfig({
  testDir: 'tests/e2e',
  fullyParallel: false,
  workers: 1,
  // The smallest machines plan and serve on the same two cores that draw the page: whoever waits for something waits long enough.
  timeout: 300_000,
  expect: { timeout: 45_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'America/Halifax',
    launchOptions: {
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
    },
    trace: 'retain-on-failure',
  },
});
