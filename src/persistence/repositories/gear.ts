import { Op, type Transaction } from 'sequelize';
import type { CrewMember, Equipment, HoldingBox, Pit, Probe, Warmer } from '../../core/model';
import { GearRow } from '../tables';
import { presentRows } from './brought';
import { bodyOf } from './body';

/** Everything an owner has, by kind. */
export interface GearKinds {
  pit: Pit;
  box: HoldingBox;
  warmer: Warmer;
  probe: Probe;
  crew: CrewMember;
}
export type GearKind = keyof GearKinds;

/** All that is at hand, in the order it was made: not put away, nor brought by an event that is deleted. */
export async function listEquipment(transaction?: Transaction): Promise<Equipment> {
  const rows = await GearRow.findAll({ where: { deletedAtMs: null }, order: [['seq', 'ASC']], transaction });
  const present = await presentRows(rows, transaction);
  const of = <K extends GearKind>(kind: K): GearKinds[K][] =>
    present.filter((row) => row.kind === kind).map((row) => bodyOf(row) as GearKinds[K]);
  return { pits: of('pit'), boxes: of('box'), warmers: of('warmer'), probes: of('probe'), crew: of('crew') };
}

/** Gear of this kind and id whether at hand or not. */
export async function findGear<K extends GearKind>(
  kind: K,
  id: string,
  transaction: Transaction,
): Promise<{ gear: GearKinds[K]; atHand: boolean } | undefined> {
  const row = await GearRow.findOne({ where: { kind, id }, transaction });
  if (!row) return undefined;
  const atHand = row.deletedAtMs === null && (await presentRows([row], transaction)).length > 0;
  return { gear: bodyOf(row) as GearKinds[K], atHand };
}

/** Saves gear; what came with an event says which. */
export async function saveGear<K extends GearKind>(
  kind: K,
  gear: GearKinds[K],
  nowMs: number,
  transaction: Transaction,
  broughtBy?: string,
): Promise<void> {
  const stored = await GearRow.findOne({ where: { kind, id: gear.id }, transaction });
  const fields = { body: JSON.stringify(gear), deletedAtMs: null, ...(broughtBy !== undefined && { broughtBy }) };
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
