import { failure, type Outcome } from '../../../core/outcome';
import { worded } from '../../../formats/messages/outcome';
import { check } from '../../../inputs';
import { PRACTICE_PAPERS } from '../../../inputs/practice';
import { context } from '../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../runtime/faults';
import { beginPractice, bringPracticeBack, keepMark, keepPractice, takePracticeOut, type Context } from '../../../services';

export const dynamic = 'force-dynamic';

const STATUS: Record<string, number> = { practiceGone: 404, eventGone: 404, scenarioGone: 404, ...FAULT_STATUS };

async function keep(opened: Context, sent: unknown): Promise<Outcome<object>> {
  const what = (sent as { what?: unknown } | null)?.what;
  switch (what) {
    case 'begin': {
      const input = check(PRACTICE_PAPERS.begin, sent);
      return input.ok ? beginPractice(opened, input.value) : input;
    }
    case 'keep': {
      const input = check(PRACTICE_PAPERS.keep, sent);
      return input.ok ? keepPractice(opened, input.value) : input;
    }
    case 'answer': {
      const input = check(PRACTICE_PAPERS.answer, sent);
      return input.ok ? keepMark(opened, input.value) : input;
    }
    case 'takeOut':
    case 'bringBack': {
      const input = check(PRACTICE_PAPERS[what], sent);
      if (!input.ok) return input;
      return what === 'takeOut' ? takePracticeOut(opened, input.value.id) : bringPracticeBack(opened, input.value.id);
    }
    default:
      return failure({ code: 'notAnObject' });
  }
}

/** What whoever practises keeps: a day begun, how far it has come, an answer. Once this answers, it is on disk. */
export async function POST(request: Request) {
  const json = request.headers.get('content-type')?.startsWith('application/json');
  if (!json) return Response.json(worded(failure({ code: 'notAnObject' })), { status: 400 });
  const sent: unknown = await request.json().catch(() => undefined);
  const kept = await withFaults(await context(), (opened) => keep(opened, sent));
  return Response.json(worded(kept), { status: kept.ok ? 200 : (STATUS[kept.problems[0]!.code] ?? 422) });
}
