import { killHouse, killWriters } from './kills';
import { everyRole } from './roles';
import { pageLoads } from './pages';
import { phones } from './phones';
import { realFaults } from './faults';
import type { Verdict } from './house';

/** `npm run torture [-- short] [-- name …]`: the program itself, killed, crowded, filled and faulted; figures, and what was wrong. */
const given = process.argv.slice(2);
const short = given.includes('short');
const only = given.filter((each) => each !== 'short');
const PORT = Number(process.env.TORTURE_PORT ?? 3240);

const ORDEALS: Record<string, () => Promise<Verdict>> = {
  roles: () => everyRole(PORT, short ? 4 : 150),
  faults: () => realFaults(PORT),
  phones: () => (short ? phones(PORT, 8, 4) : phones(PORT, 50, 60)),
  pages: () => pageLoads(PORT, short ? 60 : 2000),
  program: () => killHouse(PORT, short ? 2 : 50),
  writers: () => killWriters(short ? 2 : 225),
};

const strange = only.find((each) => !(each in ORDEALS));
if (strange !== undefined) {
  console.error(`There is no ordeal "${strange}"; there are ${Object.keys(ORDEALS).join(', ')}.`);
  process.exit(2);
}
let failed = false;
for (const [name, ordeal] of Object.entries(ORDEALS)) {
  if (only.length > 0 && !only.includes(name)) continue;
  const begun = performance.now();
  const { figures, faults } = await ordeal();
  console.log(`${name}: ${figures} (${((performance.now() - begun) / 60_000).toFixed(1)} min)`);
  for (const fault of faults.slice(0, 20)) console.error(`  FAULT ${fault}`);
  failed ||= faults.length > 0;
}
process.exit(failed ? 1 : 0);
