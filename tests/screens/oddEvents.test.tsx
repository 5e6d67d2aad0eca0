import { BriefForm } from '../../src/ui/brief/BriefForm.client';
import { OpenDocument } from '../fixtures/openDocument';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import { type CookEvent, type Plan } from '../../src/core/model';
import { checkedPlan, coolingOf, decisionsOf, pinned, thickestThatKeeps, type PlanInput } from '../../src/core/planning';
import { newForecastCache } from '../../src/core/schedule';
import type { Units } from '../../src/formats/units';
import { BuyingDesk } from '../../src/ui/buying/BuyingDesk.client';
import { UnitsProvider } from '../../src/ui/kit/UnitsProvider';
import { PlanDesk } from '../../src/ui/plan/PlanDesk.client';
import { PrepDesk } from '../../src/ui/prep/PrepDesk.client';
import { RackDesk } from '../../src/ui/racks/RackDesk.client';
import { RunSheet } from '../../src/ui/runsheet/RunSheet.client';
import { SafetyPanel } from '../../src/ui/safety/SafetyPanel.client';
import { ServiceDesk } from '../../src/ui/service/ServiceDesk.client';
import { batchOf, BULLET, eventOf, inputOf, OFFSET, OVEN, SUPPER_MS, ZONED, servedAway } from '../fixtures/events';

vi.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => {} }) }));

const HOUR = 3_600_000;
const cache = newForecastCache();
const [supper] = eventOf([]).servings;
const lunch = { ...supper!, id: 'lunch', name: 'Lunch', atMs: SUPPER_MS - 5.5 * HOUR, serveForMin: 0 };
const brisket = batchOf('brisket-whole', 3, { methodId: 'low-paper' });
const briskets = eventOf([brisket]);
const first = (input: PlanInput) => checkedPlan(input, cache).runs[0]!;

/** Events at the edges of what people make. */
const ODD: [string, PlanInput][] = [
  ['nothing on the menu', inputOf(eventOf([]))],
  ['no pit at all', inputOf(briskets, [])],
  ['no pit that suits', inputOf(briskets, [OVEN])],
  ['one piece on a round grate', inputOf(eventOf([batchOf('pork-butt', 1)]), [BULLET], [])],
  ['a pit with hot and cool ends, and blocked parts', inputOf(eventOf([brisket, batchOf('spare-ribs', 6)]), [ZONED, OVEN])],
  ['a hot finish and a rare roast', inputOf(eventOf([batchOf('tri-tip', 3, { methodId: 'roast-seared' })]))],
  [
    'a dish, links and birds',
    inputOf(eventOf([batchOf('pan-dish', 2, { label: 'Harbour beans' }), batchOf('sausage-link', 40), batchOf('chicken-half', 9)])),
  ],
  [
    'a drive with a towed pit',
    inputOf(servedAway(eventOf([brisket, batchOf('chicken-half', 6)]), 45, 20), [{ ...OFFSET, travels: true }, OVEN]),
  ],
  [
    'two servings, one of them served at once',
    inputOf(eventOf([{ ...brisket, servingId: 'lunch' }, batchOf('chicken-half', 6)], { servings: [lunch, supper!] })),
  ],
  [
    'a crew that is off duty when the fire is to be lit',
    inputOf(eventOf([brisket], { duty: [{ memberId: 'ada', fromMs: SUPPER_MS - 3 * HOUR, toMs: SUPPER_MS + 2 * HOUR }] })),
  ],
  [
    'a crew that has just enough time',
    {
      ...inputOf(eventOf([brisket], { duty: [{ memberId: 'ada', fromMs: SUPPER_MS - 48 * HOUR, toMs: SUPPER_MS + 2 * HOUR }] })),
      crew: [{ id: 'ada', name: 'Ada' }],
    },
  ],
  ['a serving that is nearly here', { ...inputOf(briskets), earliestMs: SUPPER_MS - 2 * HOUR }],
  ['a pinned run that comes too late', inputOf(pinned(briskets, { ...first(inputOf(briskets)), onAtMs: SUPPER_MS - 5 * HOUR }))],
  ['a pinned run in an oven that makes no smoke', inputOf(pinned(briskets, first(inputOf(briskets)), { pitId: 'oven' }))],
  [
    'a night in which the clocks go back',
    {
      ...inputOf(eventOf([brisket], { servings: [{ ...supper!, atMs: Date.parse('2027-11-07T18:00:00-04:00') }] })),
      earliestMs: Date.parse('2027-11-01T12:00:00-03:00'),
    },
  ],
  ['high up in the hills', inputOf({ ...briskets, altitudeM: 2600 })],
];
const UNITS: Units[] = [
  { temp: 'F', mass: 'lb', clock: '12' },
  { temp: 'C', mass: 'kg', clock: '24' },
];
const refuse = () => Promise.resolve({ ok: false as const, problems: [] });

