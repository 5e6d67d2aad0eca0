import { success } from '../../../core/outcome';
import { SESSION_COOKIE } from '../../../runtime/yardSeat';

/** Lets this phone forget that it was in. */
export function POST() {
  return Response.json(success({}), { headers: { 'Set-Cookie': `${SESSION_COOKIE}=; Path=/; HttpOnly; SameSite=Strict; Max-Age=0` } });
}
