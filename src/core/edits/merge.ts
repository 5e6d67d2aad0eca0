import { applyChanges, type Change } from './diff';

/** A change of something that was changed elsewhere, too. */
export interface Conflict {
  change: Change;
  /** What stands there now; nothing where it, or what it was part of, was taken away. */
  theirs?: unknown;
  /** What it was part of was taken away: it can only be let go. */
  gone: boolean;
}

/**
 * A newer document with changes put on it that were made from an older one. Where both changed different things, both
 * hold; what both changed is left as the newer one has it, and told.
 */
export function mergeChanges<T>(newer: T, changes: readonly Change[]): { merged: T; conflicts: Conflict[] } {
  let merged = newer;
  const conflicts: Conflict[] = [];
  for (const change of changes) {
    const next = applyChanges(merged, [change]);
    if (next.ok) merged = next.value;
    else conflicts.push({ change, ...standing(newer, change.path) });
  }
  return { merged, conflicts };
}

/** The same change, made from what stands there now. */
export const insisted = ({ change, theirs }: Conflict): Change => ({
  path: change.path,
  ...(theirs !== undefined && { from: theirs }),
  ...(change.to !== undefined && { to: change.to }),
});

/** What stands at a path. */
function standing(document: unknown, path: readonly string[]): { theirs?: unknown; gone: boolean } {
  let at: unknown = document;
  for (const [depth, step] of path.entries()) {
    const next: unknown = step.startsWith('#')
      ? (Array.isArray(at) ? (at as { id?: string }[]) : []).find((each) => each.id === step.slice(1))
      : typeof at === 'object' && at !== null
        ? (at as Record<string, unknown>)[step]
        : undefined;
    if (next === undefined) return { gone: depth < path.length - 1 };
    at = next;
  }
  return { theirs: at, gone: false };
}
