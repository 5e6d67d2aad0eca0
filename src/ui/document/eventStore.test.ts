import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import { factsOf } from '../../../tests/fixtures/openDocument';
import { applyChanges, type Change } from '../../core/edits';
import type { CookEvent } from '../../core/model';
import { failure, success } from '../../core/outcome';
import { NewestAsk } from '../../workers/newestAsk';
import type { Answered, Versioned } from '../../workers/protocol';
import type { StoreDeps } from './documentState';
import { EventStore } from './eventStore';

const first = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 2)]);
const facts = factsOf(inputOf(first));

/** A server of one event, and a clock that is moved by hand. */
function house(options: { down?: boolean } = {}) {
  const world = { event: first, saves: [] as Change[][], down: options.down ?? false, waiting: [] as { run: () => void; ms: number }[] };
  const memory = new Map<string, string>();
  const deps: StoreDeps = {
    async save({ revision, changes }) {
      if (world.down) return failure({ code: 'unreachable', message: 'No answer.' });
      if (revision !== world.event.revision) return failure({ code: 'changedElsewhere', message: 'Changed elsewhere.' });
      const next = applyChanges(world.event, JSON.parse(JSON.stringify(changes)) as Change[]);
      if (!next.ok) return next;
      if (next.value.name === 'Refused') return failure({ code: 'noSuchName', message: 'Not that name.' });
      world.saves.push(changes);
      world.event = { ...next.value, revision: revision + 1 };
      return success({ event: JSON.parse(JSON.stringify(world.event)) as CookEvent, nowMs: SUPPER_MS - 1e9 });
    },
    read: async () => success({ event: world.event, facts }),
    later(run, ms) {
      const entry = { run, ms };
      world.waiting.push(entry);
      return () => void (world.waiting = world.waiting.filter((each) => each !== entry));
    },
    storage: {
      getItem: (key) => memory.get(key) ?? null,
      setItem: (key, value) => void memory.set(key, value),
      removeItem: (key) => void memory.delete(key),
    },
  };
  const open = () => new EventStore(world.event, facts, deps);
  return { world, deps, memory, open };
}
const named = (name: string) => (event: CookEvent) => ({ ...event, name });
const higher = (altitudeM: number) => (event: CookEvent) => ({ ...event, altitudeM });
const shown = (store: EventStore) => store.snapshot().event;

