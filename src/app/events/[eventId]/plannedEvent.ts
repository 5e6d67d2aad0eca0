import { context } from '../../../runtime/context';
import { planEvent, type Planned } from '../../../services';

/** The event of an address with its plan, or the answer to give instead. Given up when whoever asked has gone. */
export async function plannedEvent(eventId: string, signal?: AbortSignal): Promise<Planned | Response> {
  try {
    return (await planEvent(await context(), eventId, signal)) ?? new Response('This event has been deleted.', { status: 404 });
  } catch {
    return new Response('The plan takes too long just now, so there is no file of it. Nothing was changed; try again in a moment.', {
      status: 503,
    });
  }
}
