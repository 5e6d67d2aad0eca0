import { roomOf, type Params } from '../room';

export const dynamic = 'force-dynamic';

/** The time, now and then: it keeps proxies from closing what is quiet, and screens' clocks right. */
const BEAT_MS = 15_000;

/**
 * The day as it changes. Each event is all of it, under its version; who comes back with the version they saw last gets
 * what is newer. Who reads slower than it changes is sent the newest whenever they are ready: none in between is missed.
 */
export async function GET(request: Request, params: Params) {
  const room = await roomOf(params);
  if (room instanceof Response) return room;
  let told = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('since'));
  const encoder = new TextEncoder();
  let stop = () => {};
  let tellNews = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let open = true;
      const send = (text: string) => {
        if (!open) return;
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      tellNews = () => {
        if ((controller.desiredSize ?? 0) <= 0) return;
        const { version, json } = room.current();
        if (version === told) return;
        told = version;
        send(`id: ${told}\nevent: day\ndata: ${json}\n\n`);
      };
      // By its own clock a screen that slept, or was slow to start, would tell the wrong instants.
      const clock = () => `event: clock\ndata: ${room.nowMs()}\n\n`;
      send(`retry: 1500\n${clock()}`);
      const quiet = room.watchers.watch({ news: tellNews, gone: () => stop() });
      const beat = setInterval(() => send(clock()), BEAT_MS);
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
    pull: () => tellNews(),
    cancel() {
      stop();
    },
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', 'X-Accel-Buffering': 'no' },
  });
}
