import type { Objective, Scheme } from '../model';
import { lowerBound } from './bounds';
import type { Decoded, Schedule, SearchInput } from './decoded';
import { Decoder } from './decoder';
import { isBetter } from './objective';
import type { BatchOrder } from './order';
import type { Changeable } from './wishes';

/** What a search does at the moment. */
export type Trying = 'orders' | 'heats' | 'earlier' | 'later' | 'journeys' | 'surer' | 'moves' | 'polish';

/** What a search tells while it runs. */
export interface Progress {
  done: number;
  of: number;
  readonly best: Found;
  /** Of the best. */
  objective: Objective;
  trying: Trying;
  /** It waits for a strand that somebody else climbs: there is no need to ask again at once. */
  waits?: true;
}

export interface Found extends Schedule {
  scheme: Scheme;
  lower: Objective;
}

/** Everything is placed, and every serving as sure as was asked. */
export const isSure = ({ objective }: Decoded): boolean => objective[0] === 0 && objective[1] === 0;

/** The better of two plans; of two that are broken alike, the one that leaves less meat out. */
export const betterThan = (a: Decoded, b: Decoded): boolean =>
  a.objective[0] !== b.objective[0] || a.leftKg === b.leftKg || a.objective[0] === 0
    ? isBetter(a.objective, b.objective)
    : a.leftKg < b.leftKg;

export const foundOf = (decoder: Decoder, decoded: Decoded, lower: Objective): Found => ({
  ...decoder.told(decoded),
  scheme: decoded.scheme,
  lower: lower.map((bound, i) => Math.min(bound, decoded.objective[i]!)) as Objective,
});

const kindOf = ({ runs }: Decoded): string =>
  runs
    .map(({ batchId, pitId, pitC, finishC }) => `${batchId} ${pitId} ${pitC} ${finishC}`)
    .sort()
    .join();

/** What the parts of one search share: its ledgers, what may be moved, and the best plan so far. */
export class SearchDesk {
  readonly decoder: Decoder;
  readonly lower: Objective;
  /** Batches that are not pinned. */
  readonly free: readonly BatchOrder[];
  private known?: Decoded;
  private readonly held: Scheme['overrides'];
  private lastTold?: { of: Decoded; as: Found };
  /** Of plans looked at that cook the same in the same pits at the same heats, the best. */
  private readonly kinds = new Map<string, Decoded>();
  done = 0;

  constructor(
    readonly orders: readonly BatchOrder[],
    readonly input: SearchInput,
    private readonly stampedWith: Pick<Scheme, 'seed' | 'iterations'>,
    start?: Scheme,
  ) {
    this.decoder = new Decoder(orders, input);
    this.lower = lowerBound(orders, input);
    // What is pinned is not the search's to move: let go again, it goes back to where it was.
    this.held = Object.fromEntries(Object.entries(start?.overrides ?? {}).filter(([id]) => this.decoder.isHeld(id)));
    this.free = orders.filter((order) => !this.decoder.isHeld(order.batch.id));
  }

  servingOf(batchId: string): string | undefined {
    return this.orders.find(({ batch }) => batch.id === batchId)?.serving.id;
  }

  get best(): Decoded {
    return this.known!;
  }

  stamp({ order, overrides, travel }: Changeable): Scheme {
    return {
      order: [...new Set([...Object.keys(this.held), ...order])],
      overrides: { ...overrides, ...this.held },
      ...(travel && Object.keys(travel).length > 0 && { travel }),
      ...this.stampedWith,
    };
  }

  /** The plan a scheme stands for. */
  decode(changed: Changeable): Decoded {
    return this.decoder.decode(this.stamp(changed));
  }

  /** Keeps a plan if it is better than the best; whether it was. */
  keep(next: Decoded): boolean {
    if (this.known && !betterThan(next, this.known)) return false;
    this.known = next;
    return true;
  }
  /** Puts a plan in the place of the best. */
  set(next: Decoded): void {
    this.known = next;
  }
  isWorse(next: Decoded): boolean {
    return betterThan(this.best, next);
  }
  take(changed: Changeable): boolean {
    const next = this.decode(changed);
    const kind = kindOf(next);
    const like = this.kinds.get(kind);
    if (!like || betterThan(next, like)) this.kinds.set(kind, next);
    return this.keep(next);
  }

  /** The best plans so far that differ in more than when things go on, the best first. */
  bestOfKinds(most: number): Decoded[] {
    const rest = [...this.kinds.values()]
      .filter((each) => each !== this.best)
      .sort((a, b) => Number(betterThan(b, a)) - Number(betterThan(a, b)));
    return [this.best, ...rest].slice(0, most);
  }

  /** Nothing can be better than a plan. */
  isAtBound({ objective }: Decoded): boolean {
    return objective.every((value, i) => value <= this.lower[i]! + 1e-9);
  }

  /** The best plan as it is told; the same one is told again and again while a better one is looked for. */
  found(): Found {
    const of = this.best;
    if (this.lastTold?.of !== of) this.lastTold = { of, as: foundOf(this.decoder, of, this.lower) };
    return this.lastTold.as;
  }

  /** The best plan is told when it is looked at: whoever counts moves need not wait for its odds. */
  news(trying: Trying, waits?: true): Progress {
    const found = () => this.found();
    return {
      done: this.done,
      of: this.stampedWith.iterations,
      trying,
      objective: this.best.objective,
      ...(waits && { waits }),
      get best() {
        return found();
      },
    };
  }
}
