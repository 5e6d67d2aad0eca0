import { isPoultry, prepOf, type Batch, type Cut, type Library, type PrepStep, type Shift } from '../model';
import { addMinutes, MS_PER_MIN } from '../units';
import { prepChain, type Link } from './chain';

/** A batch that is to be readied, and when its first piece goes on. */
export interface PrepOrder {
  batch: Batch;
  cut: Cut;
  onAtMs: number;
}

export interface PrepContext {
  library: Library;
  /** Pairs of hands for prep. */
  prepCrew: number;
  /** When the kitchen works, in order; empty when it always does. */
  shifts: readonly Shift[];
  /** Nothing is begun before the meat is there. */
  deliverAtMs?: number;
}

/** Done as soon as can be. */
const EARLY: ReadonlySet<Link['kind']> = new Set(['trim']);
const FIVE_MS = 5 * MS_PER_MIN;

interface Busy {
  fromMs: number;
  toMs: number;
  poultry: boolean;
}

/**
 * Every step counted back from going on the pit. A step ends between the least and the most wait before
 * the next; within that each chain is put so that the fewest of its steps lie outside the kitchen's hours,
 * and then as late as hands allow; meat is trimmed as soon as it has come. Raw poultry is never worked on beside other food.
 */
export function placeSteps(orders: readonly PrepOrder[], context: PrepContext): PrepStep[] {
  const busy: Busy[] = [];
  const steps: PrepStep[] = [];
  const latestFirst = [...orders].sort((a, b) => b.onAtMs - a.onAtMs || (a.batch.id < b.batch.id ? -1 : 1));
  for (const order of latestFirst) {
    const links = prepChain(order.batch, order.cut, context.library).reverse();
    const poultry = isPoultry(order.cut);
    const places = placeChain(links, order.onAtMs, poultry, busy, context);
    const done = new Set(prepOf(order.cut, order.batch).done);
    let nextMs = order.onAtMs;
    let latestNextMs = order.onAtMs;
    links.forEach((link, i) => {
      const place = places[i]!;
      const atMs = addMinutes(place.endMs, -link.minutes);
      const latestMs = addMinutes(latestNextMs, -link.waitMin - link.minutes);
      steps.push({
        id: `${order.batch.id}/${link.kind}`,
        kind: link.kind,
        batchId: order.batch.id,
        atMs,
        minutes: link.minutes,
        prepCrew: 1,
        waitMin: Math.round((nextMs - place.endMs) / MS_PER_MIN),
        earliestMs: Math.min(atMs, addMinutes(place.lowMs, -link.minutes)),
        latestMs,
        done: done.has(link.kind),
        outOfHours: place.outOfHours,
      });
      busy.push({ fromMs: atMs, toMs: place.endMs, poultry });
      nextMs = atMs;
      latestNextMs = latestMs;
    });
  }
  return steps.sort((a, b) => a.atMs - b.atMs);
}

interface Place {
  endMs: number;
  /** The earliest end that the next step allows. */
  lowMs: number;
  outOfHours: boolean;
}

/** Places a chain from its last link back: depth first, the latest choice first, the fewest steps out of hours kept. */
function placeChain(links: readonly Link[], onAtMs: number, poultry: boolean, busy: readonly Busy[], context: PrepContext): Place[] {
  let best: { places: Place[]; outOfHours: number } | undefined;
  const walk = (at: number, nextMs: number, places: Place[], outOfHours: number) => {
    if (best && outOfHours >= best.outOfHours) return;
    const link = links[at];
    if (!link) {
      best = { places, outOfHours };
      return;
    }
    const highMs = addMinutes(nextMs, -link.waitMin);
    const afterDeliveryMs = context.deliverAtMs === undefined ? -Infinity : addMinutes(context.deliverAtMs, link.minutes);
    const lowMs = Math.min(highMs, Math.max(addMinutes(nextMs, -link.mostWaitMin), afterDeliveryMs));
    const own = places.map((place, i) => ({ fromMs: addMinutes(place.endMs, -links[i]!.minutes), toMs: place.endMs, poultry }));
    const found = choices(lowMs, highMs, link.minutes, poultry, [...busy, ...own], context, EARLY.has(link.kind));
    for (const place of found)
      walk(at + 1, addMinutes(place.endMs, -link.minutes), [...places, { ...place, lowMs }], outOfHours + Number(place.outOfHours));
  };
  walk(0, onAtMs, [], 0);
  return best!.places;
}

/** The latest end in each of the kitchen's shifts at which hands are free, latest first; then the latest end at all. */
function choices(
  lowMs: number,
  highMs: number,
  minutes: number,
  poultry: boolean,
  busy: readonly Busy[],
  context: PrepContext,
  early: boolean,
): Omit<Place, 'lowMs'>[] {
  const earliest = (low: number, high: number) =>
    [low, ...busy.map((each) => addMinutes(each.toMs, minutes))]
      .filter((endMs) => endMs >= low && endMs <= high)
      .map((endMs) => addMinutes(Math.ceil(addMinutes(endMs, -minutes) / FIVE_MS) * FIVE_MS, minutes))
      .filter((endMs) => endMs <= high)
      .sort((a, b) => a - b)
      .find((endMs) => crewFree(addMinutes(endMs, -minutes), endMs, poultry, busy, context.prepCrew));
  const ends = (low: number, high: number) =>
    [high, ...busy.map((each) => each.fromMs)]
      .filter((endMs) => endMs >= low && endMs <= high)
      .map((endMs) => onTheFive(endMs, low, minutes))
      .sort((a, b) => b - a)
      .find((endMs) => crewFree(addMinutes(endMs, -minutes), endMs, poultry, busy, context.prepCrew));
  if (context.shifts.length === 0) return [{ endMs: ends(lowMs, highMs) ?? highMs, outOfHours: false }];
  const inHours = context.shifts
    .map((shift) => (early ? earliest : ends)(Math.max(lowMs, addMinutes(shift.fromMs, minutes)), Math.min(highMs, shift.toMs)))
    .filter((endMs) => endMs !== undefined)
    .sort((a, b) => (early ? a - b : b - a))
    .map((endMs) => ({ endMs, outOfHours: false }));
  return [...inHours, { endMs: ends(lowMs, highMs) ?? highMs, outOfHours: true }];
}

function crewFree(fromMs: number, toMs: number, poultry: boolean, busy: readonly Busy[], prepCrew: number): boolean {
  const beside = busy.filter((each) => each.fromMs < toMs && each.toMs > fromMs);
  return beside.every((each) => each.poultry === poultry) && mostAtOnce(beside) < prepCrew;
}

/** Begun on a five of the clock where the window allows: nobody begins at 18:53. */
function onTheFive(endMs: number, lowMs: number, minutes: number): number {
  const rounded = addMinutes(Math.floor(addMinutes(endMs, -minutes) / FIVE_MS) * FIVE_MS, minutes);
  return rounded >= lowMs ? rounded : endMs;
}

const mostAtOnce = (uses: readonly Busy[]): number =>
  Math.max(0, ...uses.map((use) => uses.filter((other) => other.fromMs <= use.fromMs && other.toMs > use.fromMs).length));
