import { context } from '../../../runtime/context';
import { exportCooks } from '../../../services';

export const dynamic = 'force-dynamic';

/** The log as a cooks file (docs/formats/cooks.md). */
export async function GET() {
  return new Response(await exportCooks(await context()), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="cooks.csv"',
      'Cache-Control': 'no-store',
    },
  });
}
