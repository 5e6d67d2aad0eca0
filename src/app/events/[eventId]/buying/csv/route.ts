import { shoppingList } from '../../../../../core/quantities';
import { shoppingCsv } from '../../../../../formats/shoppingCsv';
import { context as openContext } from '../../../../../runtime/context';
import { planEvent } from '../../../../../services';
import { preferences } from '../../../../preferences';
import { fileResponse } from '../../fileResponse';
import type { EventParams } from '../../params';

/** The shopping list as CSV, in the reader's units. */
export async function GET(_request: Request, { params }: EventParams): Promise<Response> {
  const { eventId } = await params;
  const planned = await planEvent(await openContext(), eventId);
  if (!planned) return new Response('This event has been deleted.', { status: 404 });
  const { input, plan } = planned;
  const { event, library, pits } = input;
  const items = shoppingList({ event, library, pits, plan });
  if (items.length === 0) return new Response('There is nothing to buy yet. Give the event a menu first.', { status: 409 });
  const { units } = await preferences();
  return fileResponse(event, 'shopping', 'csv', shoppingCsv(items, event.ticked ?? [], units));
}
