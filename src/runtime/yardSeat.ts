import type { Role } from '../core/access';

/** Who asks, as the house knows them. */
export interface Asker {
  role: Role;
  name?: string;
  sessionId?: string;
}

/** What the proxy must know of the yard: kept where every bundle of the program finds it. */
export interface YardSeat {
  /** Put before each request that came through the yard's door; nobody outside knows it. */
  secret: string;
  addresses(): readonly string[];
  asker(token: string | undefined): Promise<Asker | undefined>;
}

const shared = globalThis as typeof globalThis & { anachronYard?: YardSeat };

export const yardSeat = (): YardSeat | undefined => shared.anachronYard;
export const takeYardSeat = (seat: YardSeat): void => void (shared.anachronYard = seat);

/** Headers by which the house tells itself who asks; from outside they are dropped. */
export const YARD_HEADER = 'x-anachron-yard';
export const FROM_HEADER = 'x-anachron-from';
export const ROLE_HEADER = 'x-anachron-role';
export const NAME_HEADER = 'x-anachron-name';
export const isOwnHeader = (name: string): boolean => /^x-anachron-/i.test(name);

/** The cookie a session's token lies in. */
export const SESSION_COOKIE = 'anachron-crew';

/** Who asks, as the proxy has written it before a request. */
export function askerOf(headers: Headers): { role: Role; name?: string } {
  const role = headers.get(ROLE_HEADER);
  const name = headers.get(NAME_HEADER);
  return {
    role: role === 'owner' || role === 'cook' || role === 'helper' ? role : 'watcher',
    ...(name !== null && { name: decodeURIComponent(name) }),
  };
}
