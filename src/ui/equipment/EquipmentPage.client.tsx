'use client';
import { Pencil, Plus, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { EQUIPMENT_SETS, fuelOf, PIT_KIND, PIT_KINDS, presetPit, type Equipment, type Pit, type PitKind } from '../../core/model';
import { checkProbe } from '../../core/gear';
import type { HoldingBoxRecord, CrewMemberRecord, PitRecord, ProbeRecord, WarmerRecord } from '../../inputs';
import { shortDay } from '../../formats/clock';
import { formatHeatLoss, formatRoom, formatTemp, formatTempDifference } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { inputClass } from '../kit/Field';
import { useHydrated, useReaderZone } from '../kit/hydrated';
import { useUnits } from '../kit/UnitsProvider';
import { NeedsRepair, type Unusable } from '../shell/NeedsRepair.client';
import { BoxForm } from './BoxForm.client';
import { CrewForm, ProbeForm, WarmerForm } from './GearForms.client';
import { ReadySets } from './ReadySets.client';
import { PitFacts } from './PitFacts';
import { PitForm } from './PitForm.client';
import { RackDrawing } from './RackDrawing';
import { newId } from '../kit/newId';

type Save = Action<{ id: string }>;
export interface EquipmentActions {
  savePit: Save;
  saveBox: Save;
  saveWarmer: Save;
  saveProbe: Save;
  saveCrew: Save;
  addSet: Save;
  putGearAway: Save;
  bringGearBack: Save;
}

/** A pit as its form holds it: with its fuel, and lists where it has none yet. */
const pitInput = (pit: Pit): PitRecord => ({
  ...pit,
  fuel: { ...fuelOf(pit) },
  blower: Boolean(pit.blower),
  travels: Boolean(pit.travels),
  hired: Boolean(pit.hired),
  racks: pit.racks.map((rack) => ({ ...rack, round: Boolean(rack.round), zones: rack.zones ?? [], blocked: rack.blocked ?? [] })),
});

/** What is being changed, by kind. */
type Open =
  | { kind: 'pit'; entry: PitRecord }
  | { kind: 'box'; entry: HoldingBoxRecord }
  | { kind: 'warmer'; entry: WarmerRecord }
  | { kind: 'probe'; entry: ProbeRecord }
  | { kind: 'crew'; entry: CrewMemberRecord };

const fresh = (): string => newId();
const NEW = {
  box: () => ({ id: fresh(), name: 'Insulated box', litres: 70, lossWPerK: 0.6, travels: true }),
  warmer: () => ({ id: fresh(), name: 'Warmer', kind: 'warmer' as const, slots: 8, setC: 63 }),
  probe: () => ({ id: fresh(), name: 'Thermometer', channels: 4, out: false }),
  crew: () => ({ id: fresh(), name: '' }),
};

interface EquipmentPageProps {
  equipment: Equipment;
  unusable: readonly Unusable[];
  actions: EquipmentActions;
}

/** What the owner has or hires: pits with their racks to scale, what holds, what measures, and who works. */
export function EquipmentPage({ equipment, unusable, actions }: EquipmentPageProps) {
  const zone = useReaderZone();
  const listens = useHydrated();
  const { pits, boxes, warmers, probes, crew } = equipment;
  const units = useUnits();
  const [open, setOpen] = useState<Open>();
  /** The entry as it stood when its form was opened: what is saved is held against it. */
  const [opened, setOpened] = useState<object>();
  const openForm = (next: Open) => {
    setOpened([...pits, ...boxes, ...warmers, ...probes, ...crew].find((each) => each.id === next.entry.id));
    setOpen(next);
  };
  const close = () => setOpen(undefined);
  const away = async (put: Save, back: Save, ref: { kind: string; id: string }, name: string) => {
    const outcome = await callAction(put, ref);
    if (!outcome.ok) return complain(outcome.problems);
    announce(`${name} put away.`, async () => {
      const again = await callAction(back, ref);
      if (!again.ok) complain(again.problems);
    });
  };
  const gearAway = (kind: 'pit' | 'box' | 'warmer' | 'probe' | 'crew', each: { id: string; name: string }) => () =>
    away(actions.putGearAway, actions.bringGearBack, { kind, id: each.id }, each.name);
  const addSet = async (id: string) => {
    const outcome = await callAction(actions.addSet, { id });
    if (!outcome.ok) return complain(outcome.problems);
    announce('Added. Measure the racks and put in your own figures.');
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
            disabled={!listens}
            className={`${inputClass()} max-w-52`}
            value=""
            onChange={(change) => {
              if (change.target.value) openForm({ kind: 'pit', entry: pitInput(presetPit(change.target.value as PitKind, fresh)) });
            }}
          >
            <option value="">Add a pit…</option>
            {PIT_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {PIT_KIND[kind].name}
              </option>
            ))}
          </select>
          <select
            aria-label="Add a ready-made set"
            disabled={!listens}
            className={`${inputClass()} max-w-60`}
            value=""
            onChange={(change) => void (change.target.value && addSet(change.target.value))}
          >
            <option value="">Add a ready-made set…</option>
            {EQUIPMENT_SETS.map((set) => (
              <option key={set.id} value={set.id} title={set.line}>
                {set.name}
              </option>
            ))}
          </select>
        </div>
      </div>
      <NeedsRepair entries={unusable} takeWords="Put away" take={actions.putGearAway} />
      {pits.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">No pits yet</h2>
          <p className="mt-1 max-w-xl text-soft">
            Choose the kind of your first pit under “Add a pit”. It comes with the usual values; measure its racks and put in your own. Or
            begin with a ready-made set:
          </p>
          <ReadySets addSet={actions.addSet} />
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
                onChange={() => openForm({ kind: 'pit', entry: pitInput(each) })}
                onAway={gearAway('pit', each)}
              />
            </div>
            <RackDrawing pit={each} units={units} />
          </li>
        ))}
      </ul>
      <Shelf
        title="Holding"
        add={
          <>
            <Button onClick={() => openForm({ kind: 'box', entry: NEW.box() })}>
              <Plus size={16} aria-hidden /> Add a box
            </Button>
            <Button onClick={() => openForm({ kind: 'warmer', entry: NEW.warmer() })}>
              <Plus size={16} aria-hidden /> Add a warmer
            </Button>
          </>
        }
        empty={
          boxes.length + warmers.length === 0 &&
          'Nothing to hold in yet. A box or a warmer takes the meat that is done early and keeps it hot until it is carved: without one the plan has nothing to absorb an early finish.'
        }
      >
        {boxes.map((each) => (
          <Owned
            key={each.id}
            name={each.name}
            facts={`${formatRoom(each.litres, units)} · loses ${formatHeatLoss(each.lossWPerK, units)}${each.hired ? ' · hired' : ''}`}
            onChange={() => openForm({ kind: 'box', entry: each })}
            onAway={gearAway('box', each)}
          />
        ))}
        {warmers.map((each) => (
          <Owned
            key={each.id}
            name={each.name}
            facts={`${each.kind} · ${each.slots} full-pan slots at ${formatTemp(each.setC, units)}${each.hired ? ' · hired' : ''}`}
            onChange={() => openForm({ kind: 'warmer', entry: each })}
            onAway={gearAway('warmer', each)}
          />
        ))}
      </Shelf>
      <Shelf
        title="Thermometers"
        add={
          <Button onClick={() => openForm({ kind: 'probe', entry: NEW.probe() })}>
            <Plus size={16} aria-hidden /> Add a thermometer
          </Button>
        }
        empty={
          probes.length === 0 && 'No thermometer yet. With its channels known, the plan says which piece each probe goes into, and when.'
        }
      >
        {probes.map((each) => {
          const { state, iceErrorC, boilErrorC } = checkProbe(each);
          const errors = [iceErrorC, boilErrorC].filter((error) => error !== undefined);
          const worst = errors.sort((a, b) => Math.abs(b) - Math.abs(a))[0];
          const checked = {
            unchecked: 'not checked: read it in ice and in boiling water',
            true: `true within ${formatTempDifference(1, units)}`,
            off: `reads ${formatTempDifference(Math.abs(worst ?? 0), units)} ${(worst ?? 0) > 0 ? 'high' : 'low'}: recalibrate or replace`,
          }[state];
          const when = each.checkedAtMs ? `, ${shortDay(each.checkedAtMs, zone)}` : '';
          return (
            <Owned
              key={each.id}
              name={each.name}
              facts={`${each.channels} ${each.channels === 1 ? 'channel' : 'channels'} · ${each.out ? 'out of use' : `${checked}${when}`}`}
              warn={!each.out && state === 'off'}
              onChange={() => {
                const { checkedAtMs: _, ...entry } = each;
                openForm({ kind: 'probe', entry: { ...entry, out: Boolean(each.out) } });
              }}
              onAway={gearAway('probe', each)}
            />
          );
        })}
      </Shelf>
      <Shelf
        title="Crew"
        add={
          <Button onClick={() => openForm({ kind: 'crew', entry: NEW.crew() })}>
            <Plus size={16} aria-hidden /> Add a name
          </Button>
        }
        empty={crew.length === 0 && 'Nobody yet. Who is on duty, and when, is chosen for each event under Pits.'}
      >
        {crew.map((each) => (
          <Owned
            key={each.id}
            name={each.name}
            facts=""
            onChange={() => openForm({ kind: 'crew', entry: each })}
            onAway={gearAway('crew', each)}
          />
        ))}
      </Shelf>
      <Dialog
        open={open !== undefined}
        onOpenChange={(shown) => !shown && close()}
        title={open?.entry.name || 'New'}
        wide={open?.kind === 'pit'}
      >
        {open?.kind === 'pit' && <PitForm pit={open.entry} opened={opened} savePit={actions.savePit} onDone={close} />}
        {open?.kind === 'box' && <BoxForm box={open.entry} opened={opened} saveBox={actions.saveBox} onDone={close} />}
        {open?.kind === 'warmer' && <WarmerForm entry={open.entry} opened={opened} keep={actions.saveWarmer} onDone={close} />}
        {open?.kind === 'probe' && <ProbeForm entry={open.entry} opened={opened} keep={actions.saveProbe} onDone={close} />}
        {open?.kind === 'crew' && <CrewForm entry={open.entry} opened={opened} keep={actions.saveCrew} onDone={close} />}
      </Dialog>
    </main>
  );
}

function Shelf({ title, add, empty, children }: { title: string; add: ReactNode; empty: string | false; children: ReactNode }) {
  return (
    <section className="mt-8">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
        <h2 className="text-lg">{title}</h2>
        <div className="flex gap-2">{add}</div>
      </div>
      {empty ? (
        <p className="rounded-md border border-dashed border-line bg-sheet p-4 text-soft">{empty}</p>
      ) : (
        <ul className="divide-y divide-line rounded-md border border-line bg-sheet">{children}</ul>
      )}
    </section>
  );
}

function Owned({
  name,
  facts,
  warn = false,
  onChange,
  onAway,
}: {
  name: string;
  facts: string;
  warn?: boolean;
  onChange(): void;
  onAway(): void;
}) {
  return (
    <li className="flex items-center justify-between gap-3 px-4 py-2">
      <p>
        <span className="font-semibold">{name}</span>{' '}
        <span className={`figures ${warn ? 'font-semibold text-bad' : 'text-soft'}`}>{facts}</span>
      </p>
      <OwnedButtons name={name} onChange={onChange} onAway={onAway} />
    </li>
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
