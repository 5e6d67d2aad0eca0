import { failure, type Outcome } from '../core/outcome';
import { check, JoinInput } from '../inputs';
import { joinCrew, type Context, type Joined } from '../services';

/** Wrong codes are forgiven so often; then each further one doubles the wait. */
const FORGIVEN = 5;
const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 30 * 60_000;
/** After so long without a wrong one all is forgotten. */
const FORGET_MS = 60 * 60_000;
/** Of all who guess together, whatever addresses they come from. */
const FORGIVEN_IN_ALL = 60;
const MOST_REMEMBERED = 2000;

interface Wrong {
  count: number;
  lastMs: number;
}

/** How long one who guessed wrong waits. */
export class WrongCodes {
  private readonly from = new Map<string, Wrong>();
  private all: Wrong = { count: 0, lastMs: -Infinity };

  mayTry(from: string, nowMs: number): boolean {
    return nowMs >= waitsUntil(this.from.get(from), FORGIVEN, nowMs) && nowMs >= waitsUntil(this.all, FORGIVEN_IN_ALL, nowMs);
  }

  wrong(from: string, nowMs: number): void {
    if (this.from.size >= MOST_REMEMBERED) this.from.clear();
    this.from.set(from, once(this.from.get(from), nowMs));
    this.all = once(this.all, nowMs);
  }

  right(from: string): void {
    this.from.delete(from);
  }
}

const once = (before: Wrong | undefined, nowMs: number): Wrong => ({
  count: (before && nowMs - before.lastMs < FORGET_MS ? before.count : 0) + 1,
  lastMs: nowMs,
});

function waitsUntil(wrong: Wrong | undefined, forgiven: number, nowMs: number): number {
  if (!wrong || wrong.count < forgiven || nowMs - wrong.lastMs >= FORGET_MS) return -Infinity;
  return wrong.lastMs + Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (wrong.count - forgiven));
}

const shared = globalThis as typeof globalThis & { anachronWrongCodes?: WrongCodes };
const wrongCodes = (shared.anachronWrongCodes ??= new WrongCodes());

/** Somebody at the yard's door with a code. Who guesses wrong often waits longer and longer, the right code or not. */
export async function join(context: Context, from: string, body: unknown): Promise<Outcome<Joined>> {
  const input = check(JoinInput, body);
  if (!input.ok) return input;
  const nowMs = context.nowMs();
  if (!wrongCodes.mayTry(from, nowMs)) return failure({ code: 'tooManyCodes', path: 'code' });
  const joined = await joinCrew(context, input.value);
  if (joined.ok) wrongCodes.right(from);
  else if (joined.problems[0]!.code === 'wrongCode') wrongCodes.wrong(from, nowMs);
  return joined;
}
