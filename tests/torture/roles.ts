import { deedNeeds, isAtLeast, JOINING_ROLES, mayEnter } from '../../src/core/access';
import { DEEDS } from './deeds';
import { ACTIONS, PAGES, READINGS, ROUTES } from '../hostile/doors';
import { chance, spoilt } from '../hostile/spoil';
import { House, type Person, type Verdict } from './house';

/** What a foreign page sends. */
const FOREIGN: Record<string, string>[] = [{ Origin: 'http://evil.example' }, { 'Sec-Fetch-Site': 'cross-site' }];
/** What somebody sends who would like to be somebody else. */
const FORGED: Record<string, string>[] = [
  { 'X-Anachron-Role': 'owner' },
  { 'X-Anachron-Yard': 'guessed', 'X-Anachron-Role': 'owner' },
  { 'X-Forwarded-Host': '127.0.0.1' },
];

/**
 * Every door of the program, asked from the yard by everybody there is, with what is right and with what is spoilt: each is let in
 * or turned away as its role has it, nothing is answered with a fault, and who is turned away has changed nothing.
 */
export async function everyRole(port: number, spoilings: number): Promise<Verdict> {
  const house = new House(port);
  const faults: string[] = [];
  const fault = (what: string) => void faults.push(what.slice(0, 300));
  let asked = 0;
  const luck = chance(11);
  try {
    await house.start();
    await house.openYard();
    const people: Person[] = [house.stranger()];
    for (const role of JOINING_ROLES) people.push(await house.joins(`The ${role}`, role));
    people.push(house.owner);
    const [dayId, eventId] = [await house.dayId(), await house.eventId()];
    const marks = async () =>
      JSON.stringify(
        await house.rows(
          "SELECT (SELECT group_concat(body) FROM events) AS events, (SELECT group_concat(body) FROM gear) AS gear, (SELECT group_concat(value) FROM settings WHERE key <> 'writable') AS settings, (SELECT group_concat(body) FROM library_entries) AS library, (SELECT group_concat(entry_id) FROM day_entries WHERE entry_id LIKE 'torture%') AS entries",
        ),
      );
    /** Asks, and holds the answer against what the role may. */
    const ask = async (person: Person, method: 'GET' | 'POST', url: string, init: RequestInit, action = false) => {
      asked++;
      const path = new URL(url, house.yard).pathname;
      const allowed = mayEnter(person.role, { method, path, action });
      const answer = await person.ask(url, { method, ...init });
      const text = url.endsWith('/stream') ? '' : await answer.text();
      if (url.endsWith('/stream')) await answer.body?.cancel();
      const turnedAway = answer.status === 401 || (answer.status === 403 && !/notAllowed|wrongCode/.test(text));
      const who = `${person.name} ${method} ${url.slice(0, 80)}`;
      if (answer.status >= 500 && answer.status !== 503) fault(`${answer.status} for ${who}`);
      if (allowed && turnedAway && !path.startsWith('/api/')) fault(`${who} was turned away with ${answer.status}`);
      if (!allowed && !turnedAway && answer.status !== 303 && answer.status !== 405) fault(`${who} was let in with ${answer.status}`);
      return { status: answer.status, text };
    };
    const pages = ['/', '/equipment', '/library', '/settings', '/what-if', '/yard', `/yard/${dayId}`, '/join', '/nowhere', '/_next/data/x'];
    const gets = [...pages, ...PAGES.map((page) => `/events/${eventId}/${page}`), ...Object.values(ROUTES).flatMap((urls) => urls(dayId))];
    const spoiltOf = (value: unknown) => JSON.stringify(spoilt(value, luck)) ?? '';
    for (const person of people) {
      for (const url of gets) await ask(person, 'GET', url, {});
      // The owner’s actions change the house; everybody else’s must not.
      if (person.role === 'owner') continue;
      const before = await marks();
      for (const [name, input] of Object.entries(ACTIONS)) {
        const right = JSON.parse(JSON.stringify(input).replaceAll('EVENT', eventId)) as unknown;
        const headers = { 'Next-Action': house.actionId(name), 'Content-Type': 'text/plain;charset=UTF-8' };
        for (const url of ['/', `/yard/${dayId}`, '/join'])
          await ask(person, 'POST', url, { headers, body: JSON.stringify([right]) }, true);
      }
      const edit = { eventId, revision: 1, changes: [{ path: ['name'], to: 'Taken over' }] };
      await ask(person, 'POST', `/events/${eventId}/edits`, {
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(edit),
      });
      await ask(person, 'POST', '/settings/copies', { body: 'SQLite format 3\0' });
      for (const how of FOREIGN) {
        const answer = await person.ask(`/days/${dayId}/entries`, { method: 'POST', headers: how, body: '{}' });
        if (![403, 421, 401].includes(answer.status)) fault(`${person.name} with ${JSON.stringify(how)}: ${answer.status}`);
      }
      for (const forged of FORGED)
        if (![303, 401, 403].includes((await person.ask('/settings', { headers: forged })).status))
          fault(`${person.name} with ${JSON.stringify(forged)}`);
      for (const [i, deed] of DEEDS.entries()) {
        const entry = { id: `torture-${person.name.replaceAll(' ', '-')}-${i}`, atMs: Date.now(), by: 'The owner', deed };
        const { status } = await ask(person, 'POST', `/days/${dayId}/entries`, {
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ eventId: dayId, entries: [entry] }),
        });
        const may = person.role !== undefined && isAtLeast(person.role, deedNeeds(deed));
        if (may !== (status === 200)) fault(`${person.name} said ${deed.kind}: ${status}`);
      }
      for (let i = 0; i < spoilings; i++) {
        const entries = {
          eventId: dayId,
          entries: DEEDS.map((deed, nth) => ({ id: `spoilt-${i}-${nth}`, atMs: Date.now(), by: 'x', deed })),
        };
        await ask(person, 'POST', `/days/${dayId}/entries`, { headers: { 'Content-Type': 'application/json' }, body: spoiltOf(entries) });
        await ask(person, 'POST', '/join/enter', {
          headers: { 'Content-Type': 'application/json' },
          body: spoiltOf({ code: 'WRONGONE', name: 'x' }),
        });
        await ask(person, 'POST', '/api/readings', { headers: { Authorization: 'Bearer anr_none' }, body: spoiltOf(READINGS) });
      }
      const after = await marks();
      const changed = person.role === undefined || person.role === 'watcher' ? before !== after : false;
      if (changed) fault(`${person.name} changed something`);
      const own = await house.rows<{ body: string }>("SELECT body FROM day_entries WHERE entry_id LIKE 'torture%'");
      if (own.some(({ body }) => (JSON.parse(body) as { by: string }).by === 'The owner')) fault(`${person.name} passed for the owner`);
    }
  } finally {
    await house.leave();
  }
  return {
    figures: `${asked} requests from the yard by a stranger, ${JOINING_ROLES.join(', ')} and owner at every door: ${faults.length} let in or turned away wrongly, or faults`,
    faults,
  };
}
