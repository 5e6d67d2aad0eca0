import { describe, expect, it } from 'vitest';
import { PIT_KINDS, type PitKind } from '../model';
import { seededRandom } from '../numerics';
import { HandFire, keptByHand, smokeWord } from '.';

const CALM = { airC: 15, windMPerS: 2, raining: false };

function fireAt(pitC: number, kind: PitKind = 'kettle', seed = 3): HandFire {
  const fire = new HandFire({ pitId: 'pit', kind, openingDropC: 20, gaugeOffsetC: 0 }, seededRandom(seed), CALM.airC);
  fire.readyAt(pitC);
  return fire;
}

function live(fire: HandFire, minutes: number, weather = CALM, flareW = 0): HandFire {
  for (let i = 0; i < minutes * 6; i++) fire.step(10, weather, 120, flareW);
  return fire;
}

const kinds = PIT_KINDS.filter((kind) => keptByHand(kind) && kind !== 'open-pit');

describe('a fire that hands keep', () => {
  it.each(kinds)('%s holds about its usual heat for an hour with usual vents', (kind) => {
    const fire = fireAt(121, kind);
    for (let minute = 0; minute < 60; minute++) {
      live(fire, 1);
      if (fire.woodKg < 0.3 && (kind === 'offset' || kind === 'reverse-flow')) fire.wood(1.1, 0.16, true);
    }
    expect(fire.airC).toBeGreaterThan(100);
    expect(fire.airC).toBeLessThan(150);
  });

  it.each(kinds)('%s gets hotter with its vents open and cooler with them shut, within a quarter of an hour', (kind) => {
    const [open, as, shut] = [fireAt(121, kind), fireAt(121, kind), fireAt(121, kind)];
    open.vents(0.8, 1);
    shut.vents(0.05, 0.5);
    for (const fire of [open, as, shut]) live(fire, 15);
    expect(open.airC).toBeGreaterThan(as.airC + 6);
    expect(shut.airC).toBeLessThan(as.airC - 6);
  });

  it('answers within minutes, not at once: a vent moves it little in the first minute', () => {
    const [open, as] = [fireAt(121), fireAt(121)];
    open.vents(0.8, 1);
    live(open, 1);
    live(as, 1);
    expect(open.airC - as.airC).toBeLessThan(6);
    live(open, 9);
    live(as, 9);
    expect(open.airC - as.airC).toBeGreaterThan(12);
  });

  it('dies when its coals are gone; lit ones bring it back within a quarter of an hour, unlit ones take far longer', () => {
    const dying = () => {
      const fire = fireAt(121);
      fire.burnedDownTo(0.12);
      return live(fire, 30);
    };
    const [none, lit, unlit] = [dying(), dying(), dying()];
    expect(none.airC).toBeLessThan(108);
    lit.coals(0.9, true);
    unlit.coals(0.9, false);
    const before = none.airC;
    for (const fire of [none, lit, unlit]) live(fire, 15);
    expect(lit.airC).toBeGreaterThan(before + 10);
    expect(none.airC).toBeLessThan(before);
    expect(unlit.airC).toBeLessThan(before + 5);
  });

  it('is starved by its own ash, and breathes again when that is cleared', () => {
    const [full, clear] = [fireAt(121), fireAt(121)];
    full.filledWithAsh();
    live(full, 30);
    live(clear, 30);
    expect(full.airC).toBeLessThan(clear.airC - 8);
    full.ash();
    const low = full.airC;
    live(full, 15);
    expect(full.airC).toBeGreaterThan(low + 5);
  });

  it('falls with its lid off, and runs past where it was once the lid is on again', () => {
    const fire = fireAt(121);
    const lit = fire.litKg;
    fire.lidOpen = true;
    live(fire, 6);
    expect(fire.airC).toBeLessThan(105);
    fire.lidOpen = false;
    live(fire, 14);
    expect(fire.airC).toBeGreaterThan(110);
    expect(fire.burnedKg).toBeGreaterThan(0);
    expect(fire.litKg).not.toBe(lit);
  });

  it('loses heat to wind and rain, less once it is sheltered', () => {
    const storm = { ...CALM, windMPerS: 12, raining: true };
    const [calm, wet, sheltered] = [fireAt(121), fireAt(121), fireAt(121)];
    sheltered.sheltered = true;
    // Wind blows on coals as well: with little air let in, what it takes shows.
    for (const fire of [calm, wet, sheltered]) fire.vents(0.02, 0.3);
    live(calm, 30);
    live(wet, 30, storm);
    live(sheltered, 30, storm);
    expect(wet.airC).toBeLessThan(calm.airC - 4);
    expect(sheltered.airC).toBeGreaterThan(wet.airC + 2);
  });

  it('is held low by water while there is some', () => {
    const [dry, wet] = [fireAt(140, 'bullet'), fireAt(140, 'bullet')];
    wet.waterKg = 3;
    live(dry, 40);
    live(wet, 40);
    expect(wet.airC).toBeLessThan(dry.airC - 6);
    expect(wet.waterKg).toBeLessThan(3);
  });
});

describe('smoke', () => {
  const wordAfter = (kind: PitKind, minutes: number, make: (fire: HandFire) => void) => {
    const fire = fireAt(121, kind);
    make(fire);
    return smokeWord(live(fire, minutes).smoke);
  };

  it('is hardly seen over coals alone', () => expect(wordAfter('kettle', 20, () => undefined)).toBe('none'));
  it('is white while a wet split smoulders, and blue once a dry one burns with air', () => {
    expect(wordAfter('offset', 5, (fire) => fire.wood(1.1, 0.4, false))).toBe('white');
    expect(wordAfter('offset', 20, (fire) => fire.vents(0.5, 0.9))).toBe('blue');
  });
  it('turns white where flames are choked at the vent', () => {
    expect(wordAfter('offset', 8, (fire) => (fire.wood(1.1, 0.16, true), fire.vents(0.04, 0.3)))).toBe('white');
  });
  it('is white for some minutes over fresh coals from the bag, and then no longer', () => {
    expect(wordAfter('bullet', 3, (fire) => fire.coals(1.2, false))).toBe('white');
    expect(wordAfter('bullet', 60, (fire) => fire.coals(1.2, false))).toBe('none');
  });
  it('is black where grease burns', () => {
    expect(smokeWord(live(fireAt(121, 'drum'), 4, CALM, 5200).smoke)).toBe('black');
  });
});
