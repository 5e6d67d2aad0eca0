'use client';
import { useState } from 'react';
import type { Weighed } from '../../core/day';
import { cutIn, fuelOf } from '../../core/model';
import { batchName, pitName, type MessageContext } from '../../formats/messages/names';
import { formatMass } from '../../formats/units';
import { conversions } from '../kit/conversions';
import { NumberField } from '../kit/NumberField';
import { useUnits } from '../kit/UnitsProvider';
import { FireAsMade } from './FireAsMade.client';
import type { DayScreen } from './dayScreen';
import type { Say } from './useDeeds';
import { TableHead } from '../kit/TableHead';

interface OnTheScaleProps {
  day: DayScreen;
  context: MessageContext;
  say: Say;
}

/** What is weighed when a cook is over: fuel, meat as it came to be carved, what was left of it. What nobody weighed stays empty. */
export function OnTheScale({ day, context, say }: OnTheScaleProps) {
  const { event, library } = context;
  const pits = day.pits.filter(({ litAtMs }) => litAtMs !== undefined);
  const batches = event.batches.filter(({ cutId }) => cutIn(library, cutId)?.species !== 'dish');
  const field = (of: Weighed, id: string, label: string) => (
    <Weight
      key={`${of}/${id}/${day.weighed[of][id] ?? ''}`}
      name={`${of}/${id}`}
      label={label}
      kg={day.weighed[of][id]}
      onKept={(kg) => say({ kind: 'weighed', of, id, kg }, `${label}: ${formatMass(kg, context.units)}`)}
    />
  );
  return (
    <div className="px-4 py-4">
      <h2 className="text-[1.2rem]">On the scale</h2>
      <p className="mt-1 max-w-prose text-soft">
        The log learns from it what your fires burn, what your meat yields and what your guests eat. Each number counts as soon as you leave
        its field.
      </p>
      <h3 className="mt-4 text-[1.02rem]">Fires: fuel burnt, what lit it included, and how each was made</h3>
      {pits.length === 0 && <p className="text-soft">No pit was lit.</p>}
      <ul className="mt-1 grid gap-2">
        {pits.map(({ pitId }) => {
          const pit = context.pits.find(({ id }) => id === pitId);
          const name = pitName(context, pitId);
          return (
            <li key={pitId} className="flex flex-wrap items-center justify-between gap-3 border-b border-line pb-2">
              <span>
                {name}
                {pit && <span className="text-soft">, {fuelOf(pit).kind}</span>}
              </span>
              {field('fuel', pitId, `Fuel burnt, ${name}`)}
              {pit && <FireAsMade pit={pit} day={day} context={context} say={say} />}
            </li>
          );
        })}
      </ul>
      <table className="mt-5 w-full text-left">
        <TableHead names={['Meat', 'Ready to carve', 'Left over']} />
        <tbody>
          {batches.map(({ id }) => {
            const name = batchName(context, id);
            return (
              <tr key={id} className="border-b border-line">
                <th scope="row" className="py-1.5 pr-3 font-normal">
                  {name}
                </th>
                <td className="py-1.5 pr-3">{field('ready', id, `${name}, ready to carve`)}</td>
                <td className="py-1.5">{field('left', id, `${name}, left over`)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Weight({ name, label, kg, onKept }: { name: string; label: string; kg: number | undefined; onKept(kg: number): void }) {
  const [typed, setTyped] = useState(kg ?? Number.NaN);
  const { weight } = conversions(useUnits());
  const keep = () => {
    if (Number.isFinite(typed) && typed >= 0 && typed !== kg) onKept(typed);
  };
  return (
    <NumberField
      id={name.replaceAll('/', '-')}
      label={label}
      value={typed}
      onChange={setTyped}
      {...weight}
      className="w-32"
      inputProps={{ onBlur: keep, onKeyDown: ({ key }) => key === 'Enter' && keep() }}
    />
  );
}
