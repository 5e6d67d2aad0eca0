import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { supperFile } from '../../../tests/fixtures/supper';
import { checkPlan } from '../../core/check';
import { buildPlan, checkedPlan, exchangeEventOf, exchangePlanOf, withNamedPlan } from '../../core/planning';
import { driveMinOf } from '../../core/travel';
import { newForecastCache } from '../../core/schedule';
import { MS_PER_MIN } from '../../core/units';
import {
  exchangeEventFrom,
  namedPlanFrom,
  planInputOf,
  readEventFile,
  readOpenPlan,
  upgraded,
  writeEventFile,
  writeOpenPlan,
} from './index';

const ZONE = 'America/Halifax';
type Spoil = (event: Record<string, unknown> & ReturnType<typeof supperFile>) => void;
const refusedAt = (spoil: Spoil): string[] => {
  const event = structuredClone(supperFile()) as Parameters<Spoil>[0];
  spoil(event);
  const reading = readEventFile(JSON.stringify(event));
  return reading.ok ? [] : reading.problems.map(({ path, reason }) => `${path} ${reason}`);
};

describe('an event file', () => {
  it('is read, and refused with its path and reason when anything is wrong', () => {
    expect(readEventFile(JSON.stringify(supperFile()))).toMatchObject({ ok: true });
    expect(readEventFile('{')).toMatchObject({ ok: false, problems: [{ path: '$' }] });
    expect(readEventFile('[]')).toMatchObject({ ok: false, problems: [{ path: '$.format' }] });
    expect(readEventFile('null')).toMatchObject({ ok: false, problems: [{ path: '$.format' }] });
    expect(refusedAt((event) => (event.version = 3 as never))).toEqual(['$.version must be 1 or 2; it is 3']);
  });

  it.each<[string, string, Spoil]>([
    ['a missing field', '$.timeZone is missing', (event) => delete (event as Partial<typeof event>).timeZone],
    [
      'an unknown field',
      '$.batches[0].pieces[1].colour is not a field of this format',
      (event) => Object.assign(event.batches[0]!.pieces[1]!, { colour: 'red' }),
    ],
    ['a broken value', '$.batches[1].pieces[0].kg must be > 0', (event) => (event.batches[1]!.pieces[0]!.kg = -1)],
    ['a wrong kind', '$.pits[0].kind must be one of', (event) => (event.pits[0]!.kind = 'campfire' as never)],
    ['a wrong shape', '$.pits[0].racks[0].shape names no known kind', (event) => (event.pits[0]!.racks[0]!.shape = 'oval' as never)],
    ['a time without an offset', '$.workFrom must match format "date-time"', (event) => (event.workFrom = '2027-06-18T12:00:00')],
    ['a time with seconds', '$.servings[0].at is not a whole minute', (event) => (event.servings[0]!.at = '2027-06-19T18:00:30-03:00')],
    ['an unknown zone', '$.timeZone "Mars/Base" is no zone', (event) => (event.timeZone = 'Mars/Base')],
    ['a serving that is not there', '$.batches[0].serving "tea" is no serving', (event) => (event.batches[0]!.serving = 'tea')],
    ['an unknown cut', '$.batches[0].cut "unicorn" is no known cut', (event) => (event.batches[0]!.cut = 'unicorn')],
    ['a piece twice', '$.batches[1].pieces[0].id "brisket-1" is there twice', (event) => (event.batches[1]!.pieces[0]!.id = 'brisket-1')],
    [
      'a band the wrong way round',
      '$.batches[0].method.pitRangeC runs from high to low',
      (event) => (event.batches[0]!.method.pitRangeC = [135, 115]),
    ],
    ['a wrap without a when', '$.batches[0].method.wrapWhen says not when', (event) => (event.batches[0]!.method.wrapWhen = {})],
    ['a shift that ends before it begins', '$.crew[0].to is not after', (event) => (event.crew[0]!.to = event.crew[0]!.from)],
  ])('refuses %s', (_, words, spoil) => {
    expect(refusedAt(spoil).join('; ')).toContain(words);
  });

  it('may carry fields of others that begin with x-, at any depth', () => {
    expect(
      refusedAt((event) => Object.assign(event, { 'x-shop': 1 }) && Object.assign(event.batches[0]!.pieces[0]!, { 'x-tag': 'B1' })),
    ).toEqual([]);
  });

  const secondAt = (spoil: (file: ReturnType<typeof plainSecond>) => void): string[] => {
    const file = plainSecond();
    spoil(file);
    const reading = readEventFile(JSON.stringify(file));
    return reading.ok ? [] : reading.problems.map(({ path, reason }) => `${path} ${reason}`);
  };
  const plainSecond = () =>
    JSON.parse(writeEventFile(upgraded(supperFile()))) as Record<'places' | 'roads' | 'servings' | 'pits', Record<string, unknown>[]>;

  it('of version 2 says where things stand, and is refused where nothing leads there', () => {
    expect(secondAt(() => {})).toEqual([]);
    expect(secondAt((file) => (file.servings[0]!.travelMin = 40))).toEqual(['$.servings[0].travelMin is not a field of this format']);
    expect(secondAt((file) => (file.servings[0]!.place = 'green'))).toEqual(['$.servings[0].place "green" is no place of this event']);
    const green = { id: 'green', name: 'Lighthouse green' };
    expect(secondAt((file) => file.places.push(green) && (file.servings[0]!.place = 'green'))).toEqual([
      '$.servings[0].place no road leads there from the first place',
    ]);
    expect(secondAt((file) => file.places.push(green) && file.roads.push({ from: 'base', to: 'gren', min: 40 }))).toEqual([
      '$.roads[0].to "gren" is no place of this event',
    ]);
    expect(secondAt((file) => (file.pits[0]!.place = 'green'))).toEqual(['$.pits[0].place "green" is no place of this event']);
    const file = plainSecond();
    file.places.push(green);
    file.pits[0]!.place = 'green';
    const reading = readEventFile(JSON.stringify(file));
    expect(reading.ok && planInputOf(reading.value).event.standing).toEqual([{ kind: 'pit', thingId: file.pits[0]!.id, placeId: 'green' }]);
  });

  it('of version 2 adds up the roads to a serving, by way of other places', () => {
    const file = plainSecond();
    file.places.push({ id: 'ferry', name: 'Ferry' }, { id: 'green', name: 'Lighthouse green' });
    file.roads.push(
      { from: 'green', to: 'ferry', min: 15 },
      { from: 'base', to: 'ferry', min: 40 },
      { from: 'base', to: 'green', min: 90 },
    );
    Object.assign(file.servings[0]!, { place: 'green', handsThere: 2 });
    const reading = readEventFile(JSON.stringify(file));
    const { event } = planInputOf((reading as Extract<typeof reading, { ok: true }>).value);
    expect(event.servings[0]).toMatchObject({ placeId: 'green', handsThere: 2 });
    expect(driveMinOf(event, event.servings[0]!)).toBe(55);
  });

  it('may bring its own cuts', () => {
    const event = supperFile();
    event.cuts = [
      {
        id: 'shank',
        name: 'shank',
        species: 'beef',
        lengthMm: 220,
        widthMm: 120,
        thicknessMm: 90,
        fillShare: 0.7,
        done: 'tender',
        carveMin: 4,
      },
    ];
    event.batches[0] = { ...event.batches[0]!, cut: 'shank', pieces: [{ id: 'shank-1', kg: 1.8, startC: 4 }] };
    const reading = readEventFile(JSON.stringify(event));
    expect(reading.ok).toBe(true);
    expect(buildPlan(planInputOf(event)).runs.some((run) => run.batchId === 'brisket')).toBe(true);
  });

  it('goes out as it came in: the product keeps all that the planner reads', () => {
    const event = supperFile();
    const again = exchangeEventOf(planInputOf(event));
    const plain = exchangeEventFrom(event);
    expect(again.pits.map((pit) => ({ ...pit, racks: pit.racks.map(({ id, level }) => [id, level]) }))).toEqual(
      plain.pits.map((pit) => ({ ...pit, racks: pit.racks.map(({ id, level }) => [id, level]) })),
    );
    const byId = (file: typeof again) =>
      Object.fromEntries(file.batches.map(({ id, method, pieces }) => [id, [method.pitRangeC, method.finishRangeC, pieces]]));
    expect(byId(again)).toEqual(byId(plain));
    expect(again.servings).toEqual(plain.servings);
    expect(again.crew).toEqual(plain.crew);
  });
});

