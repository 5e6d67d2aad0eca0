import type { Task, TaskKind } from '../../core/model';
import { formatMinutes } from '../units';
import { placeName, type MessageContext, type TaskMessage } from './names';

const TRAVEL_KINDS = ['drive', 'loadVan', 'unload', 'setUp', 'packUp'] as const satisfies readonly TaskKind[];
type TravelKind = (typeof TRAVEL_KINDS)[number];

export const isTravelTask = (task: Task): task is Task & { kind: TravelKind } => TRAVEL_KINDS.some((kind) => kind === task.kind);

/** Getting people, meat and gear from place to place. */
export function travelTaskMessage(messageContext: MessageContext, task: Task & { kind: TravelKind }): TaskMessage {
  const serving = messageContext.event.servings.find((each) => each.id === task.servingId)!;
  const meal = serving.name.toLowerCase();
  const here = placeName(messageContext, task.placeId ?? '');
  switch (task.kind) {
    case 'drive':
      return task.tripId?.includes('/back')
        ? { title: `Drive back to ${placeName(messageContext, task.toId ?? '')}`, detail: `${formatMinutes(task.minutes)} on the road.` }
        : {
            title: `Drive to ${placeName(messageContext, task.toId ?? '')} for ${meal}`,
            detail: `${formatMinutes(task.minutes)} on the road; hot food hot, raw food cold, all strapped down.`,
          };
    case 'loadVan':
      return { title: `Load the van at ${here} for ${meal}`, detail: 'As the load-out lists; boxes shut, probes in.' };
    case 'unload':
      return { title: `Unload at ${here}`, detail: 'Boxes into the shade and shut; read a core, and write it down.' };
    case 'setUp':
      return { title: `Set up for ${meal} at ${here}`, detail: 'Tables, boards, hand washing, hot holding warm, labels out.' };
    case 'packUp':
      return {
        title: `Pack up at ${here} after ${meal}`,
        detail: 'What is left is cooled or thrown away; fires out, ash cold, place as it was.',
      };
  }
}
