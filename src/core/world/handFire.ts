import { PIT_KIND, type PitKind } from '../model';
import type { Random } from '../numerics';
import type { PitFire } from './fire';
import { NO_SMOKE, type Smoke } from './smoke';
import type { WeatherNow } from './weather';

/** A fire that only hands keep: coals and wood, air below and above, a lid. */
export interface HandFireSpec {
  pitId: string;
  kind: PitKind;
  /** How far a lifted lid lets it drop. */
  openingDropC: number;
  /** What the gauge in the lid says against the grate, C. */
  gaugeOffsetC: number;
}

/** A piece of wood on the coals. */
interface Wood {
  kg: number;
  /** What it was when it was put on, dry. */
  wholeKg: number;
  waterKg: number;
  /** How far it is on its way to flame: 0 cold, 1 it burns. */
  heated: number;
  /** Minutes a piece like it burns in flame. */
  burnsMin: number;
}

const CHARCOAL_J_PER_KG = 30e6;
const WOOD_J_PER_KG = 16e6;
/** Heat that a kilogram of air sets free as it is used up, whatever burns in it (13.1 MJ per kg of oxygen). */
const AIR_J_PER_KG = 3.04e6;
/** How much of the air that passes a fire meets it. */
const AIR_USED_SHARE = 0.6;
/** A kilogram of lit charcoal gives this with all the air it wants, W. */
const LIT_W_PER_KG = 20_000;
/** Each kilogram that burns sets so much of what lies beside it alight. */
const SPREADS = 1.3;
/** What is left of wood once its flame is gone. */
const CHAR_SHARE = 0.22;
const LATENT_J_PER_KG = 2.3e6;
const ASH_SHARE = { charcoal: 0.06, wood: 0.015 } as const;
/** Coals that get too little air go out over so long, s. */
const GOES_OUT_S = 2400;
/** Vents of a fire that runs at its usual heat. */
export const USUAL_VENTS = Object.freeze({ bottom: 0.3, top: 0.6 });
/** Coals fresh from the bag smoke so long on a hot bed, s. */
const FRESH_FOR_S = 480;
const LEAK = 0.03;
const GAUGE_LAG_S = 80;
const HELD_OPEN_S = 50;

interface Build {
  fuel: 'charcoal' | 'wood';
  /** Heat its walls take, J/K; what it loses in still air, W/K. */
  wallsJPerK: number;
  lossWPerK: number;
  /** Ash that stops its lower vent, kg. */
  ashFullKg: number;
  /** No lid, no vents: only how much lies there steers it. */
  open?: boolean;
}

/** How the kinds that hands keep are built. What they burn an hour is the kind's own figure in the model. */
const BUILDS: Partial<Record<PitKind, Build>> = Object.freeze({
  offset: { fuel: 'wood', wallsJPerK: 36_000, lossWPerK: 13, ashFullKg: 1.6 },
  'reverse-flow': { fuel: 'wood', wallsJPerK: 52_000, lossWPerK: 13, ashFullKg: 1.6 },
  bullet: { fuel: 'charcoal', wallsJPerK: 22_000, lossWPerK: 8, ashFullKg: 0.5 },
  drum: { fuel: 'charcoal', wallsJPerK: 20_000, lossWPerK: 9, ashFullKg: 0.6 },
  kettle: { fuel: 'charcoal', wallsJPerK: 15_000, lossWPerK: 8, ashFullKg: 0.35 },
  ceramic: { fuel: 'charcoal', wallsJPerK: 46_000, lossWPerK: 4.5, ashFullKg: 0.5 },
  'open-pit': { fuel: 'charcoal', wallsJPerK: 60_000, lossWPerK: 16, ashFullKg: 9, open: true },
});

export const keptByHand = (kind: PitKind): boolean => BUILDS[kind] !== undefined;

const USUAL_RISE_K = 106;
/** Some meat, W, and a little wind are usual, too. */
const USUAL_MEAT_W = 130;
const USUAL_WIND = 1.1;

