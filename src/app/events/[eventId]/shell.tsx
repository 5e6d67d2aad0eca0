import { notFound } from 'next/navigation';
import type { Plan } from '../../../core/model';
import { STAGES, stageStates, type PlanInput, type Stage } from '../../../core/planning';
import type { LearnedTrim } from '../../../core/quantities';
import { shortDay } from '../../../formats/clock';
import { context } from '../../../runtime/context';
import { planEvent } from '../../../services';
import { EventHeader } from '../../../ui/shell/Header';

export interface EventParams {
  params: Promise<{ eventId: string }>;
}

/** An event with its plan, or the page that says it is gone. */
export async function eventAndPlan({ params }: EventParams): Promise<{ input: PlanInput; plan: Plan; learned: LearnedTrim[] }> {
  const { eventId } = await params;
  return (await planEvent(await context(), eventId)) ?? notFound();
}

const STAGE_NAMES: Record<Stage, string> = {
  brief: 'Brief',
  buying: 'Buying',
  prep: 'Prep',
  pits: 'Pits',
  plan: 'Plan',
  racks: 'Racks',
  'run-sheet': 'Run sheet',
  service: 'Service',
  safety: 'Safety',
};

/** The event's header with the state of each stage. */
export function Shell({ input, plan, here }: { input: PlanInput; plan: Plan; here: Stage }) {
  const { event } = input;
  const states = stageStates(input, plan);
  const first = event.servings.toSorted((a, b) => a.atMs - b.atMs)[0];
  const guests = Math.max(0, ...event.servings.map((serving) => serving.guests.adults + serving.guests.children));
  const subtitle = [first && shortDay(first.atMs, event.timeZone), `${guests} guests`, event.place].filter(Boolean).join(' · ');
  const stages = STAGES.map((id) => ({ id, name: STAGE_NAMES[id], state: states[id] }));
  return <EventHeader eventId={event.id} name={event.name} subtitle={subtitle} stages={stages} here={here} />;
}
