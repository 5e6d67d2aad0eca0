import type { Random } from '../numerics';

/**
 * A piece of meat as it is in the simulated world. It is solved on a finer grid and by other laws than any forecast:
 * enthalpy of shells, a crust that closes by how much water went through it, collagen in two pools. It shares no constant
 * with the forecast, so that a forecast that follows it has learned something.
 */
export interface MeatSpec {
  key: string;
  massKg: number;
  /** Depth heat has to go, twice. */
  thicknessM: number;
  areaM2: number;
  startC: number;
  /** How slowly its collagen lets go at 90 C, h. */
  toughH: number;
  /** A bird's skin lets little water out. */
  skin: boolean;
  /** A tapered piece's thin end is so thick, against the thick one. */
  thinShare?: number;
  /** Sweats so much more than its like: a stall that will not end. */
  sweats?: number;
}

const SHELLS = 34;
const DENSITY = 1060;
const LATENT_J_PER_KG = 2.35e6;
const GAS_J_PER_MOL_K = 8.314;
const SOFTENING_J_PER_MOL = 172_000;
const REFERENCE_K = 363.15;

/**
 * What comes through a wrap: heat of the air in still pits, W/(m2 K), the share of the walls' radiation, and of the vapour.
 * Set so that a median cook takes as long as cooks are told to take, whatever it is wrapped in.
 */
const COVER = Object.freeze({
  none: { air: 4.1, walls: 0.47, lets: 1 },
  paper: { air: 3, walls: 0.3, lets: 0.42 },
  foil: { air: 2.2, walls: 0.18, lets: 0.045 },
  pan: { air: 3.3, walls: 0.3, lets: 0.045 },
});

export class Meat {
  readonly tempsC: Float64Array;
  wrap: 'none' | 'paper' | 'foil' | 'pan' = 'none';
  /** Share of collagen that has let go. */
  soft = 0;
  lostKg = 0;
  private readonly conductivity: number;
  private readonly heatJPerM3K: number;
  private readonly exponent: number;
  private readonly film: number;
  private readonly damp: number;
  private readonly tough: number;
  private readonly half: number;
  private readonly lower = new Float64Array(SHELLS);
  private readonly upper = new Float64Array(SHELLS);
  private readonly solved = new Float64Array(SHELLS);

  constructor(
    readonly spec: MeatSpec,
    luck: Random,
  ) {
    const times = (sd: number) => Math.exp(sd * luck.normal());
    this.half = (spec.thicknessM / 2) * times(0.07);
    this.conductivity = 0.45 * times(0.05);
    this.heatJPerM3K = DENSITY * 3480 * times(0.03);
    this.film = times(0.26);
    this.damp = times(0.28) * (spec.sweats ?? 1);
    this.tough = spec.toughH * times(0.22);
    const volume = spec.massKg / DENSITY;
    this.exponent = Math.min(2, Math.max(0, (this.half * spec.areaM2) / volume - 1));
    this.tempsC = new Float64Array(SHELLS).fill(spec.startC + 1.1 * luck.normal());
  }

  get coreC(): number {
    return this.tempsC[0]!;
  }
  get surfaceC(): number {
    return this.tempsC[SHELLS - 1]!;
  }
  /** Temperature so far from the middle to the surface, 0 to 1. */
  atC(depth: number): number {
    return this.tempsC[Math.round(depth * (SHELLS - 1))]!;
  }

  /** Lives `seconds` in air of a temperature that moves as `draught` times the usual; returns the heat it took, W. */
  step(seconds: number, airC: number, draught: number, boilsC: number): number {
    const width = this.half / SHELLS;
    const surfaceC = this.surfaceC;
    const wrapped = this.wrap !== 'none';
    // Heat comes by moving air and by radiation from the walls; a wrap and the air under it keep part of both off.
    const { air, walls } = COVER[this.wrap];
    const glow = 4 * 5.67e-8 * ((airC + surfaceC) / 2 + 273.15) ** 3 * walls;
    const heatWPerM2K = this.film * draught * air + glow;
    const vapourW = this.vapourW(surfaceC, airC, draught);
    const inW = heatWPerM2K * (airC - surfaceC) - vapourW;

    const { exponent: m, conductivity: k, heatJPerM3K: heat, lower, upper, solved, tempsC } = this;
    const face = (i: number) => (i / SHELLS) ** m;
    for (let i = 0; i < SHELLS; i++) {
      const volume = (((i + 1) / SHELLS) ** (m + 1) - (i / SHELLS) ** (m + 1)) * (SHELLS / (m + 1));
      const factor = (k * seconds) / (heat * width * width * volume);
      lower[i] = i > 0 ? -factor * face(i) : 0;
      upper[i] = i < SHELLS - 1 ? -factor * face(i + 1) : 0;
      solved[i] = tempsC[i]!;
      if (i === SHELLS - 1) {
        // Half of a shell lies between its middle and the surface.
        const into = (seconds / (heat * width * volume)) * inW;
        solved[i]! += into;
      }
    }
    let diagonal = 1 - upper[0]!;
    const swept = new Float64Array(SHELLS);
    swept[0] = upper[0]! / diagonal;
    solved[0]! /= diagonal;
    for (let i = 1; i < SHELLS; i++) {
      diagonal = 1 - lower[i]! - upper[i]! - lower[i]! * swept[i - 1]!;
      swept[i] = upper[i]! / diagonal;
      solved[i] = (solved[i]! - lower[i]! * solved[i - 1]!) / diagonal;
    }
    for (let i = SHELLS - 2; i >= 0; i--) solved[i]! -= swept[i]! * solved[i + 1]!;
    for (let i = 0; i < SHELLS; i++) tempsC[i] = Math.min(solved[i]!, i === SHELLS - 1 && !wrapped ? airC : boilsC - 0.3);

    this.lostKg += (Math.max(0, vapourW) * this.spec.areaM2 * seconds) / LATENT_J_PER_KG;
    const rate = Math.exp((-SOFTENING_J_PER_MOL / GAS_J_PER_MOL_K) * (1 / (this.coreC + 273.15) - 1 / REFERENCE_K));
    this.soft += (1 - this.soft) * (1 - Math.exp((-rate * seconds) / (3600 * this.tough)));
    return inW * this.spec.areaM2;
  }

  /** What drying takes away, W/m2: less and less as water has to come through what has dried. */
  private vapourW(surfaceC: number, airC: number, draught: number): number {
    const saturated = 610.78 * Math.exp((17.27 * surfaceC) / (surfaceC + 237.3));
    const around = 4200 + 18 * Math.max(0, airC - 90);
    const through = this.lostKg / this.spec.massKg;
    const crust = 1 / (1 + (through / 0.115) ** 2);
    const { lets } = COVER[this.wrap];
    const skin = this.spec.skin ? 0.22 : 1;
    return 0.011 * this.damp * this.film * draught * lets * skin * crust * Math.max(-2000, saturated - around);
  }

  /** Share of the way to tender, as a hand would feel it: 1 is tender. */
  get tenderShare(): number {
    return this.soft / TENDER_SOFT;
  }
}
export const TENDER_SOFT = 0.77;
