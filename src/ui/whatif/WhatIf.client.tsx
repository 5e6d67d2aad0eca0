'use client';
import { Plus, Square, X } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import {
  CHEWS,
  cutIn,
  GRADES,
  methodIn,
  methodsFor,
  pieceSize,
  PIT_KIND,
  PIT_KINDS,
  SMOKES,
  typicalTrimmedKg,
  type Chew,
  type Grade,
  type Library,
  type Method,
  type PitKind,
  type SmokeWanted,
} from '../../core/model';
import { laysWood } from '../../core/fire';
import { CALM, type Weather } from '../../core/forecast';
import type { ParameterSet } from '../../core/forecast';
import type { WhatIfRequest } from '../../core/planning';
import { formatLength, formatMass, formatMinutes, formatSetPoint, formatTemp } from '../../formats/units';
import { capital } from '../../formats/messages/names';
import { MethodOptions } from '../library/MethodOptions';
import { Button } from '../kit/Button';
import { inputClass } from '../kit/Field';
import { Slider } from '../kit/Slider';
import { useUnits } from '../kit/UnitsProvider';
import { Figures } from './Figures';
import { useForecasts } from './useForecasts';
import { LINES } from './WhatIfChart.client';
import { newId } from '../kit/newId';

const WhatIfChart = dynamic(() => import('./WhatIfChart.client').then((module) => module.WhatIfChart), {
  ssr: false,
  loading: () => <div className="h-[14.5rem]" />,
});

interface Column {
  key: string;
  methodId: string;
  pitC: number;
  /** Wrap moment as the cook moved it: a core, or minutes for a method that goes by the clock. */
  wrapAt?: number;
}

const MOST_COLUMNS = 4;

const WEATHERS: [string, Weather][] = [
  ['calm and mild', CALM],
  ['breezy', { airC: 15, windMPerS: 6, blower: false }],
  ['windy and cold', { airC: 2, windMPerS: 10, blower: false }],
  ['windy, with a blower', { airC: 2, windMPerS: 10, blower: true }],
];
const DARK: [string, number][] = [
  ['clean', 0],
  ['a little dirty', 0.1],
  ['smouldering', 0.4],
];
const CHEW_WORDS: Record<Chew, string> = { bite: 'with some bite', usual: 'as usual', soft: 'falling apart' };

const columnOf = (method: Method): Column => ({ key: newId(), methodId: method.id, pitC: method.pitC });

/** The wrap's own slider: by core where the method knows one, else by the clock. */
const wrapsByClock = (method: Method) => method.wrapWhen.coreC === undefined && method.wrapWhen.afterMin !== undefined;

function methodWith(method: Method, { wrapAt }: Column): Method {
  if (wrapAt === undefined || method.wrap === 'none') return method;
  // What is set by hand stands as it is set.
  return { ...method, blocksScale: undefined, wrapWhen: wrapsByClock(method) ? { afterMin: wrapAt } : { coreC: wrapAt } };
}

