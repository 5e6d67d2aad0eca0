import type { Smoke } from './smoke';

/** What the surface of a piece is going through, step by step. */
export interface CrustAir {
  surfaceC: number;
  /** Share of its weight that has left it. */
  lostShare: number;
  wrap: 'none' | 'paper' | 'foil' | 'pan';
  /** `undefined` where there is none: in a box, on the board. */
  smoke?: Smoke;
}

/** A rub is dry all over when this share of the weight has gone. */
const DRY_AT_LOST = 0.07;
const BARK_PER_H = 0.75;
/** What is hard already hardens less and less. */
const SLOWS_FROM = 1.2;
const STEAMS_FOR_S = 1500;
const SPRAY_DRIES_S = 900;
/** Smoke lands on what is cooler than this. */
const SMOKE_BELOW_C = 84;

/**
 * The outside of a piece: how wet, how brown, how hard, what it took of smoke. Laws of the world's own: a forecast that
 * follows it has learned something.
 */
export class Crust {
  /** 1 wet, 0 dry. */
  damp = 1;
  /** 1 is set: it does not scrape off. */
  bark = 0;
  /** What a wrap has steamed off it, 0 crisp to 1 soft. */
  soft = 0;
  /** Hours of clean smoke, thick as it should be, on a damp surface. */
  smokeH = 0;
  /** The same of dirty smoke and soot: bitter from about half an hour. */
  bitterH = 0;
  private sprayed = 0;

  constructor(private readonly pace: number) {}

  spray(): void {
    this.sprayed = 1;
  }

  step(seconds: number, { surfaceC, lostShare, wrap, smoke }: CrustAir): void {
    const hours = seconds / 3600;
    this.sprayed *= Math.exp(-seconds / SPRAY_DRIES_S);
    const bare = wrap === 'none';
    const own = Math.max(0, 1 - (lostShare / DRY_AT_LOST) ** 1.6);
    const steams = wrap === 'foil' || wrap === 'pan' ? 0.95 : wrap === 'paper' ? 0.35 : 0;
    const wants = Math.max(own, this.sprayed, steams);
    this.damp += (wants - this.damp) * (1 - Math.exp(-seconds / (bare ? 420 : STEAMS_FOR_S)));
    if (bare) {
      this.bark += (BARK_PER_H * this.pace * (1 - this.damp) * 2 ** ((surfaceC - 76) / 11) * hours) / (1 + (this.bark / SLOWS_FROM) ** 2);
      this.soft *= Math.exp(-seconds / 1500);
    } else this.soft += ((wrap === 'paper' ? 0.35 : 0.9) - this.soft) * (1 - Math.exp(-seconds / 3600));
    if (!smoke || !bare || surfaceC > SMOKE_BELOW_C) return;
    const lands = hours * (0.3 + 0.7 * this.damp) * Math.min(1, smoke.thickness / 0.25);
    this.smokeH += lands * (1 - smoke.dirtyShare - smoke.sootShare);
    this.bitterH += hours * (0.3 + 0.7 * this.damp) * smoke.thickness * (0.8 * smoke.dirtyShare + 1.6 * smoke.sootShare);
  }

  /** From raw (0) over amber and mahogany (1) to black (2). */
  get colour(): number {
    return Math.min(
      2,
      0.12 * Math.min(3, this.smokeH) + 0.75 * Math.min(1.4, this.bark) + 0.3 * Math.max(0, this.bark - 1.4) + 0.5 * this.bitterH,
    );
  }
}