describe('a plan file', () => {
  const input = planInputOf(supperFile());
  const plan = buildPlan(input);

  it('is canonical: keys in order, times with the zone’s offset, figures to their decimals, and read back the same', () => {
    const text = writeOpenPlan(exchangePlanOf(input, plan), ZONE);
    const keys = Object.keys(JSON.parse(text) as object);
    expect(keys).toEqual([
      'format',
      'version',
      'status',
      'event',
      'seed',
      'iterations',
      'confidence',
      'pits',
      'runs',
      'tasks',
      'servings',
      'objective',
      'problems',
    ]);
    expect(text).toMatch(/"lightAt": "2027-06-1\dT\d\d:\d\d:00-03:00"/);
    expect(text).not.toMatch(/"[a-zA-Z]*Mm": \d+\.\d/);
    expect(text.endsWith('}\n')).toBe(true);
    const read = readOpenPlan(text);
    expect(read.ok && writeOpenPlan(read.value, ZONE)).toBe(text);
  });

  it('of the examples in docs/formats is what the schema and the writer make of them', () => {
    const text = (name: string) => readFileSync(`docs/formats/${name}.example.json`, 'utf8');
    const event = readEventFile(text('event'));
    expect(event.ok && writeEventFile(event.value)).toBe(text('event'));
    const example = readOpenPlan(text('plan'));
    expect(example.ok && writeOpenPlan(example.value, ZONE)).toBe(text('plan'));
  });
});

