import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET } from '../../../tests/fixtures/events';
import type { Remedy } from '../../core/planning';
import type { Units } from '../units';
import { messageContextOf } from './names';
import { conflictMessage, shortageMessage } from './shortage';

const METRIC: Units = { temp: 'C', mass: 'kg', clock: '24' };
const input = inputOf(
  eventOf([batchOf('brisket-whole', 4), batchOf('chicken-half', 20)], { pitIds: ['offset'], boxIds: ['box'] }),
  [OFFSET],
  [BOX],
);
const context = messageContextOf(input, METRIC);

describe('why there is no plan', () => {
  it('is said as proved only where it is, with where and when', () => {
    const room = {
      batchIds: ['chicken-half'],
      pitIds: ['offset'],
      fromMs: Date.UTC(2027, 5, 19, 17),
      toMs: Date.UTC(2027, 5, 19, 20),
      neededShare: 3.96,
    };
    const said = conflictMessage(context, { word: 'impossible', ids: ['chicken-half', 'offset'], room });
    expect(said).toMatch(
      /^These cannot all be on the offset between \d\d:\d\d and \d\d:\d\d: chicken halves\. They would fill 4 times .* That is proved\.$/,
    );
    expect(
      conflictMessage(context, { word: 'impossible', ids: ['chicken-half', 'offset'], room: { ...room, neededShare: 1.3 } }),
    ).toContain('130 % of');
    expect(conflictMessage(context, { word: 'impossible', ids: ['brisket-whole', 'dangerZone'] })).toBe(
      'Proved, no search can mend it: briskets, the time allowed in the danger zone cannot go together.',
    );
  });

  it('is said as tried, and for how long, where nothing is proved', () => {
    expect(conflictMessage(context, { word: 'noneFound', ids: ['brisket-whole', 'low'], tries: 2400 })).toBe(
      'Briskets could not be placed with the low rack even alone in 2,400 tries.',
    );
    const both = conflictMessage(context, { word: 'noneFound', ids: ['brisket-whole', 'chicken-half', 'box', 'offset'], tries: 2400 });
    expect(both).toMatch(
      /^These could not be placed together with .* in 2,400 tries of them alone: briskets and chicken halves\. That is no proof\.$/,
    );
    expect(conflictMessage(context, { word: 'noneFound', ids: [], tries: 312 })).toMatch(/in 312 tries\. That is no proof/);
  });
});

describe('what is short', () => {
  const remedy = (lever: Remedy['lever'], broken: number): Remedy => ({
    lever,
    solves: broken === 0,
    objective: [broken, 0, 0, 0, 0],
    onTimeShare: 0.9,
  });

  it('is one sentence of what would do, and nothing where nothing would', () => {
    const ranked = [
      remedy({ code: 'hirePits', pitId: 'offset', count: 1 }, 0),
      remedy({ code: 'both', first: { code: 'hireBoxes', count: 1 }, then: { code: 'fewerGuests', servingId: 'supper', guests: 20 } }, 0),
      remedy({ code: 'hireBoxes', count: 1 }, 2),
    ];
    const guests = input.event.servings[0]!.guests.adults + input.event.servings[0]!.guests.children;
    expect(shortageMessage(context, ranked, new Map())).toBe(
      `Any one of these would do: hire one more pit like the offset; or hire one insulated box of 110 l for holding, and 20 guests at supper in place of ${guests}.`,
    );
    expect(shortageMessage(context, ranked.slice(2), new Map())).toBeUndefined();
  });
});
