import { BOX_LITRES_PER_KG, type HoldingBox } from '../model';

interface BoxUse {
  boxId: string;
  litres: number;
  fromMs: number;
  toMs: number;
}

/** Litres claimed in each insulated box over time. */
export class BoxLedger {
  private readonly uses: BoxUse[] = [];

  constructor(private readonly boxes: HoldingBox[]) {}

  snapshot(): number {
    return this.uses.length;
  }

  rollBack(snapshot: number): void {
    this.uses.length = snapshot;
  }

  /** Free litres of a box at the fullest moment of a window. */
  private freeLitres(box: HoldingBox, fromMs: number, toMs: number): number {
    const uses = this.uses.filter((use) => use.boxId === box.id && use.fromMs < toMs && use.toMs > fromMs);
    const moments = [fromMs, ...uses.map((use) => Math.max(fromMs, use.fromMs))];
    const usedAt = (atMs: number) => uses.reduce((sum, use) => (use.fromMs <= atMs && use.toMs > atMs ? sum + use.litres : sum), 0);
    return box.litres - Math.max(...moments.map(usedAt));
  }

  /** Claims room for `kg` in the box that fits it most closely; otherwise tells how many litres are short. */
  claim(kg: number, fromMs: number, toMs: number): { box: HoldingBox } | { shortLitres: number } {
    const litres = kg * BOX_LITRES_PER_KG;
    const free = this.boxes.map((box) => ({ box, litres: this.freeLitres(box, fromMs, toMs) })).sort((a, b) => a.litres - b.litres);
    const fitting = free.find((each) => each.litres >= litres);
    if (!fitting) return { shortLitres: litres - (free.at(-1)?.litres ?? 0) };
    this.uses.push({ boxId: fitting.box.id, litres, fromMs, toMs });
    return { box: fitting.box };
  }
}
