import { success } from '../../../core/outcome';
import { worded } from '../../../formats/messages/outcome';
import { context } from '../../../runtime/context';
import { join } from '../../../runtime/joinDoor';
import { FROM_HEADER, SESSION_COOKIE } from '../../../runtime/yardSeat';

export const dynamic = 'force-dynamic';

const STATUS: Record<string, number> = { wrongCode: 403, tooManyCodes: 429 };
const WEEK_S = 7 * 86_400;

/** With the code: whose names there are. With a name, too: in, by a cookie that no script can read. */
export async function POST(request: Request) {
  const from = request.headers.get(FROM_HEADER) ?? 'here';
  const joined = await join(await context(), from, await request.json().catch(() => undefined));
  if (!joined.ok) return Response.json(worded(joined), { status: STATUS[joined.problems[0]!.code] ?? 400 });
  const { token, names } = joined.value;
  const secure = request.headers.get('origin')?.startsWith('https:') ? '; Secure' : '';
  return Response.json(success({ names }), {
    headers: token
      ? { 'Set-Cookie': `${SESSION_COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${WEEK_S}${secure}` }
      : undefined,
  });
}
