import type { KeptDay } from '../../core/day';
import type { Plan } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { loadDay, type DayClock } from '../../persistence';
import type { Context } from '../context';

/** What of a kept day its screens need to name things; it never changes while the day goes on. */
export interface DayFacts extends Pick<PlanInput, 'event' | 'pits' | 'boxes' | 'warmers' | 'probes' | 'crew' | 'library'> {
  plan: Plan;
  startedAtMs: number;
  simulated: boolean;
}

export async function readDayFacts(_context: Context, eventId: string): Promise<DayFacts | undefined> {
  const day = /^[\w-]{1,80}$/.test(eventId) ? await loadDay(eventId) : undefined;
  return day && factsOf(day.kept, day.startedAtMs, day.clock);
}

function factsOf({ input, plan }: KeptDay, startedAtMs: number, clock: DayClock): DayFacts {
  const { event, pits, boxes, warmers, probes, crew, library } = input;
  const cutIds = new Set(event.batches.map((batch) => batch.cutId));
  const methodIds = new Set(event.batches.map((batch) => batch.methodId));
  const used = {
    cuts: library.cuts.filter((cut) => cutIds.has(cut.id)),
    methods: library.methods.filter((method) => methodIds.has(method.id)),
    recipes: library.recipes,
  };
  return { event, pits, boxes, warmers, probes, crew, library: used, plan, startedAtMs, simulated: clock.mode === 'simulated' };
}
