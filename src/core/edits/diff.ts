import { failure, success, type Outcome } from '../outcome';

/**
 * One reversible change of a document. The path leads through fields by their name and through lists of
 * things with an id by `#id`; `#order` stands for the order of such a list. What is absent on a side is left out.
 */
export interface Change {
  path: string[];
  from?: unknown;
  to?: unknown;
}

const ORDER = '#order';
type Fields = Record<string, unknown>;
type Identified = { id: string } & Fields;

const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value);
const isIdentifiedList = (value: unknown): value is Identified[] =>
  Array.isArray(value) &&
  value.every((each) => isFields(each) && typeof each.id === 'string') &&
  new Set(value.map((each: Identified) => each.id)).size === value.length;

/** Whether two values are the same all through; a field that is undefined counts as absent. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((each, i) => sameValue(each, b[i]));
  if (!isFields(a) || !isFields(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => sameValue(a[key], b[key]));
}

const change = (path: string[], from: unknown, to: unknown): Change => ({
  path,
  ...(from !== undefined && { from }),
  ...(to !== undefined && { to }),
});

/** What leads from one document to another: as few and as small changes as tell it, each of them reversible. */
export function diffOf(before: unknown, after: unknown, path: string[] = []): Change[] {
  if (Object.is(before, after)) return [];
  if (isFields(before) && isFields(after))
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) => diffOf(before[key], after[key], [...path, key]));
  if (isIdentifiedList(before) && isIdentifiedList(after) && before.length + after.length > 0) {
    const [beforeIds, afterIds] = [before.map((each) => each.id), after.map((each) => each.id)];
    const ids = [...new Set([...beforeIds, ...afterIds])];
    const changes = ids.flatMap((id) =>
      diffOf(
        before.find((each) => each.id === id),
        after.find((each) => each.id === id),
        [...path, `#${id}`],
      ),
    );
    return sameValue(beforeIds, afterIds) ? changes : [...changes, change([...path, ORDER], beforeIds, afterIds)];
  }
  return sameValue(before, after) ? [] : [change(path, before, after)];
}

const isOrder = ({ path }: Change) => path.at(-1) === ORDER;

/** The same changes backwards. A list is put in order once everything is back in it. */
export function reversed(changes: readonly Change[]): Change[] {
  const back = changes.map(({ path, from, to }) => change(path, to, from)).reverse();
  return [...back.filter((each) => !isOrder(each)), ...back.filter(isOrder)];
}

export interface ApplyOptions {
  /** Leaves out changes of what is no longer as they found it, in place of refusing them all. */
  skipMoved?: boolean;
}

/**
 * A document after changes. Problem code: `changeMoved`, with the path, when something is no longer as the
 * change found it (and not yet as it would make it).
 */
export function applyChanges<T>(document: T, changes: readonly Change[], { skipMoved = false }: ApplyOptions = {}): Outcome<T> {
  let at: unknown = document;
  for (const each of changes) {
    const next = applied(at, each, 0);
    if (next.ok) at = next.value;
    else if (!skipMoved) return next;
  }
  return success(at as T);
}

const moved = ({ path }: Change) => failure({ code: 'changeMoved', path: path.join('.') });

function applied(value: unknown, each: Change, depth: number): Outcome<unknown> {
  if (depth === each.path.length) return sameValue(value, each.from) || sameValue(value, each.to) ? success(each.to) : moved(each);
  const step = each.path[depth]!;
  if (step === ORDER && depth === each.path.length - 1) return inOrder(value, each);
  if (step.startsWith('#')) {
    if (!Array.isArray(value)) return moved(each);
    const id = step.slice(1);
    const list = value as Identified[];
    const found = list.find((other) => other.id === id);
    const next = applied(found, each, depth + 1);
    if (!next.ok) return next;
    if (next.value === undefined) return success(list.filter((other) => other.id !== id));
    return success(found ? list.map((other) => (other === found ? next.value : other)) : [...list, next.value]);
  }
  if (!isFields(value)) return moved(each);
  const next = applied(value[step], each, depth + 1);
  if (!next.ok) return next;
  const { [step]: _, ...rest } = value;
  return success(next.value === undefined ? rest : { ...value, [step]: next.value });
}

/** A list in the order asked for; whoever the order does not know stays at the end. */
function inOrder(value: unknown, each: Change): Outcome<unknown> {
  if (!isIdentifiedList(value) || !Array.isArray(each.to)) return moved(each);
  const place = (id: string) => {
    const at = (each.to as string[]).indexOf(id);
    return at < 0 ? Number.MAX_SAFE_INTEGER : at;
  };
  return success([...value].sort((a, b) => place(a.id) - place(b.id)));
}
