import type { DayMessage } from '../../../../runtime/dayRoom';
import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** A line now and then keeps proxies from closing what is quiet. */
const BEAT_MS = 15_000;
/** A watcher who reads slower than this falls behind; each message is the whole day, so the ones between are not missed. */
const MOST_WAITING = 4;

/** The day as it changes. Each event is all of it, under its version; who comes back with the version they saw last gets what is newer. */
export async function GET(request: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  const seen = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('since'));
  const encoder = new TextEncoder();
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let open = true;
      let told = seen;
      const send = (text: string) => {
        if (!open) return;
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const tell = ({ version, json }: DayMessage) => {
        if ((controller.desiredSize ?? 0) < -MOST_WAITING) return;
        told = version;
        send(`id: ${version}\nevent: day\ndata: ${json}\n\n`);
      };
      const current = room.current();
      send('retry: 1500\n\n');
      if (current.version !== seen) tell(current);
      const quiet = room.listen(tell);
      const beat = setInterval(() => {
        send(': beat\n\n');
        // Whoever read too slowly for the last change gets it now.
        if (room.current().version !== told) tell(room.current());
      }, BEAT_MS);
      stop = () => {
        if (!open) return;
        open = false;
        quiet();
        clearInterval(beat);
        try {
          controller.close();
        } catch {
          // Whoever watched has gone already.
        }
      };
      request.signal.addEventListener('abort', stop);
    },
    cancel() {
      stop();
    },
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', 'X-Accel-Buffering': 'no' },
  });
}
