import type { Plan } from '../../../../core/model';
import { runSheetCalendar } from '../../../../formats/runSheetCalendar';
import { runSheetCsv } from '../../../../formats/runSheetCsv';
import type { Speech } from '../../../../formats/words';
import { house as openHouse } from '../../../../runtime/house';
import { planEvent } from '../../../../services';
import { preferences } from '../../../preferences';

const FORMATS = {
  calendar: { ending: 'ics', type: 'text/calendar; charset=utf-8', write: runSheetCalendar },
  csv: { ending: 'csv', type: 'text/csv; charset=utf-8', write: (speech: Speech, plan: Plan) => runSheetCsv(speech, plan) },
} as const;

/** The run sheet as a file, in the reader's units. */
export async function download(format: keyof typeof FORMATS, eventId: string): Promise<Response> {
  const house = await openHouse();
  const planned = await planEvent(house, eventId);
  if (!planned) return new Response('This event has been deleted.', { status: 404 });
  const { input, plan } = planned;
  if (plan.tasks.length === 0)
    return new Response('There is nothing on the run sheet yet. Give the event a menu and a pit first.', { status: 409 });
  const { ending, type, write } = FORMATS[format];
  const { units } = await preferences();
  const name =
    input.event.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'event';
  return new Response(
    write({ event: input.event, pits: input.pits, boxes: input.boxes, library: input.library, units }, plan, house.nowMs()),
    {
      headers: {
        'Content-Type': type,
        'Content-Disposition': `attachment; filename="${name}-run-sheet.${ending}"`,
        'Cache-Control': 'no-store',
      },
    },
  );
}
