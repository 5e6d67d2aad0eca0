import fc from 'fast-check';
import { format, resolveConfig } from 'prettier';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { DEFAULT_VENUE, MILD_DAY, type CookEvent } from '../../src/core/model';
import { eventFileOf, readEventFile, sameOnPaper, unpacked, writeEventFile } from '../../src/formats/open';
import { eventFileSchema } from '../../src/runtime/eventFileSchema';
import { wholeEvent } from '../fixtures/wholeEvents';

const NOW_MS = Date.parse('2027-06-18T12:00:00-03:00');

/** Where an event says nothing and where it says what is usual anyway are one and the same in a file. */
function asUsual({ id: _, venue, weather, ...event }: CookEvent) {
  const usualVenue = venue ?? DEFAULT_VENUE;
  return { ...event, venue: { ...usualVenue }, weather: weather ?? MILD_DAY };
}
const usual = (event: CookEvent) => asUsual(event);

describe('an event file', () => {
  it('holds all of an event: out and in are equal, whatever the owner filled in', () => {
    fc.assert(
      fc.property(wholeEvent, ({ event, equipment, own, library }) => {
        const text = writeEventFile(eventFileOf(event, { equipment, library }, NOW_MS));
        const reading = readEventFile(text);
        if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
        const back = unpacked(reading.value);
        expect(JSON.stringify(differences(usual(event), usual(back.event)))).toBe('[]');
        // What it rests on came along in the same words.
        for (const kind of ['boxes', 'warmers'] as const) expect(sameOnPaper(back.equipment[kind], equipment[kind])).toBe(true);
        for (const pit of back.equipment.pits)
          expect(
            differences(
              equipment.pits.find(({ id }) => id === pit.id),
              pit,
            ),
          ).toEqual([]);
        for (const member of back.equipment.crew)
          expect(
            sameOnPaper(
              member,
              equipment.crew.find(({ id }) => id === member.id),
            ),
          ).toBe(true);
        for (const kind of ['cuts', 'methods', 'recipes'] as const)
          for (const entry of back.library[kind])
            expect(
              differences(
                library[kind].find(({ id }) => id === entry.id),
                entry,
              ),
            ).toEqual([]);
        expect(back.library.cuts.length).toBeLessThanOrEqual(own.cuts.length);
        const again = eventFileOf(back.event, { equipment: back.equipment, library: { ...library, ...back.library } }, NOW_MS);
        expect(writeEventFile(again).length).toBe(text.length);
        // Written down years before its day it is read all the same.
        expect(readEventFile(writeEventFile(eventFileOf(event, { equipment, library }, NOW_MS - 5 * 366 * 86_400_000))).ok).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it('has what is hired for an event among its pits, boxes and crew, and its warmers as hot as it wants them', () => {
    const [{ event, equipment, library }] = fc.sample(wholeEvent, { numRuns: 1, seed: 7 }) as [
      typeof wholeEvent extends fc.Arbitrary<infer T> ? T : never,
    ];
    const [like] = event.pitIds;
    const [warmer] = equipment.warmers;
    const hand = { id: 'hand-1', name: 'Hired hand' };
    const hired: CookEvent = {
      ...event,
      pitIds: [...event.pitIds, 'pit-hired-1'],
      boxIds: [...event.boxIds, 'box-hired-1'],
      duty: [{ memberId: hand.id, fromMs: event.servings[0]!.atMs - 3_600_000, toMs: event.servings[0]!.atMs }],
      hired: {
        pits: [{ id: 'pit-hired-1', like: like! }],
        boxes: [{ id: 'box-hired-1', name: 'Box, hired', litres: 110, lossWPerK: 0.7, hired: true }],
        hands: [hand],
      },
      ...(warmer && { holdSetPoints: [{ gearId: warmer.id, setC: 71 }] }),
    };
    const reading = readEventFile(writeEventFile(eventFileOf(hired, { equipment, library }, NOW_MS)));
    if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
    const back = unpacked(reading.value);
    expect(back.equipment.pits.map((pit) => pit.id)).toContain('pit-hired-1');
    expect(back.equipment.boxes.map((box) => box.id)).toContain('box-hired-1');
    expect(back.equipment.crew).toContainEqual(hand);
    expect(back.event.hired).toBeUndefined();
    if (warmer) expect(back.equipment.warmers.find(({ id }) => id === warmer.id)!.setC).toBe(71);
  });

  it('has the schema that the classes make', async () => {
    const path = 'docs/formats/event.schema.json';
    const made = await format(JSON.stringify(eventFileSchema()), { ...(await resolveConfig(path)), filepath: path });
    expect(made).toBe(readFileSync(path, 'utf8'));
  });
});

/** Paths at which two things differ on paper. */
function differences(a: unknown, b: unknown, path = '$'): string[] {
  if (sameOnPaper(a, b)) return [];
  const isParts = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;
  if (!isParts(a) || !isParts(b)) return [`${path}: ${JSON.stringify(a)} and ${JSON.stringify(b)}`];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) => differences(a[key], b[key], `${path}.${key}`));
}
