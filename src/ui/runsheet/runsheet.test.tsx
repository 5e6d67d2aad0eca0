import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, OFFSET, OVEN, servedAway } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY, type Task } from '../../core/model';
import { buildPlan, type Decision } from '../../core/planning';
import type { MessageContext } from '../../formats/messages/names';
import { DEFAULT_UNITS } from '../../formats/units';
import { Decisions } from './Decisions';
import { LoadOut } from './LoadOut';
import { rhythmMin, rowsOf, TaskLine } from './TaskLine';

const home = eventOf([batchOf('brisket-whole', 3, { methodId: 'low-paper' }), batchOf('spare-ribs', 6), batchOf('chicken-half', 6)]);
const away = servedAway(home, 20);
const towed = { ...OFFSET, name: 'Towed offset' };
const input = inputOf(away, [towed, OVEN]);
const plan = buildPlan(input);
const messageContext: MessageContext = {
  event: away,
  pits: [towed, OVEN],
  boxes: [BOX],
  library: SHIPPED_LIBRARY,
  units: { ...DEFAULT_UNITS, clock: '24' },
};
const textOf = (markup: string) => markup.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ');

describe('the run sheet', () => {
  it('has a line for every task, with its time, and nothing left out of its words', () => {
    const rows = rowsOf(plan.tasks, (task) => task.kind);
    expect(rows.reduce((sum, row) => sum + 1 + row.again.length, 0)).toBe(plan.tasks.length);
    for (const row of rows) {
      const text = textOf(renderToStaticMarkup(<TaskLine row={row} messageContext={messageContext} plan={plan} names={new Map()} />));
      expect(text).toMatch(/\d\d:\d\d/);
      expect(text).not.toMatch(/undefined|NaN|\[object/);
    }
  });

  it('names who does it, and says that an opening is shared', () => {
    const [first, second] = plan.tasks.filter((task) => task.opening !== undefined);
    const shared = plan.tasks.map((task) => (task === second ? { ...task, opening: first!.opening } : task));
    const line = (task: (typeof shared)[number]) =>
      textOf(
        renderToStaticMarkup(
          <TaskLine
            row={{ task: { ...task, who: ['ada', 'gone'] }, again: [] }}
            messageContext={messageContext}
            plan={{ ...plan, tasks: shared }}
            names={new Map([['ada', 'Ada']])}
          />,
        ),
      );
    expect(line(shared.find((task) => task.id === first!.id)!)).toContain('Ada, crew');
    expect(line(shared.find((task) => task.id === second!.id)!)).toContain('same opening');
  });

  it('tells of tending the fire once for as long as it is the same, and how often', () => {
    const reload = (minute: number, kg: number) => ({
      id: `r${minute}`,
      kind: 'reload' as const,
      atMs: minute * 60_000,
      minutes: 5,
      pitId: 'offset',
      kg,
    });
    const titleOf = (task: Task) => `feed ${task.kg}`;
    const rows = rowsOf([reload(0, 2), reload(20, 2), { ...reload(30, 2), pitId: 'oven' }, reload(40, 2), reload(60, 3)], titleOf);
    expect(rows.map((row) => [row.task.pitId, row.again.length])).toEqual([
      ['offset', 2],
      ['oven', 0],
      ['offset', 0],
    ]);
    expect(rhythmMin(rows[0]!)).toBeUndefined();
    expect(rhythmMin({ task: reload(0, 2), again: [reload(20, 2), reload(40, 2), reload(60, 2)] })).toBe(20);
    expect(rhythmMin({ task: reload(0, 2), again: [reload(20, 2), reload(45, 2), reload(60, 2)] })).toBeUndefined();
  });
});

describe('the load-out', () => {
  const text = textOf(renderToStaticMarkup(<LoadOut messageContext={messageContext} plan={plan} />));

  it('says when the crew leaves, what is in which box as one thing, and which pits come along', () => {
    // Carved at 17:30, 15 minutes to set up, 10 to unload, 20 on the road.
    expect(text).toContain('Load out to Lighthouse green for supper: leave Sat 16:45');
    expect(text).toContain('20 min on the road, there at 17:05');
    expect(text).toMatch(/3 briskets, [\d.]+ lb/);
    expect(text.match(/spare rib racks/g)).toHaveLength(1);
    expect(text).toContain('Back to Yard: leave Sat');
    expect(text).not.toContain('Oven');
    const trips = plan.trips.map((trip) => ({ ...trip, pitIds: ['offset'] }));
    expect(textOf(renderToStaticMarkup(<LoadOut messageContext={messageContext} plan={{ ...plan, trips }} />))).toContain(
      'Towed offset , cold and emptied of ash',
    );
  });

  it('is not there when nobody drives', () => {
    const stays = buildPlan({ ...input, event: home });
    expect(renderToStaticMarkup(<LoadOut messageContext={{ ...messageContext, event: home }} plan={stays} />)).toBe('');
  });
});

describe('decision points', () => {
  it('stand in the order of the clock, each with its lever, and not at all when there are none', () => {
    const [run] = plan.runs;
    const at = (atMs: number): Decision => ({
      runId: run!.id,
      pitId: run!.pitId,
      atMs,
      underC: 60,
      levers: [
        { code: 'raise', pitC: 135, gainMin: 40 },
        { code: 'wrap', gainMin: 25 },
      ],
    });
    const decisions = [at(run!.onAtMs + 3_600_000), at(run!.onAtMs + 7_200_000)];
    const markup = renderToStaticMarkup(<Decisions messageContext={messageContext} plan={plan} decisions={decisions} />);
    expect(markup.match(/<li/g)).toHaveLength(decisions.length);
    expect(textOf(markup)).toMatch(
      /is likely to be late: raise the .* to .* \(gains about 40 min\), or wrap at once \(gains about 25 min\)\./,
    );
    expect(renderToStaticMarkup(<Decisions messageContext={messageContext} plan={plan} decisions={[]} />)).toBe('');
  });
});