/** How far two openings in a row let air through, as one. */
function through(bottom: number, top: number): number {
  if (bottom <= 0 || top <= 0) return 0;
  return 1 / Math.sqrt(1 / bottom ** 2 + 1 / top ** 2);
}

/**
 * A fire as hands have it. Air comes by draught and wind through two vents; what burns takes it, flames first; lit coals
 * set unlit ones alight; wood dries, smoulders white, then flames; what burns without its air smokes. The heat balance is
 * walls, loss, wind and rain, meat and lid. What it burns at its usual heat is the kind's own figure.
 */
export class HandFire implements PitFire {
  airC: number;
  /** What the gauge says. */
  gaugeC: number;
  unlitKg = 0;
  litKg = 0;
  ashKg = 0;
  bottom: number = USUAL_VENTS.bottom;
  top: number = USUAL_VENTS.top;
  lidOpen = false;
  waterKg = 0;
  sheltered = false;
  smoke: Smoke = NO_SMOKE;
  /** Burned so far, kg. */
  burnedKg = 0;
  woodBurnedKg = 0;
  /** Heat set free just now, W; of it in flames. */
  heatW = 0;
  flameW = 0;
  gaugeFaultC = 0;
  private readonly woods: Wood[] = [];
  private readonly build: Build;
  private readonly reach: number;
  private readonly fullAirKgPerS: number;
  private heldOpenS = 0;
  /** Unlit coals that are still getting hot, kg. */
  private freshKg = 0;
  readonly feedsItself = false;

  constructor(
    readonly spec: HandFireSpec,
    private readonly luck: Random,
    startC: number,
  ) {
    this.build = BUILDS[spec.kind]!;
    this.airC = startC;
    this.gaugeC = startC;
    const { kgPerH } = PIT_KIND[spec.kind].fuel;
    const usualW = (kgPerH * (this.build.fuel === 'wood' ? WOOD_J_PER_KG : CHARCOAL_J_PER_KG)) / 3600;
    // What goes up the stack and through the walls of the firebox never meets the meat.
    this.reach = (this.build.lossWPerK * USUAL_WIND * USUAL_RISE_K + USUAL_MEAT_W) / usualW;
    const usualOpening = this.build.open ? 1 : LEAK + through(USUAL_VENTS.bottom, USUAL_VENTS.top);
    this.fullAirKgPerS = usualW / (AIR_USED_SHARE * AIR_J_PER_KG * usualOpening);
  }

  get woodKg(): number {
    return this.woods.reduce((sum, wood) => sum + wood.kg, 0);
  }
  /** How long its coals last as it burns now, min; of those that are unlit a tenth is lost. */
  get coalsLastMin(): number {
    return (this.litKg + 0.9 * this.unlitKg) / Math.max(0.002, (this.heatW / CHARCOAL_J_PER_KG) * 60);
  }
  get flaming(): boolean {
    return this.flameW > 150;
  }
  get lit(): boolean {
    return this.litKg > 0.02 || this.flaming;
  }
  /** How far the lower vent lets air in, ash and all. */
  get vent(): number {
    return this.bottom * this.clear;
  }
  private get clear(): number {
    return 1 - 0.8 * Math.min(1, this.ashKg / this.build.ashFullKg);
  }

  /** A fire that has burned well at a heat for an hour. */
  readyAt(pitC: number): void {
    this.airC = pitC;
    this.gaugeC = pitC + this.spec.gaugeOffsetC;
    this.litKg = this.build.open ? 3 : this.build.fuel === 'wood' ? 1.3 : 0.9;
    if (this.build.fuel === 'wood') {
      this.wood(1.1, 0.18, true);
      this.woods[0]!.heated = 1;
    } else this.unlitKg = this.build.open ? 0 : 1.6;
  }

