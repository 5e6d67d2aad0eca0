'use client';
import Link from 'next/link';
import { useRef, useState } from 'react';
import type { CookEvent, HoldingBox, Pit } from '../../core/model';
import { attempt, complain, type Action } from '../kit/actions';
import { buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { PitFacts } from '../equipment/PitFacts';
import { RackDrawing } from '../equipment/RackDrawing';

/** Which of the owned pits and boxes this event uses. Each tick is saved at once. */
export function EventPits({
  event,
  pits,
  boxes,
  chooseEquipment,
}: {
  event: CookEvent;
  pits: Pit[];
  boxes: HoldingBox[];
  chooseEquipment: Action<CookEvent>;
}) {
  const units = useUnits();
  const [pitIds, setPitIds] = useState(event.pitIds);
  const [boxIds, setBoxIds] = useState(event.boxIds);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const keep = (nextPits: string[], nextBoxes: string[]) => {
    const before = { pitIds, boxIds };
    setPitIds(nextPits);
    setBoxIds(nextBoxes);
    queue.current = queue.current.then(async () => {
      const known = {
        pitIds: nextPits.filter((id) => pits.some((pit) => pit.id === id)),
        boxIds: nextBoxes.filter((id) => boxes.some((box) => box.id === id)),
      };
      const outcome = await attempt(chooseEquipment, { eventId: event.id, ...known });
      if (outcome.ok) return;
      setPitIds(before.pitIds);
      setBoxIds(before.boxIds);
      complain(outcome.problems);
    });
  };
  const toggled = (list: string[], id: string) => (list.includes(id) ? list.filter((each) => each !== id) : [...list, id]);
  return (
    <main className="mx-auto max-w-5xl px-4 py-5">
      <div className="mb-4 flex items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">Pits</h1>
          <p className="text-soft">What this event cooks and holds on. The plan uses only what is ticked.</p>
        </div>
        <Link href="/equipment" className={buttonClass()}>
          Change equipment
        </Link>
      </div>
      {pits.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">You have no pits yet</h2>
          <p className="mt-1 text-soft">Add your pits and their racks under Equipment; they are then offered here for every event.</p>
          <Link href="/equipment" className={`${buttonClass('ember')} mt-4`}>
            Add the first pit
          </Link>
        </div>
      )}
      <ul className="space-y-3">
        {pits.map((pit) => {
          const used = pitIds.includes(pit.id);
          return (
            <li key={pit.id} className={`rounded-md border bg-sheet p-4 ${used ? 'border-soft' : 'border-line opacity-75'}`}>
              <label className="flex items-start gap-3">
                <input type="checkbox" className="mt-1 size-5" checked={used} onChange={() => keep(toggled(pitIds, pit.id), boxIds)} />
                <span>
                  <span className="font-title text-lg font-bold">{pit.name}</span>
                  <PitFacts pit={pit} units={units} />
                </span>
              </label>
              <div className="mt-3 pl-8">
                <RackDrawing pit={pit} units={units} />
              </div>
            </li>
          );
        })}
      </ul>
      <h2 className="mb-2 mt-6 text-lg">Holding</h2>
      {boxes.length === 0 && (
        <p className="text-soft">No box is owned yet. Add one under Equipment: it is what keeps an early finish hot.</p>
      )}
      <ul className="space-y-2">
        {boxes.map((box) => (
          <li key={box.id} className="rounded-md border border-line bg-sheet px-4 py-2">
            <label className="flex items-center gap-3">
              <input
                type="checkbox"
                className="size-5"
                checked={boxIds.includes(box.id)}
                onChange={() => keep(pitIds, toggled(boxIds, box.id))}
              />
              <span className="font-semibold">{box.name}</span>
              <span className="figures text-soft">{box.litres} L</span>
            </label>
          </li>
        ))}
      </ul>
    </main>
  );
}
