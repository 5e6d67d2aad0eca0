import { describe, expect, it } from 'vitest';
import { boxLossWPerK } from './boxLoss';
import { checkProbe } from './probeCheck';

describe('a box tested with hot water', () => {
  it('loses what the fall of its water says: 10 L from 80 to 60 C in 10 h at 20 C', () => {
    // 10 x 4186 x ln(60 / 40) / 36000.
    expect(boxLossWPerK({ waterL: 10, fromC: 80, toC: 60, hours: 10, roomC: 20 })).toBeCloseTo(0.4715, 4);
    // Twice the water falls half as fast.
    expect(boxLossWPerK({ waterL: 20, fromC: 80, toC: 60, hours: 20, roomC: 20 })).toBeCloseTo(0.4715, 4);
  });

  it('says nothing where nothing cooled, or it fell below the room', () => {
    expect(boxLossWPerK({ waterL: 10, fromC: 80, toC: 80, hours: 10, roomC: 20 })).toBeUndefined();
    expect(boxLossWPerK({ waterL: 10, fromC: 80, toC: 19, hours: 10, roomC: 20 })).toBeUndefined();
    expect(boxLossWPerK({ waterL: 10, fromC: 80, toC: 60, hours: 0, roomC: 20 })).toBeUndefined();
  });
});

describe('a thermometer checked', () => {
  it('in ice and boiling water, which boils cooler on a hill', () => {
    expect(checkProbe({ iceC: 0.3, boilC: 99.6, altitudeM: 0 }).state).toBe('true');
    expect(checkProbe({ iceC: 0.3, boilC: 99.6, altitudeM: 1500 }).state).toBe('off');
    expect(checkProbe({ iceC: 0.3, boilC: 95, altitudeM: 1500 }).boilingC).toBeCloseTo(95, 0);
    expect(checkProbe({ iceC: 1.2 }).state).toBe('off');
    expect(checkProbe({ iceC: -1 }).state).toBe('true');
    expect(checkProbe({})).toMatchObject({ state: 'unchecked', iceErrorC: undefined });
  });
});
