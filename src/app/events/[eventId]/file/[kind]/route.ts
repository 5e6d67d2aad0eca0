import { libraryWith } from '../../../../../core/model';
import { exchangePlanOf } from '../../../../../core/planning';
import { eventFileOf, writeEventFile, writeOpenPlan } from '../../../../../formats/open';
import { fileResponse } from '../../fileResponse';
import { plannedEvent } from '../../plannedEvent';

interface FileParams {
  params: Promise<{ eventId: string; kind: string }>;
}

/** The event, or its plan, in the open formats of docs/formats. */
export async function GET(request: Request, { params }: FileParams): Promise<Response> {
  const { eventId, kind } = await params;
  if (kind !== 'event' && kind !== 'plan') return new Response('There is no such file of an event.', { status: 404 });
  const planned = await plannedEvent(eventId, request.signal);
  if (planned instanceof Response) return planned;
  const { input, plan, facts } = planned;
  const house = { equipment: facts.equipment, library: libraryWith(facts.ownLibrary) };
  const body =
    kind === 'event'
      ? writeEventFile(eventFileOf(input.event, house, input.earliestMs))
      : writeOpenPlan(exchangePlanOf(input, plan), input.event.timeZone);
  return fileResponse(input.event, kind, 'json', body);
}
