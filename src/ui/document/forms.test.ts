import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf } from '../../../tests/fixtures/events';
import { factsOf, STILL } from '../../../tests/fixtures/openDocument';
import { briefOf } from '../../document';
import { documentActions } from './documentActions';
import { EventStore } from './eventStore';
import { FORM_NAMES } from './formNames';
import { FORMS } from './forms';

const event = eventOf([batchOf('brisket-whole', 2), batchOf('pork-butt', 3)], { pitIds: ['offset', 'oven'] });
const open = () => {
  const store = new EventStore(event, factsOf(inputOf(event)), STILL);
  return { store, actions: documentActions(store), shown: () => store.snapshot().event };
};
const brief = (change: object) => ({ ...briefOf(event), ...change });

describe('the forms of an event', () => {
  it('are all there by name, each with its class, its edit and what is said when it is taken back', () => {
    expect(Object.keys(FORMS)).toEqual([...FORM_NAMES]);
    expect(Object.keys(open().actions)).toEqual([...FORM_NAMES]);
    for (const { schema, undone } of Object.values(FORMS)) {
      expect(schema).toBeTypeOf('function');
      expect(undone).toMatch(/\.$/);
    }
  });

  it('refuse what the class does not allow, in words at its field, and change nothing', async () => {
    const { actions, shown, store } = open();
    const outcome = await actions.saveBrief(brief({ altitudeM: 'high' }));
    expect(outcome).toMatchObject({ ok: false, problems: [{ path: 'altitudeM' }] });
    expect(!outcome.ok && outcome.problems[0]!.message).toMatch(/\w/);
    expect(await actions.saveBrief({ ...brief({}), surprise: 1 })).toMatchObject({ ok: false });
    expect(await actions.saveBrief(null)).toMatchObject({ ok: false, problems: [{ code: 'notAnObject' }] });
    expect(shown()).toBe(event);
    expect(store.snapshot().canUndo).toBe(false);
  });

  it('take what is right at once, as one step each, and say what is taken back', async () => {
    const { actions, shown, store } = open();
    await actions.saveBrief(brief({ name: 'Other' }));
    await actions.markStep({ batchId: 'pork-butt', kind: 'trim', done: true });
    expect(shown()).toMatchObject({ name: 'Other', batches: [{}, { prep: { done: ['trim'] } }] });
    expect([store.undo(), store.undo(), store.undo()]).toEqual(['The step is as before.', 'The brief is as before.', undefined]);
    expect(shown()).toEqual(event);
  });

  it('are done in the order they were asked for, though each is waited for', async () => {
    const { actions, shown } = open();
    await Promise.all(['A', 'B', 'C'].map((name) => actions.saveBrief(brief({ name }))));
    expect(shown().name).toBe('C');
  });

  it('count typing in one field as one step', async () => {
    const { actions, shown, store } = open();
    for (const name of ['S', 'Su', 'Sup']) await actions.saveBrief(brief({ name }), { key: 'brief/name' });
    await actions.saveBrief(brief({ name: 'Sup', altitudeM: 99 }), { key: 'brief/altitudeM' });
    store.undo();
    expect(shown()).toMatchObject({ name: 'Sup', altitudeM: event.altitudeM });
    store.undo();
    expect(shown()).toEqual(event);
  });

  it('say a problem of the event where its form has it', async () => {
    const { actions } = open();
    const [serving] = briefOf(event).servings;
    const unknown = { ...serving!, batches: serving!.batches.map((batch, i) => (i === 1 ? { ...batch, cutId: 'unicorn' } : batch)) };
    const outcome = await actions.saveBrief(brief({ servings: [unknown] }));
    expect(!outcome.ok && outcome.problems.map(({ path }) => path)).toEqual(['servings.0.batches.1.cutId']);
  });
});
