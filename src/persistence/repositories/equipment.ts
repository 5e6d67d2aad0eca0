import { Op, type Transaction } from 'sequelize';
import type { HoldingBox, Pit, PitKind } from '../../core/model';
import { BoxRow, PitRow, RackRow } from '../tables';

export async function listPits(transaction?: Transaction): Promise<Pit[]> {
  const pits = await PitRow.findAll({
    where: { deletedAtMs: null },
    order: [
      ['createdAtMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  const racks = await RackRow.findAll({ order: [['position', 'ASC']], transaction });
  return pits.map((row) => ({
    id: row.id,
    name: row.name,
    kind: row.kind as PitKind,
    smoke: row.smoke,
    rangeC: [row.rangeLowC, row.rangeHighC],
    warmUpMin: row.warmUpMin,
    openingDropC: row.openingDropC,
    recoverMin: row.recoverMin,
    racks: racks
      .filter((rack) => rack.pitId === row.id)
      .map(({ id, name, widthMm, depthMm, clearanceMm, maxKg, level }) => ({ id, name, widthMm, depthMm, clearanceMm, maxKg, level })),
  }));
}

export async function listBoxes(transaction?: Transaction): Promise<HoldingBox[]> {
  const boxes = await BoxRow.findAll({
    where: { deletedAtMs: null },
    order: [
      ['createdAtMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  return boxes.map(({ id, name, litres, lossWPerK }) => ({ id, name, litres, lossWPerK }));
}

export async function savePit(pit: Pit, nowMs: number, transaction: Transaction): Promise<void> {
  const { racks, rangeC, ...rest } = pit;
  const fields = { ...rest, rangeLowC: rangeC[0], rangeHighC: rangeC[1], deletedAtMs: null };
  const kept = await PitRow.findByPk(pit.id, { transaction });
  if (kept) await kept.update(fields, { transaction });
  else await PitRow.create({ ...fields, createdAtMs: nowMs }, { transaction });
  await RackRow.destroy({ where: { pitId: pit.id }, transaction });
  await RackRow.bulkCreate(
    racks.map((rack, position) => ({ pitId: pit.id, position, ...rack })),
    { transaction },
  );
}

export async function saveBox(box: HoldingBox, nowMs: number, transaction: Transaction): Promise<void> {
  const kept = await BoxRow.findByPk(box.id, { transaction });
  if (kept) await kept.update({ ...box, deletedAtMs: null }, { transaction });
  else await BoxRow.create({ ...box, createdAtMs: nowMs }, { transaction });
}

const markWhere = (id: string, deletedAtMs: number | null) => ({ id, deletedAtMs: deletedAtMs === null ? { [Op.ne]: null } : null });

/** Puts a pit or a box away, or brings it back. Tells whether there was one. */
export async function markPitDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await PitRow.update({ deletedAtMs }, { where: markWhere(id, deletedAtMs), transaction });
  return count > 0;
}
export async function markBoxDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await BoxRow.update({ deletedAtMs }, { where: markWhere(id, deletedAtMs), transaction });
  return count > 0;
}
