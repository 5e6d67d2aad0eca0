'use client';
import { useCallback } from 'react';
import type { WhatIfAnswer } from '../../core/planning';
import { formatMinutes, tempIn, type Units } from '../../formats/units';
import { Chart, chartAxis, chartFont, chartFrame, faint, type Drawing, type Ink } from '../kit/Chart.client';
import { useUnits } from '../kit/UnitsProvider';

export interface Compared {
  name: string;
  answer: WhatIfAnswer;
}

/** Each line by colour, dash and the letter at its end. */
export const LINES = [
  { token: 'ember', dash: 'solid', letter: 'A' },
  { token: 'slate', dash: 'dash', letter: 'B' },
  { token: 'safe', dash: 'dashdot', letter: 'C' },
  { token: 'hold', dash: 'dot', letter: 'D' },
] as const;

/** Core curves of up to four methods with the range of their finish. */
export function WhatIfChart({ compared }: { compared: (Compared | undefined)[] }) {
  const units = useUnits();
  const draw = useCallback((ink: Ink) => drawing(compared, units, ink), [compared, units]);
  const there = compared.filter((each): each is Compared => each !== undefined);
  const title = `Core temperature over time: ${there.map(({ name, answer }) => `${name}, done after ${formatMinutes(answer.done.p50)}`).join('; ')}`;
  return <Chart draw={draw} title={title} className="h-[14.5rem] w-full" stamp={there.map(({ answer }) => answer.done.p50).join(' ')} />;
}

function drawing(compared: (Compared | undefined)[], units: Units, ink: Ink): Drawing {
  const temps = (values: number[]) => values.map((value) => tempIn(value, units));
  const hours = (minutes: number[]) => minutes.map((minute) => minute / 60);
  const data = compared.flatMap((each, i) => {
    if (!each) return [];
    const { token, dash, letter } = LINES[i]!;
    const { answer, name } = each;
    const edge = {
      type: 'scatter',
      mode: 'lines',
      x: hours(answer.band.minutes),
      line: { width: 0 },
      hoverinfo: 'skip',
      showlegend: false,
      legendgroup: letter,
    };
    return [
      { ...edge, y: temps(answer.band.p10C) },
      { ...edge, y: temps(answer.band.p90C), fill: 'tonexty', fillcolor: faint(ink(token), 0.18) },
      {
        type: 'scatter',
        mode: 'lines',
        name: `${letter}  ${name}`,
        legendgroup: letter,
        x: hours(answer.minutes),
        y: temps(answer.coreC),
        line: { color: ink(token), dash, width: 2.5 },
        hovertemplate: `${letter}  %{x:.1f} h  %{y:.0f} °${units.temp}<extra></extra>`,
      },
      {
        type: 'scatter',
        mode: 'lines',
        legendgroup: letter,
        x: hours(answer.rest.minutes),
        y: temps(answer.rest.coreC),
        line: { color: ink(token), dash, width: 1.2 },
        hovertemplate: `${letter}, resting under a tent  %{x:.1f} h  %{y:.0f} °${units.temp}<extra></extra>`,
      },
    ];
  });
  const last = Math.max(
    1,
    ...compared.map((each) =>
      each && Number.isFinite(each.answer.done.p90)
        ? Math.max(each.answer.done.p90, each.answer.minutes.at(-1) ?? 0, each.answer.rest.minutes.at(-1) ?? 0)
        : 0,
    ),
  );
  return {
    data,
    layout: {
      ...chartFrame(ink),
      margin: { l: 38, r: 22, t: 10, b: 22 },
      showlegend: false,
      xaxis: {
        ...chartAxis(ink),
        range: [0, last / 60 + 0.2],
        ticksuffix: ' h',
      },
      yaxis: { ...chartAxis(ink), ticksuffix: '°' },
      annotations: compared.flatMap((each, i) =>
        each
          ? [
              {
                x: (each.answer.minutes.at(-1) ?? 0) / 60,
                y: tempIn(each.answer.coreC.at(-1) ?? 0, units),
                text: `<b>${LINES[i]!.letter}</b>`,
                showarrow: false,
                yshift: 12,
                font: { ...chartFont(ink), size: 14, color: ink(LINES[i]!.token) },
              },
            ]
          : [],
      ),
    },
  };
}
