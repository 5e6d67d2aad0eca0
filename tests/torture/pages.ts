import { readFileSync } from 'node:fs';
import path from 'node:path';
import { PAGES } from '../hostile/doors';
import { House, pause, type Verdict } from './house';
import { serverOf } from './phones';

/** A program grows into its caches first: so many loads before it is looked at, as a share. */
const WARM_SHARE = 0.25;
/** Memory is flat when what is held after sweeping takes no more than this beyond what it was at first. */
const MAY_GROW = 0.05;
const SWEEP_MS = 1500;
const LONG = 1000;

/** Page after page, every one there is, while what the program holds is looked at: it must not grow with them. */
export async function pageLoads(port: number, loads: number): Promise<Verdict> {
  const probe = new House(port);
  const heapFile = path.join(probe.folder, 'heap');
  const house = new House(port, { NODE_OPTIONS: `--expose-gc --import ${path.resolve('tests/torture/heap.mjs')}`, TORTURE_HEAP: heapFile });
  const faults: string[] = [];
  try {
    await house.start();
    await house.openYard();
    const bo = await house.joins('Bo', 'helper');
    const [dayId, eventId] = [await house.dayId(), await house.eventId()];
    const urls = [
      '/',
      '/equipment',
      '/library',
      '/log',
      '/what-if',
      '/settings',
      ...PAGES.map((page) => `/events/${eventId}/${page}`),
      `/events/${dayId}/day`,
    ];
    const step = Math.max(1, Math.floor(loads / 10));
    for (let i = -Math.round(loads * WARM_SHARE); i < loads; i++) {
      const url = urls[(i + loads) % urls.length]!;
      const answer = await ((i + loads) % 5 === 4 ? bo.ask(`/yard/${dayId}`) : house.owner.ask(url));
      await answer.text();
      if (answer.status !== 200) faults.push(`${url}: ${answer.status}`);
      if (i < 0 || (i + 1) % step !== 0) continue;
      process.kill(serverOf(house), 'SIGUSR2');
      await pause(SWEEP_MS);
    }
  } finally {
    await house.leave();
  }
  const marks = readFileSync(heapFile, 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.split(' ').map(Number));
  await probe.leave();
  const held = marks.map(([heapMb]) => heapMb!);
  const [early, late] = [Math.max(...held.slice(0, 2)), Math.max(...held.slice(-2))];
  // A short run is all warming up.
  if (loads >= LONG && late > early * (1 + MAY_GROW)) faults.push(`what is held grew from ${early} to ${late} MB`);
  return {
    figures: `${loads} page loads: ${held.join(', ')} MB held after each tenth (resident ${Math.min(...marks.map(([, rss]) => rss!))} to ${Math.max(...marks.map(([, rss]) => rss!))} MB); ${faults.length} faults`,
    faults,
  };
}
