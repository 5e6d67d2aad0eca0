import { describe, expect, it } from 'vitest';
import { batchOf, BOX, eventOf, inputOf, ZONED } from '../../../tests/fixtures/events';
import { SHIPPED_LIBRARY, type PlanProblem, type RackFault } from '../../core/model';
import { buildPlan, mapPieces } from '../../core/planning';
import type { MessageContext } from './names';
import { planProblemMessage } from './problem';
import { rackSvg } from '../rackSvg';
import { faultMessage, tagOf } from './rack';
import { DEFAULT_UNITS, type Units } from '../units';

const METRIC: Units = { temp: 'C', mass: 'kg', clock: '24' };
const event = eventOf([batchOf('brisket-whole', 2, { methodId: 'low-paper' }), batchOf('chicken-half', 2)]);
const messageContext = (units: Units = METRIC): MessageContext => ({ event, pits: [ZONED], boxes: [BOX], library: SHIPPED_LIBRARY, units });
const span = { fromMs: Date.parse('2027-06-19T06:00:00-03:00'), toMs: Date.parse('2027-06-19T09:00:00-03:00') };
const brisket = { batchId: 'brisket-whole', pieceId: 'brisket-whole-1' };
const other = { batchId: 'brisket-whole', pieceId: 'brisket-whole-2' };
const bird = { batchId: 'chicken-half', pieceId: 'chicken-half-1' };

describe('what is wrong on a rack, in words', () => {
  const faults: [RackFault, string][] = [
    [
      { code: 'tooNear', piece: brisket, other, apartMm: 11, gapMm: 25, ...span },
      'B1 (briskets) is 11 mm from B2 (briskets): the air gap is 25 mm',
    ],
    [{ code: 'tooNear', piece: brisket, other, apartMm: -20, gapMm: 25, ...span }, 'B1 (briskets) and B2 (briskets) lie on each other'],
    [{ code: 'offRack', piece: other, ...span }, 'B2 (briskets) hangs over the edge of the rack'],
    [{ code: 'onBlocked', piece: other, ...span }, 'B2 (briskets) lies on a part that is blocked'],
    [
      { code: 'tooTall', piece: brisket, thicknessMm: 72, clearanceMm: 60, ...span },
      'B1 (briskets) is 72 mm thick under 60 mm of headroom',
    ],
    [{ code: 'overloaded', kg: 92, maxKg: 80, ...span }, '92 kg lie on a rack that carries 80 kg'],
    [{ code: 'poultryAbove', piece: bird, other: brisket, ...span }, 'C1 (chicken halves) is raw poultry above B1 (briskets)'],
  ];

  it('names the pieces by their tags and gives both figures', () => {
    for (const [fault, words] of faults) expect(faultMessage(messageContext(), fault)).toBe(words);
    expect(tagOf(messageContext(), bird)).toBe('C1');
  });

  it('becomes a problem of the plan with what to do', () => {
    const problems: PlanProblem[] = [
      { code: 'placedWrong', severity: 'broken', pitId: 'zoned', rackId: 'zoned-low', fault: faults[0]![0] },
      { code: 'placedUnsuitable', severity: 'broken', batchId: 'brisket-whole', pieces: 1, pitId: 'zoned' },
      { code: 'longSmoke', severity: 'warning', batchId: 'brisket-whole', pitId: 'zoned', minutes: 480 },
      { code: 'warmerFull', severity: 'broken', batchId: 'brisket-whole', pieces: 2, shortSlots: 1, ...span },
      {
        code: 'rackNoSpot',
        severity: 'broken',
        batchId: 'brisket-whole',
        pieces: 2,
        pitId: 'zoned',
        rackId: 'zoned-low',
        shortMm: 34,
        ...span,
      },
    ];
    for (const units of [METRIC, DEFAULT_UNITS])
      for (const problem of problems) {
        const { what, remedy } = planProblemMessage(messageContext(units), problem);
        expect(`${what} ${remedy}`).not.toMatch(/undefined|NaN|null/);
        expect(remedy.length).toBeGreaterThan(20);
      }
    expect(planProblemMessage(messageContext(), problems[4]!).what).toMatch(/the best is 34 mm too small/);
  });
});

describe('the drawing of the racks', () => {
  it('shows every rack, piece, zone and blocked part of the moment, and escapes what people type', () => {
    const input = inputOf(event, [{ ...ZONED, name: 'Pit <1> & co' }]);
    const plan = buildPlan(input);
    const pieces = mapPieces(input, plan, 'zoned');
    const drawing = rackSvg(messageContext(), input.pits[0]!, pieces, pieces[0]!.fromMs);
    expect(drawing).toContain('Pit &lt;1&gt; &amp; co');
    expect(drawing).toContain('water pan');
    expect(drawing).toContain('+12 °C');
    const here = pieces.filter((piece) => piece.fromMs <= pieces[0]!.fromMs && piece.toMs > pieces[0]!.fromMs);
    expect([...drawing.matchAll(/rx="18"/g)]).toHaveLength(here.length);
    expect(drawing).not.toMatch(/undefined|NaN/);
  });
});
