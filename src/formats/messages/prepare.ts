import { recipeIn, type Preparation, type Task } from '../../core/model';
import { formatMass, formatMinutes } from '../units';
import { gearName, lowerPit, pitName, rackName, type MessageContext, type TaskMessage } from './names';

/** What is made ready in a gap, and by when it is wanted. */
export function prepareMessage(messageContext: MessageContext, task: Task & { what: Preparation }): TaskMessage {
  const { event, library } = messageContext;
  const serving = event.servings.find((each) => each.id === task.servingId);
  const meal = serving?.name.toLowerCase() ?? 'serving';
  const { what } = task;
  switch (what.code) {
    case 'mix':
      return {
        title: `Mix the ${recipeIn(library, what.recipeId)?.name.toLowerCase() ?? 'recipe'}`,
        detail: 'Weighed by the list, labelled with what it carries and the time; what has touched raw meat is not kept.',
      };
    case 'side':
      return {
        title: `Make the ${
          event.servings
            .flatMap((each) => each.sides ?? [])
            .find((side) => side.id === what.sideId)
            ?.name.toLowerCase() ?? 'side'
        } for ${meal}`,
        detail: 'Cold food back to the cold at once, labelled.',
      };
    case 'wrapStation':
      return { title: 'Lay out the wrapping table', detail: 'Paper or foil cut, spray, towels, clean gloves, a tray for each piece.' };
    case 'warmGear': {
      const warmer = messageContext.warmers?.some((each) => each.id === what.gearId);
      return {
        title: `${warmer ? 'Heat' : 'Warm'} the ${lowerPit(gearName(messageContext, what.gearId))}`,
        detail: warmer
          ? 'At its set point before anything goes in.'
          : 'Hot water in, lid shut; poured out and dried just before the meat goes in.',
      };
    }
    case 'cubeBackOn': {
      const rack = rackName(messageContext, task.pitId!, what.rackId);
      return {
        title: `Cube and sauce the ${dishOf(messageContext, what.batchId)}; back on the ${lowerPit(pitName(messageContext, task.pitId!))}`,
        detail: `${formatMass(what.kg, messageContext.units)} in ${what.pans} half ${what.pans === 1 ? 'pan' : 'pans'}, ${rack}, open, for ${formatMinutes(what.forMin)}; turned once in their sauce, which burns if it is forgotten.`,
      };
    }
    case 'cubesOff':
      return {
        title: `Take the ${dishOf(messageContext, what.batchId)} off the ${lowerPit(pitName(messageContext, task.pitId!))}`,
        detail: 'Sticky and dark at the edges; covered and kept hot until it is served.',
      };
    case 'knives':
      return { title: `Knives, boards and trays for ${meal}`, detail: 'Sharp, washed, sanitised; raw and done apart.' };
    case 'labels':
      return { title: `Labels and cards for ${meal}`, detail: 'Each dish with what it carries, from Service.' };
    case 'fuel':
      return {
        title: `Lay fuel and wood by the ${task.pitId ? lowerPit(pitName(messageContext, task.pitId)) : 'pit'}`,
        detail: 'Dry, split to size, enough within reach; last ash out, water and a lid for the ash bin near.',
      };
  }
}

const dishOf = ({ event }: MessageContext, batchId: string): string =>
  event.batches.find((each) => each.id === batchId)?.second?.name.toLowerCase() ?? 'cubes';

export const isPrepareTask = (task: Task): task is Task & { what: Preparation } => task.kind === 'prepare' && task.what !== undefined;
