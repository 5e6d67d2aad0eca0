import type { Conflict, Remedy } from '../../core/planning';
import { clockTime } from '../clock';
import { leverMessage, lowerLever } from './lever';
import { batchName, capital, gearName, list, lowerPit, pitName, type MessageContext } from './names';

const count = (tries: number): string => tries.toLocaleString('en');

/** Why there is no plan, as a cook would say it: what cannot all be where and when, and whether that is proved or was only tried. */
export function conflictMessage(context: MessageContext, conflict: Conflict): string {
  const { event, units } = context;
  const batches = event.batches
    .filter((batch) => conflict.ids.includes(batch.id))
    .map((batch) => batchName(context, batch.id).toLowerCase());
  const others = [
    ...new Set(conflict.ids.filter((id) => !event.batches.some((batch) => batch.id === id)).map((id) => thingName(context, id))),
  ];
  if (conflict.word === 'noneFound') {
    const tried = `in ${count(conflict.tries)} tries`;
    if (batches.length === 0)
      return `No plan was found ${tried}. That is no proof that there is none; nothing smaller than the whole menu could be named.`;
    const where = others.length > 0 ? ` with ${list(others)}` : '';
    if (batches.length === 1) return `${capital(batches[0]!)} could not be placed${where} even alone ${tried}.`;
    return `These could not be placed together${where} ${tried} of them alone: ${list(batches)}. That is no proof.`;
  }
  const { room } = conflict;
  if (!room) return `Proved, no search can mend it: ${[...batches, ...others].join(', ')} cannot go together.`;
  const pits = list(room.pitIds.map((id) => `the ${lowerPit(pitName(context, id))}`));
  const times = room.neededShare >= 1.95 ? `${Math.round(room.neededShare)} times` : `${Math.round(100 * room.neededShare)} % of`;
  const span = `${clockTime(room.fromMs, event.timeZone, units.clock)} and ${clockTime(room.toMs, event.timeZone, units.clock)}`;
  return `These cannot all be on ${pits} between ${span}: ${list(batches)}. They would fill ${times} what there is room for, however they are laid. That is proved.`;
}

/** The levers that let everything fit, as one sentence: "hire two more kettles; or 75 guests in place of 100; or …". */
export function shortageMessage(
  context: MessageContext,
  ranked: readonly Remedy[],
  spareNames: ReadonlyMap<string, string>,
): string | undefined {
  const fitting = ranked.filter(({ objective }) => objective[0] === 0).slice(0, MOST_NAMED);
  if (fitting.length === 0) return undefined;
  const words = fitting.map(({ lever }) => lowerLever(leverMessage(context, lever, spareNames)));
  return words.length === 1 ? `This would do: ${words[0]}.` : `Any one of these would do: ${words.join('; or ')}.`;
}
const MOST_NAMED = 4;

function thingName(context: MessageContext, id: string): string {
  const { event, pits, boxes, warmers = [] } = context;
  if (pits.some((pit) => pit.id === id)) return `the ${lowerPit(pitName(context, id))}`;
  const rack = pits.flatMap((pit) => pit.racks).find((each) => each.id === id);
  if (rack) return `the ${rack.name}`;
  const serving = event.servings.find((each) => each.id === id);
  if (serving) return serving.name.toLowerCase();
  if ([...boxes, ...warmers].some((gear) => gear.id === id)) return gearName(context, id).toLowerCase();
  return PLAIN[id] ?? 'the crew';
}
const PLAIN: Record<string, string> = {
  crew: 'the crew',
  dangerZone: 'the time allowed in the danger zone',
  holdMaxMin: 'the longest hold of its method',
  workFrom: 'the present moment',
};
