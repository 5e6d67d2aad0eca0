import type { Random } from '../numerics';
import type { Smoke } from './smoke';
import type { WeatherNow } from './weather';

/** What the world asks of any fire, whoever keeps it. */
export interface PitFire {
  readonly airC: number;
  /** What its gauge says. */
  readonly gaugeC: number;
  readonly smoke: Smoke;
  readonly feedsItself: boolean;
  /** How far air is let in, 0 to 1. */
  readonly vent: number;
  open(): void;
  step(seconds: number, weather: WeatherNow, meatW: number, flareW: number): void;
}

/** A pit as it stands in the simulated world. */
export interface FireSpec {
  pitId: string;
  /** Feeds itself: gas, electricity, pellets from a full hopper. */
  feedsItself: boolean;
  blower: boolean;
  /** How far a lifted lid lets it drop. */
  openingDropC: number;
  /** Minutes a full fire lasts. */
  lastsMin: number;
  /** Nobody holds an open fire steady: how far it wanders, C. */
  wanderC: number;
}

/** Heat its iron takes, J/K, and what it loses in still air, W/K. */
const IRON_J_PER_K = 36_000;
const LOSS_W_PER_K = 9;
const STRONGEST_W = 4000;
/** A fire answers a vent only after this, s. */
const ANSWERS_S = 260;
const WANDERS_FOR_S = 2400;
const ONE_OPENING_S = 180;
const LIT_WITH = 2.9;
/** A smoke box full of wood lasts so long. */
const WOOD_BOX_MIN = 45;

/** One pit's air: a fire that burns down, vents that somebody or a fan turns, a lid, wind and rain. */
export class Fire implements PitFire {
  airC: number;
  setC = 0;
  lit = false;
  /** Share of a full fire that is left. */
  fuel = 0;
  /** How far the vent or the fan is open, 0 to 1. */
  vent = 0;
  private openedForS = Infinity;
  private heatW = 0;
  private wanderC = 0;
  private sum = 0;
  private bias: number;
  private woodMin = 0;
  gaugeFaultC = 0;

  constructor(
    readonly spec: FireSpec,
    private readonly luck: Random,
    startC: number,
  ) {
    this.airC = startC;
    // Where a gauge's number and the grate's are one and the same, they never quite are.
    this.bias = (spec.blower || spec.feedsItself ? 1.2 : 2.5) * luck.normal();
  }

  /** Already at its heat. */
  standAt(pitC: number): void {
    this.airC = pitC;
  }
  get feedsItself(): boolean {
    return this.spec.feedsItself;
  }
  get gaugeC(): number {
    return this.airC + this.gaugeFaultC;
  }
  /** Fed fires burn clean; wood in a box smoulders at first, and is grey for it. */
  get smoke(): Smoke {
    if (!this.lit) return { thickness: 0, dirtyShare: 0, sootShare: 0 };
    const young = this.woodMin > WOOD_BOX_MIN - 8;
    return { thickness: this.woodMin > 0 ? (young ? 0.4 : 0.22) : 0.08, dirtyShare: young ? 0.45 : 0.12, sootShare: 0 };
  }
  /** A handful in the smoke box. */
  wood(): void {
    this.woodMin = WOOD_BOX_MIN;
  }

  light(setC: number): void {
    this.lit = true;
    // Whoever lights it feeds it until it stands.
    this.fuel = LIT_WITH;
    this.setC = setC;
    // A fire is built hot and reined in.
    this.heatW = STRONGEST_W * 0.6;
    this.sum = 0;
  }

  reload(): void {
    this.fuel = Math.max(this.fuel, 1);
  }
  /** Turned down or up; a fan that was told a new heat runs past it. */
  setTo(setC: number): void {
    this.setC = setC;
  }
  out(): void {
    this.lit = false;
  }
  /** Whatever hands do in one go lifts the lid once. */
  open(): void {
    if (this.openedForS < ONE_OPENING_S) return;
    this.openedForS = 0;
    this.airC -= this.spec.openingDropC * (0.85 + 0.3 * this.luck.uniform());
  }

  /** `flareW`: fat that burns; `meatW`: heat the meat takes. */
  step(seconds: number, weather: WeatherNow, meatW: number, flareW: number): void {
    const { spec, luck } = this;
    this.openedForS += seconds;
    this.woodMin = Math.max(0, this.woodMin - seconds / 60);
    const lossWPerK = LOSS_W_PER_K * (1 + 0.05 * weather.windMPerS) * (weather.raining ? 1.12 : 1);
    const off = this.setC + this.bias + this.wanderC - this.airC;
    if (this.lit) {
      const holdW = lossWPerK * (this.setC - weather.airC) + 0.7 * Math.max(0, meatW);
      // A fan sums up what it missed, and so runs past; a hand turns a little and waits.
      this.sum = Math.min(400, Math.max(-400, this.sum + (spec.blower ? 0.0022 : 0.0012) * off * seconds));
      const wantedW = holdW + (spec.blower ? 75 : 48) * off + 2.2 * this.sum;
      this.vent = Math.min(1, Math.max(0, wantedW / STRONGEST_W));
      const burns = spec.feedsItself ? 1 : Math.min(1, this.fuel / 0.22);
      const targetW = Math.min(STRONGEST_W, Math.max(60, wantedW)) * burns;
      this.heatW += (targetW - this.heatW) * (1 - Math.exp(-seconds / ANSWERS_S));
      if (!spec.feedsItself) {
        const usualW = LOSS_W_PER_K * 105;
        this.fuel = Math.max(0, this.fuel - (seconds / 60 / spec.lastsMin) * (0.35 + (0.65 * this.heatW) / usualW));
      }
    } else this.heatW *= Math.exp(-seconds / (6 * ANSWERS_S));
    const keeps = Math.exp(-seconds / WANDERS_FOR_S);
    this.wanderC = keeps * this.wanderC + Math.sqrt(1 - keeps * keeps) * spec.wanderC * luck.normal();
    const flowW = this.heatW + flareW - lossWPerK * (this.airC - weather.airC) - 0.7 * Math.max(0, meatW);
    this.airC += (flowW * seconds) / IRON_J_PER_K;
    this.airC = Math.max(weather.airC, this.airC);
  }
}
