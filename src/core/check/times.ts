import type { Broken } from '../model';
import { minutes, type Facts } from './facts';

/** Rules 1, 2, 9 to 11: every piece once, its moments in order, its rest, its hold and its carving. */
export function timeRules({ event, plan, runs, pieces }: Facts): Broken[] {
  const broken: Broken[] = [];
  const seen = new Set<string>();
  for (const run of plan.runs) {
    if (!event.batches.some((batch) => batch.id === run.batch)) broken.push({ rule: 1, code: 'unknownId', batch: run.batch });
    for (const piece of run.pieces) {
      if (seen.has(piece)) broken.push({ rule: 1, code: 'pieceTwice', piece });
      if (pieces.get(piece)?.batch !== run.batch) broken.push({ rule: 1, code: 'unknownId', batch: run.batch, piece });
      seen.add(piece);
    }
  }
  for (const [piece, { batch }] of pieces) if (!seen.has(piece)) broken.push({ rule: 1, code: 'pieceMissing', batch, piece });
  const workFrom = event.workFromMs;
  for (const task of plan.tasks)
    if (task.atMs < workFrom) broken.push({ rule: 1, code: 'beforeWorkFrom', task: task.kind, atMs: task.atMs });
  for (const fire of plan.pits)
    if (fire.lightAtMs < workFrom) broken.push({ rule: 1, code: 'beforeWorkFrom', pit: fire.id, atMs: fire.lightAtMs });

  const wrapsOf = (wrap: string) => wrap !== 'none';
  for (const { run, batch, method, on, wrap, early, median, late, carve, serving } of runs) {
    if (!(on < early && early <= median && median <= late && (wrap === undefined || (on < wrap && wrap <= early))))
      broken.push({ rule: 2, code: 'timesOutOfOrder', batch, atMs: run.onAtMs });
    if (wrapsOf(method.wrap) && wrap === undefined) broken.push({ rule: 2, code: 'wrapMissing', batch });
    if (!wrapsOf(method.wrap) && wrap !== undefined) broken.push({ rule: 2, code: 'wrapUncalledFor', batch });
    const rested = late + minutes(method.ventMin + method.restMin);
    if (rested > carve) broken.push({ rule: 9, code: 'noTimeToRest', batch, by: (rested - carve) / minutes(1) });
    const longest = minutes(method.ventMin + method.restMin + method.holdMaxMin);
    if (carve - early > longest) broken.push({ rule: 9, code: 'heldTooLong', batch, by: (carve - early - longest) / minutes(1) });
    const vented = late + minutes(method.ventMin);
    const holds = run.holds
      .filter((hold) => hold.toMs > on)
      .map((hold) => ({ gear: hold.gear, from: hold.fromMs, to: hold.toMs }))
      .sort((a, b) => a.from - b.from);
    let reached = vented;
    for (const hold of holds) {
      if (hold.gear !== 'board' && !event.holding.some((gear) => gear.id === hold.gear))
        broken.push({ rule: 10, code: 'unknownId', batch, gear: hold.gear });
      if (hold.from <= reached) reached = Math.max(reached, hold.to);
    }
    if (reached < carve) broken.push({ rule: 10, code: 'holdDoesNotCover', batch, by: (carve - reached) / minutes(1) });
    const onBoard = holds.filter((hold) => hold.gear === 'board').reduce((sum, hold) => sum + hold.to - Math.max(hold.from, vented), 0);
    if (onBoard > minutes(method.restMin))
      broken.push({ rule: 10, code: 'boardTooLong', batch, by: (onBoard - minutes(method.restMin)) / minutes(1) });
    const first = serving.atMs - minutes(serving.carveLeadMin);
    if (carve < first || carve > first + minutes(serving.serveForMin))
      broken.push({ rule: 11, code: 'carvedOutsideServing', batch, serving: serving.id, atMs: run.carveAtMs });
  }
  for (const batch of event.batches) {
    const own = runs.filter((run) => run.batch === batch.id);
    if (own.length > 0 && !own.some((run) => run.carve === run.serving.atMs - minutes(run.serving.carveLeadMin)))
      broken.push({ rule: 11, code: 'noneAtFirst', batch: batch.id });
  }
  broken.push(...gearRules({ event, plan, runs, pieces }));
  return broken;
}

/** Rule 10: gear is taken from the earliest finish on, by litres or by slots of 9 kg. */
function gearRules({ event, runs, pieces }: Pick<Facts, 'event' | 'plan' | 'runs' | 'pieces'>): Broken[] {
  const broken: Broken[] = [];
  for (const gear of event.holding) {
    const uses = runs.flatMap((facts) => {
      const holds = facts.run.holds.filter((hold) => hold.gear === gear.id && hold.toMs > facts.on);
      if (holds.length === 0) return [];
      const kg = facts.run.pieces.reduce((sum, piece) => sum + (pieces.get(piece)?.piece.kg ?? 0), 0);
      const isFirst = facts.run.holds.find((hold) => hold.toMs > facts.on)?.gear === gear.id;
      return [
        {
          from: isFirst ? facts.early : Math.min(...holds.map((hold) => hold.fromMs)),
          to: Math.max(...holds.map((hold) => hold.toMs)),
          kg,
          atMs: facts.run.pullEarlyMs,
        },
      ];
    });
    for (const { from, atMs } of uses) {
      const there = uses.filter((use) => use.from <= from && use.to > from);
      const over =
        gear.kind === 'insulated-box'
          ? there.reduce((sum, use) => sum + use.kg * 1.8, 0) - gear.litres
          : there.reduce((sum, use) => sum + Math.ceil(use.kg / 9 - 1e-9), 0) - gear.slots;
      if (over > 1e-6) broken.push({ rule: 10, code: 'gearFull', gear: gear.id, atMs, by: over });
    }
  }
  return broken;
}