describe('the document of an event', () => {
  it('takes edits at once, one step each, and walks back and forth through all of them', () => {
    const store = house().open();
    for (const altitudeM of [10, 20, 30, 40, 50]) store.edit(higher(altitudeM), { undone: `${altitudeM} taken back` });
    expect(shown(store).altitudeM).toBe(50);
    expect([store.undo(), store.undo(), store.undo()]).toEqual(['50 taken back', '40 taken back', '30 taken back']);
    expect(shown(store).altitudeM).toBe(20);
    store.redo();
    expect(shown(store).altitudeM).toBe(30);
    store.edit(named('Other'), { undone: '' });
    expect(store.snapshot()).toMatchObject({ canUndo: true, canRedo: false });
    while (store.undo() !== undefined);
    expect(shown(store)).toEqual({ ...first, altitudeM: first.altitudeM });
  });

  it('counts typing on in one field as one step, until there is a pause or another field', () => {
    const { world, open } = house();
    const store = open();
    for (const name of ['S', 'Su', 'Sup']) store.edit(named(name), { undone: 'name', key: 'name' });
    store.edit(higher(5), { undone: 'altitude', key: 'altitude' });
    store.edit(named('Supper'), { undone: 'name again', key: 'name' });
    world.waiting.find((each) => each.ms > 1000)!.run();
    store.edit(named('Supper!'), { undone: 'after the pause', key: 'name' });
    expect([store.undo(), store.undo(), store.undo(), store.undo(), store.undo()]).toEqual([
      'after the pause',
      'name again',
      'altitude',
      'name',
      undefined,
    ]);
    expect(shown(store).name).toBe(first.name);
  });

  it('saves what differs from what was saved, in the order it was done, with the revision it saw', async () => {
    const { world, open } = house();
    const store = open();
    store.edit(named('A'), { undone: '' });
    const saving = store.save();
    store.edit(higher(77), { undone: '' });
    await saving;
    expect(world.saves).toEqual([[{ path: ['name'], from: first.name, to: 'A' }], [{ path: ['altitudeM'], from: 20, to: 77 }]]);
    expect(store.snapshot()).toMatchObject({ saving: { state: 'saved' }, event: { revision: 3, name: 'A', altitudeM: 77 } });
  });

  it('does not count a new revision as another version: nothing is planned again for it', async () => {
    const store = house().open();
    store.edit(named('A'), { undone: '' });
    const { version } = store.snapshot();
    await store.save();
    expect(store.snapshot().version).toBe(version);
  });

  it('refuses what breaks the event’s own rules, and changes nothing', () => {
    const store = house().open();
    const late = store.edit((event) => ({ ...event, servings: event.servings.map((each) => ({ ...each, atMs: 5 })) }), { undone: '' });
    expect(late).toMatchObject({ ok: false, problems: [{ code: 'servingInPast' }] });
    expect(store.snapshot()).toMatchObject({ version: 1, canUndo: false });
  });

  it('puts together what two people changed in different places, without asking', async () => {
    const { world, open } = house();
    const [mine, theirs] = [open(), open()];
    theirs.edit((event) => ({ ...event, name: 'Theirs', batches: event.batches.slice(1) }), { undone: '' });
    await theirs.save();
    mine.edit(higher(5), { undone: '' });
    mine.edit(higher(7), { undone: 'back to 5' });
    await mine.save();
    expect(mine.snapshot().saving).toEqual({ state: 'saved' });
    expect(world.event).toMatchObject({ name: 'Theirs', altitudeM: 7 });
    expect(world.event.batches).toHaveLength(1);
    // What was done here can still be taken back, and only that.
    mine.undo();
    await mine.save();
    expect(world.event).toMatchObject({ name: 'Theirs', altitudeM: 5 });
  });

  it('tells what both changed, with both values, and saves what is chosen of each', async () => {
    const { world, open } = house();
    const [mine, theirs] = [open(), open()];
    theirs.edit((event) => ({ ...event, name: 'Theirs', confidence: 0.8 }), { undone: '' });
    await theirs.save();
    mine.edit((event) => ({ ...event, name: 'Mine', altitudeM: 5 }), { undone: '' });
    await mine.save();
    expect(mine.snapshot()).toMatchObject({
      saving: { state: 'stale', conflicts: [{ change: { path: ['name'], to: 'Mine' }, theirs: 'Theirs', gone: false }] },
      event: { name: 'Mine', altitudeM: 5 },
    });
    expect(world.event).toMatchObject({ name: 'Theirs', confidence: 0.8 });
    await mine.settle(() => false);
    expect(mine.snapshot().saving).toEqual({ state: 'saved' });
    expect(world.event).toMatchObject({ name: 'Theirs', confidence: 0.8, altitudeM: 5 });

    theirs.edit(named('Again'), { undone: '' });
    await theirs.save();
    // They had seen nothing of it: their own was the last that they knew, and altitude and name are two things.
    expect(world.event).toMatchObject({ name: 'Again', altitudeM: 5 });
    mine.edit(named('Mine once more'), { undone: '' });
    await mine.save();
    expect(mine.snapshot().saving.state).toBe('stale');
    await mine.settle(() => true);
    expect(world.event).toMatchObject({ name: 'Mine once more', altitudeM: 5 });
  });

  it('asks once more when it was changed once more while it asked, and lets go what was taken away', async () => {
    const { world, open } = house();
    const [mine, theirs] = [open(), open()];
    theirs.edit((event) => ({ ...event, batches: event.batches.slice(1) }), { undone: '' });
    await theirs.save();
    mine.edit((event) => ({ ...event, batches: event.batches.map((each, i) => (i === 0 ? { ...each, pitC: 140 } : each)) }), {
      undone: '',
    });
    await mine.save();
    expect(mine.snapshot().saving).toMatchObject({ state: 'stale', conflicts: [{ gone: true }] });
    theirs.edit((event) => ({ ...event, batches: event.batches.map((each) => ({ ...each, pitC: 130 })) }), { undone: '' });
    await theirs.save();
    await mine.settle(() => true);
    expect(mine.snapshot().saving).toEqual({ state: 'saved' });
    expect(shown(mine).batches).toEqual(world.event.batches);
    expect(world.event.batches).toHaveLength(1);
  });

  it('keeps what could not be sent, tries again, and takes it up when the page is loaded again', async () => {
    const { world, memory, open } = house({ down: true });
    const store = open();
    store.edit(named('Kept'), { undone: '' });
    await store.save();
    expect(store.snapshot()).toMatchObject({ saving: { state: 'failed' }, event: { name: 'Kept' } });
    expect(memory.size).toBe(1);
    const reloaded = open();
    expect(shown(reloaded).name).toBe(first.name);
    void reloaded.resume();
    expect(shown(reloaded).name).toBe('Kept');
    world.down = false;
    await reloaded.save();
    expect(world.event.name).toBe('Kept');
    expect([...memory.keys()]).toEqual([`anachron/newest/${first.id}`]);
  });

  it('catches up with what the page before saved while this one was being made', async () => {
    const { world, open } = house();
    const leaving = open();
    const reloaded = open();
    leaving.edit(named('Typed'), { undone: '' });
    await leaving.save();
    await reloaded.resume();
    expect(shown(reloaded)).toMatchObject({ name: 'Typed', revision: world.event.revision });
    reloaded.edit(higher(9), { undone: '' });
    await reloaded.save();
    expect(reloaded.snapshot().saving).toEqual({ state: 'saved' });
    expect(world.event).toMatchObject({ name: 'Typed', altitudeM: 9 });
  });

  it('knows its own last words when they arrived before the page did', async () => {
    const { world, open } = house();
    const leaving = open();
    leaving.edit(named('Typed'), { undone: '' });
    const reloaded = open();
    await leaving.save();
    reloaded.edit(named('Typed'), { undone: '' });
    reloaded.edit(higher(9), { undone: '' });
    await reloaded.save();
    expect(reloaded.snapshot().saving).toEqual({ state: 'saved' });
    expect(world.event).toMatchObject({ name: 'Typed', altitudeM: 9 });
  });

  it('goes back to what was saved when the server will not have it, and says why', async () => {
    const store = house().open();
    store.edit(higher(9), { undone: '' });
    await store.save();
    store.edit(named('Refused'), { undone: '' });
    await store.save();
    expect(store.snapshot()).toMatchObject({
      saving: { state: 'failed', message: 'Not that name.' },
      event: { name: first.name, altitudeM: 9 },
    });
    expect(store.undo()).toBeDefined();
    expect(shown(store).altitudeM).toBe(first.altitudeM);
  });

  it('takes just one step back though others came after it', () => {
    const store = house().open();
    store.edit(named('A'), { undone: 'name back' });
    const step = store.lastStep;
    store.edit(higher(9), { undone: '' });
    expect(store.undoStep(step)).toBe('name back');
    expect(shown(store)).toMatchObject({ name: first.name, altitudeM: 9 });
    store.undo();
    expect(shown(store)).toMatchObject({ name: 'A', altitudeM: 9 });
  });
});

describe('what an edit costs', () => {
  /** A worker that answers when it is let. */
  function worker() {
    const open: (() => void)[] = [];
    const send = (request: Versioned<'curve'>) =>
      new Promise<Answered<'curve'>>((resolve) => open.push(() => resolve({ version: request.version, answer: undefined })));
    return { asks: new NewestAsk<'curve'>(send), answerAll: () => open.splice(0).forEach((answer) => answer()), open };
  }
  const turn = () => new Promise((resolve) => setTimeout(resolve, 0));

  it('is one plan and one curve; a burst costs no more than the one under way and the last', async () => {
    const { asks, answerAll } = worker();
    const one = asks.ask({ version: 1, kind: 'curve', ask: { runId: 'a' } });
    await turn();
    answerAll();
    await one;
    expect(asks.sent).toBe(1);
    const burst = [2, 3, 4, 5, 6].map((version) => asks.ask({ version, kind: 'curve', ask: { runId: 'a' } }));
    await turn();
    answerAll();
    await turn();
    answerAll();
    await Promise.all(burst);
    expect(asks.sent).toBe(3);
  });
});
