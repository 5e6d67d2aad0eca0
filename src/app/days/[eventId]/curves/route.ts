import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** Every minute that was read, by piece and pit: for curves. */
export async function GET(_: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  return Response.json(room.minutesOf().readings, { headers: { 'Cache-Control': 'no-store' } });
}
