import { readdirSync, readFileSync } from 'node:fs';
import { House, noteOf, pause, tell, type Person, type Verdict } from './house';

const SPEED = 12;
const TAP_EVERY_MS = 4000;

/** What a process and its threads hold in memory, in MB. */
export function residentMb(pid: number): number {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;
}
/** The process that serves, below the one that was started. */
export function serverOf(house: House): number {
  const parentOf = (pid: number): number => {
    try {
      // The name before it may hold anything, but ends with the last bracket.
      return Number(readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[1]);
    } catch {
      return -1;
    }
  };
  const pids = readdirSync('/proc').filter((each) => /^\d+$/.test(each));
  return Math.max(...pids.map(Number).filter((pid) => parentOf(pid) === house.pid));
}

const shareOf = (sorted: readonly number[], share: number): number => Math.round(sorted[Math.floor(share * (sorted.length - 1))] ?? NaN);

/** Phones in the yard that watch a day and tap in it, for so many simulated minutes: how long until the others see a tap, and whether all do. */
export async function phones(port: number, count: number, simulatedMin: number): Promise<Verdict> {
  const house = new House(port);
  const faults: string[] = [];
  const tappedAt = new Map<string, number>();
  const seenMs: number[] = [];
  const answerMs: number[] = [];
  let events = 0;
  let bytes = 0;
  const memory: [number, number] = [0, 0];
  try {
    await house.start();
    await house.openYard();
    const dayId = await house.dayId();
    const crew: Person[] = [];
    for (let i = 0; i < count; i++) crew.push(await house.joins(`Phone ${i}`, 'helper'));
    const speed = await house.act('setDaySpeed', { eventId: dayId, speed: SPEED });
    if (!speed.ok) throw new Error(JSON.stringify(speed.problems));
    memory[0] = residentMb(serverOf(house));
    const leave = new AbortController();
    let over = false;
    const seen = crew.map(() => new Set<string>());
    const watching = crew.map(async (phone, i) => {
      const answer = await phone.ask(`/days/${dayId}/stream`, { signal: leave.signal });
      if (answer.status !== 200) return void faults.push(`the stream of ${phone.name}: ${answer.status}`);
      const decoder = new TextDecoder();
      let text = '';
      try {
        for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
          bytes += chunk.length;
          text += decoder.decode(chunk, { stream: true });
          if (!text.includes('\n\n')) continue;
          const now = performance.now();
          events += text.split('event: day').length - 1;
          for (const [, id] of text.matchAll(/"(tap-\d+-\d+)"/g)) {
            if (seen[i]!.has(id!)) continue;
            seen[i]!.add(id!);
            seenMs.push(now - tappedAt.get(id!)!);
          }
          text = text.slice(text.lastIndexOf('\n\n') + 2);
        }
      } catch (error) {
        if (!over) faults.push(`the stream of ${phone.name}: ${(error as Error).message}`);
      }
    });
    const until = performance.now() + (simulatedMin * 60_000) / SPEED;
    const tapping = crew.map(async (phone, i) => {
      await pause((TAP_EVERY_MS * i) / count);
      for (let nth = 0; performance.now() < until; nth++) {
        const id = `tap-${i}-${nth}`;
        const begun = performance.now();
        tappedAt.set(id, begun);
        const answer = await tell(phone, dayId, [noteOf(id, phone.name, Date.now())]).catch(() => undefined);
        answerMs.push(performance.now() - begun);
        if (answer?.status !== 200) faults.push(`${id}: ${answer?.status} ${(await answer?.text())?.slice(0, 200)}`);
        await pause(TAP_EVERY_MS);
      }
    });
    await Promise.all(tapping);
    await pause(3000);
    over = true;
    leave.abort();
    await Promise.all(watching);
    memory[1] = residentMb(serverOf(house));
    const kept = new Set((await house.rows<{ entry_id: string }>('SELECT entry_id FROM day_entries')).map((row) => row.entry_id));
    for (const id of tappedAt.keys()) if (!kept.has(id)) faults.push(`${id} is not kept`);
    for (const [i, own] of seen.entries()) if (own.size < tappedAt.size) faults.push(`phone ${i} saw ${own.size} of ${tappedAt.size} taps`);
  } finally {
    await house.leave();
  }
  seenMs.sort((a, b) => a - b);
  answerMs.sort((a, b) => a - b);
  return {
    figures:
      `${count} phones for ${simulatedMin} simulated minutes: ${tappedAt.size} taps, answered in ${shareOf(answerMs, 0.5)} ms (95 of 100 within ${shareOf(answerMs, 0.95)} ms), ` +
      `on every other phone after ${shareOf(seenMs, 0.5)} ms (95 of 100 within ${shareOf(seenMs, 0.95)} ms, slowest ${shareOf(seenMs, 1)} ms); ` +
      `${events} states, ${(bytes / 1e6 / count).toFixed(1)} MB a phone; memory ${memory.map(Math.round).join(' to ')} MB; ${faults.length} faults`,
    faults,
  };
}
