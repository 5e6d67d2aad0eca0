import type { Deed, DeedKind, Entry, PieceStep, SafetyLine } from '../../../core/day';
import { bandName } from '../rack';
import { formatMass, formatSetPoint, formatTemp } from '../../units';
import { batchName, capital, gearName, list, lowerPit, memberName, pitName, type MessageContext } from '../names';
import { tagOfPiece } from './names';

export const STEP_WORDS: Record<PieceStep, string> = {
  on: 'went on',
  wrapped: 'wrapped',
  unwrapped: 'unwrapped',
  moved: 'moved',
  pulled: 'pulled',
  vented: 'vented',
  resting: 'resting',
  held: 'into the hold',
  carved: 'carved',
};

export const SAFETY_WORDS: Record<SafetyLine, string> = {
  receiving: 'Receiving',
  brine: 'Brine',
  poultryPeak: 'Poultry, peak at rest',
  hotHold: 'Hot holding',
  coolingStart: 'Cooling begun',
  cooling21: 'Cooling, first stage',
  cooling5: 'Cooling, second stage',
  reheat: 'Reheating',
  sanitiser: 'Sanitiser',
};

const DAY_WORDS = { started: 'The day began', paused: 'The day stands still', resumed: 'The day goes on', ended: 'The day ended' } as const;
const TASK_WORDS = { begun: 'begun', done: 'done', skipped: 'not done', notYet: 'not yet', again: 'open again' } as const;
const PIT_WORDS = { lit: 'lit', setPoint: 'set', fuelled: 'fuelled', opened: 'opened', vents: 'vents turned', out: 'fire out' } as const;

/** An entry of the journal in one line. */
export function entryMessage(messageContext: MessageContext, { deed }: Pick<Entry, 'deed'>, taskTitle: (taskId: string) => string): string {
  const { units } = messageContext;
  const tag = (key: string) => tagOfPiece(messageContext, key);
  const temp = (tempC: number | undefined) => (tempC === undefined ? '' : ` at ${formatTemp(tempC, units)}`);
  const words: { [K in DeedKind]: (deed: Extract<Deed, { kind: K }>) => string } = {
    day: ({ did, reason }) => `${DAY_WORDS[did]}${reason ? `: ${reason}` : ''}`,
    piece: ({ pieces, step, coreC, gearId, pitId }) =>
      `${list(pieces.map(tag))} ${STEP_WORDS[step]}${temp(coreC)}${step === 'held' && gearId ? `: ${lowerPit(gearName(messageContext, gearId))}` : ''}${step === 'moved' && pitId ? ` to the ${lowerPit(pitName(messageContext, pitId))}` : ''}`,
    checked: ({ piece, feel, coreC }) => `${tag(piece)} felt ${feel}${temp(coreC)}`,
    reading: ({ piece, coreC, spot }) => `${tag(piece)} ${formatTemp(coreC, units)}${spot === 'thickest' ? '' : `, ${spot}`}`,
    pitReading: ({ pitId, pitC, at, rackId, band }) =>
      `${pitName(messageContext, pitId)}${at === 'gauge' ? ', gauge' : rackId !== undefined && band !== undefined ? `, ${bandName(messageContext, pitId, rackId, band)}` : ''} ${formatTemp(pitC, units)}`,
    task: ({ taskId, did, reason }) => `${taskTitle(taskId)}: ${TASK_WORDS[did]}${reason ? `, ${reason}` : ''}`,
    pit: ({ pitId, did, pitC }) =>
      `${pitName(messageContext, pitId)} ${PIT_WORDS[did]}${pitC === undefined ? '' : ` to ${formatSetPoint(pitC, units)}`}`,
    channel: ({ deviceId, channel, piece, pitId }) =>
      `Probe ${channel} of ${deviceId} is in ${piece ? tag(piece) : pitId ? lowerPit(pitName(messageContext, pitId)) : 'nothing'}`,
    revision: ({ reason }) => reason,
    alarm: ({ did, causeId, to }) =>
      did === 'acknowledged'
        ? `Answered: ${causeWords(causeId)}`
        : did === 'escalated'
          ? `Nobody answered ${causeWords(causeId)}${to ? `: ${memberName(messageContext, to)} is asked` : ''}`
          : `${did === 'raised' ? 'Alarm' : 'Over'}: ${causeWords(causeId)}`,
    safety: ({ line, batchId, piece, tempC, action, corrects }) =>
      `${SAFETY_WORDS[line]}${piece ? ` ${tag(piece)}` : batchId ? `, ${batchName(messageContext, batchId).toLowerCase()}` : ''}${temp(tempC)}${action ? `; ${action}` : ''}${corrects ? ' (corrects an earlier line)' : ''}`,
    weighed: ({ of, id, kg }) =>
      of === 'fuel'
        ? `Fuel burnt, ${lowerPit(pitName(messageContext, id))}: ${formatMass(kg, units)}`
        : `${batchName(messageContext, id)}, ${of === 'ready' ? 'ready to carve' : 'left over'}: ${formatMass(kg, units)}`,
    fire: ({ pitId }) => `How the fire of the ${lowerPit(pitName(messageContext, pitId))} was made, written down`,
    note: ({ text, piece }) => `${piece ? `${tag(piece)}: ` : ''}${text}`,
    undo: () => 'Taken back',
  };
  return capital((words[deed.kind] as (deed: Deed) => string)(deed));
}

const CAUSES: Record<string, string> = {
  pitHigh: 'pit too hot',
  pitLow: 'pit too cool',
  pitFast: 'pit climbs fast',
  coreWrap: 'core at wrap',
  coreCheck: 'time to feel it',
  corePull: 'core at pull',
  probeLost: 'probe silent',
  probeLies: 'probe cannot be right',
  longStall: 'long stall',
  oddsLow: 'a serving may be late',
  reloadDue: 'fuel overdue',
  taskOverdue: 'a task is late',
  holdFloor: 'hold near its floor',
  poultryLow: 'poultry without its peak',
  dangerZone: 'danger-zone clock',
  hotHoldCheck: 'hot-hold check',
  coolingLate: 'cooling too slow',
};
const causeWords = (causeId: string): string => CAUSES[causeId.split('/')[0]!] ?? 'alarm';
