import { describe, expect, it } from 'vitest';
import { SHIPPED_LIBRARY } from '../../core/model';
import { batchOf, eventOf, OFFSET } from '../../../tests/fixtures/events';
import { messageContextOf, pieceTag } from './names';

describe('piece tags', () => {
  it('are unlike any other of the event and never an id, however many batches share their letters', () => {
    const batches = Array.from({ length: 40 }, (_, i) => ({ ...batchOf('brisket-whole', 1), id: `a7f3${i}e9-uuid` }));
    const event = eventOf(batches);
    const context = messageContextOf(
      { event, pits: [OFFSET], boxes: [], library: SHIPPED_LIBRARY },
      { temp: 'F', mass: 'lb', clock: '24' },
    );
    const tags = batches.map((batch) => pieceTag(context, batch.id, 0));
    expect(new Set(tags).size).toBe(40);
    for (const tag of tags) expect(tag).toMatch(/^[A-Z]{1,2}1$/);
    expect(tags[0]).toBe('B1');
  });

  it('stand for a dish whose name has no letter of the alphabet', () => {
    const dish = { ...batchOf('pan-dish', 1), label: '豆' };
    const context = messageContextOf(
      { event: eventOf([dish]), pits: [OFFSET], boxes: [], library: SHIPPED_LIBRARY },
      { temp: 'C', mass: 'kg', clock: '24' },
    );
    expect(pieceTag(context, dish.id, 2)).toMatch(/^[A-Z]{1,2}3$/);
  });
});
