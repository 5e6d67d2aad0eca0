import { failure, success } from '../../../../core/outcome';
import { worded } from '../../../../formats/messages/outcome';
import { check, SaveEditsInput } from '../../../../inputs';
import { context as openContext } from '../../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../../runtime/faults';
import { readDocument, saveEdits } from '../../../../services';

export const dynamic = 'force-dynamic';

interface Params {
  params: Promise<{ eventId: string }>;
}

/** The event as it is kept now, with all that its plan rests on. */
export async function GET(_: Request, { params }: Params) {
  const found = await readDocument(await openContext(), (await params).eventId);
  return found ? Response.json(success(found)) : Response.json(worded(failure({ code: 'eventGone' })), { status: 404 });
}

const STATUS: Record<string, number> = { eventGone: 404, changedElsewhere: 409, ...FAULT_STATUS };

/** Changes made on the page. Only our own pages may send them, and only as JSON. */
export async function POST(request: Request, { params }: Params) {
  const site = request.headers.get('sec-fetch-site');
  const json = request.headers.get('content-type')?.startsWith('application/json');
  if (!json || (site !== null && site !== 'same-origin')) return Response.json(worded(failure({ code: 'notAnObject' })), { status: 400 });
  const input = check(SaveEditsInput, await request.json().catch(() => undefined));
  if (!input.ok || input.value.eventId !== (await params).eventId)
    return Response.json(worded(input.ok ? failure({ code: 'notAnObject' }) : input), { status: 400 });
  const context = await openContext();
  const saved = await withFaults(context, (opened) => saveEdits(opened, input.value));
  if (!saved.ok) return Response.json(worded(saved), { status: STATUS[saved.problems[0]!.code] ?? 422 });
  return Response.json(success({ event: saved.value, nowMs: context.nowMs() }));
}
