import { EQUIPMENT_SETS, presetPit, type Pit } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import type { BoxInput, CrewInput, PitInput, ProbeInput, WarmerInput } from '../inputs';
import {
  listGear,
  markBoxDeleted,
  markGearDeleted,
  markPitDeleted,
  saveBox,
  saveGear,
  savePit,
  type GearKind,
  type GearKinds,
} from '../persistence';
import type { Context } from './context';

type Saved = Outcome<{ id: string }>;

/** Bands and blocked parts that reach beyond their rack. */
function beyondRack(racks: PitInput['racks']): Problem[] {
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

const pitFrom = ({ rangeLowC, rangeHighC, racks, fuel, ...rest }: PitInput): Pit => ({
  ...rest,
  name: rest.name.trim(),
  fuel: fuel && { ...fuel },
  rangeC: [rangeLowC, rangeHighC],
  racks: racks.map(({ zones, blocked, ...rack }) => ({
    ...rack,
    name: rack.name.trim(),
    depthMm: rack.round ? rack.widthMm : rack.depthMm,
    zones: zones?.map((band) => ({ ...band })),
    blocked: blocked?.map((part) => ({ ...part })),
  })),
});

/** Adds a pit or changes one; its racks are replaced by those given. */
export async function keepPit(context: Context, input: PitInput): Promise<Saved> {
  const names = input.racks.map((rack) => rack.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return failure({ code: 'rackNameTwice', path: `racks.${twice}.name` });
  const beyond = beyondRack(input.racks);
  if (beyond.length > 0) return failure(...beyond);
  await context.db.write((transaction) => savePit(pitFrom(input), context.nowMs(), transaction));
  return success({ id: input.id });
}

export async function keepBox(context: Context, input: BoxInput): Promise<Saved> {
  await context.db.write((transaction) => saveBox({ ...input, name: input.name.trim() }, context.nowMs(), transaction));
  return success({ id: input.id });
}

const marked = (found: boolean, id: string): Saved => (found ? success({ id }) : failure({ code: 'equipmentGone' }));

/** Puts equipment away, or brings it back; events that use it find it again. */
export const putPitAway = async (context: Context, id: string) =>
  marked(await context.db.write((transaction) => markPitDeleted(id, context.nowMs(), transaction)), id);
export const bringPitBack = async (context: Context, id: string) =>
  marked(await context.db.write((transaction) => markPitDeleted(id, null, transaction)), id);
export const putBoxAway = async (context: Context, id: string) =>
  marked(await context.db.write((transaction) => markBoxDeleted(id, context.nowMs(), transaction)), id);
export const bringBoxBack = async (context: Context, id: string) =>
  marked(await context.db.write((transaction) => markBoxDeleted(id, null, transaction)), id);

const keepGear =
  <K extends GearKind>(kind: K) =>
  async (context: Context, input: GearKinds[K]): Promise<Saved> => {
    await context.db.write((transaction) => saveGear(kind, { ...input, name: input.name.trim() }, context.nowMs(), transaction));
    return success({ id: input.id });
  };
export const keepWarmer: (context: Context, input: WarmerInput) => Promise<Saved> = keepGear('warmer');
/** A thermometer whose readings are new was checked now. */
export async function keepProbe(context: Context, input: ProbeInput): Promise<Saved> {
  const before = (await listGear('probe')).find((probe) => probe.id === input.id);
  const same = before?.iceC === input.iceC && before?.boilC === input.boilC;
  const read = input.iceC !== undefined || input.boilC !== undefined;
  const checkedAtMs = same ? before?.checkedAtMs : read ? context.nowMs() : undefined;
  return keepGear('probe')(context, { ...input, checkedAtMs });
}
export const keepCrew: (context: Context, input: CrewInput) => Promise<Saved> = keepGear('crew');

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
      await savePit({ ...presetPit(kind, () => context.newId()), name, travels }, nowMs, transaction);
    for (const box of set.boxes) await saveBox({ ...box, id: context.newId() }, nowMs, transaction);
    for (const warmer of set.warmers) await saveGear('warmer', { ...warmer, id: context.newId() }, nowMs, transaction);
  });
  return success({ id: setId });
}
