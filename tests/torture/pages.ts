import { PAGES } from '../hostile/doors';
import { House, type Verdict } from './house';
import { residentMb, serverOf } from './phones';

/** A program grows into its caches first: so many loads before it is looked at, as a share. Then it is flat when the last fifth takes no more than this beyond the first one. */
const WARM_SHARE = 0.5;
const MAY_GROW = 0.05;

/** Page after page, every one there is, while the memory of the program is looked at: it must not grow with them. */
export async function pageLoads(port: number, loads: number): Promise<Verdict> {
  const house = new House(port);
  const faults: string[] = [];
  const marks: number[] = [];
  try {
    await house.start();
    await house.openYard();
    const bo = await house.joins('Bo', 'helper');
    const [dayId, eventId] = [await house.dayId(), await house.eventId()];
    const urls = [
      '/',
      '/equipment',
      '/library',
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
      if (i >= 0 && (i + 1) % step === 0) marks.push(Math.round(residentMb(serverOf(house))));
    }
  } finally {
    await house.leave();
  }
  const [early, late] = [Math.max(...marks.slice(0, 2)), Math.max(...marks.slice(-2))];
  if (loads >= 1000 && late > early * (1 + MAY_GROW)) faults.push(`memory grew from ${early} to ${late} MB`);
  return {
    figures: `${loads} page loads after ${Math.round(loads * WARM_SHARE)} to warm up: memory ${marks.join(', ')} MB after each tenth; ${faults.length} faults`,
    faults,
  };
}
