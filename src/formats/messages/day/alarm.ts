import type { Alarm, AlarmCode } from '../../../core/day';
import { clockTime } from '../../clock';
import { formatMinutes, formatOdds, formatTemp } from '../../units';
import { batchName, lowerPit, memberName, pitName, type MessageContext } from '../names';
import { pieceInFull, tagOfPiece } from './names';

export interface AlarmMessage {
  /** What it is, in a few words that are read at arm's length. */
  title: string;
  /** What to do, in the order to do it. */
  whatToDo: string;
  who: string;
}

/** An alarm in words. Each code says what to do. */
export function alarmMessage(messageContext: MessageContext, alarm: Alarm, taskTitle: (taskId: string) => string): AlarmMessage {
  const { units } = messageContext;
  const pit = alarm.pitId === undefined ? 'The pit' : pitName(messageContext, alarm.pitId);
  const piece = alarm.piece === undefined ? 'A piece' : pieceInFull(messageContext, alarm.piece);
  const batch = alarm.batchId === undefined ? 'The food' : batchName(messageContext, alarm.batchId);
  const temp = alarm.tempC === undefined ? 'no reading' : formatTemp(alarm.tempC, units);
  const set = alarm.setC === undefined ? 'its set point' : formatTemp(alarm.setC, units);
  const minutes = formatMinutes(alarm.minutes ?? 0);
  const serving = messageContext.event.servings.find((each) => each.id === alarm.servingId);
  const words: Record<AlarmCode, () => [title: string, whatToDo: string]> = {
    pitHigh: () => [
      `${pit} too hot: ${temp}, set ${set}`,
      'Close the air by a third and leave the lid shut. Look again in ten minutes. If it still climbs, look for burning fat.',
    ],
    pitLow: () => [
      `${pit} too cool: ${temp}, set ${set}`,
      'Look at the fire: fuel, then ash, then air. Add fuel if the bed is low; open the air; keep the lid shut.',
    ],
    pitFast: () => [
      `${pit} climbs fast: ${temp}`,
      'Fat may be burning. Close all air and keep the lid shut; never water. Stand clear when it is opened, extinguisher of class K or B at hand. Move the meat off the fire.',
    ],
    pitFalling: () => [
      `${pit} is falling: ${temp}, set ${set}`,
      'The fuel is going. Add fuel, rake the ash from under it, open the air; then look for the set point in 20 minutes.',
    ],
    coreWrap: () => [`${piece} at ${temp}: wrap`, 'Look at the bark: set, and not scraping off. Then wrap; the plan wraps from here on.'],
    coreCheck: () => [
      `${piece} may be tender: feel it`,
      'A probe in the thickest part from the side. Say how it feels; done is when it meets almost no resistance.',
    ],
    corePull: () => [`${piece} at ${temp}: pull`, `It climbs on by itself after ${set}. Pull it now, rest it, and write down the peak.`],
    probeLost: () => [
      `Probe ${alarm.channel ?? ''} silent for ${minutes}`,
      `Look at its plug and battery, then its place in ${alarm.piece === undefined ? lowerPit(pit) : tagOfPiece(messageContext, alarm.piece)}. Until then read by hand.`,
    ],
    probeLies: () => [
      `The probe in ${alarm.piece === undefined ? 'a piece' : tagOfPiece(messageContext, alarm.piece)} cannot be right`,
      alarm.state === 'readsAir'
        ? 'It reads the pit’s air: it has slipped out. Put it back into the thickest part. Its readings are left out until then.'
        : alarm.state === 'jump'
          ? 'It jumps as no core can. Look at its plug and its place; its readings are left out.'
          : alarm.state === 'shallow'
            ? 'It runs ahead of any core: it sits in fat, or too near the surface. Move it to the middle, clear of bone.'
            : 'It reads the same amount off all along. Read the piece by hand beside it, and check the probe in ice.',
    ],
    longStall: () => [
      `${piece} stalls: ${minutes}`,
      'Longer than 90 % of such cooks. Wrap it, or raise the pit a little; the levers below say what each gains.',
    ],
    oddsLow: () => [
      `${serving?.name ?? 'A serving'} may be late: ${formatOdds(alarm.share ?? 0)} on time`,
      `${alarm.piece === undefined ? '' : `${piece} is the one. `}Look at the levers: what each gains and costs stands there.`,
    ],
    reloadDue: () => [`${pit} wants fuel: ${minutes} overdue`, 'Put on what the run sheet says, and mark it done.'],
    taskOverdue: () => [`${taskTitle(alarm.taskId ?? '')}: ${minutes} late`, 'Do it now, or say why not: what hangs on it moves along.'],
    holdFloor: () => [
      `${piece} in the hold at ${temp}`,
      `${set} is the floor. Carve it now, or heat it to 74 °C (165 °F) and hold it hotter. Write down what was done.`,
    ],
    poultryLow: () => [
      `${piece} has no peak written down`,
      `It must have reached ${set}. Measure the thickest part now; if it is under, put it back on the heat until it is there.`,
    ],
    dangerZone: () => [
      `${piece} under ${formatTemp(57, units)} for ${minutes}`,
      'Four hours is the limit for what may be held in that range. Raise the heat now; if the limit passes, it is discarded.',
    ],
    hotHoldCheck: () => [`${batch}: hot-hold check due`, 'Measure the coolest piece and type it in.'],
    coolingLate: () => [
      alarm.state === 'cooling5' ? `${batch} not at ${formatTemp(5, units)} in time` : `${batch} not at ${formatTemp(21, units)} after 2 h`,
      alarm.state === 'cooling5'
        ? 'Measure it. Above 5 °C (41 °F) six hours after cooling began it is discarded.'
        : 'Measure it. If it is above 21 °C (70 °F): reheat to 74 °C (165 °F) at once and begin again in thinner portions on ice, or discard it.',
    ],
  };
  const [title, whatToDo] = words[alarm.code]();
  return { title, whatToDo, who: alarm.who === undefined ? '' : memberName(messageContext, alarm.who) };
}

/** `raised 05:12, Tam answered 05:14`. */
export const alarmHistory = (
  messageContext: MessageContext,
  mark: { raisedAtMs: number; acknowledgedAtMs?: number; acknowledgedBy?: string; escalatedAtMs?: number; escalatedTo?: string },
): string => {
  const at = (ms: number) => clockTime(ms, messageContext.event.timeZone, messageContext.units.clock);
  return [
    `raised ${at(mark.raisedAtMs)}`,
    ...(mark.escalatedAtMs !== undefined
      ? [
          `nobody answered: ${mark.escalatedTo === undefined ? 'all are asked' : `${memberName(messageContext, mark.escalatedTo)} is asked`} since ${at(mark.escalatedAtMs)}`,
        ]
      : []),
    ...(mark.acknowledgedAtMs !== undefined ? [`${mark.acknowledgedBy ?? ''} answered ${at(mark.acknowledgedAtMs)}`] : []),
  ].join(', ');
};
