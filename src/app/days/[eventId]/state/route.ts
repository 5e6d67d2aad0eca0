import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** The day as it stands, for a screen that cannot hold a stream: nothing where it has seen that already. */
export async function GET(request: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  const { version, json } = room.current();
  const seen = Number(new URL(request.url).searchParams.get('since'));
  if (seen === version) return new Response(null, { status: 204 });
  return new Response(`{"version":${version},"day":${json}}`, {
    headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' },
  });
}
