import { context } from '../../../runtime/context';
import { cookCurves } from '../../../services';

export const dynamic = 'force-dynamic';

/** The curves of the cooks that are asked for by `id`, a few at most. */
export async function GET(request: Request) {
  const ids = new URL(request.url).searchParams.getAll('id').filter((id) => id.length > 0 && id.length <= 200 && !id.includes('\0'));
  return Response.json(await cookCurves(await context(), ids), { headers: { 'Cache-Control': 'no-store' } });
}
