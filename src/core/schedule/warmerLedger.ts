import { KG_PER_SLOT, type Warmer } from '../model';

interface SlotUse {
  warmerId: string;
  slots: number;
  fromMs: number;
  toMs: number;
}

/** Pan slots claimed in each warmer over time. */
export class WarmerLedger {
  private readonly uses: SlotUse[] = [];

  constructor(private readonly warmers: readonly Warmer[]) {}

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  private freeSlots(warmer: Warmer, fromMs: number, toMs: number): number {
    const uses = this.uses.filter((use) => use.warmerId === warmer.id && use.fromMs < toMs && use.toMs > fromMs);
    const moments = [fromMs, ...uses.map((use) => Math.max(fromMs, use.fromMs))];
    const usedAt = (atMs: number) => uses.reduce((sum, use) => (use.fromMs <= atMs && use.toMs > atMs ? sum + use.slots : sum), 0);
    return warmer.slots - Math.max(...moments.map(usedAt));
  }

  /** Claims slots for `kg`, 9 kg each, in the warmer that fits most closely; otherwise tells how many are short. */
  claim(kg: number, fromMs: number, toMs: number): { warmer: Warmer } | { shortSlots: number } {
    const slots = Math.ceil(kg / KG_PER_SLOT - 1e-9);
    const free = this.warmers.map((warmer) => ({ warmer, slots: this.freeSlots(warmer, fromMs, toMs) })).sort((a, b) => a.slots - b.slots);
    const fitting = free.find((each) => each.slots >= slots);
    if (!fitting) return { shortSlots: slots - (free.at(-1)?.slots ?? 0) };
    this.uses.push({ warmerId: fitting.warmer.id, slots, fromMs, toMs });
    return { warmer: fitting.warmer };
  }
}
