'use client';
import { ChevronDown } from 'lucide-react';
import { ALLERGENS, DIET_FLAGS, inListOrder, type Carried } from '../../core/model';
import { carriedName } from '../../formats/messages/carried';
import { inputClass } from './Field';
import { Popover } from './Popover.client';

interface CarriedPickerProps {
  id: string;
  label: string;
  /** Not declared when undefined: nobody has said yet, which is not the same as nothing. */
  value: readonly Carried[] | undefined;
  onChange(value: Carried[] | undefined): void;
  /** Offers to say so; an ingredient is declared with its whole recipe instead. */
  declares?: boolean;
}

/** Chooses allergens and diet flags from the two published lists. */
export function CarriedPicker({ id, label, value: declared, onChange, declares = false }: CarriedPickerProps) {
  const value = declared ?? [];
  const toggle = (carried: Carried, on: boolean) =>
    onChange(inListOrder(on ? [...value, carried] : value.filter((each) => each !== carried)));
  const box = (carried: Carried, note?: string) => (
    <label key={carried} className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-4.5"
        checked={value.includes(carried)}
        onChange={(event) => toggle(carried, event.target.checked)}
      />
      {carriedName(carried)} {note && <span className="text-[0.78rem] text-soft">{note}</span>}
    </label>
  );
  const chosen = value.length > 0 ? value.map(carriedName).join(', ') : declared ? 'declared: none of the lists' : 'not declared';
  return (
    <Popover
      id={id}
      label={`${label}: ${chosen}`}
      className={`${inputClass()} flex items-center justify-between gap-1 text-left`}
      align="start"
      panelClassName="grid w-96 grid-cols-2 gap-x-4 p-3"
      button={
        <>
          <span className="truncate">{chosen}</span>
          <ChevronDown size={15} className="shrink-0 text-soft" aria-hidden />
        </>
      }
    >
      {() => (
        <>
          {declares && (
            <label className="col-span-2 flex min-h-8 items-center gap-2 border-b border-line pb-1 font-semibold">
              <input
                type="checkbox"
                className="size-4.5"
                checked={declared !== undefined}
                onChange={(event) => onChange(event.target.checked ? [] : undefined)}
              />
              Declared: what is not ticked below is not in it
            </label>
          )}
          {ALLERGENS.map((each) => box(each.id, each.us && each.eu ? undefined : each.eu ? 'EU' : 'US'))}
          <p className="col-span-2 mt-1 border-t border-line pt-1 text-[0.82rem] text-soft">Diets: contains</p>
          {DIET_FLAGS.map((each) => box(each))}
        </>
      )}
    </Popover>
  );
}
