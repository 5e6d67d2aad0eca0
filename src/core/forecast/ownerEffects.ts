import { choleskyFactor, choleskySolve, forwardSolve } from '../numerics';
import { LAW, type OwnerRecord } from './law';

/** A finished cook against the model's forecast of it: natural log of observed over forecast time. */
export interface FinishedCook {
  cutId: string;
  pitId?: string;
  methodId?: string;
  log: number;
}

/** What the cooks of one pit, or by one method, say beyond their cuts. */
export interface LearnedEffect {
  /** As many cooks as count: one that is far from all others counts for less. */
  cooks: number;
  meanLog: number;
  sdLog: number;
}

export interface OwnerEffects {
  record: OwnerRecord;
  pits: Record<string, LearnedEffect>;
  methods: Record<string, LearnedEffect>;
  /** How much each cook counts, in their order: 1 and a little more for usual ones, towards 0 for wild ones. */
  weights: number[];
}

/**
 * What pits and methods differ by within one owner's kitchen (log-sds). A stranger's are part of the owner's own: with no cook nothing is
 * added to the law.
 */
export const EFFECT_LOG_SD = Object.freeze({ pit: 0.06, method: 0.05 });

/** Cooks go astray now and then (rain, a fire that went out, a wrong weight): their luck has the tails of Student's t with so many degrees. */
const TAILS = 4;
const ROUNDS = 12;
const SETTLED = 1e-9;
/** Weights take from the squares of usual cooks, too: for a normal z, E[w] / E[w z^2]. */
const WEIGHTED_SHARE = 1.35;

/**
 * Effects of owner, cut, pit and method together from finished cooks: all normal with the law's sds, a cook's own luck
 * Student's t, by iterated weights w = (TAILS + 1) / (TAILS + r^2 / s^2) from no effect at all (so that a first wild cook is luck before it is the owner). The
 * record by cut is of what is left once pit and method are taken off.
 */
export function ownerEffects(cooks: readonly FinishedCook[]): OwnerEffects {
  const { alike, variances, index } = sorted(cooks);
  const size = variances.length;
  const cookVariance = LAW.cookLogSd ** 2;
  const weights: number[] = new Array<number>(cooks.length).fill(0);
  let effects: Float64Array = new Float64Array(size);
  let factor = choleskyFactor((i, j) => (i === j ? 1 / variances[i]! : 0), size);
  const effectOf = (of: readonly number[]): number => of.reduce((sum, each) => sum + effects[each]!, 0);
  for (let round = 0; round < ROUNDS; round++) {
    const precision = new Float64Array(size * size);
    const pull = new Float64Array(size);
    for (const kind of alike) {
      const expected = effectOf(kind.effects);
      let [weight, pulled] = [0, 0];
      for (const n of kind.cooks) {
        const { log } = cooks[n]!;
        weights[n] = (TAILS + 1) / (TAILS + (log - expected) ** 2 / cookVariance);
        weight += weights[n]!;
        pulled += weights[n]! * log;
      }
      for (const i of kind.effects) {
        pull[i]! += pulled / cookVariance;
        for (const j of kind.effects) precision[i * size + j]! += weight / cookVariance;
      }
    }
    factor = choleskyFactor((i, j) => precision[i * size + j]! + (i === j ? 1 / variances[i]! : 0), size);
    const before = effects;
    effects = choleskySolve(factor, pull);
    if (effects.every((each, i) => Math.abs(each - before[i]!) < SETTLED)) break;
  }
  /** Posterior variance of a sum of effects. */
  const varianceOf = (of: readonly number[]): number => {
    const sum = new Float64Array(size);
    for (const i of of) sum[i] = 1;
    forwardSolve(factor, sum);
    return sum.reduce((total, each) => total + each ** 2, 0);
  };
  const counted = ({ cooks: own }: Alike): number => own.reduce((sum, n) => sum + Math.min(1, weights[n]!), 0);
  const learned = (kind: 'pit' | 'method'): Record<string, LearnedEffect> =>
    Object.fromEntries(
      [...index].flatMap(([name, i]) => {
        if (!name.startsWith(`${kind}/`)) return [];
        const count = alike.reduce((sum, each) => sum + (each.effects.includes(i) ? counted(each) : 0), 0);
        return [[name.slice(kind.length + 1), { cooks: count, meanLog: effects[i]!, sdLog: Math.sqrt(varianceOf([i])) }]];
      }),
    );
  return { record: byCut(), pits: learned('pit'), methods: learned('method'), weights };

  /** By cut, what is left once pit and method are taken off. They are not known for certain: a mean is of as many cooks as tell it so well. */
  function byCut(): OwnerRecord {
    let [squares, taken, all] = [0, 0, 0];
    const cuts = new Map<string, { cooks: number; unsure: number; count: number; pace: number }>();
    for (const kind of alike) {
      const expected = effectOf(kind.effects);
      const weight = kind.cooks.reduce((sum, n) => sum + weights[n]!, 0);
      all += weight;
      taken += (weight * varianceOf(kind.effects)) / cookVariance;
      for (const n of kind.cooks) squares += weights[n]! * (cooks[n]!.log - expected) ** 2;
      const before = cuts.get(kind.cutId) ?? { cooks: 0, unsure: 0, count: 0, pace: effectOf(kind.effects.slice(0, 2)) };
      const unsure = kind.cooks.length * varianceOf(kind.effects.slice(2));
      cuts.set(kind.cutId, {
        ...before,
        cooks: before.cooks + counted(kind),
        unsure: before.unsure + unsure,
        count: before.count + kind.cooks.length,
      });
    }
    const free = all - taken;
    const cookSquare = free > 0 ? (WEIGHTED_SHARE * squares) / free : cookVariance;
    const known = [...cuts].map(([cutId, { cooks: own, unsure, count, pace }]) => ({
      cutId,
      cooks: cookVariance / (cookVariance / own + unsure / count),
      pace,
    }));
    const means = meansFor(known);
    return Object.fromEntries(
      known.map(({ cutId, cooks: asGood }, i) => [
        cutId,
        { cooks: asGood, meanLog: means[i]!, squaresLog: cookSquare * Math.max(0, asGood - 1) },
      ]),
    );
  }
}

