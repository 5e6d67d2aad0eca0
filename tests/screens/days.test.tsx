import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import {
  DayForecaster,
  dayView,
  foldDay,
  leversNow,
  lowestCounts,
  readingsOf,
  type Alarm,
  type AlarmCode,
  type Deed,
  type Entry,
  type PlanChange,
} from '../../src/core/day';
import { PREP_KINDS } from '../../src/core/model';
import { alarmMessage, alarmHistory } from '../../src/formats/messages/day/alarm';
import { entryMessage } from '../../src/formats/messages/day/entry';
import { dayLeverMessage, revisionMessage } from '../../src/formats/messages/day/lever';
import { safetyLogCsv } from '../../src/formats/safetyLogCsv';
import type { Units } from '../../src/formats/units';
import { DayDesk } from '../../src/ui/day/DayDesk.client';
import { openTasks, type DayGround, type DayScreen } from '../../src/ui/day/dayScreen';
import { OnTheScale } from '../../src/ui/day/OnTheScale.client';
import { RingsBehind } from '../../src/ui/day/RingsBehind';
import { SafetyLog } from '../../src/ui/day/SafetyLog.client';
import { Yard } from '../../src/ui/day/Yard.client';
import { UnitsProvider } from '../../src/ui/kit/UnitsProvider';
import { smallSupper } from '../fixtures/day';
import { keptDayOf, liveDay } from '../fixtures/livedDay';

vi.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {} }) }));

const kept = keptDayOf(smallSupper());
const { plan, input } = kept;
const run = plan.runs.find((each) => each.batchId.startsWith('butt'))!;
const KEYS = run.pieceIds.map((id) => `${run.batchId}/${id}`);
const MIN = 60_000;
const nowMs = run.onAtMs + 270 * MIN;
const lived = liveDay(kept, { seed: 3, untilMs: nowMs, forecastEveryMin: 600 });
const readings = readingsOf(lived.journal.state, lived.book.over(nowMs), lowestCounts(kept));
let made = 0;
const said = (deed: Deed, atMs = nowMs, more: Partial<Entry> = {}): Entry => ({
  id: `s${++made}`,
  atMs,
  by: 'Ada',
  source: 'crew',
  deed,
  ...more,
});
const ground: DayGround = { ...input, plan, startedAtMs: plan.firings[0]!.lightAtMs, simulated: true };

/** The day after more was said, as its screens are given it. */
function screen(...more: Entry[]): DayScreen {
  const entries = [...lived.journal.entries, ...more];
  const state = foldDay(kept, entries);
  const forecaster = new DayForecaster(kept);
  const forecast = forecaster.at(state, readings, nowMs);
  const levers = leversNow({ kept, state, readings, forecaster, forecast, nowMs });
  const view = dayView(kept, { entries, state }, readings, forecast, levers, nowMs);
  return { ...view, clock: { simulated: true, speed: 60 }, links: [], late: [] };
}
const empty = (): DayScreen => {
  const view = dayView(
    kept,
    { entries: [], state: foldDay(kept, []) },
    { pieces: {}, pits: {} },
    undefined,
    [],
    plan.firings[0]!.lightAtMs,
  );
  return { ...view, clock: { simulated: false, speed: 1 }, links: [], late: [] };
};