  filledWithAsh(): void {
    this.ashKg = this.build.ashFullKg;
  }
  get ashFull(): boolean {
    return this.ashKg > 0.6 * this.build.ashFullKg;
  }
  /** Somebody put on too few: no more than so much is left, all of it lit. */
  burnedDownTo(kg: number): void {
    this.unlitKg = 0;
    this.litKg = Math.min(this.litKg, kg);
  }

  coals(kg: number, lit: boolean): void {
    if (lit) this.litKg += kg;
    else {
      this.unlitKg += kg;
      this.freshKg += kg;
    }
  }
  /** `waterShare` of the weight: 0.18 seasoned, 0.4 wet. Warmed on the firebox it catches sooner. */
  wood(kg: number, waterShare: number, warmed: boolean): void {
    this.woods.push({
      kg: kg * (1 - waterShare),
      wholeKg: kg * (1 - waterShare),
      waterKg: kg * waterShare,
      heated: warmed ? 0.88 : 0,
      burnsMin: kg > 0.4 ? 32 : 22,
    });
  }
  vents(bottom: number, top: number): void {
    this.bottom = Math.min(1, Math.max(0, bottom));
    this.top = Math.min(1, Math.max(0, top));
  }
  ash(): void {
    this.ashKg *= 0.1;
  }
  /** Whatever hands do in one go lifts the lid once. */
  open(): void {
    this.heldOpenS = Math.max(this.heldOpenS, HELD_OPEN_S);
  }

