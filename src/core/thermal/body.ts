import {
  airPressurePa,
  boilingPointC,
  latentHeatJPerKg,
  saturationLogSlopePerK,
  saturationPressurePa,
  stefanFactor,
  vapourTransferPerFilm,
} from './water';

/** What a piece of food is to the heat equation: one dimension r with geometry exponent m. */
export interface BodySpec {
  massKg: number;
  halfThicknessM: number;
  /** m: 0 a slab, 1 a long cylinder, 2 a sphere; anything between for real pieces. */
  geometryExponent: number;
  startC: number;
  conductivityWPerMK: number;
  heatCapacityJPerKgK: number;
  densityKgPerM3: number;
}

/**
 * What surrounds a body during a step. Emissivity times view factor is `radiationFactor`;
 * `wetShare` is the share of the surface that evaporates freely (phi).
 */
export interface Boundary {
  airC: number;
  /** What the air brings the wet tissue: less than the bare film under a dry crust or a wrap. */
  filmWPerM2K: number;
  /** The film that carries vapour off, by the Lewis relation. */
  vapourFilmWPerM2K: number;
  radiationFactor: number;
  wetShare: number;
  airVapourPa: number;
  /** Share of the surface on which vapour of a humid pit can condense (0 once wrapped tight). */
  condensingShare: number;
  /** True when the outer skin has dried and may pass the boiling point. */
  drySkin: boolean;
}

/**
 * A body and its running totals. Arrays are allocated once; `advanceBody` allocates nothing.
 * `coreC` is the innermost (slowest) cell.
 */
export interface Body {
  readonly spec: BodySpec;
  readonly areaM2: number;
  readonly pressurePa: number;
  readonly boilingC: number;
  readonly cellsC: Float64Array;
  surfaceC: number;
  evaporatedKg: number;
  /** Heat taken from the surroundings by film and radiation, J. */
  heatInJ: number;
  /** Heat carried off by vapour, J (negative while vapour condenses). */
  latentJ: number;
  readonly work: Workspace;
}

/** Per-body constants of the implicit step, factorised once for a step length. */
interface Workspace {
  dtS: number;
  /** Of the raw piece; times `heatShare` of what is left. */
  readonly cellHeatJPerK: Float64Array;
  heatShare: number;
  readonly conductanceWPerK: Float64Array;
  /** Heat capacity of each cell over the step length, W/K. */
  readonly inertiaWPerK: Float64Array;
  readonly factor: Float64Array;
  readonly pivotInverse: Float64Array;
  readonly rhs: Float64Array;
  lastDiagonal: number;
  readonly halfCellWPerM2K: number;
  readonly vapourPerFilm: number;
}

/** A surface that would move less than this in a step is not relinearised. */
const LINEAR_C = 0.2;
const STEFAN_BOLTZMANN = 5.670374e-8;
const KELVIN = 273.15;

/** Outer area consistent with mass, half thickness and geometry: A = (m + 1) V / r0, m2. */
export const bodyAreaM2 = (spec: BodySpec): number =>
  ((spec.geometryExponent + 1) * spec.massKg) / (spec.densityKgPerM3 * spec.halfThicknessM);

/** Makes a body of `cells` finite volumes, all at the start temperature. */
export function createBody(spec: BodySpec, altitudeM: number, cells = 20): Body {
  const areaM2 = bodyAreaM2(spec);
  const m = spec.geometryExponent;
  const drM = spec.halfThicknessM / cells;
  const cellHeatJPerK = new Float64Array(cells);
  const conductanceWPerK = new Float64Array(cells);
  for (let i = 0; i < cells; i++) {
    const outer = (i + 1) / cells;
    const share = Math.pow(outer, m + 1) - Math.pow(i / cells, m + 1);
    cellHeatJPerK[i] = spec.massKg * spec.heatCapacityJPerKgK * share;
    // Conductance from cell i to cell i + 1; the last entry is unused.
    conductanceWPerK[i] = (spec.conductivityWPerMK * areaM2 * Math.pow(outer, m)) / drM;
  }
  const pressurePa = airPressurePa(altitudeM);
  return {
    spec,
    areaM2,
    pressurePa,
    boilingC: boilingPointC(pressurePa),
    cellsC: new Float64Array(cells).fill(spec.startC),
    surfaceC: spec.startC,
    evaporatedKg: 0,
    heatInJ: 0,
    latentJ: 0,
    work: {
      dtS: 0,
      cellHeatJPerK,
      heatShare: 1,
      conductanceWPerK,
      factor: new Float64Array(cells),
      pivotInverse: new Float64Array(cells),
      inertiaWPerK: new Float64Array(cells),
      rhs: new Float64Array(cells),
      lastDiagonal: 0,
      halfCellWPerM2K: spec.conductivityWPerMK / (drM / 2),
      vapourPerFilm: vapourTransferPerFilm(pressurePa),
    },
  };
}

