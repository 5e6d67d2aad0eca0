'use client';
import type * as Basic from 'plotly.js-basic-dist-min';
import { useEffect, useRef } from 'react';
import type { RunCurve } from '../../core/planning';
import { tempIn, type Units } from '../../formats/units';
import { usePreferences } from '../kit/UnitsProvider';

interface CurveChartProps {
  curve: RunCurve;
  /** Clock time of a minute of the cook. */
  clockOf(minute: number): string;
  title: string;
}

type Plotly = typeof Basic;

/** The expected cook curve: core, surface and pit, with stall, wrap and pull marked. */
export function CurveChart({ curve, clockOf, title }: CurveChartProps) {
  const holder = useRef<HTMLDivElement>(null);
  const { units, light } = usePreferences();
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    let plotly: Plotly | undefined;
    let gone = false;
    void import('plotly.js-basic-dist-min').then(async (module) => {
      if (gone) return;
      plotly = module;
      const { data, layout } = drawing(curve, clockOf, units);
      await plotly.react(element, data, layout, { displayModeBar: false, responsive: true });
      element.dataset.drawn = curve.runId;
    });
    return () => {
      gone = true;
      plotly?.purge(element);
    };
  }, [curve, clockOf, units, light]);
  return <div ref={holder} role="img" aria-label={title} className="h-60 w-full" />;
}

/** Samples are set against the clock at these minutes. */
const TICKS = 5;

function drawing(curve: RunCurve, clockOf: (minute: number) => string, units: Units) {
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string) => style.getPropertyValue(name).trim();
  const temps = (values: (number | undefined)[]) => values.map((value) => (value === undefined ? null : tempIn(value, units)));
  const font = { family: 'Archivo Variable, sans-serif', size: 11, color: ink('--soft') };
  const clock = curve.minutes.map(clockOf);
  const line = (name: string, y: (number | null)[], color: string, width: number, dash: 'solid' | 'dot') => ({
    type: 'scatter' as const,
    mode: 'lines' as const,
    name,
    x: curve.minutes,
    y,
    text: clock,
    line: { color, width, dash },
    hovertemplate: `%{text}  ${name} %{y:.0f} °${units.temp}<extra></extra>`,
  });
  const mark = (minute: number, color: string) => ({
    type: 'line' as const,
    x0: minute,
    x1: minute,
    y0: 0,
    y1: 1,
    yref: 'paper' as const,
    line: { color, width: 1.5 },
  });
  const word = (minute: number, text: string, y: number) => ({
    x: minute,
    y,
    yref: 'paper' as const,
    text,
    showarrow: false,
    xanchor: 'left' as const,
    xshift: 3,
    font: { ...font, color: ink('--ink') },
  });
  const tickMinutes = Array.from({ length: TICKS }, (_, i) => Math.round((i * curve.carveMin) / (TICKS - 1)));
  const shapes = [
    ...(curve.stall
      ? [
          {
            type: 'rect' as const,
            x0: curve.stall.fromMin,
            x1: curve.stall.toMin,
            y0: 0,
            y1: 1,
            yref: 'paper' as const,
            fillcolor: ink('--rest'),
            opacity: 0.35,
            line: { width: 0 },
          },
        ]
      : []),
    ...(curve.wrapMin !== undefined ? [mark(curve.wrapMin, ink('--ink'))] : []),
    mark(curve.pullMin, ink('--ink')),
    {
      type: 'line' as const,
      x0: 0,
      x1: curve.carveMin,
      y0: tempIn(curve.hotHoldC, units),
      y1: tempIn(curve.hotHoldC, units),
      line: { color: ink('--bad'), width: 1, dash: 'dash' as const },
    },
  ];
  return {
    data: [
      line('pit', temps(curve.pitC), ink('--ember'), 1.5, 'solid'),
      line('surface', temps(curve.surfaceC), ink('--wrap-fold'), 1.5, 'dot'),
      line('core', temps(curve.coreC), ink('--ink'), 2.5, 'solid'),
    ],
    layout: {
      autosize: true,
      margin: { l: 34, r: 8, t: 8, b: 40 },
      paper_bgcolor: 'rgba(0,0,0,0)',
      plot_bgcolor: ink('--paper'),
      font,
      showlegend: true,
      legend: { orientation: 'h' as const, y: -0.17, x: 0, font },
      xaxis: {
        range: [0, curve.carveMin],
        tickvals: tickMinutes,
        ticktext: tickMinutes.map(clockOf),
        gridcolor: ink('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { gridcolor: ink('--line'), zeroline: false, fixedrange: true, ticksuffix: '°' },
      shapes,
      annotations: [
        ...(curve.stall ? [word(curve.stall.fromMin, 'stall', 0.04)] : []),
        ...(curve.wrapMin !== undefined ? [word(curve.wrapMin, 'wrap', 0.14)] : []),
        word(curve.pullMin, 'pull', 0.24),
      ],
      hovermode: 'closest' as const,
    },
  };
}
