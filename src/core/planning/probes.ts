import { checkProbe } from '../gear';
import type { Probe, ProbeUse, Run } from '../model';
import { addMinutes } from '../units';

/** A probe that comes late should still be in an hour before the first piece may be done. */
const BEFORE_EARLY_MIN = 60;

/** Which run is worth a probe first: the one that takes longest, which is also the hardest to guess. */
const byWorth = (a: Run, b: Run) => b.pullLateMs - b.onAtMs - (a.pullLateMs - a.onAtMs);

/**
 * Gives each run's slowest piece a channel, from going on where one is free, else from when another
 * run's is pulled, as long as that is an hour before it may be done. Who goes without is not listed; a
 * thermometer that is out of use, or read wrong when it was checked, is not used.
 */
export function assignProbes(probes: readonly Probe[], runs: readonly Run[]): ProbeUse[] {
  const channels = probes
    .filter((probe) => !probe.out && checkProbe(probe).state !== 'off')
    .flatMap((probe) => Array.from({ length: probe.channels }, (_, i) => ({ probeId: probe.id, channel: i + 1 })));
  const uses: ProbeUse[] = [];
  const busy = (probeId: string, channel: number, fromMs: number, toMs: number) =>
    uses.some((use) => use.probeId === probeId && use.channel === channel && use.fromMs < toMs && use.toMs > fromMs);
  for (const run of [...runs].sort(byWorth)) {
    const toMs = run.pullLateMs;
    const starts = [run.onAtMs, ...uses.map((use) => use.toMs)].filter(
      (atMs) => atMs >= run.onAtMs && (atMs === run.onAtMs || atMs <= addMinutes(run.pullEarlyMs, -BEFORE_EARLY_MIN)),
    );
    const slowest = [...run.pulls].sort((a, b) => b.medianMs - a.medianMs)[0];
    if (!slowest) continue;
    const found = starts
      .sort((a, b) => a - b)
      .flatMap((fromMs) =>
        channels.filter((each) => !busy(each.probeId, each.channel, fromMs, toMs)).map((each) => ({ ...each, fromMs })),
      )[0];
    if (found) uses.push({ ...found, runId: run.id, pieceId: slowest.pieceId, toMs });
  }
  return uses.sort((a, b) => a.fromMs - b.fromMs);
}
