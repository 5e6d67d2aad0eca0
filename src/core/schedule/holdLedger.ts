import { BOX_LITRES_PER_KG, KG_PER_SLOT, type HoldingBox, type Warmer } from '../model';

interface HoldUse {
  gearId: string;
  amount: number;
  fromMs: number;
  toMs: number;
}

/** What is claimed of each piece of holding gear over time: litres of a box, pan slots of a warmer. */
export class HoldLedger<G extends { id: string }> {
  private readonly uses: HoldUse[] = [];

  constructor(
    private readonly gear: readonly G[],
    private readonly capacityOf: (gear: G) => number,
    private readonly amountOf: (kg: number) => number,
  ) {}

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  /** What is free at the fullest moment of a window. */
  private freeOf(gear: G, fromMs: number, toMs: number): number {
    const uses = this.uses.filter((use) => use.gearId === gear.id && use.fromMs < toMs && use.toMs > fromMs);
    const moments = [fromMs, ...uses.map((use) => Math.max(fromMs, use.fromMs))];
    const usedAt = (atMs: number) => uses.reduce((sum, use) => (use.fromMs <= atMs && use.toMs > atMs ? sum + use.amount : sum), 0);
    return this.capacityOf(gear) - Math.max(...moments.map(usedAt));
  }

  /** Claims room for `kg` in the gear that fits it most closely; otherwise tells how much is short. */
  claim(kg: number, fromMs: number, toMs: number): { gear: G } | { short: number } {
    const amount = this.amountOf(kg);
    const free = this.gear.map((gear) => ({ gear, amount: this.freeOf(gear, fromMs, toMs) })).sort((a, b) => a.amount - b.amount);
    const fitting = free.find((each) => each.amount >= amount);
    if (!fitting) return { short: amount - (free.at(-1)?.amount ?? 0) };
    this.uses.push({ gearId: fitting.gear.id, amount, fromMs, toMs });
    return { gear: fitting.gear };
  }
}

/** Litres: 1.8 for a kilogram of wrapped meat. */
export const boxLedger = (boxes: readonly HoldingBox[]): HoldLedger<HoldingBox> =>
  new HoldLedger(
    boxes,
    (box) => box.litres,
    (kg) => kg * BOX_LITRES_PER_KG,
  );

/** Whole pan slots: 9 kg each. */
export const warmerLedger = (warmers: readonly Warmer[]): HoldLedger<Warmer> =>
  new HoldLedger(
    warmers,
    (warmer) => warmer.slots,
    (kg) => Math.ceil(kg / KG_PER_SLOT - 1e-9),
  );
