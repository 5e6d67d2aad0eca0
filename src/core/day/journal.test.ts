import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallSupper } from '../../../tests/fixtures/day';
import { keptDayOf } from '../../../tests/fixtures/livedDay';
import { admit, admitAll, emptyJournal, foldDay, pieceKey, PIECE_STEPS, type Deed, type Entry } from './index';

const kept = keptDayOf(smallSupper());
const START = kept.plan.firings[0]!.lightAtMs;
const KEYS = kept.plan.runs.flatMap((run) => run.pieceIds.map((id) => pieceKey(run.batchId, id)));
const entry = (id: string, atMin: number, deed: Deed, more: Partial<Entry> = {}): Entry => ({
  id,
  atMs: START + atMin * 60_000,
  by: 'Ada',
  source: 'crew',
  deed,
  ...more,
});
const on = (id: string, atMin: number, key: string) => entry(id, atMin, { kind: 'piece', pieces: [key], step: 'on' });
const [FIRST, SECOND] = [KEYS[0]!, KEYS[1]!];

const anyDeed: fc.Arbitrary<Deed> = fc.oneof(
  fc.record({ kind: fc.constant('piece' as const), pieces: fc.subarray(KEYS, { minLength: 1 }), step: fc.constantFrom(...PIECE_STEPS) }),
  fc.record({
    kind: fc.constant('reading' as const),
    piece: fc.constantFrom(...KEYS),
    spot: fc.constant('thickest' as const),
    coreC: fc.double({ min: 0, max: 100, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('checked' as const),
    piece: fc.constantFrom(...KEYS),
    feel: fc.constantFrom('tight' as const, 'tender' as const),
  }),
  fc.record({
    kind: fc.constant('task' as const),
    taskId: fc.constantFrom(...kept.plan.tasks.map((task) => task.id)),
    did: fc.constantFrom('done' as const, 'skipped' as const, 'notYet' as const, 'again' as const),
  }),
  fc.record({
    kind: fc.constant('pit' as const),
    pitId: fc.constant('offset'),
    did: fc.constantFrom('lit' as const, 'setPoint' as const, 'fuelled' as const),
    pitC: fc.constantFrom(121, 135),
  }),
  fc.record({
    kind: fc.constant('day' as const),
    did: fc.constantFrom('started' as const, 'paused' as const, 'resumed' as const, 'ended' as const),
  }),
  fc.record({
    kind: fc.constant('alarm' as const),
    causeId: fc.constantFrom('a', 'b'),
    did: fc.constantFrom('raised' as const, 'acknowledged' as const, 'cleared' as const),
  }),
  fc.record({ kind: fc.constant('undo' as const), entryId: fc.nat(30).map((n) => `e${n}`) }),
);
const anyJournal = fc
  .array(fc.tuple(anyDeed, fc.integer({ min: 0, max: 900 }), fc.constantFrom('crew' as const, 'sensor' as const)), {
    minLength: 1,
    maxLength: 30,
  })
  .map((rows) => rows.map(([deed, atMin, source], i) => entry(`e${i}`, atMin, deed, { source })));

describe('the journal of a day', () => {
  it('folds to the same state in whatever order its entries arrive, once or twice', () => {
    fc.assert(
      fc.property(anyJournal, fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (entries, chance) => {
        const folded = foldDay(kept, entries);
        const shuffled = entries
          .flatMap((each) => (chance.next().value < 0.2 ? [each, each] : [each]))
          .map((each) => ({ each, at: chance.next().value }))
          .sort((a, b) => a.at - b.at)
          .map(({ each }) => each);
        expect(admitAll(kept, emptyJournal(kept), shuffled).journal.state).toEqual(folded);
        expect(foldDay(kept, shuffled)).toEqual(folded);
      }),
      { numRuns: 150 },
    );
  });

  it('is replayed to the same state, whatever was said on the way', () => {
    fc.assert(
      fc.property(anyJournal, (entries) => {
        const live = admitAll(kept, emptyJournal(kept), entries).journal;
        expect(foldDay(kept, JSON.parse(JSON.stringify(live.entries)) as Entry[])).toEqual(JSON.parse(JSON.stringify(live.state)));
      }),
      { numRuns: 50 },
    );
  });

  it('takes back what a person did, and that again; never what a device read', () => {
    const first = [on('1', 0, FIRST), entry('2', 5, { kind: 'undo', entryId: '1' })];
    expect(foldDay(kept, first).pieces[FIRST]!.onAtMs).toBeUndefined();
    expect(foldDay(kept, [...first, entry('3', 6, { kind: 'undo', entryId: '2' })]).pieces[FIRST]!.onAtMs).toBe(START);
    const read = entry('4', 7, { kind: 'reading', piece: FIRST, spot: 'thickest', coreC: 20 }, { source: 'sensor' });
    const undone = admitAll(kept, emptyJournal(kept), [on('1', 0, FIRST), read, entry('5', 8, { kind: 'undo', entryId: '4' })]);
    expect(undone.journal.state.pieces[FIRST]!.readings).toHaveLength(1);
    expect(undone.effects).toContainEqual({ kind: 'ignored', entryId: '5', why: 'notYours' });
  });

  it('says when a late entry changed a conclusion, and not when it only adds to it', () => {
    const { journal } = admitAll(kept, emptyJournal(kept), [
      on('1', 0, FIRST),
      entry('2', 300, { kind: 'piece', pieces: [FIRST], step: 'wrapped', wrap: 'foil' }),
    ]);
    const quiet = admit(kept, journal, entry('3', 100, { kind: 'reading', piece: FIRST, spot: 'thickest', coreC: 40 }));
    expect(quiet.effects.some((effect) => effect.kind === 'changedConclusion')).toBe(false);
    const late = admit(kept, journal, entry('4', 240, { kind: 'piece', pieces: [FIRST, SECOND], step: 'pulled', coreC: 96 }));
    expect(late.effects).toContainEqual(
      expect.objectContaining({ kind: 'changedConclusion', entryId: '4', what: [expect.objectContaining({ about: 'piece', key: FIRST })] }),
    );
  });

  it('lets the pieces of a batch part ways, and counts a task as done once the last has taken its step', () => {
    const wrap = kept.plan.tasks.find((task) => task.kind === 'wrap')!;
    const alone = foldDay(kept, [
      on('1', 0, FIRST),
      on('2', 0, SECOND),
      entry('3', 200, { kind: 'piece', pieces: [FIRST], step: 'wrapped' }),
    ]);
    expect([alone.pieces[FIRST]!.wrappedAtMs, alone.pieces[SECOND]!.wrappedAtMs]).toEqual([START + 200 * 60_000, undefined]);
    const both = foldDay(kept, [
      on('1', 0, FIRST),
      on('2', 0, SECOND),
      entry('3', 200, { kind: 'piece', pieces: [FIRST], step: 'wrapped' }),
      entry('4', 230, { kind: 'task', taskId: wrap.id, did: 'done' }),
    ]);
    // What was wrapped before stays wrapped when it was.
    expect([both.pieces[FIRST]!.wrappedAtMs, both.pieces[SECOND]!.wrappedAtMs]).toEqual([START + 200 * 60_000, START + 230 * 60_000]);
  });

  it('keeps what it does not know, and counts it for nothing', () => {
    const { journal, effects } = admitAll(kept, emptyJournal(kept), [
      on('1', 0, 'nobody/none'),
      entry('2', 1, { kind: 'task', taskId: 'no', did: 'done' }),
    ]);
    expect(journal.entries).toHaveLength(2);
    expect(effects.map((effect) => effect.kind === 'ignored' && effect.why)).toEqual(['noSuchPiece', 'noSuchTask']);
  });

  it('rings once for one cause until it was over', () => {
    const alarm = (id: string, atMin: number, did: 'raised' | 'acknowledged' | 'cleared') =>
      entry(id, atMin, { kind: 'alarm', causeId: 'pitLow/offset', did }, { source: 'house' });
    const { alarms } = foldDay(kept, [alarm('1', 0, 'raised'), alarm('2', 1, 'raised'), alarm('3', 2, 'acknowledged')]);
    expect(alarms['pitLow/offset']).toMatchObject({ raisedAtMs: START, acknowledgedAtMs: START + 120_000 });
    const again = foldDay(kept, [alarm('1', 0, 'raised'), alarm('2', 1, 'cleared'), alarm('3', 5, 'raised')]).alarms;
    expect(again['pitLow/offset']).toMatchObject({ raisedAtMs: START + 300_000 });
    expect(again['pitLow/offset']!.acknowledgedAtMs).toBeUndefined();
  });
});
