import { Op, type Transaction } from 'sequelize';
import { ROLES, type Role } from '../../core/access';
import { CrewSessionRow } from '../tables';

/** Somebody who has joined from the yard. */
export interface CrewSession {
  id: string;
  name: string;
  role: Role;
  joinedAtMs: number;
  seenAtMs: number;
}

const sessionOf = (row: CrewSessionRow): CrewSession => ({
  id: row.id,
  name: row.name,
  // A role that an older or newer program wrote may do least.
  role: ROLES.find((role) => role === row.role) ?? 'watcher',
  joinedAtMs: Number(row.joinedAtMs),
  seenAtMs: Number(row.seenAtMs),
});

export async function createSession(session: CrewSession & { hash: string }, transaction: Transaction): Promise<void> {
  await CrewSessionRow.create({ ...session, endedAtMs: null }, { transaction });
}

/** The session of a token's hash, if it still stands and was seen since. */
export async function sessionOfHash(hash: string, seenSinceMs: number): Promise<CrewSession | undefined> {
  const row = await CrewSessionRow.findOne({ where: { hash, endedAtMs: null, seenAtMs: { [Op.gte]: seenSinceMs } } });
  return row ? sessionOf(row) : undefined;
}

export async function listSessions(seenSinceMs: number): Promise<CrewSession[]> {
  const rows = await CrewSessionRow.findAll({
    where: { endedAtMs: null, seenAtMs: { [Op.gte]: seenSinceMs } },
    order: [['joinedAtMs', 'ASC']],
  });
  return rows.map(sessionOf);
}

export async function changeSession(
  id: string,
  change: Partial<{ role: Role; seenAtMs: number; endedAtMs: number }>,
  transaction: Transaction,
): Promise<boolean> {
  const [count] = await CrewSessionRow.update(change, { where: { id, endedAtMs: null }, transaction });
  return count > 0;
}

export async function endSessions(nowMs: number, transaction: Transaction): Promise<void> {
  await CrewSessionRow.update({ endedAtMs: nowMs }, { where: { endedAtMs: null }, transaction });
}
