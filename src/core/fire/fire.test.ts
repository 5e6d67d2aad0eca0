import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET } from '../../../tests/fixtures/events';
import { presetPit, type Pit, type Task } from '../model';
import { buildPlan } from '../planning';
import { burnKgPerH, fuelFor, reloadEveryMin } from './burn';
import { closeAirAtMs, longSmokes } from './tending';

const H = 3_600_000;
const MIN = 60_000;
const pit: Omit<Pit, 'kind'> = {
  id: 'p',
  name: 'P',
  smoke: true,
  rangeC: [100, 160],
  warmUpMin: 60,
  openingDropC: 18,
  recoverMin: 9,
  racks: [],
};

describe('fuel', () => {
  const firing = { pitId: 'p', placeId: 'base', lightAtMs: 0, readyAtMs: H, offAtMs: 10 * H, who: [], setPoints: [{ atMs: 0, pitC: 121 }] };

  it('burns 2.5 kg/h in an offset at 121 C, and as the lift over the air at other heats', () => {
    const offset = fuelFor({ ...pit, kind: 'offset' }, firing);
    expect(offset.fuel).toBe('split wood');
    expect(offset.kg).toBeCloseTo(25 * 1.1 + 3, 9);
    const hotter = fuelFor(
      { ...pit, kind: 'offset' },
      {
        ...firing,
        setPoints: [
          { atMs: 0, pitC: 121 },
          { atMs: 5 * H, pitC: 174 },
        ],
      },
    );
    expect(hotter.kg).toBeCloseTo((12.5 + 12.5 * 1.5) * 1.1 + 3, 9);
    expect(fuelFor({ ...pit, kind: 'oven' }, firing)).toEqual({ fuel: 'electricity', kg: 0 });
  });

  it('burns more in cold and wind, less with a blower, and by its owner’s own figure', () => {
    const offset = { ...pit, kind: 'offset' as const };
    expect(burnKgPerH(offset, 121, { airC: -5, windMPerS: 1 })).toBeCloseTo((2.5 * 126) / 106, 9);
    expect(burnKgPerH(offset, 121, { airC: 15, windMPerS: 7 })).toBeCloseTo(2.5 * 1.2, 9);
    expect(burnKgPerH({ ...offset, blower: true }, 121)).toBeCloseTo(2.25, 9);
    expect(burnKgPerH({ ...offset, fuel: { kind: 'split wood', kgPerH: 4 } }, 121)).toBeCloseTo(4, 9);
    expect(reloadEveryMin(offset, 121)).toBe(40);
    expect(reloadEveryMin(offset, 121, { airC: -20, windMPerS: 10 })).toBe(25);
    expect(reloadEveryMin({ ...pit, kind: 'pellet' }, 121)).toBeUndefined();
  });

  it('begins to close the air 28 C short of the set point on an even climb', () => {
    // From 15 to 121 C in 106 min: 93 C stand after 78 min.
    const climb = {
      pitId: 'p',
      placeId: 'base',
      lightAtMs: 0,
      readyAtMs: 106 * MIN,
      offAtMs: 10 * H,
      who: [],
      setPoints: [{ atMs: 106 * MIN, pitC: 121 }],
    };
    expect(closeAirAtMs({ ...pit, kind: 'offset' }, climb, 15)).toBe(78 * MIN);
  });
});

