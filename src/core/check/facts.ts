import {
  CUTS,
  type SafetyClass,
  type ExchangeEvent,
  type ExchangeMethod,
  type ExchangePiece,
  type ExchangePlan,
  type ExchangeRun,
} from '../model';

const MIN = 60_000;

/** What a cut's table row says, as far as the rules ask. */
export interface CutFacts {
  id: string;
  beefRoast: boolean;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  fillShare: number;
  safetyClass: SafetyClass;
  isPan: boolean;
  carveMin: number;
}

export interface RunFacts {
  run: ExchangeRun;
  batch: string;
  method: ExchangeMethod;
  cut: CutFacts;
  serving: ExchangeEvent['servings'][number];
  poultry: boolean;
  /** Weights of its pieces. */
  kgs: number[];
  on: number;
  wrap: number | undefined;
  early: number;
  median: number;
  late: number;
  carve: number;
}

export interface PlaceFacts {
  of: RunFacts;
  piece: string;
  pit: string;
  rack: string;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  from: number;
  to: number;
}

/** An event and a plan with every reference followed. Instants (`on`, `from`, …) are ms since 1970 UTC. */
export interface Facts {
  event: ExchangeEvent;
  plan: ExchangePlan;
  runs: RunFacts[];
  places: PlaceFacts[];
  pieces: Map<string, { batch: string; piece: ExchangePiece; lengthMm: number; widthMm: number; thicknessMm: number }>;
}

export const minutes = (count: number): number => count * MIN;

function cutFacts(event: ExchangeEvent, id: string): CutFacts {
  const own = event.cuts?.find((cut) => cut.id === id);
  if (own) {
    const roast = own.done !== 'tender' && own.done.coreC < 60;
    const bird = own.species === 'chicken' || own.species === 'turkey';
    const safetyClass = own.safetyClass ?? (bird ? 'poultry' : own.species === 'dish' ? 'dish' : 'whole');
    return { ...own, safetyClass, beefRoast: own.species === 'beef' && roast && safetyClass === 'whole', isPan: own.species === 'dish' };
  }
  const cut = CUTS.find((each) => each.id === id)!;
  return { ...cut, beefRoast: cut.done.by === 'core' && cut.done.coreC < 60, isPan: cut.species === 'dish' };
}

/** kg/m3, as the craft's table of shapes was made with. */
const DENSITY = 1050;

/** Length, width and thickness as the format derives what was left out: from weight and the cut's shape, rounded up to whole mm. */
function sizeOf(cut: CutFacts, piece: ExchangePiece): { lengthMm: number; widthMm: number; thicknessMm: number } {
  const volume = (piece.kg / DENSITY) * 1e9;
  const shape = cut.lengthMm * cut.widthMm * cut.thicknessMm * cut.fillShare;
  let sides: [number, number, number];
  if (cut.isPan) sides = [cut.lengthMm, cut.widthMm, piece.thicknessMm ?? volume / (cut.lengthMm * cut.widthMm * cut.fillShare)];
  else if (piece.thicknessMm !== undefined) {
    const spread = Math.sqrt((volume * cut.thicknessMm) / (shape * piece.thicknessMm));
    sides = [cut.lengthMm * spread, cut.widthMm * spread, piece.thicknessMm];
  } else {
    const scale = (volume / shape) ** (1 / 3);
    sides = [cut.lengthMm * scale, cut.widthMm * scale, cut.thicknessMm * scale];
  }
  const up = (mm: number) => Math.ceil(Math.round(mm * 1e5) / 1e5);
  return { lengthMm: up(piece.lengthMm ?? sides[0]), widthMm: up(piece.widthMm ?? sides[1]), thicknessMm: sides[2] };
}

/** Follows every reference; runs of batches that are not in the event are left out here and reported by rule 1. */
export function factsOf(event: ExchangeEvent, plan: ExchangePlan): Facts {
  const pieces: Facts['pieces'] = new Map();
  for (const batch of event.batches) {
    const cut = cutFacts(event, batch.cut);
    for (const piece of batch.pieces) pieces.set(piece.id, { batch: batch.id, piece, ...sizeOf(cut, piece) });
  }
  const runs: RunFacts[] = [];
  const places: PlaceFacts[] = [];
  for (const run of plan.runs) {
    const batch = event.batches.find((each) => each.id === run.batch);
    const serving = event.servings.find((each) => each.id === batch?.serving);
    if (!batch || !serving) continue;
    const facts: RunFacts = {
      run,
      batch: batch.id,
      method: batch.method,
      cut: cutFacts(event, batch.cut),
      serving,
      poultry: cutFacts(event, batch.cut).safetyClass === 'poultry',
      kgs: run.pieces.map((piece) => pieces.get(piece)?.piece.kg ?? 0),
      on: run.onAtMs,
      wrap: run.wrapAtMs,
      early: run.pullEarlyMs,
      median: run.pullMedianMs,
      late: run.pullLateMs,
      carve: run.carveAtMs,
    };
    runs.push(facts);
    for (const { piece, pit, rack, xMm, yMm, widthMm, depthMm, fromMs, toMs } of run.places)
      places.push({
        of: facts,
        piece,
        pit,
        rack,
        x0: xMm,
        y0: yMm,
        x1: xMm + widthMm,
        y1: yMm + depthMm,
        from: fromMs,
        to: toMs,
      });
  }
  return { event, plan, runs, places, pieces };
}
