import ICAL from 'ical.js';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN } from '../../tests/fixtures/events';
import { SHIPPED_LIBRARY } from '../core/model';
import { buildPlan } from '../core/planning';
import { clockTime } from './clock';
import { runSheetCalendar } from './runSheetCalendar';
import { runSheetCsv } from './runSheetCsv';
import { DEFAULT_UNITS, formatLength, formatMass, formatMinutes, formatSetPoint, formatTemp, readUnits } from './units';
import type { MessageContext } from './messages/names';
import { planProblemMessage } from './messages/problem';
import { reasonMessage } from './messages/reason';
import { taskMessage } from './messages/task';

const MIN = 60_000;
const menu = [
  batchOf('brisket-whole', 2, { methodId: 'low-paper' }),
  batchOf('chicken-half', 6),
  batchOf('pan-dish', 1, { label: 'Harbour beans' }),
];
const STAMP_MS = Date.parse('2027-01-05T12:00:00Z');

function sheetAt(servingAt: string, timeZone = 'America/Halifax') {
  const event = eventOf(menu, { timeZone });
  event.servings[0]!.atMs = Date.parse(servingAt);
  const input = { ...inputOf(event), earliestMs: 0 };
  const messageContext: MessageContext = { event, pits: [OFFSET, OVEN], boxes: [BOX], library: SHIPPED_LIBRARY, units: DEFAULT_UNITS };
  return { messageContext, plan: buildPlan(input) };
}

const parse = (text: string) => new ICAL.Component(ICAL.parse(text));

describe('the calendar file', () => {
  const { messageContext, plan } = sheetAt('2027-06-19T18:00:00-03:00');
  const text = runSheetCalendar(messageContext, plan, STAMP_MS);

  it('holds every task at its instant, with its zone described', () => {
    const calendar = parse(text);
    const zone = calendar.getFirstSubcomponent('vtimezone')!;
    expect(zone.getFirstPropertyValue('tzid')).toBe('America/Halifax');
    ICAL.TimezoneService.register(zone);
    const entries = calendar.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component));
    expect(entries).toHaveLength(plan.tasks.length);
    expect(entries.map((entry) => entry.startDate.toJSDate().getTime()).sort()).toEqual(plan.tasks.map((task) => task.atMs).sort());
    expect(entries.every((entry) => entry.summary.length > 3)).toBe(true);
  });

  it('keeps to the form of RFC 5545: lines, required properties, alarms, unique stable ids', () => {
    const lines = text.split('\r\n');
    expect(lines.every((line) => new TextEncoder().encode(line).length <= 75)).toBe(true);
    expect(text).not.toMatch(/[^\r]\n/);
    const calendar = parse(text);
    for (const name of ['prodid', 'version']) expect(calendar.hasProperty(name)).toBe(true);
    const entries = calendar.getAllSubcomponents('vevent');
    const uids = entries.map((entry) => String(entry.getFirstPropertyValue('uid')));
    expect(new Set(uids).size).toBe(uids.length);
    for (const entry of entries) for (const name of ['dtstamp', 'dtstart', 'uid']) expect(entry.hasProperty(name)).toBe(true);
    const alarms = entries.flatMap((entry) => entry.getAllSubcomponents('valarm'));
    expect(alarms.length).toBeGreaterThan(5);
    for (const alarm of alarms) for (const name of ['action', 'trigger', 'description']) expect(alarm.hasProperty(name)).toBe(true);
    const later = sheetAt('2027-06-19T19:00:00-03:00');
    const moved = parse(runSheetCalendar(later.messageContext, later.plan, STAMP_MS)).getAllSubcomponents('vevent');
    expect(moved.map((entry) => String(entry.getFirstPropertyValue('uid')))).toEqual(uids);
  });

  // Both nights on which Halifax changes its clocks in 2027, and a zone half an hour off.
  for (const [name, at, zone] of [
    ['spring forward', '2027-03-14T12:00:00-03:00', 'America/Halifax'],
    ['fall back', '2027-11-07T12:00:00-04:00', 'America/Halifax'],
    ['a half-hour zone', '2027-06-19T18:00:00-02:30', 'America/St_Johns'],
  ] as const) {
    it(`tells the right clock times and true hours over ${name}`, () => {
      const night = sheetAt(at, zone);
      const plain = sheetAt('2027-06-19T18:00:00-03:00');
      // True hours: the cook takes as long as on any night.
      const spans = (plan: typeof night.plan) => plan.runs.map((run) => [run.id, run.pullLateMs - run.onAtMs, run.carveAtMs - run.onAtMs]);
      expect(spans(night.plan)).toEqual(spans(plain.plan));
      const calendar = parse(runSheetCalendar(night.messageContext, night.plan, STAMP_MS));
      ICAL.TimezoneService.reset();
      ICAL.TimezoneService.register(calendar.getFirstSubcomponent('vtimezone')!);
      for (const component of calendar.getAllSubcomponents('vevent')) {
        const entry = new ICAL.Event(component);
        const atMs = entry.startDate.toJSDate().getTime();
        expect(night.plan.tasks.some((task) => task.atMs === atMs)).toBe(true);
        // The hour that comes twice is written in UTC; all else in the place's clock.
        const written = String(component.getFirstPropertyValue('dtstart'));
        expect(written.slice(11, 16)).toBe(clockTime(atMs, written.endsWith('Z') ? 'UTC' : zone, '24'));
      }
    });
  }

  it('loses an hour of the night in spring and gains one in autumn', () => {
    const onAt = (at: string) => {
      const { plan } = sheetAt(at);
      return clockTime(plan.runs.find((run) => run.batchId === 'brisket-whole')!.onAtMs, 'America/Halifax', '24');
    };
    const hours = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
    const plain = hours(onAt('2027-06-19T12:00:00-03:00'));
    expect(hours(onAt('2027-03-14T12:00:00-03:00'))).toBe((plain + 1380) % 1440);
    expect(hours(onAt('2027-11-07T12:00:00-04:00'))).toBe((plain + 60) % 1440);
  });
});

