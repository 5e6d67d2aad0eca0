import { describe, expect, it } from 'vitest';
import { batchOf, eventOf, inputOf, SUPPER_MS } from '../../../tests/fixtures/events';
import type { CookEvent } from '../model';
import { buildPlan } from './buildPlan';
import { changesSince, baselineOf } from './changes';
import { coolingOf, thickestThatKeeps } from './leftovers';
import { stageStates } from './stages';

const event = eventOf([batchOf('pork-butt', 3), batchOf('spare-ribs', 4)], { pitIds: ['offset'] });
const kept = baselineOf(inputOf(event), buildPlan(inputOf(event)), 1);
const since = (change: (event: CookEvent) => CookEvent) => {
  const input = inputOf(change(structuredClone(event)));
  return changesSince(kept, input, buildPlan(input));
};
const codes = (change: (event: CookEvent) => CookEvent) => since(change).map((each) => each.code);

describe('what changed since the plan was kept', () => {
  it('is nothing while nothing has', () => {
    expect(since((same) => same)).toEqual([]);
    expect(codes((same) => ({ ...same, revision: 9, name: 'Other' }))).toEqual([]);
  });

  it('names the cause first, then the starts it moved', () => {
    const later = since((now) => ({ ...now, servings: now.servings.map((serving) => ({ ...serving, atMs: SUPPER_MS + 3_600_000 })) }));
    expect(later[0]).toEqual({ code: 'servingMoved', name: 'Supper', byMin: 60 });
    expect(later.slice(1).map((each) => each.code)).toEqual(['startMoved', 'startMoved']);
  });

  it('sees guests, pieces, weights, methods, prep, pits and dishes that come or go', () => {
    expect(
      codes((now) => ({ ...now, servings: now.servings.map((each) => ({ ...each, guests: { ...each.guests, adults: 90 } })) })),
    ).toContain('guestsChanged');
    expect(codes((now) => ({ ...now, servings: now.servings.map((each) => ({ ...each, marginShare: 0.1 })) }))).toContain('guestsChanged');
    const batch = (index: number, change: (each: CookEvent['batches'][number]) => CookEvent['batches'][number]) => (now: CookEvent) => ({
      ...now,
      batches: now.batches.map((each, i) => (i === index ? change(each) : each)),
    });
    expect(codes(batch(1, (each) => ({ ...each, pieces: each.pieces.slice(1) })))).toContain('piecesChanged');
    const heavier = since(batch(0, (each) => ({ ...each, pieces: each.pieces.map((piece) => ({ ...piece, kg: piece.kg * 1.3 })) })));
    expect(heavier[0]!.code).toBe('weightChanged');
    expect(new Set(heavier.slice(1).map((each) => each.code))).toEqual(new Set(['startMoved']));
    expect(codes(batch(0, (each) => ({ ...each, methodId: 'hot-foil' })))).toContain('methodChanged');
    expect(codes(batch(0, (each) => ({ ...each, prep: { salt: 'night' } })))).toEqual(['prepChanged']);
    expect(codes(batch(0, (each) => ({ ...each, prep: { done: ['trim'] } })))).toEqual([]);
    expect(codes((now) => ({ ...now, pitIds: ['offset', 'oven'] }))).toContain('pitsChanged');
    expect(codes((now) => ({ ...now, batches: now.batches.slice(1) }))).toContain('batchGone');
    expect(codes((now) => ({ ...now, batches: [...now.batches, batchOf('pan-dish', 1)] }))).toContain('batchAdded');
    expect(codes((now) => ({ ...now, servings: [...now.servings, { ...now.servings[0]!, id: 'late', name: 'Late' }] }))).toContain(
      'servingAdded',
    );
  });

  it('marks the plan and the run sheet as out of date', () => {
    const stale = inputOf({ ...event, baseline: kept, batches: event.batches.slice(1) });
    expect(stageStates(stale, buildPlan(stale))).toMatchObject({ plan: 'stale', 'run-sheet': 'stale' });
    const same = inputOf({ ...event, baseline: kept });
    expect(stageStates(same, buildPlan(same))).toMatchObject({ plan: 'settled', 'run-sheet': 'settled' });
  });
});

describe('leftovers', () => {
  it('keep the rule in ice when thin, and break it in a fridge when thick', () => {
    expect(coolingOf({ portionThicknessMm: 25, way: 'ice' }).keepsRule).toBe(true);
    expect(coolingOf({ portionThicknessMm: 100, way: 'fridge' }).keepsRule).toBe(false);
  });

  it('may be thicker the colder they are cooled', () => {
    const [fridge, ice, blast] = thickestThatKeeps();
    expect(ice!.thicknessMm!).toBeGreaterThan(fridge!.thicknessMm ?? 0);
    expect(blast!.thicknessMm!).toBeGreaterThanOrEqual(fridge!.thicknessMm ?? 0);
    for (const { way, thicknessMm } of [fridge!, ice!, blast!])
      if (thicknessMm !== undefined) expect(coolingOf({ portionThicknessMm: thicknessMm, way }).keepsRule).toBe(true);
  });
});
