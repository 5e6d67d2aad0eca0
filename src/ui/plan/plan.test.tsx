import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY, type CookEvent, type Plan, type Trip } from '../../core/model';
import { buildPlan, concernsServing, type Lever, type PlanInput, type Remedy } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import { DEFAULT_UNITS } from '../../formats/units';
import { elsewhere, Ghosts } from './Ghosts';
import { LeverList } from './LeverList.client';
import { Timeline } from './Timeline.client';
import { tightestMessage, Verdict } from './Verdicts.client';

const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('chicken-half', 6)]);
/** Finished hot over coals. */
const roast = eventOf([batchOf('tri-tip', 2, { methodId: 'roast-seared' })]);
const input: PlanInput = inputOf(event);
const plan = buildPlan(input);
const messageContextOf = (own: CookEvent = event): MessageContext => ({
  event: own,
  pits: [OFFSET, OVEN],
  boxes: [BOX],
  library: SHIPPED_LIBRARY,
  units: { ...DEFAULT_UNITS, clock: '24' },
});
const messageContext = messageContextOf();
const seared = buildPlan(inputOf(roast));
const nothing = () => {};
const drawn = (of: Plan = plan, more: Partial<Parameters<typeof Timeline>[0]> = {}) =>
  renderToStaticMarkup(
    <Timeline
      messageContext={messageContext}
      plan={of}
      widthPx={1000}
      nowMs={SUPPER_MS - 6 * 3_600_000}
      onSelect={nothing}
      quiet={[]}
      scrubMs={of.runs[0]!.onAtMs}
      onScrub={nothing}
      {...more}
    />,
  );
const count = (text: string, part: RegExp) => [...text.matchAll(part)].length;

describe('the drawing of a plan', () => {
  it('has a button for each run on each rack and in each hold, named with its times', () => {
    const text = drawn();
    const legs = plan.runs.reduce((sum, run) => sum + run.legs.length, 0);
    expect(count(text, /aria-label="[^"]*, on at \d\d:\d\d, done between \d\d:\d\d and \d\d:\d\d/g)).toBe(legs);
    expect(count(text, /aria-label="[^"]*, held or resting until carving at \d\d:\d\d"/g)).toBeGreaterThanOrEqual(plan.runs.length);
    expect(drawn(seared, { messageContext: messageContextOf(roast) })).toContain('each finished hot for 3 min');
    expect(text).not.toContain('finished hot for');
  });

  it('marks the chosen run alone, and pinned ones with a pin', () => {
    const brisket = plan.runs.find((run) => run.batchId === 'brisket-whole')!;
    const marked = (text: string) =>
      new Set(
        [...text.matchAll(/data-run="([^"]+)"[^>]*aria-pressed="true"|aria-pressed="true"[^>]*data-run="([^"]+)"/g)].map(
          (match) => match[1] ?? match[2],
        ),
      );
    expect([...marked(drawn(plan, { selectedId: brisket.id }))]).toEqual([brisket.id]);
    expect([...marked(drawn())]).toEqual([]);
    const pins = (of: Plan) => count(drawn(of), /h8l-4 8z/g);
    expect(pins(plan)).toBe(0);
    expect(pins({ ...plan, runs: plan.runs.map((run) => (run === brisket ? { ...run, pinned: true } : run)) })).toBe(brisket.legs.length);
  });

  it('draws coals beside the chamber’s heat, a flap for each opening with what is done, quiet hours and the road', () => {
    const text = drawn(plan, { quiet: [{ fromMs: SUPPER_MS - 18 * 3_600_000, toMs: SUPPER_MS - 12 * 3_600_000 }] });
    expect(drawn(seared, { messageContext: messageContextOf(roast) })).toContain('coals 500 °F');
    expect(text).not.toContain('coals ');
    const openings = new Set(plan.tasks.flatMap((task) => task.opening ?? []));
    expect(count(text, /<title>\d\d:\d\d: /g)).toBe(openings.size);
    expect(text).toMatch(/<title>\d\d:\d\d: put on (briskets|chicken halves)/);
    expect(text).toContain('quiet hours');
    const trip: Trip = {
      id: 'supper/out',
      servingId: 'supper',
      purpose: 'out',
      fromId: 'base',
      toId: 'green',
      leaveMs: SUPPER_MS - 3_600_000,
      arriveMs: SUPPER_MS - 2_400_000,
      who: [],
      gearIds: [],
      pitIds: [],
      pieces: [],
    };
    expect(drawn({ ...plan, trips: [trip] })).toContain('>To green<');
    expect(drawn()).not.toContain('>Road<');
  });

  it('outlines what another plan has elsewhere, and nothing that is the same', () => {
    expect(elsewhere(plan, plan)).toEqual([]);
    const brisket = plan.runs.find((run) => run.batchId === 'brisket-whole')!;
    const moved: Plan = {
      ...plan,
      runs: plan.runs.map((run) =>
        run === brisket ? { ...run, legs: run.legs.map((leg) => ({ ...leg, fromMs: leg.fromMs - 3_600_000 })) } : run,
      ),
    };
    const ghosts = elsewhere(moved, plan);
    expect(ghosts.map((ghost) => ghost.batchId)).toEqual(brisket.legs.map(() => 'brisket-whole'));
    const text = drawn(plan, { ghosts });
    expect(count(text, /stroke-dasharray="5 3"/g)).toBe(ghosts.length);
    expect(text).toContain('Briskets 2</text>');
    // Two that begin together are named once.
    const both = renderToStaticMarkup(
      <svg>
        <Ghosts
          scale={{ fromMs: 0, toMs: 100, leftPx: 0, rightPx: 1000 }}
          messageContext={messageContext}
          row={{ y: 0, height: 40, bars: [] }}
          ghosts={[
            { ...ghosts[0]!, fromMs: -5, toMs: 40 },
            { ...ghosts[0]!, batchId: 'chicken-half', fromMs: 1, toMs: 60 },
          ]}
        />
      </svg>,
    );
    expect(count(both, /<text/g)).toBe(1);
    expect(both).toContain('x="0"');
    // Nor where the name would cover a bar; it is still told when it is pointed at.
    const over = renderToStaticMarkup(
      <svg>
        <Ghosts
          scale={{ fromMs: 0, toMs: 100, leftPx: 0, rightPx: 1000 }}
          messageContext={messageContext}
          row={{ y: 0, height: 40, bars: [{ x0: 20, x1: 90 }] }}
          ghosts={[{ ...ghosts[0]!, fromMs: 1, toMs: 40 }]}
        />
      </svg>,
    );
    expect(count(over, /<text/g)).toBe(0);
    expect(over).toContain('<title>Briskets 2</title>');
  });
});

