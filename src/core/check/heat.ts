import type { Broken, ExchangeMethod } from '../model';
import { minutes, type Facts } from './facts';

/** What set points may be rounded by. */
const ROUNDING_C = 0.051;

/** Rule 7: what pits are set to, and whether everything in them bears it. */
export function heatRules({ event, plan, places }: Facts): Broken[] {
  const broken: Broken[] = [];
  for (const fire of plan.pits) {
    const pit = event.pits.find((each) => each.id === fire.id);
    if (!pit) {
      broken.push({ rule: 7, code: 'unknownId', pit: fire.id });
      continue;
    }
    if (fire.readyAtMs < fire.lightAtMs + minutes(pit.warmUpMin))
      broken.push({ rule: 7, code: 'litTooLate', pit: pit.id, atMs: fire.lightAtMs });
    for (const { atMs, c } of fire.setPoints)
      if (c < pit.rangeC[0] - ROUNDING_C || c > pit.rangeC[1] + ROUNDING_C)
        broken.push({ rule: 7, code: 'setPointOutOfRange', pit: pit.id, atMs, by: c });
  }
  for (const place of places) {
    const { run, method, wrap, batch, on } = place.of;
    const fires = plan.pits.filter((each) => each.id === place.pit);
    const fire = fires.find((each) => each.lightAtMs <= place.from && each.offAtMs > place.from) ?? fires[0];
    const where = { batch, piece: place.piece, pit: place.pit };
    if (!fire) {
      broken.push({ rule: 7, code: 'noFire', ...where });
      continue;
    }
    if (place.from < fire.readyAtMs) broken.push({ rule: 7, code: 'onBeforeReady', ...where, atMs: run.onAtMs });
    if (place.to > fire.offAtMs) broken.push({ rule: 7, code: 'noFire', ...where, atMs: fire.offAtMs });
    const steps = fire.setPoints.toSorted((a, b) => a.atMs - b.atMs);
    const marks = [
      place.from,
      ...steps.map((step) => step.atMs),
      wrap ?? place.from,
      ...(method.steps ?? []).map((step) => on + minutes(step.fromMin)),
    ];
    for (const mark of new Set(marks.filter((each) => each >= place.from && each < place.to))) {
      const c = steps.filter((step) => step.atMs <= mark).at(-1)?.c;
      if (c === undefined) {
        broken.push({ rule: 7, code: 'noFire', ...where, atMs: mark });
        continue;
      }
      const bare = wrap === undefined || mark < wrap;
      if (bare && c < event.rules.minPitC - ROUNDING_C) broken.push({ rule: 7, code: 'bareTooCool', ...where, atMs: mark, by: c });
      const [low, high] = bandAt(method, bare, (mark - on) / minutes(1));
      if (c < low - ROUNDING_C || c > high + ROUNDING_C) broken.push({ rule: 7, code: 'heatWrongForMeat', ...where, atMs: mark, by: c });
    }
  }
  return once(broken);
}

/** The allowed band: it moves with the programme, except where the finish has a band of its own. */
function bandAt(method: ExchangeMethod, bare: boolean, minute: number): [number, number] {
  if (!bare && method.finishRangeC) return method.finishRangeC;
  const reached = (method.steps ?? []).filter((step) => step.fromMin <= minute);
  const shift = reached.length > 0 ? reached.at(-1)!.pitC - method.pitC : 0;
  return [method.pitRangeC[0] + shift, method.pitRangeC[1] + shift];
}

/** The same thing for each of twelve chickens is one thing. */
export function once(broken: Broken[]): Broken[] {
  const seen = new Set<string>();
  return broken.filter(({ rule, code, batch, pit, atMs, gear, task }) => {
    const key = [rule, code, batch, pit, atMs, gear, task].join('|');
    return !seen.has(key) && seen.add(key);
  });
}
