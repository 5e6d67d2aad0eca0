'use client';
import { Ruler } from 'lucide-react';
import { useState } from 'react';
import { figureName, type FigureName, type KitchenFigure } from '../../core/learn';
import { formatFigure } from '../../formats/messages/figures';
import { dateWithYear } from '../../formats/clock';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { useUnits } from '../kit/UnitsProvider';
import { MeasureForm, type Measurable } from './MeasureForm.client';
import { TableHead } from '../kit/TableHead';

export interface NamedFigure extends KitchenFigure {
  of: string;
  what: string;
  /** The newest first. */
  measures: { id: string; atMs: number; value: number; readings: number; from: string; isTyped: boolean }[];
}
export interface FiguresProps {
  figures: NamedFigure[];
  /** All that can be measured here. */
  measurable: Measurable[];
  takeFigure: Action<object>;
  putFigureBack: Action<object>;
  writeMeasure: Action<{ id: string }>;
  takeMeasureOut: Action<object>;
}

const counted = (count: number): string => `${count} ${count === 1 ? 'measurement' : 'measurements'}`;
const nameOf = (figure: string): FigureName => figureName(figure)!;

/** What days and scales measured of this kitchen beside the hours: each number in use, what the log says instead, and why. */
export function Figures({ figures, measurable, zone, ...actions }: FiguresProps & { zone: string }) {
  const units = useUnits();
  const [open, setOpen] = useState<string>();
  const [measuring, setMeasuring] = useState<string>();
  const shown = (figure: string, value: number) => formatFigure(nameOf(figure).kind, value, units);
  const putBack = async ({ figure, of, what }: NamedFigure) => {
    const done = await callAction(actions.putFigureBack, { figure });
    if (done.ok) announce(`${of}, ${what}: plans go by what stood there before.`);
    else complain(done.problems);
  };
  const take = async (each: NamedFigure) => {
    const done = await callAction(actions.takeFigure, { figure: each.figure });
    if (done.ok) announce(`${each.of}, ${each.what}: plans go by ${shown(each.figure, each.value)}.`, () => void putBack(each));
    else complain(done.problems);
  };
  const chosen = figures.find(({ figure }) => figure === open);
  return (
    <section aria-label="Figures of gear, food and people" className="mt-8">
      <div className="flex flex-wrap items-end justify-between gap-2">
        <h2 className="text-xl">Gear, food and people</h2>
        <Button onClick={() => setMeasuring(figures[0]?.figure ?? measurable[0]?.figure)}>
          <Ruler size={16} aria-hidden /> Write a measurement down
        </Button>
      </div>
      <p className="mt-1 max-w-prose text-[0.92rem] text-soft">
        Measured on your days: a gauge read beside the grate, a fire timed, meat and fuel weighed. Each is drawn towards the number in use
        by how little is known, and none is planned with until you take it.
      </p>
      {figures.length === 0 ? (
        <p className="mt-3 max-w-prose text-soft">
          Nothing is measured yet. On a cook day, read a pit on its gauge and at the grate, and weigh fuel and meat when it is over.
        </p>
      ) : (
        <div className="mt-2 overflow-x-auto">
          <table className="w-full min-w-[720px] text-left text-[0.94rem]">
            <TableHead names={['Of', 'Figure', 'In use', 'Your log says', '80 % range', 'From', '(Take it, or put it back)']} />
            <tbody>
              {figures.map((each, i) => (
                <tr key={each.figure} className="border-b border-line">
                  <td className="py-1 pr-3 font-semibold">{figures[i - 1]?.of === each.of ? '' : each.of}</td>
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {each.what}
                  </th>
                  <td className="figures py-1 pr-3 whitespace-nowrap">
                    {shown(each.figure, each.inUse)}
                    {each.taken && <span className="text-[0.84rem] text-soft"> was {shown(each.figure, each.taken.before)}</span>}
                  </td>
                  <td className={`figures py-1 pr-3 whitespace-nowrap ${each.differs ? 'font-semibold' : 'text-soft'}`}>
                    {shown(each.figure, each.value)}
                  </td>
                  <td className="figures py-1 pr-3 whitespace-nowrap text-soft">
                    {shown(each.figure, each.low)} to {shown(each.figure, each.high)}
                  </td>
                  <td className="py-1 pr-3 whitespace-nowrap">
                    <button
                      type="button"
                      className="underline"
                      aria-label={`${counted(each.count)} of ${each.of}, ${each.what}`}
                      onClick={() => setOpen(each.figure)}
                    >
                      {counted(each.count)}
                    </button>
                  </td>
                  <td className="py-1 text-right whitespace-nowrap">
                    {each.differs && (
                      <Button aria-label={`Use it: ${each.of}, ${each.what}`} onClick={() => void take(each)}>
                        Use it
                      </Button>
                    )}{' '}
                    {each.taken && (
                      <Button look="quiet" aria-label={`Put back: ${each.of}, ${each.what}`} onClick={() => void putBack(each)}>
                        Put back
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Dialog
        open={chosen !== undefined}
        onOpenChange={(is) => !is && setOpen(undefined)}
        title={chosen ? `${chosen.of}: ${chosen.what}` : ''}
        description="The newest first. One far from all others counts for less; a day counts once, by the middle of its readings."
      >
        <ul className="max-h-80 overflow-y-auto">
          {chosen?.measures.map(({ id, atMs, value, readings, from, isTyped }) => (
            <li key={id} className="flex min-h-9 items-center justify-between gap-3 border-b border-line">
              <span>
                <span className="figures font-semibold">{shown(chosen.figure, value)}</span>{' '}
                <span className="text-[0.9rem] text-soft">
                  {[atMs > 0 && dateWithYear(atMs, zone), from, readings > 1 && `middle of ${readings} readings`]
                    .filter(Boolean)
                    .join(', ')}
                </span>
              </span>
              {isTyped && (
                <Button
                  look="quiet"
                  onClick={() =>
                    void callAction(actions.takeMeasureOut, { id }).then((done) =>
                      done.ok ? announce('It counts no more.') : complain(done.problems),
                    )
                  }
                >
                  Take out
                </Button>
              )}
            </li>
          ))}
        </ul>
      </Dialog>
      <Dialog
        open={measuring !== undefined}
        onOpenChange={(is) => !is && setMeasuring(undefined)}
        title="Write a measurement down"
        description="One number that was measured here, on whatever day. It changes no plan until you take what the log says."
      >
        {measuring !== undefined && (
          <MeasureForm
            measurable={measurable}
            figure={measuring}
            onFigure={setMeasuring}
            writeMeasure={actions.writeMeasure}
            onDone={() => setMeasuring(undefined)}
          />
        )}
      </Dialog>
    </section>
  );
}
