import { mayEnter } from '../core/access';
import { ANSWER_HEADERS, contentPolicy, localAddresses, refusal } from './gate';
import { askerIn, YARD_HEADER, yardSeat, type Asker } from './yardSeat';

export interface Refused {
  status: number;
  message: string;
}

export interface Admission {
  asker?: Asker;
  fromYard: boolean;
  refused?: Refused;
}

/** Who asks, and whether they are let in: wrong hosts and foreign origins are turned away, and whoever comes from the yard is held to their role. */
export function admit(
  request: { method: string; headers: Headers },
  path: string,
  bodyBytes = Number(request.headers.get('content-length') ?? 0),
): Admission {
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
      bodyBytes,
    },
    fromYard ? (seat?.addresses() ?? []) : localAddresses(process.env.PORT ?? '3000'),
  );
  // Who comes by the yard's door was asked there; nobody else can have its secret.
  const asker: Asker | undefined = fromYard ? (isOurs ? askerIn(headers) : undefined) : { role: 'owner' };
  const asked = { method, path, action: headers.has('next-action') };
  return { asker, fromYard, refused: wrongHost ?? (mayEnter(asker?.role, asked) ? undefined : notFor(asker)) };
}

const notFor = (asker: Asker | undefined): Refused =>
  asker
    ? { status: 403, message: 'This is the owner’s. What is yours stands in the yard; nothing was changed.' }
    : { status: 401, message: 'Join with the code first. Nothing was changed.' };

/** What every answer carries. */
export function marked<Answer extends Response>(answer: Answer, fromYard: boolean, policy = contentPolicy(newNonce())): Answer {
  for (const [name, value] of Object.entries(ANSWER_HEADERS)) answer.headers.set(name, value);
  // Over plain http to another machine browsers only complain of it.
  if (fromYard && !yardSeat()?.addresses()[0]?.startsWith('https')) answer.headers.delete('Cross-Origin-Opener-Policy');
  answer.headers.set('Content-Security-Policy', policy);
  return answer;
}

export const newNonce = (): string => crypto.randomUUID().replaceAll('-', '');

export const inWords = ({ status, message }: Refused): Response =>
  new Response(message, { status, headers: { 'Content-Type': 'text/plain; charset=utf-8' } });
