import { describe, expect, it } from 'vitest';
import { DateTime } from 'luxon';
import { demoDayMs } from '../../demo/fill';
import { DEMO_EVENT } from '../../demo/gannetPoint';

describe('the day of the demo', () => {
  it('is a Saturday three weeks ahead or more, and never among the holidays at the turn of the year', () => {
    for (let day = 0; day < 400; day++) {
      const now = DateTime.fromISO('2026-01-01T15:00', { zone: DEMO_EVENT.timeZone }).plus({ days: day });
      const chosen = DateTime.fromMillis(demoDayMs(now.toMillis()), { zone: DEMO_EVENT.timeZone });
      expect(chosen.weekday).toBe(6);
      const ahead = chosen.startOf('day').diff(now.startOf('day'), 'days').days;
      expect(ahead).toBeGreaterThanOrEqual(21);
      expect(ahead).toBeLessThan(21 + 7 + 28);
      const { month, day: date } = chosen;
      expect((month === 12 && date >= 18) || (month === 1 && date <= 8), chosen.toISODate()!).toBe(false);
    }
  });
});
