import { Op, type Transaction } from 'sequelize';
import type { HoldingBox, Pit, PitKind, Rack } from '../../core/model';
import { BoxRow, PitRow, RackRow } from '../tables';

/** What is kept as JSON beside the columns; read and written whole. */
type PitExtras = Pick<Pit, 'gaugeOffsetC' | 'airflow' | 'humidity' | 'fuel' | 'blower' | 'travels' | 'hired'>;
type RackExtras = Pick<Rack, 'round' | 'zones' | 'hotSide' | 'blocked'>;
type BoxExtras = Pick<HoldingBox, 'hired'>;

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
    ...(JSON.parse(row.extras) as PitExtras),
    racks: racks.filter((rack) => rack.pitId === row.id).map(rackFrom),
  }));
}

const rackFrom = ({ id, name, widthMm, depthMm, clearanceMm, maxKg, level, extras }: RackRow): Rack => ({
  id,
  name,
  widthMm,
  depthMm,
  clearanceMm,
  maxKg,
  level,
  ...(JSON.parse(extras) as RackExtras),
});

export async function listBoxes(transaction?: Transaction): Promise<HoldingBox[]> {
  const boxes = await BoxRow.findAll({
    where: { deletedAtMs: null },
    order: [
      ['createdAtMs', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  });
  return boxes.map(({ id, name, litres, lossWPerK, extras }) => ({ id, name, litres, lossWPerK, ...(JSON.parse(extras) as BoxExtras) }));
}

export async function savePit(pit: Pit, nowMs: number, transaction: Transaction): Promise<void> {
  const { racks, rangeC, gaugeOffsetC, airflow, humidity, fuel, blower, travels, hired, ...rest } = pit;
  const extras = JSON.stringify({ gaugeOffsetC, airflow, humidity, fuel, blower, travels, hired } satisfies PitExtras);
  const fields = { ...rest, extras, rangeLowC: rangeC[0], rangeHighC: rangeC[1], deletedAtMs: null };
  const kept = await PitRow.findByPk(pit.id, { transaction });
  if (kept) await kept.update(fields, { transaction });
  else await PitRow.create({ ...fields, createdAtMs: nowMs }, { transaction });
  await RackRow.destroy({ where: { pitId: pit.id }, transaction });
  await RackRow.bulkCreate(
    racks.map(({ round, zones, hotSide, blocked, ...rack }, position) => ({
      pitId: pit.id,
      position,
      ...rack,
      extras: JSON.stringify({ round, zones, hotSide, blocked } satisfies RackExtras),
    })),
    { transaction },
  );
}

export async function saveBox(box: HoldingBox, nowMs: number, transaction: Transaction): Promise<void> {
  const { hired, ...columns } = box;
  const fields = { ...columns, extras: JSON.stringify({ hired } satisfies BoxExtras) };
  const kept = await BoxRow.findByPk(box.id, { transaction });
  if (kept) await kept.update({ ...fields, deletedAtMs: null }, { transaction });
  else await BoxRow.create({ ...fields, createdAtMs: nowMs }, { transaction });
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
