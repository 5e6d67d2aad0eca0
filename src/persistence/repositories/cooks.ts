import { literal, Op, type Transaction } from 'sequelize';
import { modelCutOf } from '../../core/forecast';
import type { ClosedCook, NextTime } from '../../core/learn';
import { CookRow } from '../tables';
import { bodyOf } from './body';

/** A cook of the log, and how it went against the model: natural log of observed over forecast time, where both are known. */
export interface StoredCook {
  cook: ClosedCook;
  log?: number;
}

const cookFrom = (row: Pick<CookRow, 'id' | 'body' | 'log'>): StoredCook => ({
  cook: bodyOf(row) as ClosedCook,
  ...(row.log !== null && { log: row.log }),
});

/** The newest first; those without a day last. */
export async function listCooks(transaction?: Transaction): Promise<StoredCook[]> {
  // A log is read whole: as plain rows that takes a quarter of the time.
  const rows = await CookRow.findAll({
    where: { deletedAtMs: null },
    attributes: ['id', 'body', 'log'],
    order: [
      ['onMs', 'DESC'],
      ['id', 'ASC'],
    ],
    raw: true,
    transaction,
  });
  return rows.map(cookFrom);
}

/** Cooks that were held against another model than this. */
export async function listHeldOtherwise(logOf: number): Promise<StoredCook[]> {
  const rows = await CookRow.findAll({ where: { logOf: { [Op.ne]: logOf } }, attributes: ['id', 'body', 'log'], raw: true });
  return rows.map(cookFrom);
}

export async function loadCook(id: string, transaction?: Transaction): Promise<StoredCook | undefined> {
  const row = await CookRow.findOne({ where: { id, deletedAtMs: null }, transaction });
  return row ? cookFrom(row) : undefined;
}

export async function loadCooks(ids: readonly string[], transaction?: Transaction): Promise<StoredCook[]> {
  return (await CookRow.findAll({ where: { id: { [Op.in]: [...ids] } }, transaction })).map(cookFrom);
}

/** Events of which anything is, or was, in the log. */
export async function eventsInLog(): Promise<Set<string>> {
  const rows = await CookRow.findAll({ where: { eventId: { [Op.not]: null } }, attributes: ['eventId'], group: ['eventId'] });
  return new Set(rows.map((row) => row.eventId!));
}

const MOST_WISHES = 200;

/** What was to be changed the next time, the newest of it. */
export async function listNextTime(): Promise<NextTime[]> {
  const rows = await CookRow.findAll({
    where: { deletedAtMs: null, [Op.and]: literal(`json_extract(body, '$.words.nextTime') <> ''`) },
    order: [
      ['onMs', 'DESC'],
      ['id', 'ASC'],
    ],
    limit: MOST_WISHES,
  });
  return rows.map((row) => {
    const { id, cook, onMs, words } = bodyOf(row) as ClosedCook;
    return { cookId: id, cutId: cook.cutId, methodId: cook.methodId, pitId: cook.pitId, onMs, text: words.nextTime };
  });
}

/** What was learned from each cook; nothing else of it. */
export async function listFinished(): Promise<{ cutId: string; methodId?: string; pitId?: string; log: number }[]> {
  const rows = await CookRow.findAll({
    where: { deletedAtMs: null, log: { [Op.not]: null } },
    attributes: ['cutId', 'methodId', 'pitId', 'log'],
    order: [['id', 'ASC']],
  });
  return rows.map(({ cutId, methodId, pitId, log }) => ({
    cutId,
    methodId: methodId ?? undefined,
    pitId: pitId ?? undefined,
    log: log!,
  }));
}

/** Adds cooks or changes them. What was taken out stays out. */
export async function saveCooks(
  cooks: readonly (StoredCook & { logOf: number })[],
  nowMs: number,
  transaction: Transaction,
): Promise<void> {
  for (const { cook, log, logOf } of cooks)
    await CookRow.upsert(
      {
        id: cook.id,
        eventId: cook.eventId ?? null,
        onMs: cook.onMs ?? null,
        cutId: cook.modelCutId ?? modelCutOf(cook.cook.cutId),
        methodId: cook.cook.methodId ?? null,
        pitId: cook.cook.pitId ?? null,
        log: log ?? null,
        logOf,
        body: JSON.stringify(cook),
        updatedAtMs: nowMs,
      },
      { transaction },
    );
}

/** Takes cooks out of the log, or brings them back. */
export async function markCooksDeleted(ids: readonly string[], deletedAtMs: number | null, transaction: Transaction): Promise<number> {
  const [count] = await CookRow.update({ deletedAtMs }, { where: { id: { [Op.in]: [...ids] } }, transaction });
  return count;
}
