import type { CookEvent } from '../../../core/model';

/** A file of an event to be saved, named after it. */
export function fileResponse(event: CookEvent, what: string, ending: 'csv' | 'ics' | 'svg' | 'json', body: string): Response {
  const type = {
    csv: 'text/csv; charset=utf-8',
    ics: 'text/calendar; charset=utf-8',
    svg: 'image/svg+xml; charset=utf-8',
    json: 'application/json; charset=utf-8',
  }[ending];
  const name =
    event.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'event';
  return new Response(body, {
    headers: {
      'Content-Type': type,
      'Content-Disposition': `attachment; filename="${name}-${what}.${ending}"`,
      'Cache-Control': 'no-store',
    },
  });
}
