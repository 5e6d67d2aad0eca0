import type { Random } from '../numerics';

/** How a probe can fail, as in life. */
export type ProbeFault = 'slipsOut' | 'inFat' | 'touchesRack' | 'lowBattery' | 'dropsOut';

/** What a probe's tip could be in. */
export interface Around {
  coreC: number;
  /** So far from the middle to the surface. */
  atC(depth: number): number;
  airC: number;
}

const CORE_LAG_S = 25;
const AIR_LAG_S = 70;
const NOISE_C = 0.22;
const STEP_C = 5 / 90;
const DROPS_PER_HOUR = 0.35;
const DROPPED_FOR_S = 150;

/** One channel: it lags, is noisy, tells tenths of a degree F, and now and then nothing. */
export class Sensor {
  private feltC: number | undefined;
  private silentUntilS = -Infinity;
  private readonly offC: number;
  private readonly shallow: number;

  constructor(
    readonly kind: 'core' | 'air',
    private readonly luck: Random,
  ) {
    this.offC = 0.35 * luck.normal();
    this.shallow = 0.45 + 0.2 * luck.uniform();
  }

  /** What it says at `atS`, after `seconds`; nothing while it is silent. */
  read(atS: number, seconds: number, around: Around, fault: ProbeFault | undefined): number | undefined {
    const { luck } = this;
    const truth = this.kind === 'air' || fault === 'slipsOut' ? around.airC : this.inMeat(around, fault);
    const lag = this.kind === 'air' || fault === 'slipsOut' ? AIR_LAG_S : CORE_LAG_S;
    this.feltC = this.feltC === undefined ? truth : this.feltC + (truth - this.feltC) * (1 - Math.exp(-seconds / lag));
    if (atS < this.silentUntilS) return undefined;
    const drops = fault === 'lowBattery' ? 12 : fault === 'dropsOut' ? 1e9 : DROPS_PER_HOUR;
    if (luck.uniform() < (drops * seconds) / 3600) {
      this.silentUntilS = atS + DROPPED_FOR_S * (fault === 'lowBattery' ? 3 : 0.4 + luck.uniform());
      return undefined;
    }
    const said = this.feltC + this.offC + NOISE_C * luck.normal();
    return Math.round(said / STEP_C) * STEP_C;
  }

  private inMeat(around: Around, fault: ProbeFault | undefined): number {
    if (fault === 'inFat') return around.atC(this.shallow);
    if (fault === 'touchesRack') return 0.55 * around.coreC + 0.45 * around.airC;
    return around.coreC;
  }
}
