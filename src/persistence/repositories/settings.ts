import type { Transaction } from 'sequelize';
import { DeviceTokenRow, SettingRow } from '../tables';

export async function loadSetting(key: string, transaction?: Transaction): Promise<unknown> {
  const row = await SettingRow.findByPk(key, { transaction });
  return row ? (JSON.parse(row.value) as unknown) : undefined;
}

export async function saveSetting(key: string, value: unknown, transaction: Transaction): Promise<void> {
  await SettingRow.upsert({ key, value: JSON.stringify(value) }, { transaction });
}

/** A device that may send readings. Of its token only a hash is kept. */
export interface DeviceToken {
  id: string;
  name: string;
  createdAtMs: number;
  usedAtMs?: number;
}

export async function listTokens(): Promise<DeviceToken[]> {
  const rows = await DeviceTokenRow.findAll({ where: { revokedAtMs: null }, order: [['createdAtMs', 'ASC']] });
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    createdAtMs: Number(row.createdAtMs),
    ...(row.usedAtMs !== null && { usedAtMs: Number(row.usedAtMs) }),
  }));
}

export async function createToken(
  token: { id: string; name: string; hash: string; createdAtMs: number },
  transaction: Transaction,
): Promise<void> {
  await DeviceTokenRow.create({ ...token, usedAtMs: null, revokedAtMs: null }, { transaction });
}

export async function revokeToken(id: string, nowMs: number, transaction: Transaction): Promise<boolean> {
  const [count] = await DeviceTokenRow.update({ revokedAtMs: nowMs }, { where: { id, revokedAtMs: null }, transaction });
  return count > 0;
}

/** The token of a hash, if it still stands. */
export async function tokenOfHash(hash: string): Promise<DeviceToken | undefined> {
  const row = await DeviceTokenRow.findOne({ where: { hash, revokedAtMs: null } });
  return row ? { id: row.id, name: row.name, createdAtMs: Number(row.createdAtMs) } : undefined;
}

export async function markTokenUsed(id: string, nowMs: number, transaction: Transaction): Promise<void> {
  await DeviceTokenRow.update({ usedAtMs: nowMs }, { where: { id }, transaction });
}
