import { failure, success } from '../../../core/outcome';
import { worded } from '../../../formats/messages/outcome';
import { context } from '../../../runtime/context';
import { FAULT_STATUS, withFaults } from '../../../runtime/faults';
import { LONGEST_READINGS_BYTES, receiveReadings } from '../../../runtime/readingsDoor';

export const dynamic = 'force-dynamic';

const STATUS: Record<string, number> = { tokenUnknown: 401, tooManyReadings: 429, ...FAULT_STATUS };

/** Readings of a device that has a token (docs/formats/readings.md). Once this answers 200, they are on disk. */
export async function POST(request: Request) {
  const token = /^Bearer (\S{10,200})$/.exec(request.headers.get('authorization') ?? '')?.[1];
  const text = await readUpTo(request, LONGEST_READINGS_BYTES);
  if (text === undefined) return Response.json(worded(failure({ code: 'tooManyReadings' })), { status: 413 });
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return Response.json(worded(failure({ code: 'notJson', message: 'This is no JSON. Nothing was kept.' })), { status: 400 });
  }
  const taken = await withFaults(await context(), (opened) => receiveReadings(opened, token, body));
  return taken.ok ? Response.json(success(taken.value)) : Response.json(worded(taken), { status: STATUS[taken.problems[0]!.code] ?? 422 });
}

/** A body as text, or nothing when it is longer: what is too long is not read to its end. */
async function readUpTo(request: Request, most: number): Promise<string | undefined> {
  const reader = request.body?.getReader();
  if (!reader) return '';
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      return undefined;
    }
    parts.push(value);
  }
  return new TextDecoder().decode(Buffer.concat(parts));
}
