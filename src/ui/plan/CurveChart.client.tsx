'use client';
import { useCallback } from 'react';
import type { RunCurve } from '../../core/planning';
import { tempIn, type Units } from '../../formats/units';
import { Chart, chartAxis, chartFont, chartFrame, faint, type Drawing, type Ink } from '../kit/Chart.client';
import { useUnits } from '../kit/UnitsProvider';

interface CurveChartProps {
  curve: RunCurve;
  /** Clock time of a minute of the cook. */
  clockOf(minute: number): string;
  title: string;
}

/** The expected cook curve with its range: core, thin end, surface and pit, with stall, wrap and pull marked. */
export function CurveChart({ curve, clockOf, title }: CurveChartProps) {
  const units = useUnits();
  const draw = useCallback((ink: Ink) => drawing(curve, clockOf, units, ink), [curve, clockOf, units]);
  return <Chart draw={draw} title={title} className="h-60 w-full" stamp={curve.runId} />;
}

/** Clock labels along the foot. */
const TICKS = 5;

function drawing(curve: RunCurve, clockOf: (minute: number) => string, units: Units, ink: Ink): Drawing {
  const temps = (values: (number | undefined)[]) => values.map((value) => (value === undefined ? null : tempIn(value, units)));
  const clock = curve.minutes.map(clockOf);
  const line = (name: string, y: (number | null)[], color: string, width: number, dash: string) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: curve.minutes,
    y,
    text: clock,
    line: { color, width, dash },
    hovertemplate: `%{text}  ${name} %{y:.0f} °${units.temp}<extra></extra>`,
  });
  const mark = (minute: number) => ({
    type: 'line',
    x0: minute,
    x1: minute,
    y0: 0,
    y1: 1,
    yref: 'paper',
    line: { color: ink('ink'), width: 1.5 },
  });
  const word = (minute: number, text: string, y: number) => ({
    x: minute,
    y,
    yref: 'paper',
    text,
    showarrow: false,
    xanchor: 'left',
    xshift: 3,
    font: { ...chartFont(ink), color: ink('ink') },
  });
  const tickMinutes = Array.from({ length: TICKS }, (_, i) => Math.round((i * curve.carveMin) / (TICKS - 1)));
  const edge = { type: 'scatter', mode: 'lines', x: curve.band.minutes, line: { width: 0 }, hoverinfo: 'skip', showlegend: false };
  return {
    data: [
      { ...edge, y: temps(curve.band.p10C) },
      {
        ...edge,
        y: temps(curve.band.p90C),
        fill: 'tonexty',
        fillcolor: faint(ink('wrap'), 0.38),
        showlegend: true,
        name: '80 % of cooks',
        legendrank: 2000,
      },
      line('pit', temps(curve.pitC), ink('ember'), 1.5, 'solid'),
      line('surface', temps(curve.surfaceC), ink('wrap-fold'), 1.5, 'dot'),
      ...(curve.thinC ? [line('thin end', temps(curve.thinC), ink('slate'), 1.5, 'dash')] : []),
      line('core', temps(curve.coreC), ink('ink'), 2.5, 'solid'),
    ],
    layout: {
      ...chartFrame(ink),
      margin: { l: 34, r: 8, t: 8, b: 40 },
      showlegend: true,
      legend: { orientation: 'h', y: -0.17, x: 0, font: chartFont(ink) },
      xaxis: { ...chartAxis(ink), range: [0, curve.carveMin], tickvals: tickMinutes, ticktext: tickMinutes.map(clockOf) },
      yaxis: { ...chartAxis(ink), ticksuffix: '°' },
      shapes: [
        ...(curve.stall
          ? [
              {
                type: 'rect',
                x0: curve.stall.fromMin,
                x1: curve.stall.toMin,
                y0: 0,
                y1: 1,
                yref: 'paper',
                fillcolor: ink('rest'),
                opacity: 0.35,
                line: { width: 0 },
              },
            ]
          : []),
        ...(curve.wrapMin !== undefined ? [mark(curve.wrapMin)] : []),
        mark(curve.pullMin),
        {
          type: 'line',
          x0: 0,
          x1: curve.carveMin,
          y0: tempIn(curve.hotHoldC, units),
          y1: tempIn(curve.hotHoldC, units),
          line: { color: ink('bad'), width: 1, dash: 'dash' },
        },
      ],
      annotations: [
        ...(curve.stall ? [word(curve.stall.fromMin, 'stall', 0.04)] : []),
        ...(curve.wrapMin !== undefined ? [word(curve.wrapMin, 'wrap', 0.14)] : []),
        word(curve.pullMin, 'pull', 0.24),
      ],
    },
  };
}
