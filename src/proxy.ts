import { NextResponse, type NextRequest } from 'next/server';
import { admit, inWords, marked, newNonce, type Refused } from './runtime/admission';
import { contentPolicy, isForwarded, isPlainCall } from './runtime/gate';
import { FROM_HEADER, headersOf, isOwnHeader, yardSeat, type Asker } from './runtime/yardSeat';

/** A copy that is brought in goes to disk as it comes: what passes here is held in memory. Its route asks who comes by itself. */
export const config = { matcher: ['/((?!settings/copies$).*)'] };

/**
 * Every request passes here first: wrong hosts and foreign origins are turned away, whoever comes from the yard is asked
 * who they are, and every answer is told what it may do.
 */
export async function proxy(request: NextRequest): Promise<Response> {
  const { headers } = request;
  const { asker, fromYard, refused: notAdmitted } = admit(request, request.nextUrl.pathname);
  const refused = notAdmitted ?? ((await isGarbled(request)) ? GARBLED : undefined);
  const policy = contentPolicy(newNonce());
  if (refused) return marked(refusedBy(request, refused, asker), fromYard, policy);
  const passed = new Headers([...headers].filter(([name]) => !isForwarded(name) && !isOwnHeader(name)));
  passed.set('Content-Security-Policy', policy);
  if (asker) for (const [name, value] of Object.entries(headersOf(asker))) passed.set(name, value);
  const from = fromYard ? headers.get(FROM_HEADER) : null;
  if (from !== null) passed.set(FROM_HEADER, from);
  return marked(NextResponse.next({ request: { headers: passed } }), fromYard, policy);
}

const GARBLED: Refused = { status: 400, message: 'What was sent cannot be read. Nothing was changed; load the page again.' };

/** A person who looks for a page is shown where to go; everything else is told in words. */
function refusedBy(request: NextRequest, refused: Refused, asker: Asker | undefined): Response {
  const wantsPage = request.method === 'GET' && (request.headers.get('accept') ?? '').includes('text/html');
  if (!wantsPage || (refused.status !== 401 && refused.status !== 403)) return inWords(refused);
  const host = request.headers.get('host');
  const scheme = yardSeat()?.addresses()[0]?.split('://')[0] ?? 'http';
  return NextResponse.redirect(`${scheme}://${host}${asker ? '/yard' : '/join'}`, 303);
}

/** A call to an action that no page of ours makes. */
const isGarbled = async (request: NextRequest): Promise<boolean> =>
  request.headers.has('next-action') &&
  (!request.headers.get('content-type')?.startsWith('text/plain') || !isPlainCall(await request.clone().text()));
