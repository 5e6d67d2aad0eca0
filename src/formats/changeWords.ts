import type { BatchName, Change } from '../core/planning';
import { cutIn } from '../core/model';
import { dayAndTime } from './clock';
import { formatMass, formatMinutes } from './units';
import { capital, type Speech } from './names';

const named = (speech: Speech, batch: BatchName) => batch.label || capital(cutIn(speech.library, batch.cutId)?.name ?? 'a dish');

/** One change since the plan was kept, as a short line. */
export function changeWords(speech: Speech, change: Change): string {
  const { units, event } = speech;
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
      return `${named(speech, change.batch)} was added`;
    case 'batchGone':
      return `${named(speech, change.batch)} was taken off`;
    case 'piecesChanged':
      return `${named(speech, change.batch)}: ${change.from} pieces, now ${change.to}`;
    case 'weightChanged':
      return `${named(speech, change.batch)}: ${formatMass(change.fromKg, units)}, now ${formatMass(change.toKg, units)}`;
    case 'methodChanged':
      return `${named(speech, change.batch)}: another method`;
    case 'prepChanged':
      return `${named(speech, change.batch)}: prepared another way`;
    case 'startMoved':
      return `${named(speech, change.batch)} goes on ${at(change.toMs)}, not ${at(change.fromMs)}`;
    case 'pitsChanged':
      return 'Other pits or boxes';
  }
}
