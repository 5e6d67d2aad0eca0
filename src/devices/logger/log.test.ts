import { describe, expect, it } from 'vitest';
import { guessColumns, readLog } from './log';

const NOW = Date.parse('2027-06-20T00:00:00Z');
const ZONE = 'America/Halifax';

describe('a logger’s file', () => {
  it('has its columns guessed: one for each channel, or one of channels', () => {
    expect(guessColumns('Time,Probe 1 (F),Probe 2 (F)\n')?.guess).toEqual({
      time: 'Time',
      temps: ['Probe 1 (F)', 'Probe 2 (F)'],
      unit: 'F',
    });
    expect(guessColumns('timestamp,channel,temp_c\n')?.guess).toEqual({
      time: 'timestamp',
      channel: 'channel',
      temps: ['temp_c'],
      unit: 'C',
    });
    expect(guessColumns('nothing')).toBeUndefined();
  });

  it('is read in its zone, in F or C, with silent channels left out', () => {
    const wide = readLog(
      'Time,A,B\n2027-06-19 05:00,250,\n2027-06-19 05:01:30,251,41\n',
      { time: 'Time', temps: ['A', 'B'], unit: 'F' },
      'box',
      ZONE,
      NOW,
    );
    expect(wide.refused).toEqual([]);
    expect(wide.readings).toHaveLength(3);
    expect(wide.readings[0]).toEqual({
      deviceId: 'box',
      channel: 'A',
      atMs: Date.parse('2027-06-19T05:00:00-03:00'),
      tempC: expect.closeTo(121.1, 1) as number,
    });
    const long = readLog('t,ch,v\n1813392000,1,"63,5"\n', { time: 't', channel: 'ch', temps: ['v'], unit: 'C' }, 'box', ZONE, NOW);
    expect(long.readings).toEqual([{ deviceId: 'box', channel: '1', atMs: 1_813_392_000_000, tempC: 63.5 }]);
  });

  it('names the lines it cannot use, and goes on', () => {
    const { readings, refused } = readLog(
      'Time,A\nsoon,100\n2027-06-19 05:00,warm\n2027-06-19 05:01,900\n2031-01-01 00:00,90\n2027-06-19 05:02,90\n',
      { time: 'Time', temps: ['A'], unit: 'C' },
      'box',
      ZONE,
      NOW,
    );
    expect(readings).toHaveLength(1);
    expect(refused.map((each) => each.line)).toEqual([2, 3, 4, 5]);
    expect(readLog('Time,A\n', { time: 'Zeit', temps: ['A'], unit: 'C' }, 'box', ZONE, NOW).refused).toEqual([
      { line: 1, reason: 'there is no column "Zeit"' },
    ]);
  });
});
