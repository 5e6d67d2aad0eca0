import { NextResponse, type NextRequest } from 'next/server';
import { ANSWER_HEADERS, contentPolicy, isForwarded, isPlainCall, refusal } from './runtime/gate';

/** Every request passes here first: wrong hosts and foreign origins are turned away, and every answer is told what it may do. */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const { headers } = request;
  const wrongHost = refusal(
    {
      method: request.method,
      host: headers.get('host'),
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
      bodyBytes: Number(headers.get('content-length') ?? 0),
    },
    process.env.PORT ?? '3000',
  );
  const refused = wrongHost ?? ((await isGarbled(request)) ? GARBLED : undefined);
  const policy = contentPolicy(crypto.randomUUID().replaceAll('-', ''));
  const passed = new Headers([...headers].filter(([name]) => !isForwarded(name)));
  passed.set('Content-Security-Policy', policy);
  const answer = refused
    ? new NextResponse(refused.message, { status: refused.status, headers: { 'Content-Type': 'text/plain; charset=utf-8' } })
    : NextResponse.next({ request: { headers: passed } });
  for (const [name, value] of Object.entries(ANSWER_HEADERS)) answer.headers.set(name, value);
  answer.headers.set('Content-Security-Policy', policy);
  return answer;
}

const GARBLED = { status: 400, message: 'What was sent cannot be read. Nothing was changed; load the page again.' };

/** A call to an action that no page of ours makes. */
const isGarbled = async (request: NextRequest): Promise<boolean> =>
  request.headers.has('next-action') &&
  (!request.headers.get('content-type')?.startsWith('text/plain') || !isPlainCall(await request.clone().text()));
