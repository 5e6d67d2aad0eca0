import { describe, expect, it } from 'vitest';
import { readMessage } from './payload';

const NOW = Date.parse('2027-06-19T08:00:00Z');
const read = (topic: string, payload: string) => readMessage('anachron', topic, new TextEncoder().encode(payload), NOW);

describe('a message of a broker', () => {
  it('is a reading in C or F, at an instant or now', () => {
    expect(read('anachron/hub/1', '{"c": 63.2}')).toEqual({ deviceId: 'hub', channel: '1', atMs: NOW, tempC: 63.2 });
    expect(read('anachron/hub/pit', '{"f": 250, "at": "2027-06-19T07:59:00Z"}')).toMatchObject({
      tempC: expect.closeTo(121.11, 2) as number,
      atMs: NOW - 60_000,
    });
    expect(read('anachron/hub/1', '71')).toMatchObject({ tempC: 71 });
  });

  it('says why it cannot be read', () => {
    for (const [topic, payload, why] of [
      ['anachron/hub', '1', /topic/],
      ['anachron//1', '1', /no name/],
      ['other/hub/1', '1', /topic/],
      ['anachron/hub/1', '{"c": 900}', /no temperature/],
      ['anachron/hub/1', '{"t": 9}', /neither/],
      ['anachron/hub/1', 'hot', /neither a number nor JSON/],
      ['anachron/hub/1', '{"c": 60, "at": "yesterday"}', /no instant/],
      ['anachron/hub/1', ' '.repeat(5000), /too long/],
    ] as const)
      expect(read(topic, payload), payload).toEqual({ refused: expect.stringMatching(why) as string });
  });
});
