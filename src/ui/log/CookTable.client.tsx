'use client';
import { TRAITS } from '../../core/learn';
import { dateWithYear } from '../../formats/clock';
import { formatMass, formatMinutes, formatTemp } from '../../formats/units';
import { useUnits } from '../kit/UnitsProvider';
import { againstModel } from './againstModel';
import type { LogRow } from './logRow';
import { TableHead } from '../kit/TableHead';

interface CookTableProps {
  rows: readonly LogRow[];
  zone: string;
  /** Ticked to be compared. */
  picked: readonly string[];
  onPick(id: string): void;
  onOpen(id: string): void;
}

const MOST_COMPARED = 4;

/** Cooks, a line each. */
export function CookTable({ rows, zone, picked, onPick, onOpen }: CookTableProps) {
  const units = useUnits();
  return (
    <div className="mt-1 overflow-x-auto">
      <table className="w-full min-w-[760px] text-left text-[0.94rem]">
        <TableHead names={['(Compare)', 'Day', 'What', 'Pit and method', 'Took', 'Against the model', 'Verdict', 'Next time']} />
        <tbody>
          {rows.map((each) => (
            <tr key={each.id} className="border-b border-line align-top">
              <td className="py-1.5 pr-3">
                <input
                  type="checkbox"
                  className="size-5"
                  aria-label={`Compare ${each.cut}, ${formatMass(each.massKg, units)}${each.onMs === undefined ? '' : `, ${dateWithYear(each.onMs, zone)}`}`}
                  checked={picked.includes(each.id)}
                  disabled={!picked.includes(each.id) && picked.length >= MOST_COMPARED}
                  onChange={() => onPick(each.id)}
                />
              </td>
              <td className="figures py-1.5 pr-3 whitespace-nowrap">{each.onMs === undefined ? '' : dateWithYear(each.onMs, zone)}</td>
              <td className="py-1.5 pr-3">
                <button type="button" className="text-left font-semibold underline" onClick={() => onOpen(each.id)}>
                  {each.cut}, {formatMass(each.massKg, units)}
                </button>
                {each.event && <span className="block text-[0.86rem] text-soft">{each.event}</span>}
              </td>
              <td className="py-1.5 pr-3">
                {[each.pit, formatTemp(each.pitC, units)].filter(Boolean).join(', ')}
                <span className="block text-[0.86rem] text-soft">{each.method ?? wrapWord(each.wrap)}</span>
              </td>
              <td className="figures py-1.5 pr-3 whitespace-nowrap">{each.hours === undefined ? '?' : formatMinutes(each.hours * 60)}</td>
              <td className="py-1.5 pr-3 whitespace-nowrap">{each.ratio === undefined ? '' : againstModel(each.ratio)}</td>
              <td className="py-1.5 pr-3">{verdictWords(each)}</td>
              <td className="max-w-64 py-1.5">{each.words.nextTime}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const wrapWord = (wrap: LogRow['wrap']): string => (wrap === 'none' ? 'bare' : `wrapped in ${wrap}`);

/** What is not as it should be; "right" where all that was said is. */
function verdictWords({ words: { verdict } }: LogRow): string {
  const said = TRAITS.flatMap((trait) => (verdict[trait] === undefined ? [] : [{ trait, word: verdict[trait] }]));
  const wrong = said.filter(({ word }) => word !== 'right').map(({ trait, word }) => `${trait} ${word}`);
  return wrong.length > 0 ? wrong.join(', ') : said.length > 0 ? 'right' : '';
}
