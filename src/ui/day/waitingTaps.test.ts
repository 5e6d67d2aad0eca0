import { describe, expect, it } from 'vitest';
import type { Deed } from '../../core/day';
import type { DayScreen } from './dayScreen';
import { instantOf, withWaiting, type Tap } from './waitingTaps';

const tap = (deed: Deed, id = 'a'): Tap => ({ id, atMs: 1000, madeMs: 1000, by: 'Ada', deed });
const day = {
  tasks: [
    { id: 'light', status: 'due' },
    { id: 'load', status: 'waiting', clash: { memberId: 'ada', taskId: 'light' } },
    { id: 'spray', status: 'waiting', clash: { memberId: 'bo', taskId: 'load' } },
  ],
  alarms: [{ causeId: 'pitLow/offset' }],
  pieces: [{ key: 'butt/1', last: { atMs: 1, tempC: 20 }, lastLeftOut: true }, { key: 'butt/2' }],
  pits: [{ pitId: 'offset' }],
} as unknown as DayScreen;

describe('what waits on a phone', () => {
  it('is done already on its own screen, and nothing else is', () => {
    const seen = withWaiting(day, [
      tap({ kind: 'task', taskId: 'light', did: 'done' }),
      tap({ kind: 'alarm', causeId: 'pitLow/offset', did: 'acknowledged' }, 'b'),
      tap({ kind: 'reading', piece: 'butt/1', spot: 'thickest', coreC: 61 }, 'c'),
      tap({ kind: 'piece', pieces: ['butt/2'], step: 'pulled' }, 'd'),
      tap({ kind: 'pitReading', pitId: 'offset', pitC: 120 }, 'e'),
      tap({ kind: 'note', text: 'gulls' }, 'f'),
    ]);
    expect(seen.tasks.map((task) => task.status)).toEqual(['done', 'waiting', 'waiting']);
    expect(seen.tasks.map((task) => task.clash?.taskId)).toEqual([undefined, undefined, 'load']);
    expect(seen.alarms[0]).toMatchObject({ acknowledgedAtMs: 1000, acknowledgedBy: 'Ada' });
    expect(seen.pieces[0]).toMatchObject({ last: { atMs: 1000, tempC: 61 }, lastLeftOut: false });
    expect(seen.pieces[1]).toMatchObject({ step: 'pulled', pulledAtMs: 1000 });
    expect(seen.pits[0]!.last!.tempC).toBe(120);
    expect(withWaiting(day, [])).toBe(day);
  });

  it('is not done when it was taken back before it was sent', () => {
    const taps = [tap({ kind: 'task', taskId: 'light', did: 'done' }), tap({ kind: 'undo', entryId: 'a' }, 'b')];
    expect(withWaiting(day, taps).tasks).toEqual(day.tasks);
  });

  it('keeps its instant by what went by since, whatever the phone thought the time was', () => {
    const now = { dayMs: 10_000_000, hereMs: 61_000, speed: 1 };
    expect(instantOf({ ...tap({ kind: 'note', text: '' }), atMs: 77 }, now)).toBe(10_000_000 - 60_000);
    expect(instantOf(tap({ kind: 'note', text: '' }), { ...now, speed: 600 })).toBe(10_000_000 - 36_000_000);
    // A clock that was set back says nothing of the future.
    expect(instantOf(tap({ kind: 'note', text: '' }), { ...now, hereMs: 0 })).toBe(10_000_000);
  });
});
