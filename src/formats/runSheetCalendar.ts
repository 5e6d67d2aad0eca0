import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { DateTime } from 'luxon';
import { placesOf, type Plan, type Task } from '../core/model';
import { clockChanges } from './clock';
import { placeName, type MessageContext } from './messages/names';
import { taskMessage } from './messages/task';

/** Minutes of warning before a task, by what it takes to get ready for it. */
const ALARM_MIN: Partial<Record<Task['kind'], number>> = {
  light: 10,
  load: 15,
  wrap: 10,
  move: 10,
  check: 5,
  carve: 10,
  serve: 30,
  drive: 20,
  setUp: 10,
};

/**
 * The run sheet as an iCalendar file (RFC 5545): times in the event's zone with its VTIMEZONE,
 * an alarm where hands must be ready, and a UID per deed that stays the same when its time moves.
 */
export function runSheetCalendar(messageContext: MessageContext, plan: Plan, stampMs: number): string {
  const { event } = messageContext;
  const times = plan.tasks.map((task) => task.atMs);
  const calendar = ical({
    name: printable(event.name),
    prodId: { company: 'Anachron', product: 'Run sheet', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    timezone: { name: null, generator: (zone) => vtimezone(zone, Math.min(...times, stampMs), Math.max(...times, stampMs)) },
  });
  // With one place the event's own address says more.
  const whereOf = (task: Task) => (placesOf(event).length > 1 && task.placeId ? placeName(messageContext, task.placeId) : event.place);
  for (const task of plan.tasks) {
    const words = taskMessage(messageContext, task, plan.runs);
    const zone = comesTwice(task.atMs, event.timeZone) ? 'UTC' : event.timeZone;
    const start = DateTime.fromMillis(task.atMs, { zone });
    const entry = calendar.createEvent({
      id: `${event.id}-${task.id.replace(/[^A-Za-z0-9.-]/g, '-')}@anachron`,
      sequence: event.revision,
      stamp: DateTime.fromMillis(stampMs, { zone: 'utc' }),
      start,
      end: start.plus({ minutes: Math.max(1, Math.round(task.minutes)) }),
      timezone: zone,
      summary: printable(words.title),
      description: printable(words.detail),
      location: printable(whereOf(task)) || undefined,
    });
    const alarmMin = ALARM_MIN[task.kind];
    if (alarmMin !== undefined)
      entry.createAlarm({ type: ICalAlarmType.display, triggerBefore: alarmMin * 60, description: printable(words.title) });
  }
  return calendar.toString();
}

/** Without the signs that part lines: what a person typed stays within its own line. */
const printable = (text: string): string => text.replaceAll(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u2028\u2029]/g, ' ');

/** In autumn an hour of clock times comes twice, and readers disagree which is meant: it is written in UTC. */
const comesTwice = (atMs: number, zone: string): boolean => DateTime.fromMillis(atMs, { zone }).getPossibleOffsets().length > 1;

const pad = (value: number) => String(value).padStart(2, '0');
const offset = (minutes: number) => `${minutes < 0 ? '-' : '+'}${pad(Math.floor(Math.abs(minutes) / 60))}${pad(Math.abs(minutes) % 60)}`;

/**
 * A VTIMEZONE that states each change of the zone's clocks around the file's times one by one.
 * A start before the first change carries the offset in force then.
 */
function vtimezone(zone: string, fromMs: number, toMs: number): string {
  const startMs = DateTime.fromMillis(fromMs).minus({ years: 1 }).toMillis();
  const endMs = DateTime.fromMillis(toMs).plus({ years: 1 }).toMillis();
  const opening = DateTime.fromMillis(startMs, { zone });
  const observances = [
    { at: opening, fromMin: opening.offset, toMin: opening.offset },
    // DTSTART of an observance is the clock time that was showing when the clocks changed.
    ...clockChanges(startMs, endMs, zone).map((change) => ({
      at: DateTime.fromMillis(change.atMs, { zone: 'utc' }).plus({ minutes: change.beforeMin }),
      fromMin: change.beforeMin,
      toMin: change.offsetMin,
    })),
  ];
  const usual = Math.min(...observances.map((each) => each.toMin));
  return [
    'BEGIN:VTIMEZONE',
    `TZID:${zone}`,
    ...observances.flatMap(({ at, fromMin, toMin }) => {
      const kind = toMin > usual ? 'DAYLIGHT' : 'STANDARD';
      return [
        `BEGIN:${kind}`,
        `DTSTART:${at.toFormat("yyyyMMdd'T'HHmmss")}`,
        `TZOFFSETFROM:${offset(fromMin)}`,
        `TZOFFSETTO:${offset(toMin)}`,
        `END:${kind}`,
      ];
    }),
    'END:VTIMEZONE',
  ].join('\r\n');
}
