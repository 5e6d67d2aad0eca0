import { ROLES, type Role } from '../core/access';

/** Who asks, as the house knows them. */
export interface Asker {
  role: Role;
  name?: string;
}

/** What the proxy must know of the yard: kept where every bundle of the program finds it. */
export interface YardSeat {
  /** Put before each request that came through the yard's door; nobody outside knows it. */
  secret: string;
  addresses(): readonly string[];
}

const shared = globalThis as typeof globalThis & { anachronYard?: YardSeat };

export const yardSeat = (): YardSeat | undefined => shared.anachronYard;
export const takeYardSeat = (seat: YardSeat): void => void (shared.anachronYard = seat);

/** Headers by which the house tells itself who asks; from outside they are dropped. */
export const YARD_HEADER = 'x-anachron-yard';
export const FROM_HEADER = 'x-anachron-from';
const ROLE_HEADER = 'x-anachron-role';
const NAME_HEADER = 'x-anachron-name';
export const isOwnHeader = (name: string): boolean => /^x-anachron-/i.test(name);

/** The cookie a session's token lies in. */
export const SESSION_COOKIE = 'anachron-crew';

/** Who asks, as headers of the house's own say it: the yard's door writes them, and for its pages and routes the proxy. */
export function askerIn(headers: Headers): Asker | undefined {
  const role = ROLES.find((each) => each === headers.get(ROLE_HEADER));
  const name = headers.get(NAME_HEADER);
  return role && { role, ...(name !== null && { name: decodeURIComponent(name) }) };
}

/** The same for a page or route, whom the proxy lets nobody reach who is nobody. */
export const askerOf = (headers: Headers): Asker => askerIn(headers) ?? { role: 'watcher' };

export const headersOf = ({ role, name }: Asker): Record<string, string> => ({
  [ROLE_HEADER]: role,
  ...(name !== undefined && { [NAME_HEADER]: encodeURIComponent(name) }),
});
