import { cutIn, type CarveManner, type CookEvent, type Cut, type Library, type Plan, type Serving } from '../model';
import { MS_PER_MIN, addMinutes } from '../units';

/** The core at which each kind of knife work goes best, C. */
const BANDS_C: Partial<Record<CarveManner, [low: number, high: number]>> = { pull: [62, 75], chop: [60, 68], slice: [60, 66] };

/** How a cut is opened up, and at which core. Roasts are sliced at their own. */
export function carveManner(cut: Cut): { manner: CarveManner; bandC?: [low: number, high: number] } {
  const bandC = cut.done.by === 'tender' ? BANDS_C[cut.carved] : undefined;
  return { manner: cut.carved, ...(bandC && { bandC }) };
}

/** One piece under the knife. */
export interface CarveTurn {
  runId: string;
  batchId: string;
  pieceId: string;
  /** Which of the carvers, from 0. */
  carver: number;
  fromMs: number;
  toMs: number;
  /** Where it waits until then: a box's id, or the board. */
  heldIn: string;
}

export interface CarvePlan {
  servingId: string;
  turns: CarveTurn[];
  /** Pairs of hands at work, and the fewest with which nothing is carved late. */
  carvers: number;
  fewestCarvers?: number;
  /** By how many minutes the worst piece starts before carving may begin, with the hands there are. */
  shortMin: number;
  labourMin: number;
}

interface Piece extends Omit<CarveTurn, 'carver' | 'fromMs' | 'toMs'> {
  minutes: number;
  neededMs: number;
}

const MOST_CARVERS = 24;

/**
 * Carving staged over the serving window. Guests eat evenly through the window, so piece i of n is first
 * needed at serving + window x i / n; each is carved as late as that allows, since sliced meat dries in minutes.
 * Latest-deadline-first on the hands there are, from the back.
 */
export function carvePlan(event: CookEvent, library: Library, plan: Plan, serving: Serving, carvers: number): CarvePlan {
  const pieces = piecesToCarve(event, library, plan, serving);
  const releaseMs = addMinutes(serving.atMs, -serving.carveLeadMin);
  const own = stage(pieces, carvers, releaseMs);
  let fewest: number | undefined;
  for (let carverCount = 1; carverCount <= MOST_CARVERS && fewest === undefined; carverCount++)
    if (stage(pieces, carverCount, releaseMs).shortMin <= 0) fewest = carverCount;
  return {
    servingId: serving.id,
    turns: own.turns,
    carvers,
    fewestCarvers: fewest,
    shortMin: Math.max(0, own.shortMin),
    labourMin: pieces.reduce((sum, piece) => sum + piece.minutes, 0),
  };
}

function piecesToCarve(event: CookEvent, library: Library, plan: Plan, serving: Serving): Piece[] {
  return plan.runs.flatMap((run) => {
    const batch = event.batches.find((each) => each.id === run.batchId);
    const cut = batch && cutIn(library, batch.cutId);
    if (!batch || !cut || batch.servingId !== serving.id || cut.carveMin === 0) return [];
    const all = batch.pieces.map((piece) => piece.id);
    return run.pieceIds.map((pieceId) => ({
      runId: run.id,
      batchId: batch.id,
      pieceId,
      heldIn: run.hold.gearId,
      minutes: cut.carveMin,
      neededMs: addMinutes(serving.atMs, (serving.serveForMin * all.indexOf(pieceId)) / all.length),
    }));
  });
}

function stage(pieces: Piece[], carvers: number, releaseMs: number): { turns: CarveTurn[]; shortMin: number } {
  const freeUntil = new Array<number>(Math.max(1, carvers)).fill(Infinity);
  const latestFirst = [...pieces].sort((a, b) => b.neededMs - a.neededMs || b.minutes - a.minutes || (a.pieceId < b.pieceId ? -1 : 1));
  let earliestMs = Infinity;
  const turns = latestFirst.map(({ minutes, neededMs, ...piece }): CarveTurn => {
    const free = freeUntil.findIndex((untilMs) => untilMs >= neededMs);
    const carver = free >= 0 ? free : freeUntil.indexOf(Math.max(...freeUntil));
    const toMs = Math.min(neededMs, freeUntil[carver]!);
    const fromMs = addMinutes(toMs, -minutes);
    freeUntil[carver] = fromMs;
    earliestMs = Math.min(earliestMs, fromMs);
    return { ...piece, carver, fromMs, toMs };
  });
  turns.sort((a, b) => a.fromMs - b.fromMs || a.carver - b.carver);
  return { turns, shortMin: pieces.length === 0 ? 0 : (releaseMs - earliestMs) / MS_PER_MIN };
}