/** One piece, up to four methods side by side: what each costs and what it gives. */
export function WhatIf({ library, parameters }: { library: Library; parameters?: ParameterSet }) {
  const units = useUnits();
  const [cutId, setCutId] = useState('brisket-whole');
  const cut = cutIn(library, cutId) ?? library.cuts[0]!;
  const methods = useMemo(() => methodsFor(library, cut), [library, cut]);
  const [massKg, setMassKg] = useState(typicalTrimmedKg(cut));
  const [thickness, setThickness] = useState(1);
  const [startC, setStartC] = useState(4);
  const [grade, setGrade] = useState<Grade>('choice');
  const [pitKind, setPitKind] = useState<PitKind>('offset');
  const [weather, setWeather] = useState(0);
  const [dark, setDark] = useState(0);
  const [smokeWanted, setSmokeWanted] = useState<SmokeWanted>('usual');
  const [chew, setChew] = useState<Chew>('usual');
  const [columns, setColumns] = useState<Column[]>(() => firstColumns(methods));
  const shapeMm = pieceSize(cut, massKg).thicknessMm;

  const requests = useMemo(() => {
    const all: Record<string, WhatIfRequest> = {};
    for (const column of columns) {
      const method = methodIn(library, column.methodId);
      if (method)
        all[column.key] = {
          cut,
          method: methodWith(method, column),
          massKg,
          thicknessMm: thickness === 1 ? undefined : shapeMm * thickness,
          startC,
          grade,
          pitC: column.pitC,
          pitKind,
          altitudeM: 0,
          weather: WEATHERS[weather]![1],
          darkShare: DARK[dark]![1],
          smokeWanted,
          chew,
          ...(parameters && { parameters }),
        };
    }
    return all;
  }, [columns, library, cut, massKg, thickness, shapeMm, startC, grade, pitKind, weather, dark, smokeWanted, chew, parameters]);
  const { found, working, share, stop, stopped } = useForecasts(requests);
  const compared = useMemo(
    () =>
      columns.map((column) =>
        found[column.key] ? { name: methodIn(library, column.methodId)?.name ?? '', answer: found[column.key]!.answer } : undefined,
      ),
    [columns, found, library],
  );

  const chooseCut = (id: string) => {
    const next = cutIn(library, id)!;
    setCutId(id);
    setMassKg(typicalTrimmedKg(next));
    setThickness(1);
    setColumns(firstColumns(methodsFor(library, next)));
  };
  const change = (key: string, part: Partial<Column>) =>
    setColumns((all) => all.map((each) => (each.key === key ? { ...each, ...part } : each)));
  const [lightKg, heavyKg] = [cut.typicalBoughtKg[0] * (1 - cut.trimShare) * 0.6, cut.typicalBoughtKg[1] * (1 - cut.trimShare) * 1.4];

  return (
    <main className="mx-auto max-w-[1280px] px-4 py-4">
      <div className="mb-3 flex items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">What if</h1>
          <p className="text-soft">One piece, up to four methods. Bands hold 80 % of such cooks.</p>
        </div>
        <p role="status" className="flex h-9 items-center gap-2 text-[0.9rem] text-soft">
          {working ? (
            <>
              Forecasting, {Math.round(share * 100)} %{' '}
              <Button onClick={stop} className="min-h-8 px-2">
                <Square size={14} aria-hidden /> Stop
              </Button>
            </>
          ) : stopped ? (
            'Stopped: what is shown is not the whole forecast. Change anything to go on.'
          ) : (
            'Up to date'
          )}
        </p>
      </div>
      <section
        aria-label="The piece"
        className="mb-3 grid grid-cols-2 items-start gap-x-5 gap-y-2 rounded-md border border-line bg-sheet px-4 py-3 md:grid-cols-4 lg:grid-cols-[13rem_repeat(4,1fr)]"
      >
        <Labelled label="Cut">
          {(id) => (
            <select id={id} className={inputClass()} value={cut.id} onChange={(event) => chooseCut(event.target.value)}>
              {library.cuts.map((each) => (
                <option key={each.id} value={each.id}>
                  {capital(each.name)}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Slider
          label="Weight"
          value={massKg}
          min={lightKg}
          max={heavyKg}
          step={(heavyKg - lightKg) / 100}
          shown={formatMass(massKg, units)}
          onChange={setMassKg}
        />
        <Slider
          label="Thickness"
          value={thickness}
          min={0.7}
          max={1.3}
          step={0.01}
          shown={formatLength(shapeMm * thickness, units)}
          onChange={setThickness}
        />
        <Slider label="Goes on at" value={startC} min={1} max={20} step={0.5} shown={formatTemp(startC, units)} onChange={setStartC} />
        <Labelled label="Grade">
          {(id) => (
            <select id={id} className={inputClass()} value={grade} onChange={(event) => setGrade(event.target.value as Grade)}>
              {GRADES.map((each) => (
                <option key={each} value={each}>
                  {each === 'marbled' ? 'heavily marbled' : each}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Pit">
          {(id) => (
            <select id={id} className={inputClass()} value={pitKind} onChange={(event) => setPitKind(event.target.value as PitKind)}>
              {PIT_KINDS.map((each) => (
                <option key={each} value={each}>
                  {PIT_KIND[each].name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Weather">
          {(id) => (
            <select id={id} className={inputClass()} value={weather} onChange={(event) => setWeather(Number(event.target.value))}>
              {WEATHERS.map(([name], i) => (
                <option key={name} value={i}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Smoke">
          {(id) => (
            <select id={id} className={inputClass()} value={dark} onChange={(event) => setDark(Number(event.target.value))}>
              {DARK.map(([name], i) => (
                <option key={name} value={i}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="How much of it">
          {(id) => (
            <select
              id={id}
              className={`${inputClass()} disabled:opacity-60`}
              disabled={!laysWood({ kind: pitKind, smoke: true, racks: [] })}
              title={laysWood({ kind: pitKind, smoke: true, racks: [] }) ? undefined : 'This fire smokes as it burns.'}
              value={smokeWanted}
              onChange={(event) => setSmokeWanted(event.target.value as SmokeWanted)}
            >
              {SMOKES.map((each) => (
                <option key={each} value={each}>
                  {each}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        {cut.done.by === 'tender' && (
          <Labelled label="Tender">
            {(id) => (
              <select id={id} className={inputClass()} value={chew} onChange={(event) => setChew(event.target.value as Chew)}>
                {CHEWS.map((each) => (
                  <option key={each} value={each}>
                    {CHEW_WORDS[each]}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
        )}
      </section>
      <section aria-label="Cook curves" className="rounded-md border border-line bg-sheet p-2">
        <WhatIfChart compared={compared} />
      </section>
      <div className="mt-3 grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        {columns.map((column, i) => {
          const method = methodIn(library, column.methodId)!;
          const { letter, token } = LINES[i]!;
          const byClock = wrapsByClock(method);
          const forecasted = found[column.key];
          // Blocks that go with rack and heat are where the forecast has them.
          const inBlocks = method.blocksScale ? forecasted?.answer.wrap?.p50 : undefined;
          const wrapAt = column.wrapAt ?? (byClock ? (inBlocks ?? method.wrapWhen.afterMin) : method.wrapWhen.coreC) ?? 74;
          return (
            <section key={column.key} aria-label={`Method ${letter}`} className="rounded-md border border-line bg-sheet p-3">
              <div className="mb-2 flex items-center gap-2">
                <span
                  className="grid size-6 shrink-0 place-items-center rounded-full text-[0.85rem] font-bold text-sheet"
                  style={{ background: `var(--${token})` }}
                >
                  {letter}
                </span>
                <select
                  aria-label={`Method ${letter}`}
                  className={inputClass()}
                  value={column.methodId}
                  onChange={(event) =>
                    change(column.key, { ...columnOf(methodIn(library, event.target.value)!), key: column.key, wrapAt: undefined })
                  }
                >
                  <MethodOptions methods={methods} withHeat={false} />
                </select>
                {columns.length > 1 && (
                  <Button
                    look="quiet"
                    className="px-1.5"
                    aria-label={`Take method ${letter} away`}
                    onClick={() => setColumns((all) => all.filter((each) => each.key !== column.key))}
                  >
                    <X size={16} aria-hidden />
                  </Button>
                )}
              </div>
              <Slider
                label={`Pit heat ${letter}`}
                value={column.pitC}
                min={Math.max(107, method.pitRangeC[0] - 15)}
                max={method.pitRangeC[1] + 15}
                step={1}
                shown={formatSetPoint(column.pitC, units)}
                onChange={(pitC) => change(column.key, { pitC })}
              />
              {method.wrap === 'none' ? (
                <p className="h-[2.9rem] pt-1 text-[0.85rem] text-soft">Never wrapped</p>
              ) : (
                <Slider
                  label={`Wrapped in ${method.wrap} ${letter}`}
                  value={wrapAt}
                  min={byClock ? 60 : 55}
                  max={byClock ? 480 : 95}
                  step={byClock ? 5 : 1}
                  shown={
                    byClock
                      ? `after ${formatMinutes(wrapAt)}`
                      : method.wrapWhen.bark && column.wrapAt === undefined
                        ? 'at set bark'
                        : `core ${formatTemp(wrapAt, units)}`
                  }
                  onChange={(value) => change(column.key, { wrapAt: value })}
                />
              )}
              {forecasted ? (
                <Figures answer={forecasted.answer} whole={forecasted.whole} units={units} tender={cut.done.by === 'tender'} />
              ) : (
                <p className="py-8 text-center text-soft">Forecasting…</p>
              )}
            </section>
          );
        })}
        {columns.length < Math.min(MOST_COLUMNS, Math.max(2, methods.length)) && (
          <button
            type="button"
            className="grid min-h-24 place-items-start justify-center rounded-md pt-5 border border-dashed border-line text-soft hover:border-soft"
            onClick={() =>
              setColumns((all) => [
                ...all,
                columnOf(methods.find((method) => !all.some((each) => each.methodId === method.id)) ?? methods[0]!),
              ])
            }
          >
            <span className="flex items-center gap-2 font-semibold">
              <Plus size={17} aria-hidden /> Compare another method
            </span>
          </button>
        )}
      </div>
    </main>
  );
}

const FIRST = ['low-bare', 'low-paper', 'hot-foil'];

function firstColumns(methods: Method[]): Column[] {
  const chosen = FIRST.flatMap((id) => methods.filter((method) => method.id === id));
  return (chosen.length > 1 ? chosen : methods.slice(0, 2)).map(columnOf);
}

function Labelled({ label, children }: { label: string; children(id: string): React.ReactNode }) {
  const id = `piece-${label.toLowerCase()}`;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-[0.85rem] text-soft">
        {label}
      </label>
      {children(id)}
    </div>
  );
}
