import { MS_PER_MIN } from '../units';

export interface HeatUse {
  pitId: string;
  pitC: number;
  fromMs: number;
  toMs: number;
}

/** A method's programme, as far as heat goes. */
interface Programme {
  pitC: number;
  steps?: { fromMin: number; pitC: number }[];
}

/** What a step of the method adds to the heat it began with, C. */
export const stepShiftC = ({ pitC, steps = [] }: Programme, minute: number): number =>
  (steps.filter((step) => step.fromMin <= minute).at(-1)?.pitC ?? pitC) - pitC;

/** The heats one run asks of a pit from going on until it leaves, one for each step of its method. */
export function heatUses(method: Programme, pitId: string, pitC: number, onAtMs: number, leavesMs: number): HeatUse[] {
  const steps = [{ fromMin: 0, pitC: method.pitC }, ...(method.steps ?? [])].map((step) => ({
    atMs: onAtMs + step.fromMin * MS_PER_MIN,
    pitC: step.pitC + pitC - method.pitC,
  }));
  return steps
    .map((step, i) => ({ pitId, pitC: step.pitC, fromMs: step.atMs, toMs: Math.min(leavesMs, steps[i + 1]?.atMs ?? leavesMs) }))
    .filter((use) => use.toMs > use.fromMs);
}

/** Time a pit needs between two set points. */
export const CHANGE_OVER_MIN = 20;
export const SAME_C = 0.05;

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

  /** Whether a pit burns for somebody at or before a moment. */
  burnsBy(pitId: string, atMs: number): boolean {
    return this.uses.some((use) => use.pitId === pitId && use.fromMs <= atMs);
  }

  /** The heats a pit is already asked for. */
  heatsOf(pitId: string): number[] {
    return [...new Set(this.uses.filter((use) => use.pitId === pitId).map((use) => use.pitC))];
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
