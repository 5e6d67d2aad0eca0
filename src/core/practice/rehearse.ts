import { cutIn, MILD_DAY, methodIn, type Plan } from '../model';
import type { PlanInput } from '../planning';
import { MS_PER_MIN } from '../units';
import { keptByHand } from '../world';
import type { PracticePiece, Scenario, Trouble } from './scenario';

/** Nobody practises more than so many pieces at once: of a batch the heaviest stand for the others. */
const MOST_PIECES = 10;
/** Before its first piece goes on. */
const BEFORE_FIRST_MIN = 10;

/**
 * An event's own plan as a day to practise: its pits, its pieces, the hours they go on, its weather. Played up to the serving
 * that most of the meat is for; of the others nothing is cooked. `tagOf` names the nth piece of a batch as every other screen
 * does. Nothing where the plan has no run.
 */
export function rehearsalOf(
  input: PlanInput,
  plan: Plan,
  tagOf: (batchId: string, nth: number) => string,
  from: 'fire' | 'lastHours' = 'fire',
): Scenario | undefined {
  const { event, library, pits } = input;
  const kgOf = (servingId: string) => plan.runs.filter((run) => run.servingId === servingId).reduce((sum, run) => sum + run.kg, 0);
  const serving = [...event.servings].sort((a, b) => kgOf(b.id) - kgOf(a.id))[0];
  const runs = plan.runs.filter((run) => run.servingId === serving?.id && run.onAtMs < serving.atMs);
  if (!serving || runs.length === 0) return undefined;
  const all = runs.flatMap((run) => {
    const batch = event.batches.find((each) => each.id === run.batchId)!;
    const cut = cutIn(library, batch.cutId)!;
    const method = methodIn(library, batch.methodId)!;
    return batch.pieces
      .filter((piece) => run.pieceIds.includes(piece.id))
      .map((piece): PracticePiece => ({
        key: `${batch.id}/${piece.id}`,
        tag: tagOf(batch.id, batch.pieces.indexOf(piece)),
        cutId: cut.id,
        methodId: method.id,
        kg: piece.kg,
        thicknessMm: piece.thicknessMm,
        pitId: run.pitId,
        onBeforeMin: Math.round((serving.atMs - run.onAtMs) / MS_PER_MIN),
        wrap: method.wrap,
      }));
  });
  const pieces = spread(all);
  const used = pits.filter((pit) => pieces.some((piece) => piece.pitId === pit.id));
  const firstOnMin = Math.max(...pieces.map((piece) => piece.onBeforeMin!));
  const takeOverMin = from === 'fire' ? firstOnMin + BEFORE_FIRST_MIN : Math.min(firstOnMin + BEFORE_FIRST_MIN, 180);
  return {
    id: `event-${event.id}`,
    serveAtMs: serving.atMs,
    timeZone: event.timeZone,
    takeOverMin,
    pits: used.map((pit) => ({ pit, pitC: runs.find((run) => run.pitId === pit.id)!.pitC })),
    pieces,
    weather: event.weather ?? MILD_DAY,
    altitudeM: event.altitudeM,
    holds: [...(input.boxes.length > 0 ? (['box'] as const) : []), ...((input.warmers ?? []).length > 0 ? (['warmer'] as const) : [])],
    woodWaterShare: 0.18,
    troubles: surprises(used, takeOverMin),
    library: {
      cuts: library.cuts.filter((cut) => pieces.some((piece) => piece.cutId === cut.id)),
      methods: library.methods.filter((method) => pieces.some((piece) => piece.methodId === method.id)),
    },
  };
}

/** So many that a trainee can look after them: of every cut and pit some. */
function spread<T extends { cutId: string; pitId: string; kg: number }>(all: T[]): T[] {
  if (all.length <= MOST_PIECES) return all;
  const groups = new Map<string, T[]>();
  for (const each of all) groups.set(`${each.cutId} ${each.pitId}`, [...(groups.get(`${each.cutId} ${each.pitId}`) ?? []), each]);
  const lists = [...groups.values()].map((list) => [...list].sort((a, b) => b.kg - a.kg));
  const chosen: T[] = [];
  for (let round = 0; chosen.length < MOST_PIECES; round++) {
    const before = chosen.length;
    for (const list of lists) if (list[round] && chosen.length < MOST_PIECES) chosen.push(list[round]!);
    if (chosen.length === before) break;
  }
  return chosen;
}

/** One thing goes wrong on a rehearsal as well: what its pits can suffer. */
function surprises(pits: readonly Scenario['pits'][number]['pit'][], takeOverMin: number): Trouble[] {
  const hand = pits.find((pit) => keptByHand(pit.kind));
  const at = Math.round(takeOverMin * 0.45);
  return hand
    ? [{ kind: 'wind', afterMin: at, lastsMin: 60, much: 11 }]
    : pits[0]
      ? [{ kind: 'helperOpens', afterMin: at, lastsMin: 60, pitId: pits[0].id }]
      : [];
}
