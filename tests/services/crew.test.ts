import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { WrongCodes, join } from '../../src/runtime/joinDoor';
import {
  closeYard,
  listCrewIn,
  memberOf,
  openYard,
  putOut,
  readYard,
  recordEntries,
  setMemberRole,
  type Context,
} from '../../src/services';
import { loadEntries } from '../../src/persistence';
import { aBegunDay, codes, must, openContext } from '../fixtures/context';

const NOW = Date.parse('2027-06-19T04:00:00-03:00');
const DAY_MS = 86_400_000;
let house: Awaited<ReturnType<typeof openContext>>;
let context: Context;
beforeEach(async () => {
  house = await openContext(NOW);
  context = house.context;
});
afterEach(() => house.close());

const opened = async () => must(await openYard(context, { joinsAs: 'helper' }));
const inside = async (name: string, from = name): Promise<string> =>
  must(await join(context, from, { code: (await readYard(context)).code, name })).token!;

describe('the yard', () => {
  it('is closed until it is opened, and then joined by the code alone, however it is typed', async () => {
    expect((await readYard(context)).open).toBe(false);
    expect(codes(await join(context, 'a', { code: '', name: 'Bo' }))).toEqual(['wrongCode@code']);
    const { code } = await opened();
    expect(code).toMatch(/^[A-HJ-NP-Z2-9]{8}$/);
    expect(must(await join(context, 'a', { code: ` ${code.slice(0, 4).toLowerCase()}-${code.slice(4)}` })).names).toEqual([]);
    const token = await inside('Bo');
    expect(await memberOf(context, token)).toMatchObject({ name: 'Bo', role: 'helper' });
    expect(await memberOf(context, `${token}x`)).toBeUndefined();
    expect(JSON.stringify(await listCrewIn(context))).not.toContain(token);
  });

  it('opened again has a new code; who is in stays in; closed, all are out', async () => {
    const { code } = await opened();
    const token = await inside('Bo');
    expect((await opened()).code).not.toBe(code);
    expect(await memberOf(context, token)).toBeDefined();
    must(await closeYard(context));
    expect(await memberOf(context, token)).toBeUndefined();
    expect((await readYard(context)).code).toBe('');
  });

  it('puts out one, changes what another may do, and forgets who was away for a week', async () => {
    await opened();
    const [bo, cy] = [await inside('Bo'), await inside('Cy')];
    const [first, second] = await listCrewIn(context);
    const cut: string[] = [];
    const door = { changed: () => Promise.resolve(), putOut: (id: string) => void cut.push(id) };
    must(await putOut({ ...context, yard: door }, { id: first!.id }));
    expect(cut).toEqual([first!.id]);
    expect(await memberOf(context, bo)).toBeUndefined();
    expect(codes(await putOut(context, { id: first!.id }))).toEqual(['memberGone']);
    must(await setMemberRole(context, { id: second!.id, role: 'cook' }));
    expect(await memberOf(context, cy)).toMatchObject({ role: 'cook' });
    expect(await memberOf({ ...context, nowMs: () => NOW + 8 * DAY_MS }, cy)).toBeUndefined();
  });

  it('makes whoever guesses wrong wait longer and longer, the right code or not, and others not', async () => {
    const { code } = await opened();
    for (let i = 0; i < 5; i++) expect(codes(await join(context, 'guesser', { code: 'AAAAAAAA' }))).toEqual(['wrongCode@code']);
    expect(codes(await join(context, 'guesser', { code }))).toEqual(['tooManyCodes@code']);
    expect(must(await join(context, 'another', { code })).names).toBeDefined();
    const wrong = new WrongCodes();
    const waits = [0, 1, 2].map((more) => {
      for (let i = 0; i < (more === 0 ? 5 : 1); i++) wrong.wrong('x', 0);
      let waitMs = 0;
      while (!wrong.mayTry('x', waitMs)) waitMs += 1000;
      return waitMs;
    });
    expect(waits).toEqual([30_000, 60_000, 120_000]);
    // Many addresses that guess together are one who guesses.
    const many = new WrongCodes();
    for (let i = 0; i < 60; i++) many.wrong(`from ${i}`, 0);
    expect(many.mayTry('fresh', 1000)).toBe(false);
    expect(many.mayTry('fresh', 2 * 3_600_000)).toBe(true);
  });
});

describe('what somebody says on a day', () => {
  const said = (id: string, deed: Parameters<typeof recordEntries>[1]['entries'][number]['deed'], by = 'Ada') => ({
    id,
    atMs: NOW,
    by,
    deed,
  });
  const LEVER = {
    kind: 'revision' as const,
    lever: 'x',
    reason: 'y',
    changes: [{ what: 'setPoint' as const, pitId: 'offset', pitC: 130 }],
  };

  it('is said in their own name, and no more than is theirs', async () => {
    const eventId = await aBegunDay(context);
    const as = (role: 'watcher' | 'helper' | 'cook', name: string) => (entry: ReturnType<typeof said>) =>
      recordEntries(context, { eventId, entries: [entry], sender: { role, name } });
    const [looks, helps, cooks] = [as('watcher', 'Wim'), as('helper', 'Bo'), as('cook', 'Cy')];
    expect(codes(await looks(said('a', { kind: 'note', text: 'x' })))).toEqual(['notAllowed@entries.0.deed']);
    must(await helps(said('b', { kind: 'note', text: 'x' }, 'Ada')));
    expect((await loadEntries(eventId)).at(-1)).toMatchObject({ id: 'b', by: 'Bo' });
    expect(codes(await helps(said('c', LEVER)))).toEqual(['notAllowed@entries.0.deed']);
    must(await cooks(said('d', LEVER)));
    // A helper takes back what they said, and nobody else's.
    expect(codes(await helps(said('e', { kind: 'undo', entryId: 'd' })))).toEqual(['notAllowed@entries.0.deed']);
    must(await helps(said('f', { kind: 'undo', entryId: 'b' })));
    must(await cooks(said('g', { kind: 'undo', entryId: 'd' })));
    expect((await loadEntries(eventId)).map((each) => each.id)).toEqual([`${eventId}-started`, 'b', 'd', 'f', 'g']);
  });
});
