import { safetyLogCsv } from '../../../../formats/safetyLogCsv';
import { preferences } from '../../../preferences';
import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** The safety log as CSV. */
export async function GET(_: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  const { units } = await preferences();
  const { kept, safety } = room.safetyLog();
  const csv = safetyLogCsv(kept, safety, { ...kept.input, units });
  return new Response(csv, {
    headers: { 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': 'attachment; filename="safety-log.csv"' },
  });
}
