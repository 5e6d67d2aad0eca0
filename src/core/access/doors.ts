import { isAtLeast, type Role } from './roles';

/** Who may ask at a door: somebody of at least this role, or anybody at all. */
export type Needs = Role | 'anybody';

/**
 * Every page and route by its folder in the app, and who may ask. What stands nowhere here is the owner's alone, and every
 * action of a page is: a door that is added opens to nobody by itself.
 */
export const DOORS: Readonly<Record<string, Readonly<Partial<Record<'GET' | 'POST', Needs>>>>> = {
  '/': { GET: 'owner' },
  '/equipment': { GET: 'owner' },
  '/library': { GET: 'owner' },
  '/log': { GET: 'owner' },
  '/log/csv': { GET: 'owner' },
  '/log/trials': { GET: 'owner' },
  '/log/trials/[trialId]': { GET: 'owner' },
  '/log/curves': { GET: 'owner' },
  '/settings': { GET: 'owner' },
  '/settings/copies': { POST: 'owner' },
  '/settings/copies/[name]': { GET: 'owner' },
  '/settings/house': { GET: 'owner' },
  '/what-if': { GET: 'owner' },
  '/events/[eventId]': { GET: 'owner' },
  '/events/[eventId]/brief': { GET: 'owner' },
  '/events/[eventId]/buying': { GET: 'owner' },
  '/events/[eventId]/buying/csv': { GET: 'owner' },
  '/events/[eventId]/day': { GET: 'owner' },
  '/events/[eventId]/edits': { GET: 'owner', POST: 'owner' },
  '/events/[eventId]/file/[kind]': { GET: 'owner' },
  '/events/[eventId]/pits': { GET: 'owner' },
  '/events/[eventId]/plan': { GET: 'owner' },
  '/events/[eventId]/prep': { GET: 'owner' },
  '/events/[eventId]/racks': { GET: 'owner' },
  '/events/[eventId]/racks/svg': { GET: 'owner' },
  '/events/[eventId]/run-sheet': { GET: 'owner' },
  '/events/[eventId]/run-sheet/calendar': { GET: 'owner' },
  '/events/[eventId]/run-sheet/csv': { GET: 'owner' },
  '/events/[eventId]/safety': { GET: 'owner' },
  '/events/[eventId]/service': { GET: 'owner' },
  '/ready': { GET: 'owner' },
  '/join': { GET: 'anybody' },
  '/join/enter': { POST: 'anybody' },
  // Whoever has joined may practise, on a phone too.
  '/practice': { GET: 'helper' },
  // Before the runs: a name of its own is no run's.
  '/practice/papers': { POST: 'helper' },
  '/practice/[runId]': { GET: 'helper' },
  '/practice/drills/[setId]': { GET: 'helper' },
  // A device has a token of its own.
  '/api/readings': { POST: 'anybody' },
  '/yard': { GET: 'watcher' },
  '/yard/[eventId]': { GET: 'watcher' },
  // Whoever tastes says so on a phone of their own.
  '/yard/tasting/[trialId]': { GET: 'watcher' },
  '/yard/tasting/[trialId]/papers': { POST: 'watcher' },
  '/days/[eventId]/stream': { GET: 'watcher' },
  '/days/[eventId]/state': { GET: 'watcher' },
  '/days/[eventId]/curves': { GET: 'watcher' },
  '/days/[eventId]/safety': { GET: 'watcher' },
  '/days/[eventId]/entries': { POST: 'helper' },
};

/** What a browser fetches before it knows who it is: code, styles, fonts and icons, the same for all. */
const SHELL = /^\/(_next\/static\/|icons\/|icon\.svg$|manifest\.webmanifest$|sw\.js$)/;

const TABLE = Object.entries(DOORS).map(([pattern, needs]) => ({ parts: pattern.split('/'), needs }));

/** Who may ask for a path in a way. */
export function needsOf(method: string, path: string): Needs {
  const way = method === 'HEAD' ? 'GET' : method;
  if (way === 'GET' && SHELL.test(path)) return 'anybody';
  const parts = path.split('/');
  const found = TABLE.find(
    (each) =>
      each.parts.length === parts.length && each.parts.every((part, i) => part === parts[i] || (part.startsWith('[') && parts[i] !== '')),
  );
  return (way === 'GET' || way === 'POST' ? found?.needs[way] : undefined) ?? 'owner';
}

/** Whether somebody may come in; `undefined` is who has not joined. A call to an action is the owner's, whatever its page is. */
export function mayEnter(role: Role | undefined, asked: { method: string; path: string; action: boolean }): boolean {
  if (role === 'owner') return true;
  if (asked.action) return false;
  const needs = needsOf(asked.method, asked.path);
  return needs === 'anybody' || (role !== undefined && isAtLeast(role, needs));
}
