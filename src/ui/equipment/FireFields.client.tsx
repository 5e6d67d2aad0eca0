'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, type Path } from 'react-hook-form';
import type { PitRecord } from '../../inputs';
import { Button } from '../kit/Button';
import { FireParts } from './FireParts';

type P = PitRecord;
const MOST_FIRES = 8;

/** How the fire of a pit is made, heat by heat: printed whole where the run sheet says to light it. */
export function FireFields() {
  const { control, getValues } = useFormContext<P>();
  const fires = useFieldArray({ control, name: 'fires', keyName: 'key' });
  return (
    <div>
      <p className="mt-2 text-soft">How its fire is made, for each heat: the run sheet prints it where the pit is lit.</p>
      {fires.fields.map((fire, i) => (
        <fieldset key={fire.key} className="mt-2 grid grid-cols-2 items-end gap-x-3 gap-y-1 border-t border-line pt-2 sm:grid-cols-4">
          <FireParts<P> at={(part) => `fires.${i}.${part}` as Path<P>} />
          <Button look="quiet" className="justify-self-end px-2" aria-label={`Remove fire ${i + 1}`} onClick={() => fires.remove(i)}>
            <Trash2 size={16} aria-hidden />
          </Button>
        </fieldset>
      ))}
      <Button
        className="mt-2"
        disabled={fires.fields.length >= MOST_FIRES}
        onClick={() => fires.append({ pitC: getValues('fires')?.length ? 149 : 121 })}
      >
        <Plus size={16} aria-hidden /> Add a fire
      </Button>
    </div>
  );
}
