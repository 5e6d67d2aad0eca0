import { EQUIPMENT_SETS, presetPit, type Equipment, type Pit, type Probe } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import { markGearDeleted, saveGear as storeGear, type GearKind, type GearKinds } from '../persistence';
import type { Context } from './context';
import { putTogether, type Guard } from './putTogether';
import { storedEquipment } from './stored';

type Saved = Outcome<{ id: string; together?: boolean }>;

/** Bands and blocked parts that reach beyond their rack. */
function beyondRack(racks: Pit['racks']): Problem[] {
  return racks.flatMap(({ widthMm, depthMm, round, zones, blocked }, i) => {
    const deepMm = round ? widthMm : depthMm;
    return [
      ...(zones ?? []).flatMap((band, k) => (band.toMm > widthMm ? [{ code: 'beyondRack', path: `racks.${i}.zones.${k}.toMm` }] : [])),
      ...(blocked ?? []).flatMap((part, k) =>
        part.xMm + part.widthMm > widthMm + 1
          ? [{ code: 'beyondRack', path: `racks.${i}.blocked.${k}.widthMm` }]
          : part.yMm + part.depthMm > deepMm + 1
            ? [{ code: 'beyondRack', path: `racks.${i}.blocked.${k}.depthMm` }]
            : [],
      ),
    ];
  });
}

const LIST_OF: Record<GearKind, keyof Equipment> = { pit: 'pits', box: 'boxes', warmer: 'warmers', probe: 'probes', crew: 'crew' };

const asRead = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Adds gear of a kind, or changes it, with what was changed of it elsewhere. `wrong` says what its class cannot. */
const saver =
  <K extends GearKind>(kind: K, wrong: (gear: GearKinds[K]) => Problem[] = () => []) =>
  async (context: Context, input: GearKinds[K], guard: Guard = {}): Promise<Saved> => {
    const typed = { ...asRead(input), name: input.name.trim() };
    return context.db.write(async (transaction): Promise<Saved> => {
      const all: readonly { id: string }[] = (await storedEquipment(transaction))[LIST_OF[kind]];
      const put = putTogether(kind, all, typed, guard, wrong);
      if (!put.ok) return put;
      await storeGear(kind, put.value.value, context.nowMs(), transaction);
      return success({ id: input.id, ...(put.value.together && { together: true }) });
    });
  };

/** Adds a pit or changes one; its racks are replaced by those given. */
export async function savePit(context: Context, input: Pit, guard?: Guard): Promise<Saved> {
  const racks = input.racks.map((rack) => ({ ...rack, name: rack.name.trim(), depthMm: rack.round ? rack.widthMm : rack.depthMm }));
  return storePit(context, { ...input, racks }, guard);
}
const storePit = saver('pit', ({ racks }) => {
  const names = racks.map((rack) => rack.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  return twice >= 0 ? [{ code: 'rackNameTwice', path: `racks.${twice}.name` }] : beyondRack(racks);
});
export const saveBox = saver('box');
export const saveWarmer = saver('warmer');
export const saveCrew = saver('crew');

/** A thermometer whose readings are new was checked now. */
export async function saveProbe(context: Context, input: Probe, guard?: Guard): Promise<Saved> {
  const before = (await storedEquipment()).probes.find((probe) => probe.id === input.id);
  const same = before?.iceC === input.iceC && before?.boilC === input.boilC;
  const read = input.iceC !== undefined || input.boilC !== undefined;
  const checkedAtMs = same ? before?.checkedAtMs : read ? context.nowMs() : undefined;
  return saver('probe')(context, { ...input, checkedAtMs }, guard);
}

const marked = (found: boolean, id: string): Saved => (found ? success({ id }) : failure({ code: 'equipmentGone' }));

/** Puts equipment away, or brings it back; events that use it find it again. */
export const putGearAway = async (context: Context, { kind, id }: { kind: GearKind; id: string }) =>
  marked(await context.db.write((transaction) => markGearDeleted(kind, id, context.nowMs(), transaction)), id);
export const bringGearBack = async (context: Context, { kind, id }: { kind: GearKind; id: string }) =>
  marked(await context.db.write((transaction) => markGearDeleted(kind, id, null, transaction)), id);

/** Adds everything of a ready-made set, in one go. */
export async function addSet(context: Context, setId: string): Promise<Saved> {
  const set = EQUIPMENT_SETS.find((each) => each.id === setId);
  if (!set) return failure({ code: 'equipmentGone' });
  await context.db.write(async (transaction) => {
    const nowMs = context.nowMs();
    for (const { kind, name, travels } of set.pits)
      await storeGear('pit', asRead({ ...presetPit(kind, () => context.newId()), name, travels }), nowMs, transaction);
    for (const box of set.boxes) await storeGear('box', { ...box, id: context.newId() }, nowMs, transaction);
    for (const warmer of set.warmers) await storeGear('warmer', { ...warmer, id: context.newId() }, nowMs, transaction);
  });
  return success({ id: setId });
}