/** A copy that can be run ahead (what would the rest do?) without touching the original. */
export function forkBody(body: Body): Body {
  return {
    ...body,
    cellsC: Float64Array.from(body.cellsC),
    work: {
      ...body.work,
      dtS: 0,
      rhs: new Float64Array(body.cellsC.length),
      inertiaWPerK: Float64Array.from(body.work.inertiaWPerK),
      factor: Float64Array.from(body.work.factor),
      pivotInverse: Float64Array.from(body.work.pivotInverse),
    },
  };
}

export const coreC = (body: Body): number => body.cellsC[0]!;

/** Heat stored above `referenceC`, J; with `heatInJ` and `latentJ` it closes the energy balance. */
export function storedHeatJ(body: Body, referenceC: number): number {
  let sum = 0;
  for (let i = 0; i < body.cellsC.length; i++) sum += body.work.cellHeatJPerK[i]! * (body.cellsC[i]! - referenceC);
  return sum * body.work.heatShare;
}

/** Mean temperature over the volume, C: no core left to itself in colder air gets hotter than this. */
export function meanC(body: Body): number {
  let sum = 0;
  let whole = 0;
  for (let i = 0; i < body.cellsC.length; i++) {
    sum += body.work.cellHeatJPerK[i]! * body.cellsC[i]!;
    whole += body.work.cellHeatJPerK[i]!;
  }
  return sum / whole;
}

/** A change of heat capacity smaller than this is not worth a new factorisation. */
const HEAT_SHARE_STEP = 0.003;

/** What a piece has lost no longer has to be heated, nor keeps it warm: sets the share of its raw heat capacity that is left. */
export function setHeatShare(body: Body, share: number): void {
  const { work } = body;
  if (Math.abs(share - work.heatShare) < HEAT_SHARE_STEP) return;
  work.heatShare = share;
  work.dtS = 0;
}

/**
 * Forward elimination of the implicit diffusion matrix. Only the last row changes from step to
 * step (the surface), so everything above it is factorised once for a step length.
 */
function factorise(work: Workspace, dtS: number): void {
  const n = work.rhs.length;
  let pivot = 0;
  for (let i = 0; i < n; i++) {
    const below = i > 0 ? work.conductanceWPerK[i - 1]! : 0;
    const above = i < n - 1 ? work.conductanceWPerK[i]! : 0;
    work.inertiaWPerK[i] = (work.cellHeatJPerK[i]! * work.heatShare) / dtS;
    const diagonal = work.inertiaWPerK[i]! + below + above;
    const factor = i > 0 ? -below / pivot : 0;
    pivot = diagonal + factor * below;
    work.factor[i] = factor;
    work.pivotInverse[i] = 1 / pivot;
  }
  work.lastDiagonal = pivot;
  work.dtS = dtS;
}

/**
 * One implicit Euler step of `dtS` seconds under `boundary`.
 *
 * The surface balance k dT/dr = h (Ta - Ts) + eps F sigma (Ta^4 - Ts^4) - L phi hm (psat(Ts) - pv)
 * is linearised about a surface temperature refined by one scalar Newton step from the last one
 * (forecast equations in docs/model.md). Wet tissue cannot pass the local boiling point: heat
 * beyond it leaves as steam.
 */