describe('tending a fire', () => {
  const event = eventOf([batchOf('pork-butt', 3, { methodId: 'low-paper' })]);
  let n = 0;
  const bullet = presetPit('bullet', () => `id${n++}`);
  const planOn = (each: Pit, methodId = 'low-paper') =>
    buildPlan(inputOf({ ...event, batches: event.batches.map((batch) => ({ ...batch, methodId })) }, [each], [BOX]));
  const of = (tasks: readonly Task[], kind: Task['kind']) => tasks.filter((task) => task.kind === kind);

  it('feeds an offset at its rhythm from ready to out, and lays no chunks on a fire of wood', () => {
    const { tasks, firings } = planOn(OFFSET);
    const [firing] = firings;
    const reloads = of(tasks, 'reload');
    expect(reloads).toHaveLength(Math.ceil((firing!.offAtMs - firing!.readyAtMs) / (40 * MIN)) - 1);
    expect(reloads[0]!.atMs).toBe(firing!.readyAtMs + 40 * MIN);
    expect(reloads[0]!.kg).toBeCloseTo((2.5 * 40) / 60, 1);
    expect(of(tasks, 'wood')).toEqual([]);
    expect(of(tasks, 'closeAir')).toHaveLength(1);
    expect(of(planOn({ ...OFFSET, blower: true }).tasks, 'closeAir')).toEqual([]);
  });

  it('lays wood on charcoal from ten minutes before going on, only while the meat takes smoke', () => {
    const { tasks, runs } = planOn(bullet);
    const wood = of(tasks, 'wood');
    const [run] = runs;
    expect(wood[0]!.atMs).toBe(run!.onAtMs - 10 * MIN);
    expect(wood.length).toBeGreaterThan(2);
    for (const task of wood) expect(task.atMs + 10 * MIN).toBeLessThan(Math.max(...runs.map((each) => each.smokeUntilMs!)));
    for (const each of runs) expect(each.smokeUntilMs!).toBeLessThanOrEqual(each.wrapAtMs!);
    expect(of(tasks, 'water').length).toBeGreaterThan(0);
    expect(of(tasks, 'ash').length).toBeGreaterThan(0);
  });

  it('lights a tube, where there is one, for half of the cook at most', () => {
    const tubed: Pit = {
      ...bullet,
      fuel: { kind: 'gas', kgPerH: 0.3 },
      racks: bullet.racks.map((rack) => ({
        ...rack,
        blocked: [{ xMm: 0, yMm: 200, widthMm: 40, depthMm: 40, by: 'smoke tube' as const }],
      })),
    };
    const { tasks, runs } = planOn(tubed);
    const [tube] = of(tasks, 'tube');
    const cookMin = (Math.max(...runs.map((run) => run.pullMedianMs)) - runs[0]!.onAtMs) / MIN;
    expect(tube!.lastsMin).toBeLessThanOrEqual(cookMin / 2 + 1);
    expect(of(tasks, 'wood')).toEqual([]);
  });

  it('warns of seven hours of laid smoke, but not where a tube ends it at half of the cook', () => {
    const { runs } = planOn(bullet);
    const long = runs.map((run) => ({ ...run, smokeUntilMs: run.onAtMs + 8 * H, pullMedianMs: run.onAtMs + 10 * H }));
    expect(longSmokes([bullet], long).map(({ minutes }) => minutes)).toEqual(long.map(() => 480));
    const [grate] = bullet.racks;
    const tubed = { ...bullet, racks: [{ ...grate!, blocked: [{ xMm: 0, yMm: 0, widthMm: 40, depthMm: 40, by: 'smoke tube' as const }] }] };
    expect(longSmokes([tubed], long)).toEqual([]);
    expect(longSmokes([{ ...bullet, fuel: { kind: 'split wood', kgPerH: 2 } }], long)).toEqual([]);
  });

  it('brings the coals up before a hot finish, and turns, sprays and probes as openings', () => {
    const glazed = buildPlan(inputOf(eventOf([batchOf('spare-ribs-squared', 3, { methodId: 'ribs-glazed' })]), [OFFSET], [BOX]));
    const [relight] = of(glazed.tasks, 'relight');
    expect(relight!.atMs).toBe(glazed.runs[0]!.pullEarlyMs - 32 * MIN);
    const sprayed = planOn(OFFSET, 'sprayed');
    const sprays = of(sprayed.tasks, 'spray');
    expect(sprays[0]!.atMs).toBe(sprayed.runs[0]!.onAtMs + 180 * MIN);
    expect(sprays.every((task) => task.opening !== undefined)).toBe(true);
    expect(of(planOn(OFFSET, 'middle-bare').tasks, 'turn')).toHaveLength(1);
  });

  it('puts a probe into the slowest piece, and moves it on when another has been pulled', () => {
    const probes = [{ id: 'pen', name: 'Pen', channels: 1 }];
    const day = eventOf([
      { ...batchOf('pork-butt', 2, { methodId: 'low-paper' }), servingId: 'lunch' },
      batchOf('brisket-whole', 1, { methodId: 'low-bare' }),
    ]);
    day.servings.push({ ...day.servings[0]!, id: 'lunch', name: 'Lunch', atMs: day.servings[0]!.atMs - 6 * H });
    const one = buildPlan({ ...inputOf(day), probes });
    const two = buildPlan({ ...inputOf(day), probes: [{ ...probes[0]!, channels: 2 }] });
    expect(two.probes).toHaveLength(2);
    for (const use of one.probes) {
      const run = one.runs.find((each) => each.id === use.runId)!;
      expect(use.pieceId).toBe([...run.pulls].sort((a, b) => b.medianMs - a.medianMs)[0]!.pieceId);
    }
    for (const a of one.probes) for (const b of one.probes) if (a !== b) expect(a.toMs <= b.fromMs || b.toMs <= a.fromMs).toBe(true);
    expect(buildPlan({ ...inputOf(day), probes: [{ ...probes[0]!, out: true }] }).probes).toEqual([]);
    expect(buildPlan({ ...inputOf(day), probes: [{ ...probes[0]!, iceC: 2.5 }] }).probes).toEqual([]);
  });
});
