import { applyChanges, diffOf, insisted, mergeChanges, type Change, type Conflict } from '../core/edits';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import { check } from '../inputs';
import type { GearKind, LibraryKind } from '../persistence';
import { RECORD_OF } from './stored';

/** What a form knew when its entry was opened, and what it says where both changed the same. */
export interface Guard {
  /** The entry as the page had it, as JSON. */
  seen?: unknown;
  /** 'mine' or 'theirs'; left out while nobody has been asked. */
  settle?: unknown;
}

export interface Together<T> {
  value: T;
  /** Something that was changed elsewhere meanwhile is in it. */
  together: boolean;
}

/**
 * An entry as it was typed, put together with what was changed of it elsewhere since it was opened. What both changed is
 * a problem each, `entryChangedElsewhere`, with its path and both values as JSON, until it is said which of them hold. An entry that is
 * new, or that whoever saves says nothing of, stands as it was typed. `wrong` says what no class can of the whole.
 */
export function putTogether<T extends { id: string }>(
  kind: GearKind | LibraryKind,
  all: readonly { id: string }[],
  typed: T,
  guard: Guard,
  wrong: (entry: T) => Problem[],
): Outcome<Together<T>> {
  const put = mergedEntry(all, typed, guard);
  if (!put.ok) return put;
  const problems = wrong(put.value.value);
  if (problems.length > 0) return failure(...problems);
  if (!put.value.together) return put;
  // Two changes that are right each may be wrong together.
  const checked = check<object>(RECORD_OF[kind], put.value.value);
  return checked.ok ? put : checked;
}

/** The same of anything with an id, whose class is for others to check. */
export function mergedEntry<T extends { id: string }>(
  all: readonly { id: string }[],
  typed: T,
  { seen, settle }: Guard,
): Outcome<Together<T>> {
  const stored = all.find((each) => each.id === typed.id);
  const opened = stored && typeof seen === 'string' ? parsed(seen) : undefined;
  if (stored === undefined || opened === undefined || JSON.stringify(stored) === seen) return success({ value: typed, together: false });
  const plain = JSON.parse(JSON.stringify(typed)) as T;
  const { merged: value, conflicts } = mergeChanges(stored as T, diffOf(opened, plain));
  if (conflicts.length === 0 || settle === 'theirs') return success({ value, together: true });
  if (settle !== 'mine') return failure(...conflicts.map(problemOf));
  // What is gone elsewhere cannot be insisted on.
  const changes: Change[] = conflicts.filter(({ gone }) => !gone).map(insisted);
  const settled = applyChanges(value, changes);
  return settled.ok ? success({ value: settled.value, together: true }) : failure(...conflicts.map(problemOf));
}

const problemOf = ({ change: { path, from, to }, theirs, gone }: Conflict): Problem => ({
  code: 'entryChangedElsewhere',
  data: {
    path: JSON.stringify(path),
    ...(from !== undefined && { from: JSON.stringify(from) }),
    ...(to !== undefined && { to: JSON.stringify(to) }),
    ...(theirs !== undefined && { theirs: JSON.stringify(theirs) }),
    gone,
  },
});

function parsed(seen: string): object | undefined {
  try {
    const value: unknown = JSON.parse(seen);
    return typeof value === 'object' && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}
