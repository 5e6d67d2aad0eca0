import type { WhatIfAnswer } from '../../core/planning';
import { weightRuleMessage } from '../../formats/messages/method';
import type { TermId } from '../../formats/messages/terms';
import { formatLayer, formatMinutes, formatShare, formatTemp, type Units, withFigures } from '../../formats/units';
import { Term } from '../kit/Term';

const range = ({ p10, p90 }: { p10: number; p90: number }, known: boolean) =>
  known ? `${formatMinutes(p10)} to ${formatMinutes(p90)}` : '…';

/** What one method comes to: the middle figure large, the range of 80 % beside it. */
export function Figures({ answer, whole, units, tender }: { answer: WhatIfAnswer; whole: boolean; units: Units; tender: boolean }) {
  const known = whole;
  if (answer.status === 'never') return <p className="mt-2 font-semibold text-bad">Never gets done at this heat within 40 hours.</p>;
  const { rule } = answer;
  const meets = rule.reachedC >= rule.limitC - 0.05;
  const rows: [label: string, value: string, note: string, term?: TermId][] = [
    ['Done after', formatMinutes(answer.done.p50), range(answer.done, known)],
    ...answer.milestones.map(({ coreC, at }): [string, string, string] => [
      `Core ${formatTemp(coreC, units)}`,
      at ? formatMinutes(at.p50) : '–',
      at ? range(at, known) : '',
    ]),
    ['Wrap after', answer.wrap ? formatMinutes(answer.wrap.p50) : '–', answer.wrap ? range(answer.wrap, known) : '', 'wrap'],
    [
      'Stall lasts',
      answer.stallLength.p50 > 0 ? formatMinutes(answer.stallLength.p50) : 'none',
      answer.stallLength.p90 > 0 ? range(answer.stallLength, known) : '',
      'stall',
    ],
    [
      'Bark set',
      answer.barkSet ? formatMinutes(answer.barkSet.p50) : 'not set',
      answer.barkSet ? range(answer.barkSet, known) : '',
      'bark',
    ],
    [
      'Pulled at',
      formatTemp(answer.pullCoreC, units),
      answer.peakCoreC === undefined ? '' : `peaks at ${formatTemp(answer.peakCoreC, units)}`,
      'carryOver',
    ],
    ['Sliceable', answer.sliceable ? formatMinutes(answer.sliceable.p50) : '–', answer.sliceable ? range(answer.sliceable, known) : ''],
    [
      'Hot while tented',
      answer.above60Min === undefined ? '12 h or more' : formatMinutes(answer.above60Min),
      answer.mushMin === undefined ? '' : `too soft after ${formatMinutes(answer.mushMin)} warm`,
      'mush',
    ],
    ['Yield', formatShare(answer.yieldShare), `smoke ${answer.smokeH.toFixed(1)} h, ring ${formatLayer(answer.ringMm, units)}`, 'yield'],
    ...(tender
      ? [['Tenderness', formatShare(answer.convertedShare), 'of collagen turned', 'tender'] as [string, string, string, TermId]]
      : []),
    [
      withFigures('{5 to 57 C}', units),
      formatMinutes(answer.coreDangerMin),
      `surface ${formatMinutes(answer.surfaceDangerMin)}`,
      'dangerZone',
    ],
  ];
  return (
    <>
      <dl className="mt-2">
        {rows.map(([label, value, note, term]) => (
          <div key={label} className="grid grid-cols-[6.2rem_auto_1fr] items-baseline gap-1.5 border-t border-line py-[3px]">
            <dt className="text-[0.82rem] text-soft">{term ? <Term id={term}>{label}</Term> : label}</dt>
            <dd className="figures whitespace-nowrap text-[0.98rem] font-bold">{value}</dd>
            <dd className="figures truncate text-right text-[0.8rem] text-soft" title={note}>
              {note}
            </dd>
          </div>
        ))}
      </dl>
      <p className={`mt-1 border-t border-line pt-1 text-[0.8rem] ${meets ? 'text-soft' : 'font-semibold text-warn'}`}>
        {meets ? 'Meets' : 'Below'} the core rule of {formatTemp(rule.limitC, units)} ({withFigures(rule.source, units)});{' '}
        {answer.lethalityShare >= 1 ? 'time and temperature suffice.' : 'time and temperature do not suffice.'}
        {answer.tooDark && ' Too much dark smoke.'}
      </p>
      {answer.byWeight && (
        <p className="mt-1 border-t border-line pt-1 text-[0.8rem] text-soft">{weightRuleMessage(answer.byWeight, units)}</p>
      )}
      <p className="mt-1 border-t border-line pt-1 text-[0.8rem] text-soft">{leftoverMessage(answer)}</p>
    </>
  );
}

/** Which ways of cooling leftovers keep the two-stage rule. */
function leftoverMessage({ cooling }: WhatIfAnswer): string {
  const enough = cooling.filter((each) => each.keepsRule).map((each) => each.label);
  const rule = 'two-stage cooling (Food Code 3-501.14)';
  return enough.length === 0 ? `Leftovers: no usual way keeps ${rule}; portion thinner.` : `Leftovers keep ${rule}: ${enough.join('; ')}.`;
}
