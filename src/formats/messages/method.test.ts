import { describe, expect, it } from 'vitest';
import type { MethodPrice } from '../../core/planning';
import { barkAgainst, timeAgainst, yieldAgainst } from './method';

const plain: MethodPrice = { cookMin: 600, barkSetMin: 300, bareSetMin: 0, smokeH: 4, yieldShare: 0.55 };

describe('a method or form beside the plain one', () => {
  it('says hours, bark and yield only where they differ by more than nobody notices', () => {
    expect(timeAgainst(plain, plain)).toBe('as long');
    expect(barkAgainst(plain, plain)).toBe('');
    expect(yieldAgainst(plain, plain)).toBe('');
    const split = { ...plain, cookMin: 430, barkSetMin: 255, yieldShare: 0.52 };
    expect(timeAgainst(split, plain)).toBe('2 h 50 less');
    expect(barkAgainst(split, plain)).toBe('bark set 45 min sooner');
    expect(yieldAgainst(split, plain)).toBe('3 points less');
  });

  it('says where the bark sets in one of them alone', () => {
    expect(barkAgainst({ ...plain, barkSetMin: undefined }, plain)).toBe('the bark does not set');
    expect(barkAgainst(plain, { ...plain, barkSetMin: undefined })).toBe('the bark sets');
    expect(barkAgainst({ ...plain, barkSetMin: undefined }, { ...plain, barkSetMin: undefined })).toBe('');
  });
});
