'use client';
import { Pencil, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { PIT_KIND_NAMES, PIT_KINDS, type HoldingBox, type Pit, type PitKind } from '../../core/model';
import type { BoxInput, PitInput } from '../../doors';
import { announce, attempt, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { inputClass } from '../kit/Field';
import { useUnits } from '../kit/UnitsProvider';
import { BoxForm } from './BoxForm.client';
import { PitForm } from './PitForm.client';
import { PitFacts } from './PitFacts';
import { presetPit } from './presets';
import { RackDrawing } from './RackDrawing';

export interface EquipmentActions {
  keepPit: Action<unknown>;
  keepBox: Action<unknown>;
  putPitAway: Action<unknown>;
  bringPitBack: Action<unknown>;
  putBoxAway: Action<unknown>;
  bringBoxBack: Action<unknown>;
}

const inputOf = ({ rangeC, ...pit }: Pit): PitInput => ({ ...pit, rangeLowC: rangeC[0], rangeHighC: rangeC[1] });
const newBox = (): BoxInput => ({ id: crypto.randomUUID(), name: 'Insulated box', litres: 70, lossWPerK: 0.6 });

/** What the owner has: pits with their racks to scale, and boxes. */
export function EquipmentPage({ pits, boxes, actions }: { pits: Pit[]; boxes: HoldingBox[]; actions: EquipmentActions }) {
  const units = useUnits();
  const [pit, setPit] = useState<PitInput>();
  const [box, setBox] = useState<BoxInput>();
  const away = async (put: Action<unknown>, back: Action<unknown>, each: { id: string; name: string }) => {
    const outcome = await attempt(put, { id: each.id });
    if (!outcome.ok) return complain(outcome.problems);
    announce(`${each.name} put away.`, async () => {
      const again = await attempt(back, { id: each.id });
      if (!again.ok) complain(again.problems);
    });
  };
  return (
    <main className="mx-auto max-w-5xl px-4 py-6">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-2xl">Equipment</h1>
          <p className="text-soft">What you own or hire. Each event chooses from it.</p>
        </div>
        <div className="flex items-center gap-2">
          <select
            aria-label="Add a pit"
            className={`${inputClass()} w-56`}
            value=""
            onChange={(change) => change.target.value && setPit(presetPit(change.target.value as PitKind))}
          >
            <option value="">Add a pit…</option>
            {PIT_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {PIT_KIND_NAMES[kind]}
              </option>
            ))}
          </select>
          <Button onClick={() => setBox(newBox())}>
            <Plus size={16} aria-hidden /> Add a box
          </Button>
        </div>
      </div>
      {pits.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">No pits yet</h2>
          <p className="mt-1 max-w-xl text-soft">
            Choose the kind of your first pit under “Add a pit”. It comes with the usual values; measure its racks and put in your own.
          </p>
        </div>
      )}
      <ul className="space-y-4">
        {pits.map((each) => (
          <li key={each.id} className="rounded-md border border-line bg-sheet p-4">
            <div className="mb-3 flex items-start justify-between gap-3">
              <div>
                <h2 className="text-lg">{each.name}</h2>
                <PitFacts pit={each} units={units} />
              </div>
              <OwnedButtons
                name={each.name}
                onChange={() => setPit(inputOf(each))}
                onAway={() => away(actions.putPitAway, actions.bringPitBack, each)}
              />
            </div>
            <RackDrawing pit={each} units={units} />
          </li>
        ))}
      </ul>
      <h2 className="mb-2 mt-8 text-lg">Insulated boxes</h2>
      {boxes.length === 0 ? (
        <p className="rounded-md border border-dashed border-line bg-sheet p-4 text-soft">
          No box yet. A box takes the meat that is done early and keeps it hot until it is carved: without one the plan has nothing to
          absorb an early finish.
        </p>
      ) : (
        <ul className="divide-y divide-line rounded-md border border-line bg-sheet">
          {boxes.map((each) => (
            <li key={each.id} className="flex items-center justify-between gap-3 px-4 py-2">
              <p>
                <span className="font-semibold">{each.name}</span>{' '}
                <span className="figures text-soft">
                  {each.litres} L · loses {each.lossWPerK} W/K
                </span>
              </p>
              <OwnedButtons
                name={each.name}
                onChange={() => setBox(each)}
                onAway={() => away(actions.putBoxAway, actions.bringBoxBack, each)}
              />
            </li>
          ))}
        </ul>
      )}
      <Dialog open={pit !== undefined} onOpenChange={(open) => !open && setPit(undefined)} title={pit ? pit.name : 'Pit'} wide>
        {pit && <PitForm pit={pit} keepPit={actions.keepPit} onDone={() => setPit(undefined)} />}
      </Dialog>
      <Dialog open={box !== undefined} onOpenChange={(open) => !open && setBox(undefined)} title={box ? box.name : 'Box'}>
        {box && <BoxForm box={box} keepBox={actions.keepBox} onDone={() => setBox(undefined)} />}
      </Dialog>
    </main>
  );
}

function OwnedButtons({ name, onChange, onAway }: { name: string; onChange(): void; onAway(): void }) {
  return (
    <div className="flex gap-1">
      <Button onClick={onChange} aria-label={`Change ${name}`}>
        <Pencil size={16} aria-hidden /> Change
      </Button>
      <Button look="quiet" className="px-2" aria-label={`Put ${name} away`} onClick={onAway}>
        <Trash2 size={17} aria-hidden />
      </Button>
    </div>
  );
}
