import { cutIn, placeName as nameOfPlace, placesOf, type Run } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import type { Units } from '../units';

/** What the sentences speak of, and in which units. The same words serve the screen, the calendar and the table. */
export interface MessageContext extends Pick<PlanInput, 'event' | 'pits' | 'boxes' | 'warmers' | 'probes' | 'crew' | 'library'> {
  units: Units;
}

/** What is said about an event as it was planned. */
export const messageContextOf = (input: Omit<MessageContext, 'units'>, units: Units): MessageContext => {
  const { event, pits, boxes, warmers, probes, crew, library } = input;
  return { event, pits, boxes, warmers, probes, crew, library, units };
};

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
export const list = (names: string[]): string =>
  names.length <= 1 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

export const pitName = (messageContext: MessageContext, pitId: string): string =>
  messageContext.pits.find((pit) => pit.id === pitId)?.name ?? 'a pit';
/** Where a pit stands for what is cooked on it, once there is more than one place to be: `, at Sorrel Down`. */
export const standingWords = (
  messageContext: MessageContext,
  runs: readonly Pick<Run, 'pitId' | 'placeId' | 'legs'>[],
  pitId: string,
): string => {
  const placeIds = [...new Set(runs.filter((run) => run.legs.some((leg) => leg.pitId === pitId)).map((run) => run.placeId))];
  return placesOf(messageContext.event).length > 1 && placeIds.length > 0
    ? `, at ${list(placeIds.map((placeId) => placeName(messageContext, placeId)))}`
    : '';
};
export const gearName = ({ boxes, warmers = [] }: MessageContext, gearId: string): string =>
  [...boxes, ...warmers].find((each) => each.id === gearId)?.name ?? (gearId === 'board' ? 'the board, tented' : 'a box');
export const placeName = ({ event }: MessageContext, placeId: string): string => nameOfPlace(event, placeId);
export const memberName = ({ crew = [] }: MessageContext, memberId: string): string =>
  crew.find((each) => each.id === memberId)?.name ?? 'somebody';
export const rackName = (messageContext: MessageContext, pitId: string, rackId: string): string =>
  messageContext.pits.find((pit) => pit.id === pitId)?.racks.find((rack) => rack.id === rackId)?.name ?? 'a rack';

/** `3 briskets`, `1 pan of harbour beans`. */
export function piecesMessage(messageContext: MessageContext, batchId: string, count: number): string {
  const batch = messageContext.event.batches.find((each) => each.id === batchId);
  const cut = batch && cutIn(messageContext.library, batch.cutId);
  if (!batch || !cut) return `${count} pieces`;
  const noun = cut.noun[count === 1 ? 0 : 1];
  if (batch.label) return `${count} ${noun} of ${batch.label.toLowerCase()}`;
  return `${count} ${`${cut.called ?? cut.name} ${noun}`.trim()}`;
}

/** Short name for a bar: `Briskets 3`. */
export function batchName(messageContext: MessageContext, batchId: string): string {
  const batch = messageContext.event.batches.find((each) => each.id === batchId);
  const cut = batch && cutIn(messageContext.library, batch.cutId);
  if (!batch || !cut) return 'Batch';
  if (batch.label) return batch.label;
  const plural = cut.noun[batch.pieces.length === 1 ? 0 : 1];
  return capital(`${cut.called ?? cut.name} ${plural}`.trim());
}

export const lowerPit = (name: string) => (name.startsWith('The ') ? name.slice(4) : name.charAt(0).toLowerCase() + name.slice(1));

export interface TaskMessage {
  title: string;
  detail: string;
}

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const PAIRS = [...ALPHABET].flatMap((a) => [...ALPHABET].map((b) => a + b));

/** `B1`: a letter for the batch, unlike any other of the event, and the piece's number. */
export function pieceTag(messageContext: MessageContext, batchId: string, nth: number): string {
  const taken = new Set<string>();
  for (const batch of messageContext.event.batches) {
    const letters = batchName(messageContext, batch.id)
      .toUpperCase()
      .replace(/[^A-Z]/g, '');
    const first = letters[0] ?? 'P';
    // Two letters where each of its own is taken: of its name as long as they last, then any.
    const candidates = [...letters, ...[...letters.slice(1), ...ALPHABET].map((next) => first + next), ...PAIRS];
    const mark = candidates.find((each) => !taken.has(each))!;
    taken.add(mark);
    if (batch.id === batchId) return `${mark}${nth + 1}`;
  }
  return String(nth + 1);
}
