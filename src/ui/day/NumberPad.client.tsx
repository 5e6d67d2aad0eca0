'use client';
import { Delete } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { SPOTS, type Spot } from '../../core/day';
import { celsiusFromFahrenheit } from '../../core/units';
import { formatTemp } from '../../formats/units';
import { useUnits } from '../kit/UnitsProvider';

export interface PadTarget {
  /** A piece's key, or `pit/` and a pit's id. */
  key: string;
  tag: string;
  last?: number;
  /** Of a pit: the grate, its gauge, and bands of its racks. */
  places?: PadPlace[];
}
export interface PadPlace {
  label: string;
  at?: 'gauge';
  rackId?: string;
  band?: number;
}

interface NumberPadProps {
  targets: PadTarget[];
  first: string;
  /** Asked for beside the number; none for pits. */
  spots?: boolean;
  onRead(key: string, tempC: number, spot: Spot, place?: PadPlace): void;
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];
const LOWEST_C = -30;
const HIGHEST_CORE_C = 130;
const HIGHEST_PIT_C = 480;

/** A number pad for greasy thumbs: the piece, the number, kept. What cannot be a reading says so and is not kept. */
export function NumberPad({ targets, first, spots = true, onRead }: NumberPadProps) {
  const units = useUnits();
  const [key, setKey] = useState(first);
  const [typed, setTyped] = useState('');
  const [spot, setSpot] = useState<Spot>('thickest');
  const [place, setPlace] = useState(0);
  const [trouble, setTrouble] = useState('');
  const strip = useRef<HTMLDivElement>(null);
  // What is read may stand far along its strip.
  useEffect(() => {
    strip.current?.querySelector('[aria-checked="true"]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [key]);
  const target = targets.find((each) => each.key === key);
  const isPit = key.startsWith('pit/');
  const tempC = typed === '' ? undefined : units.temp === 'F' ? celsiusFromFahrenheit(Number(typed)) : Number(typed);
  const keep = () => {
    if (tempC === undefined || !target) return;
    if (tempC > (isPit ? HIGHEST_PIT_C : HIGHEST_CORE_C) || tempC < LOWEST_C) {
      setTrouble(`${typed} °${units.temp} cannot be ${isPit ? 'a pit' : 'a core'}. Nothing was kept; type it again.`);
      setTyped('');
      return;
    }
    setTrouble('');
    onRead(key, tempC, spot, target.places?.[place]);
    setTyped('');
    setPlace(0);
    // On to the next one that has not been read.
    const at = targets.findIndex((each) => each.key === key);
    setKey(targets[(at + 1) % targets.length]?.key ?? key);
  };
  const press = (digit: string) => {
    setTrouble('');
    setTyped((before) => (before.length < 5 ? before + digit : before));
  };
  const button = 'figures min-h-14 rounded border border-line bg-sheet text-[1.6rem] font-bold active:bg-shade';
  return (
    <div className="flex flex-col gap-3">
      <div ref={strip} role="radiogroup" aria-label="What is read" className="flex gap-2 overflow-x-auto pb-1">
        {targets.map((each) => (
          <button
            key={each.key}
            type="button"
            role="radio"
            aria-checked={each.key === key}
            onClick={() => {
              setKey(each.key);
              setPlace(0);
            }}
            className={`min-h-12 shrink-0 rounded border px-3 text-left leading-tight ${each.key === key ? 'border-ember bg-ember text-on-ember' : 'border-line bg-sheet'}`}
          >
            <span className="block text-[1rem] font-bold">{each.tag}</span>
            <span className={`block text-[0.8rem] ${each.key === key ? '' : 'text-soft'}`}>
              {each.last === undefined ? 'not read' : formatTemp(each.last, units)}
            </span>
          </button>
        ))}
      </div>
      {spots && !isPit && (
        <div role="radiogroup" aria-label="Where in it" className="flex gap-2">
          {SPOTS.map((each) => (
            <button
              key={each}
              type="button"
              role="radio"
              aria-checked={each === spot}
              onClick={() => setSpot(each)}
              className={`min-h-12 grow rounded border px-1 text-[0.92rem] ${each === spot ? 'border-ink font-bold' : 'border-line text-soft'}`}
            >
              {each}
            </button>
          ))}
        </div>
      )}
      {target?.places && target.places.length > 1 && (
        <div role="radiogroup" aria-label="Where it is read" className="flex gap-2 overflow-x-auto pb-1">
          {target.places.map(({ label }, at) => (
            <button
              key={label}
              type="button"
              role="radio"
              aria-checked={at === place}
              onClick={() => setPlace(at)}
              className={`min-h-12 shrink-0 grow rounded border px-2 text-[0.92rem] ${at === place ? 'border-ink font-bold' : 'border-line text-soft'}`}
            >
              {label}
            </button>
          ))}
        </div>
      )}
      <p className="figures text-center text-[2.6rem] leading-none font-bold" aria-live="polite">
        {typed === '' ? <span className="text-soft">_</span> : typed} <span className="text-[1.4rem] text-soft">°{units.temp}</span>
      </p>
      {trouble && (
        <p role="alert" className="text-center font-semibold text-bad">
          {trouble}
        </p>
      )}
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <button key={digit} type="button" className={button} onClick={() => press(digit)}>
            {digit}
          </button>
        ))}
        <button type="button" className={button} onClick={() => setTyped((before) => before.slice(0, -1))} aria-label="Take back a digit">
          <Delete size={24} className="mx-auto" aria-hidden />
        </button>
        <button type="button" className={button} onClick={() => press('0')}>
          0
        </button>
        <button type="button" className={button} onClick={() => press('.')} aria-label="Point">
          .
        </button>
      </div>
      <button
        type="button"
        disabled={tempC === undefined || !Number.isFinite(tempC)}
        onClick={keep}
        className="min-h-14 rounded border border-ember bg-ember text-[1.15rem] font-bold text-on-ember disabled:opacity-50"
      >
        Keep for {target?.tag ?? ''}
      </button>
    </div>
  );
}