/** Cooks of one cut, pit and method: owner and cut first among their effects; the cooks by their place. */
interface Alike {
  cutId: string;
  effects: number[];
  cooks: number[];
}

/** Cooks by what they have in common, and the variance of each effect before anything is known. */
function sorted(cooks: readonly FinishedCook[]): { alike: Alike[]; variances: number[]; index: Map<string, number> } {
  const index = new Map<string, number>();
  const variances: number[] = [];
  const at = (name: string, sdLog: number): number => {
    const known = index.get(name);
    if (known !== undefined) return known;
    index.set(name, variances.length);
    variances.push(sdLog ** 2);
    return variances.length - 1;
  };
  const owner = at('owner', LAW.ownerLogSd);
  const alike = new Map<string, Alike>();
  for (const [n, { cutId, pitId, methodId }] of cooks.entries()) {
    const key = JSON.stringify([cutId, pitId, methodId]);
    const kind = alike.get(key) ?? {
      cutId,
      effects: [
        owner,
        at(`cut/${cutId}`, Math.hypot(LAW.cutLogSd, LAW.ownerCutLogSd)),
        ...(pitId === undefined ? [] : [at(`pit/${pitId}`, EFFECT_LOG_SD.pit)]),
        ...(methodId === undefined ? [] : [at(`method/${methodId}`, EFFECT_LOG_SD.method)]),
      ],
      cooks: [],
    };
    kind.cooks.push(n);
    alike.set(key, kind);
  }
  return { alike: [...alike.values()], variances, index };
}

/**
 * The means by which the law gives each cut the pace that was found for it: the law draws them towards the owner's own by
 * pace = w mean + (1 - w) sum(v mean), which is undone (Sherman and Morrison).
 */
function meansFor(known: readonly { cooks: number; pace: number }[]): number[] {
  const cutVariance = LAW.cutLogSd ** 2 + LAW.ownerCutLogSd ** 2;
  const precisions = known.map(({ cooks }) => 1 / (cutVariance + LAW.cookLogSd ** 2 / cooks));
  const all = precisions.reduce((sum, each) => sum + each, 1 / LAW.ownerLogSd ** 2);
  const own = precisions.map((each) => cutVariance * each);
  const drawn = known.reduce((sum, { pace }, i) => sum + ((precisions[i]! / all) * pace) / own[i]!, 0);
  const pull = precisions.reduce((sum, each, i) => sum + ((each / all) * (1 - own[i]!)) / own[i]!, 0);
  return known.map(({ pace }, i) => (pace - ((1 - own[i]!) * drawn) / (1 + pull)) / own[i]!);
}
