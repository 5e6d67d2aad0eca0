import { LIMITS } from '../core/model';

/** Who is answered at all, and what every answer carries. Pure: `src/proxy.ts` asks it for each request. */

/** This machine's own names. */
const LOCAL_NAMES = ['127.0.0.1', 'localhost', '[::1]'];

/** Where the program is asked from: addresses it answers at, such as http://127.0.0.1:3000. */
export const localAddresses = (port: string): string[] => LOCAL_NAMES.map((name) => `http://${port === '80' ? name : `${name}:${port}`}`);

/** The longest body that is read: a file of 8 MB, quoted. */
const LONGEST_BODY_BYTES = 18_000_000;

export interface Asked {
  method: string;
  host: string | null;
  origin: string | null;
  fetchSite: string | null;
  bodyBytes?: number;
}

/** Why a request at one of `ours`, the addresses it may come to, is not answered, with the status to say it by; undefined when it is. */
export function refusal(
  { method, host, origin, fetchSite, bodyBytes = 0 }: Asked,
  ours: readonly string[],
): { status: number; message: string } | undefined {
  if (host === null || !ours.some((each) => each.split('//')[1] === host.toLowerCase()))
    return { status: 421, message: `This program answers only at ${ours[0] ?? 'its own address'}. Open that address.` };
  if (method === 'GET' || method === 'HEAD') return undefined;
  const foreign = origin !== null && !ours.includes(origin.toLowerCase());
  if (foreign || (fetchSite !== null && fetchSite !== 'same-origin' && fetchSite !== 'none'))
    return { status: 403, message: 'Only the program’s own pages may change anything. Nothing was changed.' };
  if (bodyBytes > LONGEST_BODY_BYTES)
    return { status: 413, message: `This is larger than ${LIMITS.fileBytes / 1e6} MB, the most that is read. Nothing was changed.` };
  return undefined;
}

/** Headers that other programs put before a request; nothing of ours believes them. */
export const isForwarded = (name: string): boolean => /^(x-forwarded-.*|forwarded|x-real-ip|x-original-url|x-rewrite-url)$/i.test(name);

/** What a page may load and run. Scripts are the framework's and ours, by a number that is drawn for each answer. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

export const ANSWER_HEADERS: Readonly<Record<string, string>> = Object.freeze({
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
});

/** What a page's call to an action may hold beside plain JSON: the framework's words for what JSON has none for. */
const SPECIAL = /^\$(\$|undefined$|NaN$|-?Infinity$|-0$)/;

/** Whether the body of a call to an action is one that a page of ours sends: plain values, nothing that refers elsewhere. */
export function isPlainCall(body: string): boolean {
  let waiting: unknown[];
  try {
    waiting = [JSON.parse(body) as unknown];
  } catch {
    return false;
  }
  if (!Array.isArray(waiting[0])) return false;
  while (waiting.length > 0) {
    const value = waiting.pop();
    if (typeof value === 'string') {
      if (value.startsWith('$') && !SPECIAL.test(value)) return false;
    } else if (typeof value === 'object' && value !== null) for (const each of Object.values(value)) waiting.push(each);
  }
  return true;
}
