import { describe, expect, it } from 'vitest';
import { advanceBody, coreC, createBody, storedHeatJ, type BodySpec, type Boundary } from './index';
import { latentHeatJPerKg, saturationPressurePa, vapourTransferPerFilm, airPressurePa, stefanFactor } from './water';

const K = 0.46;
const RHO = 1050;
const CP = 3600;

const spec = (geometryExponent: number, halfThicknessM = 0.05): BodySpec => ({
  massKg: 4,
  halfThicknessM,
  geometryExponent,
  startC: 4,
  conductivityWPerMK: K,
  heatCapacityJPerKgK: CP,
  densityKgPerM3: RHO,
});

const dry = (airC: number, filmWPerM2K: number): Boundary => ({
  airC,
  filmWPerM2K,
  vapourFilmWPerM2K: filmWPerM2K,
  radiationFactor: 0,
  wetShare: 0,
  airVapourPa: 0,
  condensingShare: 0,
  drySkin: true,
});

const bessel = (order: 0 | 1, x: number): number => {
  let term = order === 0 ? 1 : x / 2;
  let sum = term;
  for (let k = 1; k < 60; k++) {
    term *= -(x * x) / 4 / (k * (k + order));
    sum += term;
  }
  return sum;
};

/** Eigenvalue conditions, amplitudes and shapes of the one-dimensional series (Incropera, 5.5 and 5.6). */
const SERIES = [
  {
    name: 'slab',
    m: 0,
    condition: (z: number) => z * Math.sin(z),
    scale: (z: number) => Math.cos(z),
    amplitude: (z: number) => (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z)),
    shape: (z: number, r: number) => Math.cos(z * r),
  },
  {
    name: 'cylinder',
    m: 1,
    condition: (z: number) => z * bessel(1, z),
    scale: (z: number) => bessel(0, z),
    amplitude: (z: number) => (2 / z) * (bessel(1, z) / (bessel(0, z) ** 2 + bessel(1, z) ** 2)),
    shape: (z: number, r: number) => bessel(0, z * r),
  },
  {
    name: 'sphere',
    m: 2,
    condition: (z: number) => Math.sin(z) - z * Math.cos(z),
    scale: (z: number) => Math.sin(z),
    amplitude: (z: number) => (4 * (Math.sin(z) - z * Math.cos(z))) / (2 * z - Math.sin(2 * z)),
    shape: (z: number, r: number) => Math.sin(z * r) / (z * r),
  },
] as const;

/** Roots of condition(z) = Bi * scale(z), by scanning and bisection. */
function roots(biot: number, each: (typeof SERIES)[number], count: number): number[] {
  const f = (z: number) => each.condition(z) - biot * each.scale(z);
  const found: number[] = [];
  for (let z = 1e-3; found.length < count && z < 60; z += 1e-2) {
    if (f(z) * f(z + 1e-2) > 0) continue;
    let low = z;
    let high = z + 1e-2;
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (f(low) * f(middle) <= 0) high = middle;
      else low = middle;
    }
    found.push((low + high) / 2);
  }
  return found;
}

