'use client';
import type * as Basic from 'plotly.js-basic-dist-min';
import { useEffect, useRef } from 'react';
import { usePreferences } from './UnitsProvider';

type Plotly = typeof Basic;
export type Ink = (token: string) => string;
export interface Drawing {
  data: object[];
  layout: object;
}

interface ChartProps {
  /** Makes the drawing from the palette's colours. */
  draw(ink: Ink): Drawing;
  title: string;
  className: string;
  /** Says what is drawn, for those who wait for it. */
  stamp: string;
}

/** A Plotly drawing that follows its data and the palette. The library is fetched when the first chart is shown. */
export function Chart({ draw, title, className, stamp }: ChartProps) {
  const holder = useRef<HTMLDivElement>(null);
  const plotly = useRef<Plotly>(undefined);
  const { light } = usePreferences();
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    let gone = false;
    void (async () => {
      plotly.current ??= await import('plotly.js-basic-dist-min');
      if (gone) return;
      const style = getComputedStyle(document.documentElement);
      const { data, layout } = draw((token) => style.getPropertyValue(`--${token}`).trim());
      await plotly.current.react(element, data, layout, { displayModeBar: false, responsive: true });
      element.dataset.drawn = stamp;
    })();
    return () => {
      gone = true;
    };
  }, [draw, stamp, light]);
  useEffect(() => {
    const element = holder.current;
    return () => {
      if (element) plotly.current?.purge(element);
    };
  }, []);
  return <div ref={holder} role="img" aria-label={title} className={className} />;
}

export const chartFont = (ink: Ink) => ({ family: 'Archivo Variable, sans-serif', size: 11, color: ink('soft') });
export const chartFrame = (ink: Ink) => ({
  autosize: true,
  paper_bgcolor: 'rgba(0,0,0,0)',
  plot_bgcolor: ink('paper'),
  font: chartFont(ink),
  hovermode: 'closest',
});
export const chartAxis = (ink: Ink) => ({ gridcolor: ink('line'), zeroline: false, fixedrange: true });

/** A see-through version of a token's colour, given as hex. */
export const faint = (hex: string, share: number): string => {
  const value = Number.parseInt(hex.slice(1), 16);
  return `rgba(${(value >> 16) & 255}, ${(value >> 8) & 255}, ${value & 255}, ${share})`;
};