/** The screens that are made from a plan. */
const SCREENS: Record<string, (input: PlanInput, plan: Plan) => ReactElement> = {
  buying: (input, plan) => (
    <BuyingDesk
      prices={{}}
      input={input}
      plan={plan}
      learned={[]}
      actions={{ saveWeights: refuse, saveBuying: refuse, saveReceipt: refuse, saveKitchen: refuse, tickItem: refuse }}
    />
  ),
  prep: (input, plan) => <PrepDesk input={input} plan={plan} actions={{ savePrep: refuse, markStep: refuse, saveKitchen: refuse }} />,
  brief: (input, plan) => (
    <OpenDocument input={input} plan={plan}>
      <BriefForm prices={{}} />
    </OpenDocument>
  ),
  plan: (input, plan) => (
    <OpenDocument input={input} plan={plan}>
      <PlanDesk readPlanFile={refuse} />
    </OpenDocument>
  ),
  racks: (input, plan) => (
    <OpenDocument input={input} plan={plan}>
      <RackDesk />
    </OpenDocument>
  ),
  'run sheet': (input, plan) => <RunSheet input={input} plan={plan} decisions={decisionsOf(input, plan)} />,
  service: (input, plan) => (
    <ServiceDesk
      input={input}
      plan={plan}
      cooling={cooled(input.event)}
      keeps={thickestThatKeeps()}
      actions={{ saveKitchen: refuse, saveLeftover: refuse, signCards: refuse }}
    />
  ),
  safety: (input, plan) => <SafetyPanel input={input} plan={plan} loosenRule={refuse} tightenRule={refuse} />,
};
const cooled = ({ batches }: CookEvent) =>
  Object.fromEntries(batches.flatMap((batch) => (batch.leftover ? [[batch.id, coolingOf(batch.leftover)] as const] : [])));

describe.each(ODD)('with %s', (_, input) => {
  const plan = checkedPlan(input, cache);

  it.each(Object.keys(SCREENS))('the %s screen stands, in both systems, without a hole in its words', (screen) => {
    for (const units of UNITS) {
      const markup = renderToStaticMarkup(
        <UnitsProvider units={units} light="light">
          {SCREENS[screen]!(input, plan)}
        </UnitsProvider>,
      );
      const text = markup.replace(/<(style|script)[^>]*>.*?<\/\1>/gs, ' ');
      expect(text.match(/.{0,80}(undefined|NaN|\[object |Invalid Date|\bnull\b|Infinity).{0,60}/)?.[0]).toBeUndefined();
      expect(text.replace(/<[^>]+>/g, '').length).toBeGreaterThan(40);
    }
  });

  it('what is broken is said on the plan and on the run sheet', () => {
    const broken = plan.problems.filter((problem) => problem.severity === 'broken').length;
    const said = (screen: 'plan' | 'run sheet') => renderToStaticMarkup(SCREENS[screen]!(input, plan));
    if (broken > 0) {
      expect(said('plan')).toContain('aria-label="Broken"');
      expect(said('run sheet')).toContain('border-bad');
    } else expect(said('plan')).not.toContain('aria-label="Broken"');
  });
});
