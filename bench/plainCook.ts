import { SHIPPED_PARAMETERS, type CookSetup } from '../src/core/forecast';

/**
 * The same cook by the plainest means: explicit Euler with the largest stable step, a fresh array a
 * step, the vapour formulas written out. It knows only a bare piece in a steady pit; it is here to
 * be compared with, not to be used.
 */
export function plainBareCook(setup: CookSetup, hours: number): { coreC: number; evaporatedKg: number } {
  const global = SHIPPED_PARAMETERS.global;
  const cells = 20;
  const { massKg, halfThicknessM, geometryExponent: m, startC } = setup.body;
  const areaM2 = ((m + 1) * massKg) / (1050 * halfThicknessM);
  const drM = halfThicknessM / cells;
  // At its lightest a piece keeps a third of its heat capacity: the step is stable then, too.
  const diffusivity = global.conductivityWPerMK / (global.densityKgPerM3 * global.heatCapacityJPerKgK);
  const dtS = (0.07 * drM * drM) / diffusivity;
  const pitC = setup.pit.steps[0]!.pitC;
  const psat = (tempC: number) => 611.21 * Math.exp(((18.678 - tempC / 234.5) * tempC) / (257.14 + tempC));
  let temps: number[] = Array.from({ length: cells }, () => startC);
  let evaporatedKg = 0;
  let hottestC = startC;
  for (let s = 0; s < hours * 3600; s += dtS) {
    hottestC = Math.max(hottestC, temps[0]!);
    const x = Math.min(1, Math.max(0, (hottestC - 50) / 46));
    const lost = evaporatedKg / massKg + global.dripShare * x * x * (3 - 2 * x);
    const heatLeft = Math.max(0.35, 1 - global.lostHeatRatio * lost);
    const dryness = Math.min(1, Math.pow(Math.max(0, evaporatedKg / massKg) / global.dryingShare, global.dryingPower));
    const phi = Math.max(global.driedShare, global.wetShare * (1 - dryness));
    const through = 1 / (1 + global.crustResistance * dryness);
    let surfaceC = temps[cells - 1]!;
    let latentW = 0;
    for (let i = 0; i < 6; i++) {
      const gain = (tempC: number) => {
        const pressure = psat(tempC);
        const wet = pressure > global.pitVapourPa ? phi : 1;
        const stefan =
          (101_325 * Math.log((101_325 - global.pitVapourPa) / Math.max(101_325 - pressure, 3040))) / (pressure - global.pitVapourPa);
        latentW =
          ((wet * global.filmWPerM2K * 287.05) / (101_325 * 1007 * 0.911 * 461.5)) *
          stefan *
          (2.501e6 - 2361 * tempC) *
          (pressure - global.pitVapourPa);
        return (
          through * global.filmWPerM2K * (pitC - tempC) +
          through * global.radiationFactor * 5.670374e-8 * (Math.pow(pitC + 273.15, 4) - Math.pow(tempC + 273.15, 4)) -
          latentW -
          (global.conductivityWPerMK / (drM / 2)) * (tempC - temps[cells - 1]!)
        );
      };
      const slope = (gain(surfaceC + 0.01) - gain(surfaceC)) / 0.01;
      surfaceC -= gain(surfaceC) / slope;
    }
    evaporatedKg = Math.max(0, evaporatedKg + (latentW * areaM2 * dtS) / (2.501e6 - 2361 * surfaceC));
    const flux = (i: number) =>
      i < 0
        ? 0
        : i === cells - 1
          ? (global.conductivityWPerMK / (drM / 2)) * (surfaceC - temps[cells - 1]!)
          : (global.conductivityWPerMK / drM) * (temps[i + 1]! - temps[i]!) * Math.pow((i + 1) / cells, m);
    temps = temps.map((tempC, i) => {
      const share = (Math.pow((i + 1) / cells, m + 1) - Math.pow(i / cells, m + 1)) / (m + 1);
      const heat = global.densityKgPerM3 * global.heatCapacityJPerKgK * heatLeft * share * halfThicknessM;
      const next = tempC + (dtS * (flux(i) - flux(i - 1))) / heat;
      return i < cells - 1 ? Math.min(next, 100) : next;
    });
  }
  return { coreC: temps[0]!, evaporatedKg };
}