  step(seconds: number, weather: WeatherNow, meatW: number, flareW: number): void {
    const { build, luck } = this;
    const wind = weather.windMPerS * (this.sheltered ? 0.3 : 1);
    const raining = weather.raining && !this.sheltered;
    const open = this.lidOpen || this.heldOpenS > 0;
    this.heldOpenS = Math.max(0, this.heldOpenS - seconds);

    const rise = Math.max(0, this.airC - weather.airC);
    const draught = Math.sqrt(0.45 + (0.45 * rise) / USUAL_RISE_K + 0.03 * Math.min(wind, 12) ** 2);
    const opening = build.open ? 1 : LEAK + (open ? 0.75 : through(this.bottom * this.clear, this.top));
    const gust = 1 + 0.05 * luck.normal();
    const airKgPerS = this.fullAirKgPerS * opening * draught * gust;
    const airW = airKgPerS * AIR_USED_SHARE * AIR_J_PER_KG;

    // Wood first dries, then smoulders, then burns in flame.
    const bed = Math.min(1.2, (this.litKg * LIT_W_PER_KG + this.flameW) / 9000);
    let [wantsFlameW, driesW, smoulderKgPerS] = [0, 0, 0];
    for (const wood of this.woods) {
      if (wood.waterKg > 0.08 * wood.kg) {
        const driesKg = Math.min(wood.waterKg, bed * wood.kg * 0.0005 * seconds);
        wood.waterKg -= driesKg;
        driesW += (driesKg * LATENT_J_PER_KG) / seconds;
        // Steam carries half-burned wood with it.
        smoulderKgPerS += (0.5 * driesKg) / seconds;
      }
      const wet = wood.waterKg / Math.max(0.01, wood.kg);
      if (wood.heated < 1) {
        wood.heated += ((bed * seconds) / (wood.burnsMin > 25 ? 260 : 150)) * Math.max(0.04, 1 - 2.6 * wet);
        if (wood.heated > 0.3) smoulderKgPerS += (0.3 * wood.kg) / (wood.burnsMin * 60);
      } else wantsFlameW += (wood.wholeKg / (wood.burnsMin * 60)) * WOOD_J_PER_KG * (1 - CHAR_SHARE);
    }
    const fed = wantsFlameW > 0 ? Math.min(1, (airW * 1.1) / wantsFlameW) : 1;
    this.flameW = wantsFlameW * fed;
    let starvedKgPerS = 0;
    for (const wood of this.woods) {
      if (wood.heated < 1) continue;
      const gone = Math.min(wood.kg, (wood.wholeKg / (wood.burnsMin * 60)) * seconds * (0.35 + 0.65 * fed));
      // What burns is dry by then.
      wood.waterKg *= 1 - gone / wood.kg;
      wood.kg -= gone;
      this.woodBurnedKg += gone;
      this.burnedKg += gone;
      this.litKg += gone * CHAR_SHARE;
      this.ashKg += gone * ASH_SHARE.wood;
      starvedKgPerS += ((1 - fed) * gone) / seconds;
    }
    for (let i = this.woods.length - 1; i >= 0; i--) if (this.woods[i]!.kg < 0.015) this.woods.splice(i, 1);

    // Coals take the air that flames leave.
    const wantsCoalW = this.litKg * LIT_W_PER_KG;
    const coalW = Math.min(wantsCoalW, Math.max(0, airW - this.flameW));
    const burnedKg = Math.min(this.litKg, (coalW / CHARCOAL_J_PER_KG) * seconds);
    const breath = wantsCoalW > 0 ? coalW / wantsCoalW : 0;
    const catchesKg = Math.min(this.unlitKg, burnedKg * SPREADS, (this.litKg * seconds) / 500);
    const warmsKg = this.freshKg * (1 - Math.exp((-seconds * Math.min(1, bed)) / FRESH_FOR_S));
    this.freshKg -= warmsKg;
    const outKg = breath < 0.04 ? Math.min(this.litKg, (this.litKg * seconds * (1 - breath / 0.04)) / GOES_OUT_S) : 0;
    this.litKg += catchesKg - burnedKg - outKg;
    this.unlitKg += outKg - catchesKg;
    // The coals of a wood fire were counted when they were wood.
    if (build.fuel === 'charcoal') this.burnedKg += burnedKg;
    this.ashKg += burnedKg * ASH_SHARE.charcoal;

    this.heatW += (coalW + this.flameW - this.heatW) * (1 - Math.exp(-seconds / 90));
    let intoW = this.heatW * this.reach + flareW - driesW * this.reach;
    if (this.waterKg > 0) {
      // Water takes what lies above its boiling: it holds a low pit low.
      const boilW = Math.max(0, 9 * (this.airC - 100));
      intoW -= boilW;
      this.waterKg = Math.max(0, this.waterKg - (boilW * seconds) / LATENT_J_PER_KG);
    }
    const lossWPerK = build.lossWPerK * (1 + 0.05 * wind) * (raining ? 1.3 : 1);
    const openWPerK = open ? (this.spec.openingDropC / 20) * 26 : 0;
    intoW -= (lossWPerK + openWPerK) * (this.airC - weather.airC) + 0.7 * Math.max(0, meatW);
    this.airC = Math.max(weather.airC, this.airC + (intoW * seconds) / build.wallsJPerK);
    const shown = this.airC + this.spec.gaugeOffsetC + this.gaugeFaultC;
    this.gaugeC += (shown - this.gaugeC) * (1 - Math.exp(-seconds / GAUGE_LAG_S));

    this.smoke = this.smokes(smoulderKgPerS + (0.08 * warmsKg) / seconds, starvedKgPerS, flareW, airKgPerS);
  }

  private smokes(smoulderKgPerS: number, starvedKgPerS: number, flareW: number, airKgPerS: number): Smoke {
    const clean = 0.28 * (this.flameW / WOOD_J_PER_KG) + 0.02 * (this.heatW / CHARCOAL_J_PER_KG);
    // Air that stands still keeps smoke that has gone stale.
    const stale = this.build.open ? 0 : Math.max(0, 0.25 - this.top) * clean;
    const dirty = 7 * (smoulderKgPerS + 2 * starvedKgPerS) + stale;
    const soot = flareW / 4e6;
    const all = clean + dirty + soot;
    if (all < 1e-7) return NO_SMOKE;
    const thickness = 1 - Math.exp(-all / (0.12 * airKgPerS + 0.0001));
    return { thickness, dirtyShare: dirty / all, sootShare: soot / all };
  }
}
