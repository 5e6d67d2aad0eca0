/** `tsx tests/hostile/readers.ts http://127.0.0.1:PORT`: fifty people who read beside one who types; how long a page takes. */
const BASE = process.argv[2] ?? 'http://127.0.0.1:3210';
const READERS = 50;
const MINUTES = Number(process.argv[3] ?? 1);
const THINKS_MS = 4000;
const PAGES = ['brief', 'buying', 'prep', 'pits', 'plan', 'racks', 'run-sheet', 'service', 'safety'];

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function main(): Promise<void> {
  const list = await (await fetch(BASE)).text();
  const eventId = /\/events\/([^/"]+)\/plan/.exec(list)![1]!;
  const until = performance.now() + MINUTES * 60_000;
  const took: number[] = [];
  let edits = 0;
  const read = async (reader: number) => {
    await pause((THINKS_MS * reader) / READERS);
    for (let i = reader; performance.now() < until; i++) {
      const begun = performance.now();
      const answer = await fetch(`${BASE}/events/${eventId}/${PAGES[i % PAGES.length]}`);
      await answer.text();
      if (answer.status !== 200) console.error(answer.status);
      took.push(performance.now() - begun);
      await pause(THINKS_MS * (0.75 + (i % 5) / 8));
    }
  };
  const type = async () => {
    while (performance.now() < until) {
      const { value } = (await (await fetch(`${BASE}/events/${eventId}/edits`)).json()) as {
        value: { event: { revision: number; altitudeM: number } };
      };
      const changes = [{ path: ['altitudeM'], from: value.event.altitudeM, to: (value.event.altitudeM + 1) % 90 }];
      await fetch(`${BASE}/events/${eventId}/edits`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ eventId, revision: value.event.revision, changes }),
      });
      edits++;
      await pause(1000);
    }
  };
  await Promise.all([...Array.from({ length: READERS }, (_, reader) => read(reader)), type()]);
  took.sort((a, b) => a - b);
  const at = (share: number) => Math.round(took[Math.floor(share * (took.length - 1))]!);
  console.log(
    `${took.length} pages of ${READERS} readers beside ${edits} edits: median ${at(0.5)} ms, p95 ${at(0.95)} ms, longest ${at(1)} ms`,
  );
}

void main();