export function advanceBody(body: Body, boundary: Boundary, dtS: number): void {
  const { work, cellsC, areaM2, pressurePa, boilingC } = body;
  if (work.dtS !== dtS) factorise(work, dtS);
  const n = cellsC.length;
  const inner = work.halfCellWPerM2K;
  const airK = boundary.airC + KELVIN;
  const airK4 = airK * airK * airK * airK;
  const radiation = boundary.radiationFactor * STEFAN_BOLTZMANN;
  const transfer = boundary.vapourFilmWPerM2K * work.vapourPerFilm;

  let surfaceC = body.surfaceC;
  let dryGain = 0;
  let drySlope = 0;
  let latent = 0;
  let latentSlope = 0;
  for (let pass = 0; pass < 2; pass++) {
    const surfaceK = surfaceC + KELVIN;
    const cubed = surfaceK * surfaceK * surfaceK;
    dryGain = boundary.filmWPerM2K * (boundary.airC - surfaceC) + radiation * (airK4 - cubed * surfaceK);
    drySlope = boundary.filmWPerM2K + 4 * radiation * cubed;
    const saturatedPa = saturationPressurePa(surfaceC);
    const share = saturatedPa > boundary.airVapourPa ? boundary.wetShare : boundary.condensingShare;
    if (share > 0) {
      const flux = share * transfer * stefanFactor(pressurePa, saturatedPa, boundary.airVapourPa) * latentHeatJPerKg(surfaceC);
      latent = flux * (saturatedPa - boundary.airVapourPa);
      latentSlope = flux * saturatedPa * saturationLogSlopePerK(surfaceC);
    } else {
      latent = 0;
      latentSlope = 0;
    }
    if (pass === 1) break;
    const moveC = (dryGain - latent - inner * (surfaceC - cellsC[n - 1]!)) / (drySlope + latentSlope + inner);
    // A surface that hardly moves is linear enough where it is.
    if (moveC < LINEAR_C && moveC > -LINEAR_C) break;
    surfaceC += moveC;
  }

  // Ts = (a + inner * Tn) / (inner + b) with the linearised gain a - b Ts.
  const b = drySlope + latentSlope;
  const a = dryGain - latent + b * surfaceC;
  const couplingWPerK = (areaM2 * inner * b) / (inner + b);
  const drivenW = (areaM2 * inner * a) / (inner + b);

  const { rhs, factor, pivotInverse, conductanceWPerK, inertiaWPerK } = work;
  rhs[0] = inertiaWPerK[0]! * cellsC[0]!;
  for (let i = 1; i < n; i++) rhs[i] = inertiaWPerK[i]! * cellsC[i]! - factor[i]! * rhs[i - 1]!;
  let above = (rhs[n - 1]! + drivenW) / (work.lastDiagonal + couplingWPerK);
  cellsC[n - 1] = above;
  let hottestC = above;
  for (let i = n - 2; i >= 0; i--) {
    above = (rhs[i]! + conductanceWPerK[i]! * above) * pivotInverse[i]!;
    cellsC[i] = above;
    if (above > hottestC) hottestC = above;
  }

  let newSurfaceC = (a + inner * cellsC[n - 1]!) / (inner + b);
  const shiftC = newSurfaceC - surfaceC;
  const latentW = areaM2 * (latent + latentSlope * shiftC);
  const vapourKg = (latentW * dtS) / latentHeatJPerKg(surfaceC);
  body.evaporatedKg = Math.max(0, body.evaporatedKg + vapourKg);
  body.heatInJ += areaM2 * (dryGain - drySlope * shiftC) * dtS;
  body.latentJ += latentW * dtS;

  // Boiling: the excess of every wet cell leaves as steam.
  const wetCells = hottestC <= boilingC ? 0 : boundary.drySkin ? n - 1 : n;
  for (let i = 0; i < wetCells; i++) {
    const excessC = cellsC[i]! - boilingC;
    if (excessC > 0) {
      const steamJ = excessC * work.cellHeatJPerK[i]! * work.heatShare;
      cellsC[i] = boilingC;
      body.latentJ += steamJ;
      body.evaporatedKg += steamJ / latentHeatJPerKg(boilingC);
    }
  }
  if (!boundary.drySkin && newSurfaceC > boilingC) newSurfaceC = boilingC;
  body.surfaceC = newSurfaceC;
}
