import { mapPieces } from '../../../../../core/planning';
import { rackSvg } from '../../../../../formats/rackSvg';
import { messageContextOf } from '../../../../../formats/messages/names';
import { preferences } from '../../../../preferences';
import { fileResponse } from '../../fileResponse';
import type { EventParams } from '../../params';
import { plannedEvent } from '../../plannedEvent';

/** The racks of one pit at one moment (`?pit=&at=` in ms) as an SVG drawing, in the reader's units. */
export async function GET(request: Request, { params }: EventParams): Promise<Response> {
  const { eventId } = await params;
  const planned = await plannedEvent(eventId, request.signal);
  if (planned instanceof Response) return planned;
  const { input, plan } = planned;
  const query = new URL(request.url).searchParams;
  const pit = input.pits.find((each) => each.id === query.get('pit'));
  const atMs = Number(query.get('at'));
  if (!pit || !Number.isFinite(atMs)) return new Response('There is no such pit on this event. Open the racks again.', { status: 404 });
  const { units } = await preferences();
  return fileResponse(input.event, 'racks', 'svg', rackSvg(messageContextOf(input, units), pit, mapPieces(input, plan, pit.id), atMs));
}
