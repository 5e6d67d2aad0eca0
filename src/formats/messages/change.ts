import type { BatchName, Change } from '../../core/planning';
import { cutIn } from '../../core/model';
import { dayAndTime } from '../clock';
import { formatMass, formatMinutes } from '../units';
import { capital, type MessageContext } from './names';

const named = (messageContext: MessageContext, batch: BatchName) =>
  batch.label || capital(cutIn(messageContext.library, batch.cutId)?.name ?? 'a dish');

/** One change since the plan was kept, as a short line. */
export function changeMessage(messageContext: MessageContext, change: Change): string {
  const { units, event } = messageContext;
  const at = (ms: number) => dayAndTime(ms, event.timeZone, units.clock);
  switch (change.code) {
    case 'servingAdded':
      return `${change.name} was added`;
    case 'servingGone':
      return `${change.name} was taken out`;
    case 'servingMoved':
      return `${change.name} is ${formatMinutes(Math.abs(change.byMin))} ${change.byMin > 0 ? 'later' : 'earlier'}`;
    case 'guestsChanged':
      return change.from === change.to
        ? `${change.name}: appetite or margin changed`
        : `${change.name}: ${change.from} guests, now ${change.to}`;
    case 'batchAdded':
      return `${named(messageContext, change.batch)} was added`;
    case 'batchGone':
      return `${named(messageContext, change.batch)} was taken off`;
    case 'piecesChanged':
      return `${named(messageContext, change.batch)}: ${change.from} pieces, now ${change.to}`;
    case 'weightChanged':
      return `${named(messageContext, change.batch)}: ${formatMass(change.fromKg, units)}, now ${formatMass(change.toKg, units)}`;
    case 'methodChanged':
      return `${named(messageContext, change.batch)}: another method`;
    case 'prepChanged':
      return `${named(messageContext, change.batch)}: prepared another way`;
    case 'startMoved':
      return `${named(messageContext, change.batch)} goes on ${at(change.toMs)}, not ${at(change.fromMs)}`;
    case 'pitsChanged':
      return 'Other pits or boxes';
  }
}
