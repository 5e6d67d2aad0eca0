'use client';
import { Flame, Plus, SquareDashed, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { BLOCKED_BY, RACK_SIDES } from '../../core/model';
import type { PitRecord } from '../../inputs';
import { Button } from '../kit/Button';
import { SIDE_NAMES } from './sideNames';
import { conversions } from '../kit/conversions';
import { SelectField, FigureField, Tick, TextField } from '../kit/formFields';
import { useUnits } from '../kit/UnitsProvider';
import { newId } from '../kit/newId';

type P = PitRecord;

/** The racks of a pit: their measures, and on each its hot bands and what stands in the way. */
export function RackFields() {
  const { control, getValues } = useFormContext<P>();
  const racks = useFieldArray({ control, name: 'racks', keyName: 'key' });
  return (
    <>
      <h3 className="mb-1 mt-2 text-base">Racks</h3>
      <ul className="space-y-3">
        {racks.fields.map((rack, i) => (
          <li key={rack.key} className="rounded border border-line p-3">
            <RackCard at={i} only={racks.fields.length === 1} onRemove={() => racks.remove(i)} />
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() => {
          const last = getValues('racks').at(-1)!;
          racks.append({ ...last, id: newId(), name: `rack ${racks.fields.length + 1}`, level: last.level + 1 });
        }}
      >
        <Plus size={16} aria-hidden /> Add a rack
      </Button>
    </>
  );
}

function RackCard({ at, only, onRemove }: { at: number; only: boolean; onRemove(): void }) {
  const { size, weight, plain, drop } = conversions(useUnits());
  const { control } = useFormContext<P>();
  const round = useWatch({ control, name: `racks.${at}.round` });
  const zones = useFieldArray({ control, name: `racks.${at}.zones`, keyName: 'key' });
  const blocked = useFieldArray({ control, name: `racks.${at}.blocked`, keyName: 'key' });
  const rack = `of rack ${at + 1}`;
  return (
    <>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-6">
        <TextField<P> name={`racks.${at}.name`} label="Name" ariaLabel={`Name ${rack}`} className="sm:col-span-2" />
        <FigureField<P> name={`racks.${at}.widthMm`} label={round ? 'Diameter' : 'Width'} ariaLabel={`Width ${rack}`} conversion={size} />
        {round ? <span /> : <FigureField<P> name={`racks.${at}.depthMm`} label="Depth" ariaLabel={`Depth ${rack}`} conversion={size} />}
        <FigureField<P> name={`racks.${at}.clearanceMm`} label="Headroom" ariaLabel={`Headroom ${rack}`} conversion={size} />
        <FigureField<P> name={`racks.${at}.maxKg`} label="Carries" ariaLabel={`Load ${rack}`} conversion={weight} />
        <FigureField<P> name={`racks.${at}.level`} label="Level, 1 lowest" ariaLabel={`Level ${rack}`} conversion={plain} />
        <SelectField<P>
          name={`racks.${at}.hotSide`}
          label="Hot side"
          ariaLabel={`Hot side ${rack}`}
          optional
          options={[['', 'by its bands'] as const, ...RACK_SIDES.map((side) => [side, SIDE_NAMES[side]] as const)]}
        />
        <Tick<P> name={`racks.${at}.round`} label="round" />
        <div className="flex items-end justify-end gap-1 sm:col-span-3">
          <Button onClick={() => zones.append({ fromMm: 0, toMm: 300, offsetC: 8 })}>
            <Flame size={15} aria-hidden /> Hot band
          </Button>
          <Button onClick={() => blocked.append({ xMm: 0, yMm: 0, widthMm: 150, depthMm: 150, by: 'water pan' })}>
            <SquareDashed size={15} aria-hidden /> Blocked part
          </Button>
          <Button look="quiet" className="px-2" aria-label={`Remove rack ${at + 1}`} disabled={only} onClick={onRemove}>
            <Trash2 size={16} aria-hidden />
          </Button>
        </div>
      </div>
      {zones.fields.map((zone, k) => (
        <div key={zone.key} className="mt-2 grid grid-cols-2 gap-2 border-t border-line pt-2 sm:grid-cols-6">
          <p className="self-end pb-2 text-[0.9rem] text-soft sm:col-span-2">Band {k + 1}: hotter or cooler than set</p>
          <FigureField<P>
            name={`racks.${at}.zones.${k}.fromMm`}
            label="From, left"
            ariaLabel={`Start of band ${k + 1} ${rack}`}
            conversion={size}
          />
          <FigureField<P> name={`racks.${at}.zones.${k}.toMm`} label="To" ariaLabel={`End of band ${k + 1} ${rack}`} conversion={size} />
          <FigureField<P>
            name={`racks.${at}.zones.${k}.offsetC`}
            label="Offset"
            ariaLabel={`Offset of band ${k + 1} ${rack}`}
            conversion={drop}
          />
          <RemoveButton label={`Remove band ${k + 1} ${rack}`} onClick={() => zones.remove(k)} />
        </div>
      ))}
      {blocked.fields.map((part, k) => (
        <div key={part.key} className="mt-2 grid grid-cols-2 gap-2 border-t border-line pt-2 sm:grid-cols-6">
          <SelectField<P>
            name={`racks.${at}.blocked.${k}.by`}
            label="Blocked by"
            ariaLabel={`What blocks part ${k + 1} ${rack}`}
            options={BLOCKED_BY.map((by) => [by, by] as const)}
          />
          <FigureField<P>
            name={`racks.${at}.blocked.${k}.xMm`}
            label="From left"
            ariaLabel={`Left of part ${k + 1} ${rack}`}
            conversion={size}
          />
          <FigureField<P>
            name={`racks.${at}.blocked.${k}.yMm`}
            label="From door"
            ariaLabel={`Door side of part ${k + 1} ${rack}`}
            conversion={size}
          />
          <FigureField<P>
            name={`racks.${at}.blocked.${k}.widthMm`}
            label="Width"
            ariaLabel={`Width of part ${k + 1} ${rack}`}
            conversion={size}
          />
          <FigureField<P>
            name={`racks.${at}.blocked.${k}.depthMm`}
            label="Depth"
            ariaLabel={`Depth of part ${k + 1} ${rack}`}
            conversion={size}
          />
          <RemoveButton label={`Remove part ${k + 1} ${rack}`} onClick={() => blocked.remove(k)} />
        </div>
      ))}
    </>
  );
}

function RemoveButton({ label, onClick }: { label: string; onClick(): void }) {
  return (
    <Button look="quiet" className="self-end justify-self-start px-2" aria-label={label} onClick={onClick}>
      <Trash2 size={15} aria-hidden />
    </Button>
  );
}
