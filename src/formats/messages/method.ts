import type { Cut, Method, School } from '../../core/model';
import type { MethodPrice, WeightRule } from '../../core/planning';
import { KG_PER_LB } from '../../core/units';
import { formatMass, formatMinutes, formatShare, formatTemp, type Units } from '../units';

/** The schools as cooks name them. */
export const SCHOOL_NAMES: Record<School, string> = {
  bare: 'Low and bare',
  wrapped: 'Low, then wrapped',
  byBark: 'Wrapped by the bark',
  steps: 'Heat in steps',
  middle: 'Middle heat',
  hot: 'Hot and fast',
  pan: 'Covered pan',
};

/** Differences below these are not told. */
const TOLD_FROM_MIN = 8;
const TOLD_FROM_SHARE = 0.005;

/** `30 min less`, `1 h 10 min more`, or that it takes as long. */
export function timeAgainst(price: MethodPrice, plain: MethodPrice): string {
  const minutes = Math.round(price.cookMin - plain.cookMin);
  if (Math.abs(minutes) < TOLD_FROM_MIN) return 'as long';
  return `${formatMinutes(Math.abs(minutes))} ${minutes < 0 ? 'less' : 'more'}`;
}

/** `bark set 1 h 10 min later`, or nothing where it is set as soon, or never in one of the two and the other. */
export function barkAgainst(price: MethodPrice, plain: MethodPrice): string {
  const [set, plainSet] = [price.barkSetMin, plain.barkSetMin];
  if (set === undefined) return plainSet === undefined ? '' : 'the bark does not set';
  if (plainSet === undefined) return 'the bark sets';
  const minutes = Math.round(set - plainSet);
  return Math.abs(minutes) < TOLD_FROM_MIN ? '' : `bark set ${formatMinutes(Math.abs(minutes))} ${minutes < 0 ? 'sooner' : 'later'}`;
}

/** `2 points more`, of the trimmed weight, or nothing where it is the same. */
export function yieldAgainst(price: MethodPrice, plain: MethodPrice): string {
  const share = price.yieldShare - plain.yieldShare;
  const points = Math.round(Math.abs(share) * 100);
  return Math.abs(share) < TOLD_FROM_SHARE || points === 0
    ? ''
    : `${points} point${points === 1 ? '' : 's'} ${share < 0 ? 'less' : 'more'}`;
}

/** When a cut is usually ready: `tender at 199 to 210 °F`, or the core it must reach. The same words on every screen. */
export const readyAt = ({ done, pulledAtC: [low, high] }: Pick<Cut, 'done' | 'pulledAtC'>, units: Units): string =>
  done.by === 'tender'
    ? `tender at ${formatTemp(low, units).replace(/ .*/, '')} to ${formatTemp(high, units)}`
    : `core ${formatTemp(done.coreC, units)} after resting`;

/** How long it may be held: ideally, and at most by its method and by its cut, whichever ends first. */
export function holdMessage(
  { holdIdealMin: [low, high], holdMaxMin }: Pick<Method, 'holdIdealMin' | 'holdMaxMin'>,
  cut: Pick<Cut, 'holdMaxMin'>,
): string {
  const most = Math.min(holdMaxMin, cut.holdMaxMin);
  return `ideally ${formatMinutes(Math.min(low, most))} to ${formatMinutes(Math.min(high, most))}, at most ${formatMinutes(most)}`;
}

/** What a method costs and gives of a usual piece, in a line; held against the plainest where it is another. */
export function priceMessage(price: MethodPrice, plain?: { name: string; price: MethodPrice }): string {
  const against = plain && plain.price !== price;
  const time = `${formatMinutes(Math.round(price.cookMin / 5) * 5)} for a usual piece`;
  const yields = `yields ${formatShare(price.yieldShare)}`;
  if (!against) return `${time}; ${yields}.`;
  const more = yieldAgainst(price, plain.price);
  return `${time}, ${timeAgainst(price, plain.price)} than ${plain.name.toLowerCase()}; ${yields}${more ? `, ${more}` : ''}.`.replace(
    'as long than',
    'as long as',
  );
}

/** What minutes by weight would say, and why they are wrong for any other piece than the one they were found with. */
export function weightRuleMessage({ usualKg, minPerKg, minutes }: WeightRule, units: Units): string {
  const rule = units.mass === 'lb' ? `${Math.round(minPerKg * KG_PER_LB)} min a pound` : `${Math.round(minPerKg)} min a kilo`;
  return `By weight, ${rule} (right for a usual ${formatMass(usualKg, units)}): ${formatMinutes(minutes)}. It is thickness, the stall and collagen that take time, not weight.`;
}
