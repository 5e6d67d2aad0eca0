import type { Scheme } from '../model';

/** A part of a search that goes on from one plan with a luck of its own: what it comes to depends on nothing else. */
export interface Strand {
  from: Scheme;
  seed: number;
  iterations: number;
}

/** Climbs strands elsewhere. What it gives back says when it has ended, and with which scheme; nothing when nobody is free. */
export interface Helper {
  climb(strand: Strand): { readonly ended?: Scheme | 'failed' } | undefined;
}

/** Where batches are few, chance decides where a search ends: several begin side by side, and the best goes on. */
const FEW_BATCHES = 12;
const STRANDS = 4;
const SIDE_BY_SIDE_SHARE = 0.5;
/** Fewer moves than this are not worth sharing. */
const LEAST_SHARED = 800;

/** The strands of a search, round by round; each round goes on from the best of those before. */
export function roundsOf(batches: number, seed: number, iterations: number, isNear: boolean): Omit<Strand, 'from'>[][] {
  if (batches > FEW_BATCHES || iterations < LEAST_SHARED || isNear) return [[{ seed, iterations }]];
  const each = Math.floor((iterations * SIDE_BY_SIDE_SHARE) / STRANDS);
  const first = Array.from({ length: STRANDS }, (_, i) => ({ seed: seed * 64 + i, iterations: each }));
  return [first, [{ seed: seed * 64 + STRANDS, iterations: iterations - STRANDS * each }]];
}
