import { BOX_LITRES_PER_KG, KG_PER_SLOT, type HoldingBox, type Warmer } from '../model';

/** A box or a warmer, as far as the plan cares. */
export type HoldingGear = { id: string } & (
  { kind: 'box'; litres: number; lossWPerK: number } | { kind: 'warmer'; slots: number; airC: number }
);

export const holdingGear = (boxes: readonly HoldingBox[], warmers: readonly Warmer[]): HoldingGear[] => [
  ...boxes.map(({ id, litres, lossWPerK }) => ({ id, kind: 'box' as const, litres, lossWPerK })),
  ...warmers.map(({ id, slots, setC }) => ({ id, kind: 'warmer' as const, slots, airC: setC })),
];

export interface HoldUse {
  gearId: string;
  amount: number;
  fromMs: number;
  toMs: number;
}

/** Litres of a box (1.8 a kilogram of wrapped meat), or whole pan slots of a warmer (9 kg each). */
const amountOf = (gear: HoldingGear, kg: number): number =>
  gear.kind === 'box' ? kg * BOX_LITRES_PER_KG : Math.ceil(kg / KG_PER_SLOT - 1e-9);
const capacityOf = (gear: HoldingGear): number => (gear.kind === 'box' ? gear.litres : gear.slots);

/** What is claimed of each piece of holding gear over time. */
export class HoldLedger {
  private readonly uses: HoldUse[] = [];

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  add(use: HoldUse): void {
    this.uses.push(use);
  }

  /** What is free at the fullest moment of a window. */
  private freeOf(gear: HoldingGear, fromMs: number, toMs: number): number {
    const uses = this.uses.filter((use) => use.gearId === gear.id && use.fromMs < toMs && use.toMs > fromMs);
    const moments = [fromMs, ...uses.map((use) => Math.max(fromMs, use.fromMs))];
    const usedAt = (atMs: number) => uses.reduce((sum, use) => (use.fromMs <= atMs && use.toMs > atMs ? sum + use.amount : sum), 0);
    return capacityOf(gear) - Math.max(...moments.map(usedAt));
  }

  /** Claims room for `kg` in the first gear of the list's kind that fits most closely; otherwise tells how much is short. */
  claim(gear: readonly HoldingGear[], kg: number, fromMs: number, toMs: number): { use: HoldUse } | { gear: HoldingGear; short: number } {
    const free = gear
      .map((each) => ({ each, spare: this.freeOf(each, fromMs, toMs) - amountOf(each, kg) }))
      .sort((a, b) => (a.each.kind === b.each.kind ? 0 : a.each.kind === 'box' ? -1 : 1) || a.spare - b.spare);
    const fitting = free.find(({ spare }) => spare >= -1e-9);
    if (!fitting) {
      const nearest = free.reduce((best, next) => (next.each.kind === best.each.kind && next.spare > best.spare ? next : best));
      return { gear: nearest.each, short: -nearest.spare };
    }
    const use = { gearId: fitting.each.id, amount: amountOf(fitting.each, kg), fromMs, toMs };
    this.uses.push(use);
    return { use };
  }
}
