import type { Plan } from '../../../../core/model';
import { runSheetCalendar } from '../../../../formats/runSheetCalendar';
import { runSheetCsv } from '../../../../formats/runSheetCsv';
import { type MessageContext, messageContextOf } from '../../../../formats/messages/names';
import { context as openContext } from '../../../../runtime/context';
import { preferences } from '../../../preferences';
import { fileResponse } from '../fileResponse';
import { plannedEvent } from '../plannedEvent';

const FORMATS = {
  calendar: { ending: 'ics', write: runSheetCalendar },
  csv: { ending: 'csv', write: (messageContext: MessageContext, plan: Plan) => runSheetCsv(messageContext, plan) },
} as const;

/** The run sheet as a file, in the reader's units. */
export async function download(format: keyof typeof FORMATS, eventId: string): Promise<Response> {
  const context = await openContext();
  const planned = await plannedEvent(eventId);
  if (planned instanceof Response) return planned;
  const { input, plan } = planned;
  if (plan.tasks.length === 0)
    return new Response('There is nothing on the run sheet yet. Give the event a menu and a pit first.', { status: 409 });
  const { ending, write } = FORMATS[format];
  const { units } = await preferences();
  const messageContext = messageContextOf(input, units);
  return fileResponse(input.event, 'run-sheet', ending, write(messageContext, plan, context.nowMs()));
}
