import { notFound } from 'next/navigation';
import type { Plan } from '../../../core/model';
import { stageStates, type PlanInput } from '../../../core/planning';
import { shortDay } from '../../../formats/clock';
import { house } from '../../../runtime/house';
import { planEvent } from '../../../services';
import { EventHeader, type StageId } from '../../../ui/shell/Header';

export interface EventParams {
  params: Promise<{ eventId: string }>;
}

/** An event with its plan, or the page that says it is gone. */
export async function eventAndPlan({ params }: EventParams): Promise<{ input: PlanInput; plan: Plan }> {
  const { eventId } = await params;
  return (await planEvent(await house(), eventId)) ?? notFound();
}

/** The event's header with the state of each stage. */
export function Shell({ input, plan, here }: { input: PlanInput; plan: Plan; here: StageId }) {
  const { event } = input;
  const states = stageStates(event, plan);
  const first = event.servings.toSorted((a, b) => a.atMs - b.atMs)[0];
  const guests = Math.max(0, ...event.servings.map((serving) => serving.guests.adults + serving.guests.children));
  const subtitle = [first && shortDay(first.atMs, event.timeZone), `${guests} guests`, event.place].filter(Boolean).join(' · ');
  const stages = [
    { id: 'brief', name: 'Brief', state: states.brief },
    { id: 'pits', name: 'Pits', state: states.pits },
    { id: 'plan', name: 'Plan', state: states.plan },
    { id: 'run-sheet', name: 'Run sheet', state: states['run-sheet'] },
  ] as const;
  return <EventHeader eventId={event.id} name={event.name} subtitle={subtitle} stages={[...stages]} here={here} />;
}
