import { MS_PER_MIN } from '../units';
import type { PieceForecast } from './forecaster';

/** Where a core is thought to be at an instant, by the forecast that was made last: it goes on while nobody can ask for a newer one. */
export function believedCoreC({ coreNowC, band }: Pick<PieceForecast, 'coreNowC' | 'band'>, atMs: number): number | undefined {
  if (!coreNowC || !band) return coreNowC?.p50;
  const cores = [coreNowC.p50, ...band.p50C];
  const at = Math.min(cores.length - 1, Math.max(0, (atMs - band.fromMs) / (band.everyMin * MS_PER_MIN)));
  const low = Math.floor(at);
  return cores[low]! + (at - low) * (cores[Math.min(low + 1, cores.length - 1)]! - cores[low]!);
}
