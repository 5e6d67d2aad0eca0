import { failure } from '../../../../../core/outcome';
import { worded } from '../../../../../formats/messages/outcome';
import { check, PaperInput } from '../../../../../inputs';
import { context } from '../../../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../../../runtime/faults';
import { keepPaper } from '../../../../../services';

export const dynamic = 'force-dynamic';

const STATUS: Record<string, number> = { trialGone: 404, ...FAULT_STATUS };

/** A taster's paper; once this answers, it is on disk. Given again, it stands for the one before. */
export async function POST(request: Request, { params }: { params: Promise<{ trialId: string }> }) {
  const json = request.headers.get('content-type')?.startsWith('application/json');
  if (!json) return Response.json(worded(failure({ code: 'notAnObject' })), { status: 400 });
  const input = check(PaperInput, await request.json().catch(() => undefined));
  if (!input.ok) return Response.json(worded(input), { status: 400 });
  const { trialId } = await params;
  const kept = await withFaults(await context(), (opened) => keepPaper(opened, trialId, input.value));
  return Response.json(worded(kept), { status: kept.ok ? 200 : (STATUS[kept.problems[0]!.code] ?? 422) });
}
