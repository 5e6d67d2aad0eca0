import { carveMinOf, cutIn, type CarveManner, type CookEvent, type Cut, type Library, type Plan, type Run, type Serving } from '../model';
import { MS_PER_MIN, addMinutes } from '../units';

/** The core at which each kind of knife work goes best, C. */
const BANDS_C: Partial<Record<CarveManner, [low: number, high: number]>> = { pull: [62, 75], chop: [60, 68], slice: [60, 66] };

/** How a cut is opened up, and at which core. Roasts are sliced at their own. */
export function carveManner(cut: Cut): { manner: CarveManner; bandC?: [low: number, high: number] } {
  const bandC = cut.done.by === 'tender' ? BANDS_C[cut.carved] : undefined;
  return { manner: cut.carved, ...(bandC && { bandC }) };
}

/** Pieces under the knife together. */
export interface CarveTurn {
  runId: string;
  batchId: string;
  pieceIds: string[];
  /** Whose hands; nobody is named where they are not counted. */
  who: string[];
  /** The row of those hands, from 0. */
  carver: number;
  fromMs: number;
  toMs: number;
  /** By how much it comes after its guests. */
  lateMin: number;
  /** Where it waits until then: a box's id, or the board. */
  heldIn: string;
}

export interface CarvePlan {
  servingId: string;
  turns: CarveTurn[];
  /** Pairs of hands at work, and the fewest with which nothing is carved late. */
  carvers: number;
  fewestCarvers?: number;
  lateMin: number;
  labourMin: number;
}

const MOST_CARVERS = 24;

/** Guests eat evenly through the window: piece i of n is first needed at serving + window x i / n. */
export const neededMs = (serving: Serving, i: number, n: number): number =>
  addMinutes(serving.atMs, (serving.serveForMin * i) / Math.max(1, n));

/** Who carves what when, as the plan has it: the one source of carving times. */
export function carvePlan(event: CookEvent, library: Library, plan: Pick<Plan, 'runs'>, serving: Serving): CarvePlan {
  const own = plan.runs.filter((run) => run.servingId === serving.id);
  const works = own.flatMap((run) =>
    run.work
      .filter((work) => work.kind === 'carve' && cutOf(event, library, run)?.carveMin !== 0)
      .map(({ atMs, minutes, pieceIds, who }) => {
        const all = event.batches.find((each) => each.id === run.batchId)?.pieces ?? [];
        const first = Math.max(0, Math.min(...pieceIds.map((id) => all.findIndex((piece) => piece.id === id))));
        const toMs = addMinutes(atMs, minutes);
        const lateMin = Math.max(
          0,
          (toMs - Math.max(neededMs(serving, first, all.length), addMinutes(run.carveAtMs, minutes))) / MS_PER_MIN,
        );
        return { runId: run.id, batchId: run.batchId, pieceIds, who, fromMs: atMs, toMs, lateMin, heldIn: run.hold.gearId };
      }),
  );
  works.sort((a, b) => a.fromMs - b.fromMs);
  const rows: { person?: string; toMs: number }[] = [];
  const turns = works.map((work): CarveTurn => {
    const [person] = work.who;
    let carver = rows.findIndex((row) =>
      person === undefined ? row.person === undefined && row.toMs <= work.fromMs : row.person === person,
    );
    if (carver < 0) carver = rows.push({ ...(person !== undefined && { person }), toMs: work.toMs }) - 1;
    rows[carver]!.toMs = work.toMs;
    return { ...work, carver };
  });
  return {
    servingId: serving.id,
    turns,
    carvers: rows.length,
    fewestCarvers: fewestCarvers(event, library, own, serving),
    lateMin: Math.max(0, ...turns.map((turn) => turn.lateMin)),
    labourMin: turns.reduce((sum, turn) => sum + (turn.toMs - turn.fromMs) / MS_PER_MIN, 0),
  };
}

const cutOf = (event: CookEvent, library: Library, run: Run) =>
  cutIn(library, event.batches.find((each) => each.id === run.batchId)?.cutId ?? '');

interface Piece {
  runId: string;
  pieceId: string;
  minutes: number;
  neededMs: number;
}

function fewestCarvers(event: CookEvent, library: Library, runs: readonly Run[], serving: Serving): number | undefined {
  const pieces = piecesToCarve(event, library, runs, serving);
  const releaseMs = addMinutes(serving.atMs, -serving.carveLeadMin);
  for (let carvers = 1; carvers <= MOST_CARVERS; carvers++) if (stage(pieces, carvers, releaseMs).shortMin <= 0) return carvers;
  return undefined;
}

/**
 * Carving for hands that nobody has named: each piece as late as its guests allow, since sliced meat dries in
 * minutes; latest-deadline-first on so many pairs of hands, from the back. Nothing is begun before carving may begin.
 */
export function stagedCarving(event: CookEvent, library: Library, runs: readonly Run[], carvers: number): Run[] {
  const begun = new Map<string, number>();
  for (const serving of event.servings) {
    const own = runs.filter((run) => run.servingId === serving.id);
    const releaseMs = addMinutes(serving.atMs, -serving.carveLeadMin);
    for (const turn of stage(piecesToCarve(event, library, own, serving), carvers, releaseMs).turns)
      begun.set(`${turn.runId} ${turn.pieceId}`, Math.max(turn.fromMs, releaseMs));
  }
  return runs.map((run) => ({
    ...run,
    work: run.work.map((work) => {
      if (work.kind !== 'carve' || work.who.length > 0) return work;
      const times = work.pieceIds.map((pieceId) => begun.get(`${run.id} ${pieceId}`) ?? work.atMs);
      return { ...work, atMs: Math.max(run.carveAtMs, Math.floor(Math.min(...times) / MS_PER_MIN) * MS_PER_MIN) };
    }),
  }));
}

function piecesToCarve(event: CookEvent, library: Library, runs: readonly Run[], serving: Serving): Piece[] {
  return runs.flatMap((run) => {
    const batch = event.batches.find((each) => each.id === run.batchId);
    const cut = cutOf(event, library, run);
    if (!batch || !cut || batch.servingId !== serving.id || cut.carveMin === 0) return [];
    const all = batch.pieces.map((piece) => piece.id);
    return run.pieceIds.map((pieceId) => ({
      runId: run.id,
      pieceId,
      minutes: carveMinOf(cut, batch.pieces.find((piece) => piece.id === pieceId)?.kg ?? 0),
      neededMs: neededMs(serving, all.indexOf(pieceId), all.length),
    }));
  });
}

function stage(pieces: Piece[], carvers: number, releaseMs: number): { turns: (Piece & { fromMs: number })[]; shortMin: number } {
  const freeUntil = new Array<number>(Math.max(1, carvers)).fill(Infinity);
  const latestFirst = [...pieces].sort((a, b) => b.neededMs - a.neededMs || b.minutes - a.minutes || (a.pieceId < b.pieceId ? -1 : 1));
  let earliestMs = Infinity;
  const turns = latestFirst.map((piece) => {
    const free = freeUntil.findIndex((untilMs) => untilMs >= piece.neededMs);
    const carver = free >= 0 ? free : freeUntil.indexOf(Math.max(...freeUntil));
    const fromMs = addMinutes(Math.min(piece.neededMs, freeUntil[carver]!), -piece.minutes);
    freeUntil[carver] = fromMs;
    earliestMs = Math.min(earliestMs, fromMs);
    return { ...piece, fromMs };
  });
  return { turns, shortMin: pieces.length === 0 ? 0 : (releaseMs - earliestMs) / MS_PER_MIN };
}