describe('two servings away', () => {
  const away = (laterMin: number) => {
    const file = supperFile();
    const [first] = file.servings;
    const at = (min: number) => ({ at: `2027-06-19T18:${String(min).padStart(2, '0')}:00-03:00`, travelMin: 40, setUpMin: 15 });
    file.servings = [
      { ...first!, ...at(0) },
      { ...first!, ...at(laterMin), id: 'second', name: 'Second' },
    ];
    file.batches.at(-1)!.serving = 'second';
    const plan = buildPlan(planInputOf(file));
    return { file, plan, open: exchangePlanOf(planInputOf(file), plan) };
  };

  it('at one hour share the drive', () => {
    const { file, plan, open } = away(0);
    expect(plan.problems.map((problem) => problem.code)).not.toContain('nobodyToDrive');
    expect(open.tasks.filter((task) => task.kind === 'drive')).toHaveLength(1);
    expect(checkPlan(exchangeEventFrom(file), open).filter(({ rule }) => rule === 12 || rule === 13)).toEqual([]);
  });

  it('whose drives cross cannot both be made, and that is said', () => {
    const { plan, open } = away(20);
    expect(open.status).toBe('infeasible');
    expect(plan.problems).toContainEqual(expect.objectContaining({ code: 'nobodyToDrive', servingId: 'second' }));
  });
});

describe('runs pinned by hand', () => {
  const input = planInputOf(supperFile());
  const cache = newForecastCache();
  const plan = buildPlan(input, cache);
  const brisket = plan.runs.find((run) => run.batchId === 'brisket')!;
  const withPin = (byMin: number) =>
    checkedPlan(
      {
        ...input,
        event: {
          ...input.event,
          scheme: plan.scheme,
          pins: [{ batchId: 'brisket', pitId: brisket.pitId, pitC: brisket.pitC, onAtMs: brisket.onAtMs + byMin * MS_PER_MIN }],
        },
      },
      cache,
    );

  it('break no rule where the plan itself had put them', () => {
    const kept = withPin(0);
    expect(kept.problems.filter((problem) => problem.code === 'ruleBroken')).toEqual([]);
    expect(exchangePlanOf(input, kept).status).toBe('feasible');
  });

  it('say in the plan, and in its file, which rule they break', () => {
    const late = withPin(8 * 60);
    expect(late.problems[0]).toMatchObject({
      code: 'ruleBroken',
      severity: 'broken',
      broken: { rule: 9, code: 'noTimeToRest', batch: 'brisket' },
    });
    const file = exchangePlanOf(input, late);
    expect(file.status).toBe('infeasible');
    expect(file.problems[0]).toMatchObject({ code: 'ruleBroken', broken: { rule: 9 } });
    expect(readOpenPlan(writeOpenPlan(file, ZONE)).ok).toBe(true);
  });
});

describe('a plan file taken up by an event', () => {
  const input = planInputOf(supperFile());
  const plan = buildPlan(input);
  const open = exchangePlanOf(input, plan);

  it('is a plan under a name whose runs stand where and when the file has them', () => {
    const named = namedPlanFrom(open, input, 'n');
    expect(named).toMatchObject({ ok: true, value: { id: 'n', name: 'Gannet Point supper, from a file', confidence: 0.9 } });
    const again = checkedPlan(
      { ...input, event: withNamedPlan(input.event, (named as Extract<typeof named, { ok: true }>).value) },
      newForecastCache(),
    );
    const facts = (of: typeof plan) =>
      of.runs
        .map((run) => {
          const { batchId, onAtMs, pullEarlyMs, pullLateMs, pitC, hold } = run;
          const places = run.legs.flatMap((leg) => leg.places.map(({ pieceId, xMm, yMm }) => [pieceId, leg.rackId, xMm, yMm].join(' ')));
          return [batchId, onAtMs, pullEarlyMs, pullLateMs, pitC, hold.gearId, ...places.sort()];
        })
        .sort();
    expect(facts(again)).toEqual(facts(plan));
    // Whoever wraps may begin up to ten minutes after its moment, as the others leave them free.
    for (const run of plan.runs) {
      const same = again.runs.find((each) => each.batchId === run.batchId && each.pieceIds.join() === run.pieceIds.join())!;
      expect(Math.abs((same.wrapAtMs ?? 0) - (run.wrapAtMs ?? 0)) / MS_PER_MIN).toBeLessThanOrEqual(10);
    }
    expect(again.problems.filter((problem) => problem.code === 'ruleBroken')).toEqual([]);
  });

  it('is refused with the place when it is about another event', () => {
    const strange = structuredClone(open);
    strange.runs[0]!.batch = 'lobster';
    strange.runs[1]!.pieces[0] = 'gone';
    strange.runs[1]!.places[0]!.pit = 'moon';
    const read = namedPlanFrom(strange, input, 'n');
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).toEqual([
      '$.runs[0].batch',
      '$.runs[1].pieces[0]',
      '$.runs[1].places[0].pit',
      '$.runs[1].places[0].piece',
    ]);
    expect(namedPlanFrom({ ...open, runs: [] }, input, 'n')).toMatchObject({ ok: false, problems: [{ path: '$.runs' }] });
  });
});
