import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** What was read of one piece, `?piece=`, and of its pit: for its curve. */
export async function GET(request: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  const curve = room.curve(new URL(request.url).searchParams.get('piece') ?? '');
  if (!curve) return new Response('This day has no such piece.', { status: 404 });
  return Response.json(curve, { headers: { 'Cache-Control': 'no-store' } });
}
