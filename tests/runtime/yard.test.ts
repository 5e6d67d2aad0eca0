import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Yard } from '../../src/runtime/yard';
import { askerIn, FROM_HEADER, headersOf, SESSION_COOKIE, YARD_HEADER } from '../../src/runtime/yardSeat';
import { closeYard, joinCrew, listCrewIn, openYard, putOut, type Context } from '../../src/services';
import { must, openContext } from '../fixtures/context';

let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
let inner: http.Server;
let yard: Yard;
let seen: http.IncomingHttpHeaders[];
const streams = new Set<http.ServerResponse>();

beforeEach(async () => {
  process.env.ANACHRON_YARD = '127.0.0.3';
  house = await openContext(Date.now());
  seen = [];
  inner = http.createServer((request, response) => {
    seen.push(request.headers);
    if (request.url === '/stream') {
      streams.add(response);
      response.writeHead(200, { 'Content-Type': 'text/event-stream' });
      response.write(': here\n\n');
    } else request.pipe(response.writeHead(201, { 'X-Made': 'inside' }));
  });
  await new Promise<void>((resolve) => inner.listen(0, '127.0.0.1', resolve));
  yard = new Yard(house.context, (inner.address() as AddressInfo).port);
  context = { ...house.context, yard };
});
afterEach(async () => {
  await closeYard(context);
  for (const stream of streams) stream.destroy();
  inner.closeAllConnections();
  await new Promise((resolve) => inner.close(resolve));
  await house.close();
  delete process.env.ANACHRON_YARD;
});

/** Who asked, as the program inside was told. */
const asked = (index: number) => askerIn(new Headers(seen[index] as Record<string, string>));

describe('the door to the yard', () => {
  it('is shut until the owner opens it, hands on what comes as it is, and shuts again', async () => {
    await yard.changed();
    expect(yard.addresses()).toEqual([]);
    must(await openYard(context, { joinsAs: 'cook' }));
    const [address] = yard.addresses();
    expect(address).toBe(`http://127.0.0.3:${(inner.address() as AddressInfo).port}`);
    const answer = await fetch(`${address}/x?y=1`, { method: 'POST', body: 'a body' });
    expect([answer.status, answer.headers.get('x-made'), await answer.text()]).toEqual([201, 'inside', 'a body']);
    must(await closeYard(context));
    expect(yard.addresses()).toEqual([]);
    await expect(fetch(`${address}/x`)).rejects.toThrow();
  });

  it('marks what comes from outside, and lets nobody mark themselves', async () => {
    must(await openYard(context, { joinsAs: 'cook' }));
    await fetch(`${yard.addresses()[0]}/x`, {
      headers: { [YARD_HEADER]: 'mine', ...headersOf({ role: 'owner' }), [FROM_HEADER]: '10.0.0.1' },
    });
    expect(seen[0]![YARD_HEADER]).toBe(yard.secret);
    expect(seen[0]![FROM_HEADER]).toBe('127.0.0.1');
    expect(asked(0)).toBeUndefined();
  });

  it('puts nobody out because the database cannot be read: who is known stays, who is not is asked to wait', async () => {
    const { code } = must(await openYard(context, { joinsAs: 'cook' }));
    const { token } = must(await joinCrew(context, { code, name: 'Bo' }));
    const as = (cookie: string | undefined) => fetch(`${yard.addresses()[0]}/x`, { headers: { Cookie: `${SESSION_COOKIE}=${cookie}` } });
    expect((await as(token)).status).toBe(201);
    await context.db.sequelize.query('ALTER TABLE crew_sessions RENAME TO away');
    expect((await as(token)).status).toBe(201);
    expect(asked(1)).toEqual({ role: 'cook', name: 'Bo' });
    const stranger = await as('somebody-else');
    expect([stranger.status, await stranger.text()]).toEqual([503, expect.stringContaining('cannot be read just now')]);
    await context.db.sequelize.query('ALTER TABLE away RENAME TO crew_sessions');
    await as('somebody-else');
    expect(asked(2)).toBeUndefined();
    // Who was put out is not known any more, whatever cannot be read.
    must(await putOut(context, { id: (await listCrewIn(context))[0]!.id }));
    await context.db.sequelize.query('ALTER TABLE crew_sessions RENAME TO away');
    expect((await as(token)).status).toBe(503);
    await context.db.sequelize.query('ALTER TABLE away RENAME TO crew_sessions');
  });

  it('cuts what a phone has open when it is put out', async () => {
    const { code } = must(await openYard(context, { joinsAs: 'cook' }));
    const { token } = must(await joinCrew(context, { code, name: 'Bö' }));
    const answer = await fetch(`${yard.addresses()[0]}/stream`, { headers: { Cookie: `a=b; ${SESSION_COOKIE}=${token}` } });
    const reader = answer.body!.getReader();
    expect(new TextDecoder().decode((await reader.read()).value)).toContain('here');
    expect(asked(0)).toEqual({ role: 'cook', name: 'Bö' });
    must(await putOut(context, { id: (await listCrewIn(context))[0]!.id }));
    await expect(reader.read()).rejects.toThrow();
    await fetch(`${yard.addresses()[0]}/x`, { headers: { Cookie: `${SESSION_COOKIE}=${token}` } });
    expect(asked(1)).toBeUndefined();
  });
});