describe('the table', () => {
  it('can be read back, one task a row, with the offset of its instant', () => {
    const { messageContext, plan } = sheetAt('2027-06-19T18:00:00-03:00');
    const rows = Papa.parse<Record<string, string>>(runSheetCsv(messageContext, plan).trim(), { header: true }).data;
    expect(rows.map((row) => Date.parse(row.at!))).toEqual(plan.tasks.map((task) => task.atMs));
    expect(rows.find((row) => row.kind === 'light')).toMatchObject({ pit: 'Offset', place: 'Base' });
    expect(rows[0]!.at).toMatch(/-03:00$/);
  });
});

describe('words', () => {
  const { messageContext, plan } = sheetAt('2027-06-19T18:00:00-03:00');

  it('say what to do in the reader’s units', () => {
    const load = plan.tasks.find((task) => task.kind === 'load' && task.runId === 'brisket-whole')!;
    expect(taskMessage(messageContext, load, plan.runs).title).toBe('Put 2 briskets on the offset');
    const { pitC } = plan.runs.find((run) => run.id === 'brisket-whole')!;
    expect(taskMessage(messageContext, load, plan.runs).detail).toContain(formatSetPoint(pitC, DEFAULT_UNITS));
    expect(taskMessage({ ...messageContext, units: { temp: 'C', mass: 'kg', clock: '24' } }, load, plan.runs).detail).toContain(
      formatSetPoint(pitC, { ...DEFAULT_UNITS, temp: 'C' }),
    );
    for (const task of plan.tasks) expect(taskMessage(messageContext, task, plan.runs).title).not.toContain('undefined');
  });

  it('name every reason and problem', () => {
    for (const run of plan.runs) for (const reason of run.why) expect(reasonMessage(messageContext, reason).length).toBeGreaterThan(10);
    const common = { severity: 'broken', batchId: 'chicken-half', pieces: 2 } as const;
    const span = { fromMs: plan.runs[0]!.onAtMs, toMs: plan.runs[0]!.onAtMs + 90 * MIN };
    const words = planProblemMessage(messageContext, {
      code: 'rackFull',
      ...common,
      pitId: 'offset',
      rackId: 'high',
      shortMm2: 64_516,
      ...span,
    });
    expect(words.what).toMatch(/^2 chicken halves have no place: Offset, high rack is short of 100 sq in, /);
    expect(words.remedy.length).toBeGreaterThan(10);
    expect(planProblemMessage(messageContext, { code: 'dangerZone', ...common, minutes: 300, allowedMin: 240 }).what).toContain('41 °F');
  });

  it('turn minutes into hours', () => {
    expect(formatMinutes(59)).toBe('59 min');
    expect(formatMinutes(125)).toBe('2 h 05');
  });
});

describe('units', () => {
  it('convert both ways and survive a broken memory', () => {
    expect(formatTemp(121.1, { temp: 'F', mass: 'lb', clock: '24' })).toBe('250 °F');
    expect(formatMass(5.66, { temp: 'C', mass: 'kg', clock: '24' })).toBe('5.66 kg');
    expect(formatMass(5.66, DEFAULT_UNITS)).toBe('12.5 lb');
    expect(formatLength(610, DEFAULT_UNITS)).toBe('24 in');
    expect(readUnits('C,kg,12')).toEqual({ temp: 'C', mass: 'kg', clock: '12' });
    expect(readUnits('x,stone')).toEqual(DEFAULT_UNITS);
  });
});
