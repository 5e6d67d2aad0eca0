/** A stream of chance that is the same for the same seed. */
export interface Random {
  /** Uniform on [0, 1). */
  uniform(): number;
  /** Standard normal. */
  normal(): number;
  /** The same stream from here on, apart from this one. */
  fork(): Random;
}

/** Seeded generator: sfc32 (Chris Doty-Humphrey's small fast counter) warmed up, normals by Box and Muller. */
export function seededRandom(seed: number): Random {
  const a = 0x9e3779b9 ^ seed;
  const b = 0x243f6a88 ^ Math.imul(seed, 0x85ebca6b);
  const c = 0xb7e15162;
  const counter = 1;
  const stream = streamFrom([a, b, c, counter]);
  for (let i = 0; i < 16; i++) stream.uniform();
  return stream;
}

function streamFrom([a, b, c, counter]: [number, number, number, number], spare?: number): Random {
  const next = () => {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (c << 21) | (c >>> 11);
    c = (c + t) | 0;
    return (t >>> 0) / 4_294_967_296;
  };
  return {
    uniform: next,
    fork: () => streamFrom([a, b, c, counter], spare),
    normal() {
      if (spare !== undefined) {
        const kept = spare;
        spare = undefined;
        return kept;
      }
      const radius = Math.sqrt(-2 * Math.log(1 - next()));
      const angle = 2 * Math.PI * next();
      spare = radius * Math.sin(angle);
      return radius * Math.cos(angle);
    },
  };
}

/** A seed that stands for a name. */
export function seedOfName(name: string): number {
  let sum = 7;
  for (let i = 0; i < name.length; i++) sum = (sum * 31 + name.charCodeAt(i)) % 1_000_003;
  return sum;
}

/** Picks one of a list, each as likely. */
export const pickerOf =
  (uniform: () => number) =>
  <T>(list: readonly T[]): T =>
    list[Math.min(list.length - 1, Math.floor(uniform() * list.length))]!;

/** A list in any order, each as likely. */
export const shuffled = <T>(list: readonly T[], uniform: () => number): T[] =>
  list
    .map((each) => [uniform(), each] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, each]) => each);
