import { MS_PER_MIN } from '../units';

export interface HeatUse {
  pitId: string;
  pitC: number;
  fromMs: number;
  toMs: number;
}

/** Time a pit needs between two set points. */
export const CHANGE_OVER_MIN = 20;
const SAME_C = 0.5;

/** Which set point each pit is held at, and when: one at a time. */
export class HeatLedger {
  private readonly uses: HeatUse[] = [];

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  add(use: HeatUse): void {
    this.uses.push(use);
  }

  of(pitId: string): HeatUse[] {
    return this.uses.filter((use) => use.pitId === pitId).sort((a, b) => a.fromMs - b.fromMs || a.toMs - b.toMs);
  }

  /** A use that wants another heat during the window or too close to it for a change-over. */
  conflict(wanted: HeatUse): HeatUse | undefined {
    const marginMs = CHANGE_OVER_MIN * MS_PER_MIN;
    return this.uses.find(
      (use) =>
        use.pitId === wanted.pitId &&
        Math.abs(use.pitC - wanted.pitC) > SAME_C &&
        use.fromMs < wanted.toMs + marginMs &&
        use.toMs > wanted.fromMs - marginMs,
    );
  }
}
