import type { CookEvent } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import type { DayInput } from '../inputs';
import { instantOf } from '../formats/clock';
import { changeSeen } from './changeEvent';
import type { Context } from './context';

/** The way there, the night's sleep, the weather and who is on duty. */
export const saveDay = (context: Context, input: DayInput): Promise<Outcome<CookEvent>> =>
  changeSeen(context, input, (event) => {
    const { driveMin, setUpMin, power, rules, quietFrom, quietTo, airC, windMPerS } = input;
    const problems: Problem[] = [];
    const instant = (date: string, time: string, path: string): number => {
      const at = instantOf(date, time, event.timeZone);
      if (!('problem' in at)) return at.ms;
      problems.push(at.problem === 'missing' ? { code: 'clockSkipsIt', path } : { code: 'noSuchDate', path });
      return 0;
    };
    const duty = input.duty.map(({ memberId, fromDate, fromTime, toDate, toTime }, i) => {
      const fromMs = instant(fromDate, fromTime, `duty.${i}.fromTime`);
      const toMs = instant(toDate, toTime, `duty.${i}.toTime`);
      if (problems.length === 0 && toMs <= fromMs) problems.push({ code: 'dutyReversed', path: `duty.${i}.toTime` });
      return { memberId, fromMs, toMs };
    });
    if (problems.length > 0) return failure(...problems);
    return success({
      ...event,
      duty,
      venue: { driveMin, setUpMin, power: power.trim(), rules: rules.trim(), quietFrom, quietTo },
      weather: { airC, windMPerS },
    });
  });
