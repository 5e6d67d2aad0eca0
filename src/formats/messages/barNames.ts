import { batchName, type MessageContext } from './names';

/** What a batch may be called on a bar, the fullest first: `Spare rib racks 12`, `Spare rib 12`, `Spare 12`, `12`. */
export function barNames(messageContext: MessageContext, batchId: string, count: number): string[] {
  const words = batchName(messageContext, batchId).split(' ');
  return [...words.map((_, i) => `${words.slice(0, words.length - i).join(' ')} ${count}`), String(count)];
}