describe('conduction against the analytic series', () => {
  for (const each of SERIES) {
    it(`heats a ${each.name} within 0.1 C of the series`, () => {
      const h = 12;
      const biot = (h * 0.05) / K;
      const cells = 24;
      const body = createBody(spec(each.m), 0, cells);
      const eigenvalues = roots(biot, each, 10);
      // Below boiling, where the series knows nothing of steam.
      const boundary = dry(95, h);
      let seconds = 0;
      for (const checkS of [1800, 3600, 7200, 14_400]) {
        while (seconds < checkS) {
          advanceBody(body, boundary, 5);
          seconds += 5;
        }
        const fourier = (K / (RHO * CP)) * (seconds / 0.05 ** 2);
        const theta = eigenvalues.reduce((sum, z) => sum + each.amplitude(z) * Math.exp(-z * z * fourier) * each.shape(z, 0.5 / cells), 0);
        expect(Math.abs(coreC(body) - (95 + theta * (4 - 95)))).toBeLessThan(0.1);
      }
    });
  }

  it('converges in time at first order', () => {
    const after = (dtS: number) => {
      const body = createBody(spec(0), 0, 20);
      for (let s = 0; s < 7200; s += dtS) advanceBody(body, dry(120, 12), dtS);
      return coreC(body);
    };
    const exact = after(1);
    const order = Math.log2(Math.abs(after(120) - exact) / Math.abs(after(60) - exact));
    expect(order).toBeGreaterThan(0.9);
    expect(order).toBeLessThan(1.2);
  });

  it('converges in space at second order', () => {
    const after = (cells: number) => {
      const body = createBody(spec(0), 0, cells);
      for (let s = 0; s < 7200; s += 10) advanceBody(body, dry(120, 12), 10);
      // The slab's mean does not depend on where the innermost cell's centre lies.
      return storedHeatJ(body, 0);
    };
    const exact = after(160);
    const order = Math.log2(Math.abs(after(10) - exact) / Math.abs(after(20) - exact));
    expect(order).toBeGreaterThan(1.8);
    expect(order).toBeLessThan(2.3);
  });
});

describe('the surface balance', () => {
  const smoke = (airC: number): Boundary => ({
    airC,
    filmWPerM2K: 5,
    vapourFilmWPerM2K: 5,
    radiationFactor: 0.6,
    wetShare: 0.3,
    airVapourPa: 4500,
    condensingShare: 1,
    drySkin: false,
  });

  it('closes the energy balance within 0.5 % over a whole cook', () => {
    const body = createBody(spec(0.7), 300);
    const before = storedHeatJ(body, 0);
    for (let minute = 0; minute < 14 * 60; minute++) advanceBody(body, smoke(135), 60);
    const gained = storedHeatJ(body, 0) - before;
    expect(Math.abs(body.heatInJ - body.latentJ - gained) / body.heatInJ).toBeLessThan(0.005);
  });

  it('settles at the psychrometric wet bulb with a fully wet surface and no radiation', () => {
    const airC = 70;
    const airVapourPa = 4000;
    const pressurePa = airPressurePa(0);
    // Solve h (Ta - Tw) = L hm f (psat(Tw) - pv) independently by bisection.
    const gain = (wetC: number) =>
      airC -
      wetC -
      latentHeatJPerKg(wetC) *
        vapourTransferPerFilm(pressurePa) *
        stefanFactor(pressurePa, saturationPressurePa(wetC), airVapourPa) *
        (saturationPressurePa(wetC) - airVapourPa);
    let low = 10;
    let high = 70;
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (gain(middle) > 0) low = middle;
      else high = middle;
    }
    const body = createBody(spec(0, 0.02), 0);
    const boundary: Boundary = {
      ...dry(airC, 20),
      wetShare: 1,
      airVapourPa,
      condensingShare: 1,
      drySkin: false,
    };
    for (let minute = 0; minute < 20 * 60; minute++) advanceBody(body, boundary, 60);
    expect(body.surfaceC).toBeCloseTo(low, 1);
    expect(coreC(body)).toBeCloseTo(low, 1);
  });

  it('never lets wet tissue pass the local boiling point', () => {
    for (const altitudeM of [0, 1600, 3000]) {
      const body = createBody(spec(0, 0.02), altitudeM);
      const foil: Boundary = { ...smoke(175), wetShare: 0.01, condensingShare: 0 };
      for (let minute = 0; minute < 20 * 60; minute++) {
        advanceBody(body, foil, 60);
        expect(Math.max(...body.cellsC, body.surfaceC)).toBeLessThanOrEqual(body.boilingC + 1e-9);
      }
      expect(coreC(body)).toBeGreaterThan(body.boilingC - 1);
    }
  });

  it('condenses on cold meat in a humid pit', () => {
    const body = createBody(spec(0), 0);
    advanceBody(body, smoke(110), 60);
    expect(body.latentJ).toBeLessThan(0);
  });
});
