import { Op, type Transaction } from 'sequelize';
import type { CrewMember, Probe, Warmer } from '../../core/model';
import { GearRow } from '../tables';

/** What stands beside pits and boxes, by kind. */
export interface GearKinds {
  warmer: Warmer;
  probe: Probe;
  crew: CrewMember;
}
export type GearKind = keyof GearKinds;

export async function listGear<K extends GearKind>(kind: K, transaction?: Transaction): Promise<GearKinds[K][]> {
  const rows = await GearRow.findAll({
    where: { kind, deletedAtMs: null },
    order: [
      ['createdAtMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  return rows.map((row) => JSON.parse(row.body) as GearKinds[K]);
}

export async function saveGear<K extends GearKind>(kind: K, gear: GearKinds[K], nowMs: number, transaction: Transaction): Promise<void> {
  const kept = await GearRow.findOne({ where: { kind, id: gear.id }, transaction });
  const fields = { body: JSON.stringify(gear), deletedAtMs: null };
  if (kept) await kept.update(fields, { transaction });
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
