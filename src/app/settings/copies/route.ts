import { worded } from '../../../formats/messages/outcome';
import { admit, inWords, marked } from '../../../runtime/admission';
import { context, databaseFile } from '../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../runtime/faults';
import { bringCopy } from '../../../services';

export const dynamic = 'force-dynamic';

/** A copy, or a house as open files, from elsewhere. It may be large: it is no part of what `src/proxy.ts` reads, and asks who comes here. */
export async function POST(request: Request) {
  const { refused, fromYard } = admit(request, '/settings/copies', 0);
  if (refused) return marked(inWords(refused), fromYard);
  const { body } = request;
  const brought = await withFaults(await context(), (opened) => bringCopy(opened, databaseFile(), chunksOf(body)));
  if (brought.ok) return marked(Response.json(brought), fromYard);
  return marked(Response.json(worded(brought), { status: FAULT_STATUS[brought.problems[0]!.code] ?? 422 }), fromYard);
}

async function* chunksOf(body: ReadableStream<Uint8Array> | null): AsyncGenerator<Uint8Array> {
  const reader = body?.getReader();
  for (;;) {
    const next = await reader?.read();
    if (!next || next.done) return;
    yield next.value;
  }
}
