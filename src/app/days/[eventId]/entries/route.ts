import { failure, success } from '../../../../core/outcome';
import { worded } from '../../../../formats/messages/outcome';
import { check, EntriesInput } from '../../../../inputs';
import { context } from '../../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../../runtime/faults';
import { askerOf } from '../../../../runtime/yardSeat';
import { recordEntries } from '../../../../services';
import type { Params } from '../room';

export const dynamic = 'force-dynamic';

const STATUS: Record<string, number> = { dayNotBegun: 404, notAllowed: 403, ...FAULT_STATUS };

/** What people did. Only our own pages may send it, and only as JSON; once this answers, it is on disk. */
export async function POST(request: Request, { params }: Params) {
  const json = request.headers.get('content-type')?.startsWith('application/json');
  if (!json) return Response.json(worded(failure({ code: 'notAnObject' })), { status: 400 });
  const input = check(EntriesInput, await request.json().catch(() => undefined));
  if (!input.ok || input.value.eventId !== (await params).eventId)
    return Response.json(worded(input.ok ? failure({ code: 'notAnObject' }) : input), { status: 400 });
  const kept = await withFaults(await context(), (opened) => recordEntries(opened, { ...input.value, sender: askerOf(request.headers) }));
  return kept.ok ? Response.json(success(kept.value)) : Response.json(worded(kept), { status: STATUS[kept.problems[0]!.code] ?? 422 });
}
