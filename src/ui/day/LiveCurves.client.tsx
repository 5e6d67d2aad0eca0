'use client';
import { useCallback, useEffect, useState } from 'react';
import type { PieceCurve, PieceView } from '../../core/day';
import { clockTime } from '../../formats/clock';
import { tagOfPiece } from '../../formats/messages/day/names';
import { type MessageContext } from '../../formats/messages/names';
import { tempIn } from '../../formats/units';
import { Chart, chartAxis, chartFont, chartFrame, faint, type Drawing, type Ink } from '../kit/Chart.client';
import type { DayScreen } from './dayScreen';

const ASK_EVERY_MS = 20_000;

/** What was read of a piece, asked for again now and then. */
function useCurve(eventId: string, key: string, hurried: boolean): PieceCurve | undefined {
  const [read, setRead] = useState<{ key: string; curve: PieceCurve }>();
  useEffect(() => {
    let gone = false;
    const ask = async () => {
      const answer = await fetch(`/days/${eventId}/curves?piece=${encodeURIComponent(key)}`, { cache: 'no-store' }).catch(() => undefined);
      if (!gone && answer?.ok) setRead({ key, curve: (await answer.json()) as PieceCurve });
    };
    void ask();
    const timer = setInterval(() => void ask(), hurried ? ASK_EVERY_MS / 5 : ASK_EVERY_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [eventId, key, hurried]);
  return read?.key === key ? read.curve : undefined;
}

interface LiveCurvesProps {
  day: DayScreen;
  context: MessageContext;
  piece: PieceView;
}

/** One piece as it is read, its pit, and where its core is thought to go in 80 % of cooks. */
export function LiveCurves({ day, context, piece }: LiveCurvesProps) {
  const curve = useCurve(context.event.id, piece.key, day.clock.speed > 1);
  const draw = useCallback((ink: Ink) => drawing(curve, piece, context, ink), [curve, piece, context]);
  const tag = tagOfPiece(context, piece.key);
  if (piece.onAtMs === undefined) return <p className="px-3 py-6 text-soft">{tag} is not on yet: there is nothing to draw.</p>;
  return (
    <Chart
      draw={draw}
      title={`Core of ${tag} as read, and where it is thought to go`}
      className="h-64 w-full"
      stamp={`${piece.key}/${curve ? 'read' : 'none'}`}
    />
  );
}

function drawing(curve: PieceCurve | undefined, piece: PieceView, context: MessageContext, ink: Ink): Drawing {
  const { units, event } = context;
  const at = (ms: number) => new Date(ms).toISOString();
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const fromMs = (piece.onAtMs ?? 0) - 45 * 60_000;
  const { core, pit } = curve ?? { core: [], pit: [] };
  const left = new Set(piece.forecast?.ignored.map((each) => each.atMs));
  const used = core.filter((each) => !left.has(each.atMs));
  const ignored = core.filter((each) => left.has(each.atMs));
  const line = (name: string, list: { atMs: number; tempC: number }[], color: string, width: number) => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: list.map((each) => at(each.atMs)),
    y: list.map((each) => tempIn(each.tempC, units)),
    text: list.map((each) => time(each.atMs)),
    line: { color, width },
    hovertemplate: `%{text}  ${name} %{y:.0f} °${units.temp}<extra></extra>`,
  });
  const band = piece.pulledAtMs === undefined ? piece.forecast?.band : undefined;
  const said = piece.forecast?.coreNowC;
  const ahead = (share: 'p10C' | 'p50C' | 'p90C', now: number | undefined) =>
    band ? [...(now === undefined ? [] : [now]), ...band[share]].map((tempC) => tempIn(tempC, units)) : [];
  const aheadX = band
    ? [...(said ? [at(band.fromMs)] : []), ...band.p50C.map((_, i) => at(band.fromMs + (i + 1) * band.everyMin * 60_000))]
    : [];
  const edge = { type: 'scatter', mode: 'lines', x: aheadX, line: { width: 0 }, hoverinfo: 'skip', showlegend: false };
  const mark = (ms: number, word: string, y: number) => ({
    shape: { type: 'line', x0: at(ms), x1: at(ms), y0: 0, y1: 1, yref: 'paper', line: { color: ink('ink'), width: 1.5 } },
    note: {
      x: at(ms),
      y,
      yref: 'paper',
      text: word,
      showarrow: false,
      xanchor: 'left',
      xshift: 3,
      font: { ...chartFont(ink), color: ink('ink') },
    },
  });
  const marks = [
    ...(piece.onAtMs !== undefined ? [mark(piece.onAtMs, 'on', 0.04)] : []),
    ...(piece.wrappedAtMs !== undefined ? [mark(piece.wrappedAtMs, 'wrapped', 0.14)] : []),
    ...(piece.pulledAtMs !== undefined ? [mark(piece.pulledAtMs, 'pulled', 0.24)] : []),
  ];
  const lastMs = Math.max(piece.forecast?.done.p90Ms ?? 0, core.at(-1)?.atMs ?? 0, piece.onAtMs ?? 0);
  const ticks = Array.from({ length: 6 }, (_, i) => fromMs + (i * (lastMs - fromMs)) / 5);
  return {
    data: [
      { ...edge, y: ahead('p10C', said?.p10) },
      {
        ...edge,
        y: ahead('p90C', said?.p90),
        fill: 'tonexty',
        fillcolor: faint(ink('wrap'), 0.38),
        showlegend: true,
        name: '80 % of cooks',
      },
      {
        ...edge,
        y: ahead('p50C', said?.p50),
        line: { color: ink('wrap-fold'), width: 1.5, dash: 'dash' },
        showlegend: true,
        name: 'likeliest',
      },
      line('pit', pit, ink('ember'), 1.3),
      line('core', used, ink('ink'), 2.5),
      {
        ...line('left out', ignored, ink('bad'), 1),
        mode: 'markers',
        marker: { color: ink('bad'), size: 6, symbol: 'x' },
        showlegend: ignored.length > 0,
      },
    ],
    layout: {
      ...chartFrame(ink),
      margin: { l: 38, r: 8, t: 8, b: 40 },
      showlegend: true,
      legend: { orientation: 'h', y: -0.17, x: 0, font: chartFont(ink) },
      xaxis: { ...chartAxis(ink), type: 'date', range: [at(fromMs), at(lastMs)], tickvals: ticks.map(at), ticktext: ticks.map(time) },
      yaxis: { ...chartAxis(ink), ticksuffix: '°' },
      shapes: marks.map((each) => each.shape),
      annotations: marks.map((each) => each.note),
    },
  };
}
