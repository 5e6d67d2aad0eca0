import type { Transaction } from 'sequelize';
import type { DrillMark, PracticeRun } from '../../core/practice';
import { DrillMarkRow, PracticeRunRow } from '../tables';
import { bodyOf } from './body';

/** A row whose document cannot be read is passed over: nobody can go on with it. */
const isRun = (read: object): read is PracticeRun => Array.isArray((read as Partial<PracticeRun>).save?.deeds);
const isMark = (read: object): read is DrillMark => typeof (read as Partial<DrillMark>).questionId === 'string';

/** Days in practice of everybody, the last changed first. */
export async function listPracticeRuns(transaction?: Transaction): Promise<PracticeRun[]> {
  const rows = await PracticeRunRow.findAll({ where: { deletedAtMs: null }, transaction });
  return rows
    .map(bodyOf)
    .filter(isRun)
    .sort((a, b) => b.changedAtMs - a.changedAtMs || (a.id < b.id ? -1 : 1));
}

export async function loadPracticeRun(id: string, transaction?: Transaction): Promise<PracticeRun | undefined> {
  const row = await PracticeRunRow.findOne({ where: { id, deletedAtMs: null }, transaction });
  const read = row && bodyOf(row);
  return read && isRun(read) ? read : undefined;
}

export async function savePracticeRun(run: PracticeRun, transaction: Transaction): Promise<void> {
  await PracticeRunRow.upsert(
    { id: run.id, trainee: run.trainee, body: JSON.stringify(run), updatedAtMs: run.changedAtMs, deletedAtMs: null },
    { transaction },
  );
}

/** Takes a day away, or brings it back. */
export async function markPracticeDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await PracticeRunRow.update({ deletedAtMs }, { where: { id }, transaction });
  return count > 0;
}

const markId = (trainee: string, questionId: string): string => `${trainee}/${questionId}`;

/** Marks by trainee. */
export async function listDrillMarks(transaction?: Transaction): Promise<Map<string, DrillMark[]>> {
  const marks = new Map<string, DrillMark[]>();
  for (const row of await DrillMarkRow.findAll({ transaction })) {
    const read = bodyOf(row);
    if (isMark(read)) marks.set(row.trainee, [...(marks.get(row.trainee) ?? []), read]);
  }
  return marks;
}

export async function loadDrillMark(trainee: string, questionId: string, transaction: Transaction): Promise<DrillMark | undefined> {
  const row = await DrillMarkRow.findOne({ where: { id: markId(trainee, questionId) }, transaction });
  const read = row && bodyOf(row);
  return read && isMark(read) ? read : undefined;
}

export async function saveDrillMark(trainee: string, mark: DrillMark, nowMs: number, transaction: Transaction): Promise<void> {
  const row = { id: markId(trainee, mark.questionId), trainee, body: JSON.stringify(mark), updatedAtMs: nowMs };
  await DrillMarkRow.upsert(row, { transaction });
}
