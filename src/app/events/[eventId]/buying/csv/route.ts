import { shoppingList } from '../../../../../core/quantities';
import { shoppingCsv } from '../../../../../formats/shoppingCsv';
import { preferences } from '../../../../preferences';
import { fileResponse } from '../../fileResponse';
import type { EventParams } from '../../params';
import { plannedEvent } from '../../plannedEvent';

/** The shopping list as CSV, in the reader's units. */
export async function GET(request: Request, { params }: EventParams): Promise<Response> {
  const { eventId } = await params;
  const planned = await plannedEvent(eventId, request.signal);
  if (planned instanceof Response) return planned;
  const { input, plan } = planned;
  const { event, library, pits } = input;
  const items = shoppingList({ event, library, pits, plan });
  if (items.length === 0) return new Response('There is nothing to buy yet. Give the event a menu first.', { status: 409 });
  const { units } = await preferences();
  return fileResponse(event, 'shopping', 'csv', shoppingCsv(items, event.ticked ?? [], units));
}
