'use client';
import { Slider as Radix } from 'radix-ui';

interface SliderProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value in words, also for those who cannot see the track. */
  shown: string;
  onChange(value: number): void;
}

/** A slider with its figure beside its name. Arrow keys move it by a step, Page keys by ten. */
export function Slider({ label, value, min, max, step, shown, onChange }: SliderProps) {
  return (
    <div>
      <p className="flex items-baseline justify-between gap-2 text-[0.85rem]">
        <span className="text-soft">{label}</span>
        <span className="figures font-bold">{shown}</span>
      </p>
      <Radix.Root
        className="relative flex h-6 w-full touch-none select-none items-center"
        value={[value]}
        min={min}
        max={max}
        step={step}
        onValueChange={([next]) => next !== undefined && onChange(next)}
      >
        <Radix.Track className="relative h-1 grow rounded-full bg-line">
          <Radix.Range className="absolute h-full rounded-full bg-ember" />
        </Radix.Track>
        <Radix.Thumb aria-label={label} aria-valuetext={shown} className="block size-5 rounded-full border-2 border-ember bg-sheet" />
      </Radix.Root>
    </div>
  );
}