const F: Units = { temp: 'F', mass: 'lb', clock: '12' };
const C: Units = { temp: 'C', mass: 'kg', clock: '24' };
const nothingOdd = (html: string) => expect(html.replaceAll(/<[^>]*>/g, ' ')).not.toMatch(/undefined|NaN|\[object|Infinity|null/);
const drawn = (units: Units, what: React.ReactNode) =>
  renderToStaticMarkup(
    <UnitsProvider units={units} light="night">
      {what}
    </UnitsProvider>,
  );
const noAction = () => Promise.resolve({ ok: false as const, problems: [] });
const desk = (day: DayScreen) => (
  <DayDesk
    ground={ground}
    first={day}
    version={1}
    takeMachineTime={noAction}
    setDaySpeed={noAction}
    log={{ remembered: {}, guessLog: noAction, importLog: noAction }}
    heard={[]}
    others={[]}
  />
);
const text = (html: string) => html.replaceAll(/<[^>]*>/g, ' ').replaceAll(/\s+/g, ' ');

const ALARM = (code: AlarmCode, more: Partial<Alarm> = {}): Alarm => ({
  causeId: `${code}/x`,
  code,
  urgency: 'now',
  atMs: nowMs,
  who: 'ada',
  pitId: 'offset',
  piece: KEYS[0]!,
  batchId: run.batchId,
  servingId: run.servingId,
  taskId: plan.tasks.find((task) => task.kind === 'wrap')!.id,
  tempC: 101,
  setC: 121,
  minutes: 95,
  share: 0.52,
  channel: '3',
  ...more,
});
const CODES: AlarmCode[] = [
  ...(['pitHigh', 'pitLow', 'pitFast', 'pitFalling', 'coreWrap', 'coreCheck', 'corePull', 'probeLost', 'probeLies', 'longStall'] as const),
  ...(['oddsLow', 'reloadDue', 'taskOverdue', 'holdFloor', 'poultryLow', 'dangerZone', 'hotHoldCheck', 'coolingLate'] as const),
];

describe('the screens of a day', () => {
  const putBack: PlanChange = { what: 'servingAt', servingId: run.servingId, atMs: input.event.servings[0]!.atMs + 9 * 60 * MIN };
  const states: [string, () => DayScreen, RegExp][] = [
    ['before anything happened', empty, /Late/],
    ['in the middle', () => screen(), /Still|After that|What happened/],
    ['paused for the weather', () => screen(said({ kind: 'day', did: 'paused', reason: 'hail' })), /The day stands still: hail/],
    ['ended', () => screen(said({ kind: 'day', did: 'ended' })), /The day has ended|Open it again/],
    [
      'with every alarm at once',
      () =>
        screen(
          ...CODES.map((code) =>
            said({ kind: 'alarm', causeId: `${code}/x`, did: 'raised', alarm: ALARM(code) }, nowMs, { source: 'house' }),
          ),
        ),
      /I see to it/,
    ],
    [
      'under a cold pit, with levers',
      () => screen(said({ kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 105 }, nowMs - MIN)),
      /Do nothing/,
    ],
    [
      'early, with levers the other way',
      () => screen(said({ kind: 'revision', lever: 'x', changes: [putBack], reason: 'the boats are late' })),
      /runs early/,
    ],
    [
      'with a lever taken',
      () => screen(said({ kind: 'revision', lever: 'x', changes: [{ what: 'setPoint', pitId: 'offset', pitC: 143 }], reason: 'too slow' })),
      /Take back/,
    ],
    [
      'with a broker that is gone',
      () => ({ ...screen(), links: [{ id: 'mqtt://yard:1883', state: 'lost', sinceMs: nowMs - 5 * MIN }] }),
      /The broker mqtt:\/\/yard:1883 is gone since/,
    ],
    ...(['diskFull', 'databaseBusy', 'databaseReadOnly', 'databaseDamaged', 'databaseGone'] as const).map(
      (fault): (typeof states)[number] => [
        `with data that cannot be written, ${fault}`,
        () => ({ ...screen(), fault }),
        /Taps wait on this phone/,
      ],
    ),
  ];
  it.each(states)('say what is so, %s, in both units', (_, make, words) => {
    const day = make();
    for (const units of [F, C]) {
      const [yard, wide] = [drawn(units, <Yard ground={ground} first={day} version={1} />), drawn(units, desk(day))];
      nothingOdd(yard);
      nothingOdd(wide);
      expect(`${text(yard)} ${text(wide)}`).toMatch(words);
    }
  });

  it('lead with what is now, not with what was planned the day before and never marked', () => {
    const startedAtMs = plan.firings[0]!.lightAtMs - 30 * MIN;
    const state = foldDay(kept, [said({ kind: 'day', did: 'started' }, startedAtMs)]);
    const view = dayView(kept, { entries: [], state }, { pieces: {}, pits: {} }, undefined, [], startedAtMs + MIN);
    const open = openTasks(view);
    expect(open[0]!.plannedMs).toBeGreaterThan(startedAtMs - 60 * MIN);
    expect(PREP_KINDS).toContain(open.at(-1)!.kind);
  });

  it('say no degree of the other unit', () => {
    const day = screen(
      ...CODES.map((code) =>
        said({ kind: 'alarm', causeId: `${code}/x`, did: 'raised', alarm: ALARM(code, { tempC: 101, setC: 121 }) }, nowMs, {
          source: 'house',
        }),
      ),
    );
    expect(text(drawn(F, <Yard ground={ground} first={day} version={1} />))).toContain('214 °F');
    expect(text(drawn(C, <Yard ground={ground} first={day} version={1} />))).toContain('101 °C');
  });

  it('ask for one hand’s tasks only: the wrap of one piece by a lever is a task of its own', () => {
    const bare = lived.journal.entries.filter(({ deed }) => !(deed.kind === 'task' && deed.taskId.endsWith('/wrap')));
    const entries = [
      ...bare,
      said({ kind: 'revision', lever: 'x', changes: [{ what: 'wrapNow', pieces: [KEYS[1]!] }], reason: 'one lags' }),
    ];
    const state = foldDay(kept, entries);
    const view = dayView(kept, { entries, state }, readings, undefined, [], nowMs);
    const html = text(drawn(F, desk({ ...view, clock: { simulated: true, speed: 1 }, links: [], late: [] })));
    expect(html).toContain('Wrap P2 now');
  });
});

describe('the words of a day', () => {
  const context = { ...input, units: F };
  const title = () => 'Wrap 2 pork butts';

  it('tell every alarm with what to do and whom it asks', () => {
    for (const code of CODES)
      for (const state of ['readsAir', 'jump', 'shallow', 'offset', 'cooling5', 'cooling21']) {
        const { title: said_, whatToDo, who } = alarmMessage(context, ALARM(code, { state }), title);
        nothingOdd(`${said_} ${whatToDo}`);
        expect(said_.length).toBeLessThan(70);
        expect(whatToDo).toMatch(/\.$/);
        expect(who).toBe('Ada');
      }
    const bare = alarmMessage(context, { causeId: 'x', code: 'pitLow', urgency: 'now', atMs: 0 }, title);
    nothingOdd(bare.title);
    expect(
      alarmHistory(context, { raisedAtMs: nowMs, escalatedAtMs: nowMs, escalatedTo: 'bo', acknowledgedAtMs: nowMs, acknowledgedBy: 'Bo' }),
    ).toMatch(/raised .*nobody answered: Bo is asked since .*Bo answered/);
  });

  it('show what rings and is not answered on any sheet that lies over them', () => {
    const raised = said({ kind: 'alarm', causeId: 'pitLow/x', did: 'raised', alarm: ALARM('pitLow', { tempC: 101, setC: 121 }) });
    const answered = said({ kind: 'alarm', causeId: 'pitLow/x', did: 'acknowledged' }, nowMs + 1);
    const strip = (day: DayScreen) => drawn(F, <RingsBehind day={day} ground={ground} context={context} />);
    expect(text(strip(screen(raised)))).toMatch(/Close this sheet to answer/);
    expect(strip(screen())).not.toContain('Close this sheet');
    const after = screen(raised, answered);
    expect(after.alarms.some((mark) => mark.acknowledgedAtMs !== undefined)).toBe(true);
    expect(strip(after)).not.toContain('Close this sheet');
  });

  it('show what is on the scale: pits that burned and meat, with what was weighed', () => {
    const day = screen(said({ kind: 'weighed', of: 'fuel', id: 'offset', kg: 20 }));
    expect(day.weighed.fuel).toEqual({ offset: 20 });
    const html = drawn(F, <OnTheScale day={day} context={context} say={() => ''} />);
    nothingOdd(html);
    expect(html).toContain('aria-label="Fuel burnt, Long offset"');
    expect(html).toContain('value="44.1"');
    expect(html).toContain('Pork butts, ready to carve');
  });

  it('tell every change a revision makes, from what to what', () => {
    const changes: [PlanChange, number | string | undefined, RegExp][] = [
      [{ what: 'setPoint', pitId: 'offset', pitC: 143 }, 121, /Long offset 250 °F → 290 °F/],
      [
        { what: 'servingAt', servingId: run.servingId, atMs: input.event.servings[0]!.atMs + 30 * MIN },
        input.event.servings[0]!.atMs,
        /Supper 6:00 pm → 6:30 pm/,
      ],
      [{ what: 'finishIn', pieces: KEYS, pitId: 'offset', pitC: 121 }, 'offset', /P1 and P2: long offset → long offset at 250 °F/],
      [{ what: 'warmerAt', gearId: 'box', setC: 64 }, 74, /Big box 165 °F → 145 °F/i],
      [{ what: 'holdIn', pieces: [KEYS[0]!], gearId: 'box' }, 'box', /P1: big box → big box/],
      [{ what: 'wrapNow', pieces: KEYS }, undefined, /P1 and P2: wrapped now/],
      [{ what: 'swap', pieces: [KEYS[0]!, KEYS[1]!] }, undefined, /places changed/],
      [{ what: 'carveLater', batchId: run.batchId, minutes: 20 }, undefined, /carved 20 min later/],
      [{ what: 'ventLonger', pieces: KEYS, minutes: 30 }, undefined, /vented 30 min/],
      [{ what: 'pullFor', pieces: [KEYS[0]!] }, undefined, /P1: pulled first/],
    ];
    for (const [change, from, words] of changes) expect(revisionMessage(context, { changes: [change], from: [from] })).toMatch(words);
  });

  it('tell every lever with its gain and its price', () => {
    const day = screen(said({ kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 105 }, nowMs - MIN));
    expect(day.levers.length).toBeGreaterThan(3);
    for (const lever of day.levers) {
      const words = dayLeverMessage(context, lever);
      nothingOdd(Object.values(words).join(' '));
      expect(words.title).not.toBe('');
    }
    expect(
      dayLeverMessage(context, { ...day.levers[0]!, gainMin: -40, others: [{ servingId: run.servingId, onTimeShare: 0.4 }] }),
    ).toMatchObject({ gain: '40 min later', price: expect.stringContaining('supper falls to 40 %') as string });
  });

  it('tell every kind of entry in a line', () => {
    const deeds: [Deed, string][] = [
      [{ kind: 'day', did: 'paused', reason: 'hail' }, 'The day stands still: hail'],
      [{ kind: 'piece', pieces: KEYS, step: 'pulled', coreC: 96 }, 'P1 and P2 pulled at 205 °F'],
      [{ kind: 'piece', pieces: [KEYS[0]!], step: 'held', gearId: 'box' }, 'P1 into the hold: big box'],
      [{ kind: 'piece', pieces: [KEYS[0]!], step: 'moved', pitId: 'offset' }, 'P1 moved to the long offset'],
      [{ kind: 'checked', piece: KEYS[0]!, feel: 'almost' }, 'P1 felt almost'],
      [{ kind: 'reading', piece: KEYS[0]!, spot: 'flat', coreC: 60 }, 'P1 140 °F, flat'],
      [{ kind: 'pitReading', pitId: 'offset', pitC: 120 }, 'Long offset 248 °F'],
      [{ kind: 'pitReading', pitId: 'offset', pitC: 120, at: 'gauge' }, 'Long offset, gauge 248 °F'],
      [{ kind: 'task', taskId: 'x', did: 'begun' }, 'Wrap 2 pork butts: begun'],
      [{ kind: 'weighed', of: 'fuel', id: 'offset', kg: 20 }, 'Fuel burnt, long offset: 44.1 lb'],
      [{ kind: 'weighed', of: 'left', id: run.batchId, kg: 1 }, 'Pork butts, left over: 2.2 lb'],
      [{ kind: 'task', taskId: 'x', did: 'skipped', reason: 'no time' }, 'Wrap 2 pork butts: not done, no time'],
      [{ kind: 'pit', pitId: 'offset', did: 'setPoint', pitC: 121 }, 'Long offset set to 250 °F'],
      [{ kind: 'channel', deviceId: 'hub', channel: '3' }, 'Probe 3 of hub is in nothing'],
      [{ kind: 'alarm', causeId: 'pitLow/offset', did: 'escalated', to: 'bo' }, 'Nobody answered pit too cool: Bo is asked'],
      [{ kind: 'safety', line: 'hotHold', batchId: run.batchId, tempC: 65, action: 'none' }, 'Hot holding, pork butts at 149 °F; none'],
      [{ kind: 'note', text: 'wind', piece: KEYS[1] }, 'P2: wind'],
      [{ kind: 'undo', entryId: 'x' }, 'Taken back'],
      [{ kind: 'revision', lever: 'x', changes: [], reason: 'too slow' }, 'Too slow'],
    ];
    for (const [deed, words] of deeds) expect(entryMessage(context, { deed }, title)).toBe(words);
  });

  it('print the safety log with rule and verdict, corrected lines struck, as on paper so in the table', () => {
    const low = said({ kind: 'safety', line: 'hotHold', batchId: run.batchId, tempC: 55, action: 'reheated, =cmd', food: 'reheated' });
    const day = screen(
      low,
      said({ kind: 'safety', line: 'hotHold', batchId: run.batchId, tempC: 65, corrects: low.id, note: 'read the lid' }),
      said({ kind: 'safety', line: 'sanitiser', ppm: 200 }),
    );
    const html = drawn(F, <SafetyLog day={day} ground={ground} context={context} nowMs={nowMs} say={() => ''} />);
    nothingOdd(html);
    expect(text(html)).toMatch(/fails at least 140 °F/);
    expect(html).toContain('line-through');
    const csv = safetyLogCsv(kept, day.safety, context).split('\r\n');
    expect(csv).toHaveLength(5);
    expect(csv[1]).toMatch(/Hot holding,.*,55\.0,,60,fails,.*reheated.*,yes$/);
    expect(csv[3]).toContain('200');
  });
});