describe('the verdict of a serving', () => {
  const [serving] = event.servings;
  const said = (of: Plan, own: CookEvent = event) =>
    renderToStaticMarkup(<Verdict serving={serving!} messageContext={messageContextOf(own)} plan={of} onMove={nothing} />).replace(
      /<[^>]+>/g,
      ' ',
    );
  const odds = (onTimeShare: number): Plan => ({ ...plan, problems: [], odds: [{ servingId: 'supper', onTimeShare, expectedLateMin: 2 }] });

  it('is its odds, that it does not fit, or that there is no menu', () => {
    expect(said(odds(0.934))).toMatch(/93 %\s+on time/);
    expect(said({ ...plan, runs: [], problems: [] }, { ...event, batches: [] })).toContain('no menu yet');
    const full = {
      ...odds(1),
      problems: [
        { code: 'noSuitablePit' as const, severity: 'broken' as const, batchId: 'brisket-whole', pieces: 1, need: 'heat' as const },
      ],
    };
    expect(said(full)).toContain('does not fit');
  });

  it('does not fit where a pinned run of it breaks a rule, or one that could be anybody’s', () => {
    const rule = (broken: object) =>
      ({ code: 'ruleBroken', severity: 'broken', broken: { rule: 7, code: 'noFire', ...broken } }) as Plan['problems'][number];
    expect(said({ ...odds(1), problems: [rule({ batch: 'chicken-half' })] })).toContain('does not fit');
    expect(said({ ...odds(1), problems: [rule({ pit: 'offset' })] })).toContain('does not fit');
    expect(said({ ...odds(1), problems: [rule({ batch: 'somebody-else' })] })).toContain('100 %');
    const piece = (batchId: string) => ({ batchId, pieceId: 'a' });
    const manualPlacements = (fault: object) =>
      ({ code: 'placedWrong', severity: 'broken', pitId: 'offset', rackId: 'low', fault }) as Plan['problems'][number];
    expect(concernsServing(manualPlacements({ code: 'offRack', piece: piece('brisket-whole') }), event, 'supper')).toBe(true);
    expect(concernsServing(manualPlacements({ code: 'offRack', piece: piece('lunch-meat') }), event, 'supper')).toBe(false);
    expect(concernsServing(manualPlacements({ code: 'overloaded', kg: 9, maxKg: 5 }), event, 'supper')).toBe(true);
  });

  it('comes with the fullest rack, its meats and hours', () => {
    expect(tightestMessage(messageContext, plan)).toMatch(
      /^(Offset|Oven), (low rack|high rack|shelf): \d+ % full with (briskets|chicken halves).*, \d\d:\d\d to \d\d:\d\d\.$/,
    );
    expect(tightestMessage(messageContext, { ...plan, tightest: undefined })).toBe('Nothing is on a pit yet.');
  });
});

describe('levers that were tried', () => {
  const remedy = (lever: Lever, solves: boolean): Remedy => ({ lever, solves, objective: [solves ? 0 : 2, 0, 0, 0, 0], onTimeShare: 0.95 });

  it('each have what came of it and a button', () => {
    const text = renderToStaticMarkup(
      <LeverList
        label="Remedies"
        messageContext={messageContext}
        input={{ spare: { pits: [{ ...OFFSET, id: 'second', name: 'Second offset' }], boxes: [], warmers: [], crew: [] } }}
        remedies={[remedy({ code: 'sparePit', pitId: 'second' }, true), remedy({ code: 'hireBoxes', count: 1 }, false)]}
        onPull={nothing}
      />,
    );
    expect(text).toContain('Bring the second offset');
    expect(text).toContain('everything fits, 95 % sure');
    expect(text).toContain('2 pieces still without a place');
    expect(count(text, /Do this/g)).toBe(2);
  });
});
