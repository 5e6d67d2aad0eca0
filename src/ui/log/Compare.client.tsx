'use client';
import { useCallback, useEffect, useState } from 'react';
import { stallMin, TRAITS, type CookCurve } from '../../core/learn';
import { dateWithYear } from '../../formats/clock';
import { formatMass, formatMinutes, formatShare, formatTemp, pricePer, tempIn } from '../../formats/units';
import { Chart, chartAxis, chartFrame, type Ink } from '../kit/Chart.client';
import { useUnits } from '../kit/UnitsProvider';
import type { LogRow } from './logRow';
import { againstModel } from './againstModel';

const ALIGNED = [
  ['on', 'on going on'],
  ['wrap', 'on the wrap'],
] as const;
type Aligned = (typeof ALIGNED)[number][0];
const DASHES = ['solid', 'dash', 'dot', 'dashdot'] as const;
const INKS = ['bark', 'ember', 'slate', 'safe'] as const;

/** A few cooks side by side: their curves laid over each other, and what was different. */
export function Compare({ rows, zone }: { rows: readonly LogRow[]; zone: string }) {
  const units = useUnits();
  const [aligned, setAligned] = useState<Aligned>('on');
  const [curves, setCurves] = useState<CookCurve[]>();
  const asked = rows.map(({ id }) => `id=${encodeURIComponent(id)}`).join('&');
  useEffect(() => {
    let gone = false;
    void fetch(`/log/curves?${asked}`)
      .then((answer) => answer.json() as Promise<CookCurve[]>)
      .then((found) => !gone && setCurves(found))
      .catch(() => !gone && setCurves([]));
    return () => {
      gone = true;
    };
  }, [asked]);
  const nameOf = useCallback((row: LogRow) => `${row.cut}${row.onMs === undefined ? '' : `, ${dateWithYear(row.onMs, zone)}`}`, [zone]);
  const draw = useCallback(
    (ink: Ink) => ({
      data: rows.flatMap((row, i) => {
        const curve = curves?.find(({ id }) => id === row.id);
        if (!curve) return [];
        const zeroMin = aligned === 'wrap' ? (curve.wrappedMin ?? 0) : 0;
        return [
          {
            type: 'scatter',
            mode: 'lines',
            name: `${i + 1}. ${nameOf(row)}${curve.modelled ? ' (by the model)' : ''}`,
            x: curve.minutes.map((minute) => (minute - zeroMin) / 60),
            y: curve.coreC.map((coreC) => tempIn(coreC, units)),
            line: { color: ink(INKS[i % INKS.length]!), dash: DASHES[i % DASHES.length], width: 2.5 },
            hovertemplate: `%{x:.1f} h, %{y:.0f} °${units.temp}<extra></extra>`,
          },
        ];
      }),
      layout: {
        ...chartFrame(ink),
        margin: { l: 48, r: 12, t: 8, b: 42 },
        xaxis: { ...chartAxis(ink), title: { text: aligned === 'wrap' ? 'hours from the wrap' : 'hours from going on' } },
        yaxis: { ...chartAxis(ink), title: { text: `core, °${units.temp}` } },
        legend: { orientation: 'h', y: 1.12, x: 0 },
      },
    }),
    [rows, curves, aligned, units, nameOf],
  );
  const stallOf = (row: LogRow): string => {
    const curve = curves?.find(({ id }) => id === row.id);
    const minutes = curve && stallMin(curve);
    return minutes === undefined ? '' : `${formatMinutes(minutes)}${curve!.modelled ? ' by the model' : ''}`;
  };
  const costOf = (row: LogRow): string => {
    if (row.costPerKg === undefined || row.yieldShare === undefined) return '';
    const perKg = row.costPerKg / row.yieldShare;
    return `${pricePer(perKg, units).toFixed(2)} a ${units.mass}`;
  };
  const lines: [string, (row: LogRow) => string][] = [
    ['Weight', (row) => formatMass(row.massKg, units)],
    ['Pit', (row) => [row.pit, formatTemp(row.pitC, units)].filter(Boolean).join(', ')],
    ['Method', (row) => row.method ?? ''],
    ['Took', (row) => (row.hours === undefined ? '' : formatMinutes(row.hours * 60))],
    ['Against the model', (row) => (row.ratio === undefined ? '' : againstModel(row.ratio))],
    ['In the stall', stallOf],
    [
      'Wrapped',
      (row) =>
        row.wrap === 'none'
          ? 'never'
          : [
              row.wrap,
              row.wrapAtMin !== undefined && formatMinutes(row.wrapAtMin),
              row.wrapCoreC !== undefined && formatTemp(row.wrapCoreC, units),
            ]
              .filter(Boolean)
              .join(', '),
    ],
    ['Yield', (row) => (row.yieldShare === undefined ? '' : formatShare(row.yieldShare))],
    ['Cost of what was carved', costOf],
    ['Core when pulled', (row) => (row.finalC === undefined ? '' : formatTemp(row.finalC, units))],
    ...TRAITS.map((trait): [string, (row: LogRow) => string] => [
      trait[0]!.toUpperCase() + trait.slice(1),
      (row) => row.words.verdict[trait] ?? '',
    ]),
    ['Next time', (row) => row.words.nextTime],
  ];
  const hasWrap = curves?.some(({ wrappedMin }) => wrappedMin !== undefined) ?? false;
  return (
    <>
      {rows.slice(1).map((row, i) => {
        const said = differenceInWords(rows[0]!, row, i + 2);
        return (
          said && (
            <p key={row.id} className="mb-1">
              {said}
            </p>
          )
        );
      })}
      {hasWrap && (
        <span role="group" aria-label="Curves laid over each other" className="flex">
          {ALIGNED.map(([value, word]) => (
            <button
              key={value}
              type="button"
              aria-pressed={aligned === value}
              onClick={() => setAligned(value)}
              className={`min-h-9 border border-line px-3 text-[0.9rem] first:rounded-l last:rounded-r ${aligned === value ? 'bg-ink font-bold text-sheet' : 'bg-sheet'}`}
            >
              {word}
            </button>
          ))}
        </span>
      )}
      <Chart draw={draw} stamp={`${aligned} ${curves?.length ?? 0}`} title="Cores over time" className="mt-2 h-72" />
      <div className="mt-2 overflow-x-auto">
        <table className="w-full text-left text-[0.92rem]">
          <thead>
            <tr>
              <th scope="col" className="sr-only">
                What
              </th>
              {rows.map((row, i) => (
                <th key={row.id} scope="col" className="border-b border-line py-1 pr-3">
                  {i + 1}. {nameOf(row)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(([name, of]) => {
              const said = rows.map(of);
              if (said.every((each) => each === '')) return null;
              const differs = new Set(said).size > 1;
              return (
                <tr key={name} className="border-b border-line align-top">
                  <th scope="row" className="py-1 pr-3 font-normal text-soft">
                    {name}
                  </th>
                  {said.map((each, i) => (
                    <td key={rows[i]!.id} className={`py-1 pr-3 ${differs ? 'font-semibold' : ''}`}>
                      {each}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** How the second differs from the first in time, and how much of that the model expects of weight, heat and wrap. */
function differenceInWords(first: LogRow, row: LogRow, nth: number): string | undefined {
  if (first.hours === undefined || row.hours === undefined) return undefined;
  const minutes = Math.round((row.hours - first.hours) * 60);
  if (Math.abs(minutes) < 5) return `Cook ${nth} took as long as cook 1.`;
  const words = `Cook ${nth} took ${formatMinutes(Math.abs(minutes))} ${minutes > 0 ? 'longer' : 'less'} than cook 1`;
  if (first.ratio === undefined || row.ratio === undefined) return `${words}.`;
  const expected = Math.round((row.hours / row.ratio - first.hours / first.ratio) * 60);
  if (Math.abs(expected) < 5) return `${words}; weight, heat and wrap explain none of it.`;
  return `${words}; by weight, heat and wrap the model expects ${formatMinutes(Math.abs(expected))} ${expected > 0 ? 'longer' : 'less'}.`;
}
