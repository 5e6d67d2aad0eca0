import { request as ask } from 'node:http';
import { expect, test } from '@playwright/test';

/** A bare request: a browser would not send another host's name. */
function bare(
  baseURL: string,
  path: string,
  headers: Record<string, string>,
  method = 'GET',
): Promise<{ status: number; headers: Record<string, unknown>; text: string }> {
  return new Promise((resolve, reject) => {
    const asking = ask(new URL(path, baseURL), { method, headers }, (answer) => {
      let text = '';
      answer.on('data', (part: Buffer) => (text += part.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, text }));
    });
    asking.on('error', reject);
    asking.end();
  });
}

test('only this machine is answered, and every answer says what it may do', async ({ baseURL, page }) => {
  const own = new URL(baseURL!).host;
  const paths = [
    '/',
    '/equipment',
    '/library',
    '/what-if',
    '/nowhere',
    '/ready',
    '/icon.svg',
    '/events/nobody/plan',
    '/events/nobody/edits',
    '/events/%00/plan',
  ];
  for (const path of paths) {
    const answer = await bare(baseURL!, path, { Host: own });
    expect(answer.status, path).toBeLessThan(500);
    expect(answer.headers['content-security-policy'], path).toContain("frame-ancestors 'none'");
    expect(answer.headers['x-content-type-options'], path).toBe('nosniff');
    expect(answer.headers['referrer-policy'], path).toBe('same-origin');
    const foreign = await bare(baseURL!, path, { Host: 'evil.example' });
    expect([foreign.status, foreign.text.includes('evil')], path).toEqual([421, false]);
    const forwarded = await bare(baseURL!, path, { Host: own, 'X-Forwarded-Host': 'evil.example', 'X-Forwarded-Proto': 'https' });
    expect(forwarded.text.includes('evil.example'), path).toBe(false);
  }
  const foreign: Record<string, string>[] = [{ Origin: 'http://evil.example' }, { Origin: 'null' }, { 'Sec-Fetch-Site': 'cross-site' }];
  for (const headers of foreign) expect((await bare(baseURL!, '/', { Host: own, ...headers }, 'POST')).status).toBe(403);
  expect((await bare(baseURL!, '/', { Host: own, 'Next-Action': 'x', 'Content-Type': 'text/plain' }, 'POST')).status).toBe(400);

  // A page runs nothing that its own policy does not allow.
  const errors: string[] = [];
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  await page.goto('/what-if');
  await expect(page.locator('[data-drawn]')).toBeVisible();
  expect(errors).toEqual([]);
});

test('a serving’s day that is mistyped by a century is refused where it is typed, and the event goes on', async ({ page }) => {
  const { makeEvent, addCut, saved, setDay, stage } = await import('./steps');
  await makeEvent(page, 'A century late', { date: '2028-07-15', adults: 40 });
  await addCut(page, 'pork-butt');
  await saved(page);
  await setDay(page, 'Day', '2206-07-15');
  await expect(page.getByText(/more than 10 years ahead/)).toBeVisible();
  await expect(page.getByRole('banner').getByText('Not saved')).toBeVisible();
  await setDay(page, 'Day', '2028-07-16');
  await saved(page);
  await stage(page, 'Plan');
  await expect(page.locator('[data-drawn]')).toBeVisible();
});
