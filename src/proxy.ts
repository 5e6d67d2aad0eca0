import { NextResponse, type NextRequest } from 'next/server';
import { mayEnter } from './core/access';
import { ANSWER_HEADERS, contentPolicy, isForwarded, isPlainCall, localAddresses, refusal } from './runtime/gate';
import { askerIn, FROM_HEADER, headersOf, isOwnHeader, YARD_HEADER, yardSeat, type Asker } from './runtime/yardSeat';

interface Refused {
  status: number;
  message: string;
}

/**
 * Every request passes here first: wrong hosts and foreign origins are turned away, whoever comes from the yard is asked
 * who they are, and every answer is told what it may do.
 */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const { headers, method } = request;
  const seat = yardSeat();
  const fromYard = headers.has(YARD_HEADER);
  const isOurs = !fromYard || headers.get(YARD_HEADER) === seat?.secret;
  const wrongHost = refusal(
    {
      method,
      host: isOurs ? headers.get('host') : null,
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
      bodyBytes: Number(headers.get('content-length') ?? 0),
    },
    fromYard ? (seat?.addresses() ?? []) : localAddresses(process.env.PORT ?? '3000'),
  );
  // Who comes by the yard's door was asked there; nobody else can have its secret.
  const asker: Asker | undefined = fromYard ? (isOurs ? askerIn(headers) : undefined) : { role: 'owner' };
  const asked = { method, path: request.nextUrl.pathname, action: headers.has('next-action') };
  const refused =
    wrongHost ?? (mayEnter(asker?.role, asked) ? undefined : notFor(asker)) ?? ((await isGarbled(request)) ? GARBLED : undefined);
  const policy = contentPolicy(crypto.randomUUID().replaceAll('-', ''));
  const passed = new Headers([...headers].filter(([name]) => !isForwarded(name) && !isOwnHeader(name)));
  passed.set('Content-Security-Policy', policy);
  if (asker) for (const [name, value] of Object.entries(headersOf(asker))) passed.set(name, value);
  const from = fromYard ? headers.get(FROM_HEADER) : null;
  if (from !== null) passed.set(FROM_HEADER, from);
  const answer = refused ? refusedBy(request, refused, asker) : NextResponse.next({ request: { headers: passed } });
  for (const [name, value] of Object.entries(ANSWER_HEADERS)) answer.headers.set(name, value);
  // Over plain http to another machine browsers only complain of it.
  if (fromYard && !seat?.addresses()[0]?.startsWith('https')) answer.headers.delete('Cross-Origin-Opener-Policy');
  answer.headers.set('Content-Security-Policy', policy);
  return answer;
}

const GARBLED: Refused = { status: 400, message: 'What was sent cannot be read. Nothing was changed; load the page again.' };

const notFor = (asker: Asker | undefined): Refused =>
  asker
    ? { status: 403, message: 'This is the owner’s. What is yours stands in the yard; nothing was changed.' }
    : { status: 401, message: 'Join with the code first. Nothing was changed.' };

/** A person who looks for a page is shown where to go; everything else is told in words. */
function refusedBy(request: NextRequest, { status, message }: Refused, asker: Asker | undefined): NextResponse {
  const wantsPage = request.method === 'GET' && (request.headers.get('accept') ?? '').includes('text/html');
  if (wantsPage && (status === 401 || status === 403)) {
    const host = request.headers.get('host');
    const scheme = yardSeat()?.addresses()[0]?.split('://')[0] ?? 'http';
    return NextResponse.redirect(`${scheme}://${host}${asker ? '/yard' : '/join'}`, 303);
  }
  return new NextResponse(message, { status, headers: { 'Content-Type': 'text/plain; charset=utf-8' } });
}

/** A call to an action that no page of ours makes. */
const isGarbled = async (request: NextRequest): Promise<boolean> =>
  request.headers.has('next-action') &&
  (!request.headers.get('content-type')?.startsWith('text/plain') || !isPlainCall(await request.clone().text()));
