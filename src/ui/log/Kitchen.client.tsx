'use client';
import { useCallback } from 'react';
import { FEWEST_COOKS, type Calibration, type LearnedPace } from '../../core/learn';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Chart, chartAxis, chartFrame, faint, type Ink } from '../kit/Chart.client';

import { Misses, ToldThreeWays, type NamedMiss } from './Worth';

export interface NamedPace extends LearnedPace {
  name: string;
}
export interface KitchenProps {
  cuts: NamedPace[];
  pits: NamedPace[];
  methods: NamedPace[];
  calibration: Calibration;
  /** Cuts and pits whose cooks took longer or less than told. */
  misses: NamedMiss[];
  /** What plans go by now: from how many cooks, since when. */
  taken?: { cooks: number; when: string };
  /** The log teaches something else by now. */
  isNew: boolean;
  takeKitchen: Action<object>;
  putKitchenBack: Action<object>;
}

const share = (value: number) => `${Math.round(value * 100)} %`;
const off = (logRmse: number) => share(Math.exp(logRmse) - 1);
const paceWords = (pace: number): string => {
  const percent = Math.round((pace - 1) * 100);
  return percent === 0 ? 'as shipped' : `${Math.abs(percent)} % ${percent > 0 ? 'slower' : 'quicker'}`;
};
const signed = (pace: number): string => {
  const percent = Math.round((pace - 1) * 100);
  return `${percent > 0 ? '+' : percent < 0 ? '-' : ''}${Math.abs(percent)} %`;
};

/** What the log teaches of this kitchen, number by number, what it is worth, and whether plans go by it. */
export function Kitchen({ cuts, pits, methods, calibration, misses, taken, isNew, takeKitchen, putKitchenBack }: KitchenProps) {
  const { points, inside, logRmse, shippedLogRmse } = calibration;
  const putBack = async () => {
    const done = await callAction(putKitchenBack, undefined);
    if (done.ok) announce('Plans go by what they went by before.');
    else complain(done.problems);
  };
  const take = async () => {
    const done = await callAction(takeKitchen, undefined);
    if (done.ok) announce('Plans go by what your log teaches.', () => void putBack());
    else complain(done.problems);
  };
  const draw = useCallback(
    (ink: Ink) => {
      const most = Math.max(1, ...points.flatMap(({ observedH, toldH }) => [observedH, toldH.p50])) * 1.05;
      const of = (isInside: boolean) => points.filter((point) => point.inside === isInside);
      const dots = (isInside: boolean, name: string, symbol: string, color: string) => ({
        type: 'scatter',
        mode: 'markers',
        name,
        x: of(isInside).map(({ toldH }) => toldH.p50),
        y: of(isInside).map(({ observedH }) => observedH),
        marker: { symbol, color, size: 8 },
        hovertemplate: 'told %{x:.1f} h, took %{y:.1f} h<extra></extra>',
      });
      return {
        data: [
          {
            type: 'scatter',
            mode: 'lines',
            x: [0, most],
            y: [0, most],
            line: { color: ink('soft'), dash: 'dot', width: 1 },
            hoverinfo: 'skip',
            showlegend: false,
          },
          dots(true, 'inside its range', 'circle', faint(ink('slate'), 0.8)),
          dots(false, 'outside', 'x', ink('ember')),
        ],
        layout: {
          ...chartFrame(ink),
          margin: { l: 48, r: 12, t: 8, b: 42 },
          xaxis: { ...chartAxis(ink), title: { text: 'told, hours' }, range: [0, most] },
          yaxis: { ...chartAxis(ink), title: { text: 'took, hours' }, range: [0, most] },
          legend: { orientation: 'h', y: 1.08, x: 0 },
        },
      };
    },
    [points],
  );
  if (points.length === 0)
    return (
      <p className="mt-6 max-w-prose text-soft">
        Nothing is learned yet: no cook with its hours is in the log. Forecasts have the wide range that a kitchen nobody knows needs; it
        narrows as cooks come in.
      </p>
    );
  return (
    <div className="mt-5 grid gap-8 lg:grid-cols-2">
      <section aria-label="What plans go by" className="lg:col-span-2">
        <p className="max-w-prose">
          {taken
            ? `Plans go by what ${taken.cooks} ${taken.cooks === 1 ? 'cook' : 'cooks'} of yours taught, since ${taken.when}.`
            : 'Plans go by the model as it was shipped, with the wide range that a kitchen nobody knows needs.'}{' '}
          {isNew && `Your log has ${points.length} cooks with their hours now; what they teach stands below.`}
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          {isNew && (
            <Button look="ember" onClick={() => void take()}>
              Go by these
            </Button>
          )}
          {taken && <Button onClick={() => void putBack()}>Put back what was before</Button>}
        </div>
      </section>
      <section aria-label="Forecast against what happened">
        <h2 className="text-xl">Forecast against what happened</h2>
        <p className="mt-1 text-soft">
          {inside && logRmse !== undefined && shippedLogRmse !== undefined
            ? `Each cook told by those before it: ${share(inside.share)} of ${points.length} came within the range told for 80 % (by chance ${share(inside.low)} to ${share(inside.high)}). Usually ${off(logRmse)} off; as shipped it would have been ${off(shippedLogRmse)}.`
            : `Fewer than ${FEWEST_COOKS} cooks are too few to tell.`}
        </p>
        <Chart draw={draw} stamp={`${points.length}`} title="Hours told against hours taken" className="mt-2 h-80" />
        <ToldThreeWays foretold={calibration.foretold} />
        <Misses misses={misses} />
      </section>
      <section aria-label="What was learned">
        <h2 className="text-xl">What was learned</h2>
        <p className="mt-1 text-[0.92rem] text-soft">
          Each number is drawn towards the shipped one by how little is known. The range is where it lies with 80 % certainty.
        </p>
        <Paces head="Time by cut" paces={cuts} />
        <Paces head="Beyond that, by pit" paces={pits} />
        <Paces head="Beyond that, by method" paces={methods} />
      </section>
    </div>
  );
}

function Paces({ head, paces }: { head: string; paces: NamedPace[] }) {
  if (paces.length === 0) return null;
  return (
    <table className="mt-3 w-full text-left text-[0.94rem]">
      <caption className="text-left font-semibold">{head}</caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">What</th>
          <th scope="col">Time against the model</th>
          <th scope="col">Range</th>
          <th scope="col">Cooks</th>
        </tr>
      </thead>
      <tbody>
        {paces.map(({ id, name, pace, low, high, cooks }) => (
          <tr key={id} className="border-t border-line">
            <th scope="row" className="py-1 pr-3 font-normal">
              {name}
            </th>
            <td className="py-1 pr-3 font-semibold whitespace-nowrap">{paceWords(pace)}</td>
            <td className="figures py-1 pr-3 whitespace-nowrap text-soft">
              {signed(low)} to {signed(high)}
            </td>
            <td className="py-1 text-right whitespace-nowrap text-soft">
              {cooks} {cooks === 1 ? 'cook' : 'cooks'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
