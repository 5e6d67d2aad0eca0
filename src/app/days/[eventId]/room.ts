import { context } from '../../../runtime/context';
import { dayHouse } from '../../../runtime/dayHouse';
import type { DayRoom } from '../../../runtime/dayRoom';

export interface Params {
  params: Promise<{ eventId: string }>;
}

/** The day of an address, or the answer to give instead. */
export async function roomOf({ params }: Params): Promise<DayRoom | Response> {
  const { eventId } = await params;
  const room = /^[\w-]{1,80}$/.test(eventId) ? await dayHouse(await context()).room(eventId) : undefined;
  return room ?? new Response('This day has not begun.', { status: 404 });
}
