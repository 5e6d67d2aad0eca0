import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { judgeTrial, withFigure, type FigureKey, type Tasting, type Trial } from '../../src/core/learn';
import { SHIPPED_LIBRARY, type Pit } from '../../src/core/model';
import { figureWords, formatFigure, measurable } from '../../src/formats/messages/figures';
import { byNumber, oneIn, trialVerdict } from '../../src/formats/messages/trial';
import { figureName } from '../../src/core/learn';
import { PitFacts } from '../../src/ui/equipment/PitFacts';
import { Misses, Servings, ToldThreeWays } from '../../src/ui/log/Worth';
import { BOX, OFFSET } from '../fixtures/events';

const F = { temp: 'F', mass: 'lb', clock: '24' } as const;
const C = { temp: 'C', mass: 'kg', clock: '24' } as const;
const PIT: Pit = { ...OFFSET, racks: OFFSET.racks.map((rack) => ({ ...rack, zones: [{ fromMm: 0, toMm: 100, offsetC: 5 }] })) };
const ground = { equipment: { pits: [PIT], boxes: [BOX] }, library: SHIPPED_LIBRARY };

describe('figures in words', () => {
  it('have a name, a number in both units, and a place to stand, each that can be measured', () => {
    const all = measurable({ ...ground, units: F });
    expect(new Set(all).size).toBe(all.length);
    for (const figure of all) {
      const { of, what } = figureWords(figureName(figure)!, { ...ground, units: F });
      expect(`${of}: ${what}`).not.toMatch(/undefined|NaN|a part that is no more|A pit|A box|A cut/);
      for (const units of [F, C]) expect(formatFigure(figureName(figure)!.kind, 0.7, units)).toMatch(/\d/);
      expect(withFigure(figure, 1, ground), figure).toBeDefined();
    }
  });

  it('say over and under with a sign, minutes, weights an hour and shares with their unit', () => {
    expect(formatFigure('gauge', -6, F)).toBe('-11 °F');
    expect(formatFigure('gauge', 6, C)).toBe('+6 °C');
    expect(formatFigure('warmUp', 75, F)).toBe('1 h 15');
    expect(formatFigure('fuel', 2.5, F)).toBe('5.5 lb/h');
    expect(formatFigure('portion', 1.12, F)).toBe('112 %');
  });

  it('of a gauge that differs when it is hot are told on the pit itself', () => {
    const facts = (pit: Pit) => renderToStaticMarkup(<PitFacts pit={pit} units={C} />);
    expect(facts({ ...PIT, gaugeOffsetC: 6 })).toContain('grate 6 °C over the gauge');
    expect(facts({ ...PIT, gaugeOffsetC: -6, gaugeOffsetHotC: 10 })).toContain('grate 6 °C under the gauge, 10 °C over at');
    expect(facts({ ...PIT, gaugeOffsetHotC: 10 })).toContain('grate 0 °C over the gauge, 10 °C over at');
    expect(facts(PIT)).not.toContain('gauge');
  });
});

describe('a trial in words', () => {
  const trial = { arms: ['Salt', 'Kelp'] as [string, string], firstArms: [0, 1, 0, 1] as Trial['firstArms'], traits: [] };
  const said = (first: number, second: number, untold = 0) => {
    const paper = (nth: number, prefers?: 0 | 1): Tasting => ({
      paper: nth,
      taster: 'a',
      scores: {},
      note: '',
      atMs: 0,
      ...(prefers !== undefined && { prefers }),
    });
    const papers = [
      ...Array.from({ length: first }, (_, i) => paper(i, 0)),
      ...Array.from({ length: second }, (_, i) => paper(i + 50, 1)),
      ...Array.from({ length: untold }, (_, i) => paper(i + 90)),
    ];
    return trialVerdict(trial, judgeTrial(trial, papers));
  };
  it('has its winner, its margin and how sure it is', () => {
    expect(said(4, 10)).toBe('10 of 14 tasters liked Kelp better; by luck 1 in 11. Likely, not sure: 11 of 14 would be.');
    expect(said(13, 1, 2)).toBe('13 of 14 tasters liked Salt better; by luck 1 in 1,092. That is sure enough to go by. 2 could not tell.');
    expect(said(3, 4)).toBe('4 of 7 tasters liked Kelp better; by luck 1 in 2. Too close to tell: 7 of 7 would be sure.');
    expect(said(2, 2)).toBe('2 liked each better, of 4: no difference was found.');
    expect(said(0, 0, 3)).toBe('3 tasted, and none of them could tell the two apart.');
    expect(said(0, 0)).toBe('No paper is in yet; 4 were drawn.');
    expect(oneIn(1 / 32)).toBe('1 in 32');
  });
  it('counts its pieces as they are numbered', () => expect(byNumber(['S10', 'S2', 'S1'])).toEqual(['S1', 'S2', 'S10']));
});

describe('what forecasts were worth', () => {
  const text = (html: string) => html.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ');
  it('is told side by side, and by cut and pit', () => {
    const html = renderToStaticMarkup(
      <ToldThreeWays
        foretold={[
          { by: 'owner', cooks: 27, logRmse: 0.14, inside: 0.85, width: 1.43 },
          { by: 'pound', cooks: 27, logRmse: 0.3 },
        ]}
      />,
    );
    expect(text(html)).toMatch(/same 27 cooks.*Your kitchen, by the cooks before 15 % 85 % 1 to 1.43.*Hours a pound.* 35 % no range/);
    expect(renderToStaticMarkup(<ToldThreeWays foretold={[]} />)).toBe('');
    expect(text(renderToStaticMarkup(<Misses misses={[{ name: 'Trailer', cooks: 8, meanLog: 0.1 }]} />))).toContain(
      'Trailer 11 % longer 8 cooks',
    );
  });
  it('is told by serving: late, early or to the minute', () => {
    const serving = {
      eventId: 'e',
      eventName: 'Slip',
      servingName: 'Supper',
      plannedCarveMs: 0,
      carvedLateMin: 4,
      pulledLateMin: -12,
      pieces: 6,
      when: 'Sat 19 Jun, 17:30',
    };
    const html = text(
      renderToStaticMarkup(<Servings servings={[serving, { ...serving, servingName: 'Lunch', carvedLateMin: 0, pulledLateMin: 0 }]} />),
    );
    expect(html).toContain('Supper, Slip 4 min late 12 min sooner, in the middle 6');
    expect(html).toContain('Lunch, Slip to the minute as told');
    expect(renderToStaticMarkup(<Servings servings={[]} />)).toBe('');
  });
});

// Kept beside the words: a key that no screen can name would be a figure nobody sees.
it('every figure that can be measured can be read back from its key', () => {
  for (const figure of measurable({ ...ground, units: F }) satisfies FigureKey[]) expect(figureName(figure)).toBeDefined();
});
