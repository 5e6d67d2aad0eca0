import { Op, type Transaction } from 'sequelize';
import type { CrewMember, Equipment, HoldingBox, Pit, Probe, Warmer } from '../../core/model';
import { GearRow } from '../tables';

/** Everything an owner has, by kind. */
export interface GearKinds {
  pit: Pit;
  box: HoldingBox;
  warmer: Warmer;
  probe: Probe;
  crew: CrewMember;
}
export type GearKind = keyof GearKinds;

/** All that is owned and not put away, in the order it was made. */
export async function listEquipment(transaction?: Transaction): Promise<Equipment> {
  const rows = await GearRow.findAll({ where: { deletedAtMs: null }, order: [['seq', 'ASC']], transaction });
  const of = <K extends GearKind>(kind: K): GearKinds[K][] =>
    rows.filter((row) => row.kind === kind).map((row) => JSON.parse(row.body) as GearKinds[K]);
  return { pits: of('pit'), boxes: of('box'), warmers: of('warmer'), probes: of('probe'), crew: of('crew') };
}

export async function saveGear<K extends GearKind>(kind: K, gear: GearKinds[K], nowMs: number, transaction: Transaction): Promise<void> {
  const stored = await GearRow.findOne({ where: { kind, id: gear.id }, transaction });
  const fields = { body: JSON.stringify(gear), deletedAtMs: null };
  if (stored) await stored.update(fields, { transaction });
  else await GearRow.create({ kind, id: gear.id, ...fields, createdAtMs: nowMs }, { transaction });
}

/** Puts gear away, or brings it back. Tells whether there was any. */
export async function markGearDeleted(kind: GearKind, id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await GearRow.update(
    { deletedAtMs },
    { where: { kind, id, deletedAtMs: deletedAtMs === null ? { [Op.ne]: null } : null }, transaction },
  );
  return count > 0;
}

/** Takes gear away for good: what came with an event goes with it. */
export async function removeGear(kind: GearKind, id: string, transaction: Transaction): Promise<void> {
  await GearRow.destroy({ where: { kind, id }, transaction });
}
