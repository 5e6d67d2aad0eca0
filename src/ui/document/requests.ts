import type { Change } from '../../core/edits';
import type { CookEvent } from '../../core/model';
import type { Outcome } from '../../core/outcome';
import type { DocumentFacts } from '../../document';

const UNREACHABLE: Outcome<never> = {
  ok: false,
  problems: [
    {
      code: 'unreachable',
      message: 'The program did not answer, so this is not saved yet. What you did is still here; it is tried again every few seconds.',
    },
  ],
};

async function ask<T>(url: string, options?: RequestInit): Promise<Outcome<T>> {
  try {
    const answer = await fetch(url, options);
    return (await answer.json()) as Outcome<T>;
  } catch {
    return UNREACHABLE;
  }
}

/** Browsers let go of a page with no more than this still on its way. */
const MOST_KEPT_ALIVE = 60_000;

/** Sends changes of one event; they go on their way even when the page is left. */
export function sendEdits(request: {
  eventId: string;
  revision: number;
  changes: Change[];
}): Promise<Outcome<{ event: CookEvent; nowMs: number }>> {
  const body = JSON.stringify(request);
  return ask(`/events/${request.eventId}/edits`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
    keepalive: body.length < MOST_KEPT_ALIVE,
  });
}

/** An event as the server has it now. */
export const readDocument = (eventId: string): Promise<Outcome<{ event: CookEvent; facts: DocumentFacts }>> =>
  ask(`/events/${eventId}/edits`, { cache: 'no-store' });
