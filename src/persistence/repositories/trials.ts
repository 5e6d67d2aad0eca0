import { Op, type Transaction } from 'sequelize';
import type { Tasting, Trial } from '../../core/learn';
import { TastingRow, TrialRow } from '../tables';
import { bodyOf } from './body';

/** The newest first. */
export async function listTrials(transaction?: Transaction): Promise<Trial[]> {
  const rows = await TrialRow.findAll({ where: { deletedAtMs: null }, transaction });
  return rows.map((row) => bodyOf(row) as Trial).sort((a, b) => b.plannedAtMs - a.plannedAtMs || (a.id < b.id ? -1 : 1));
}

export async function loadTrial(id: string, transaction?: Transaction): Promise<Trial | undefined> {
  const row = await TrialRow.findOne({ where: { id, deletedAtMs: null }, transaction });
  return row ? (bodyOf(row) as Trial) : undefined;
}

export async function saveTrial(trial: Trial, nowMs: number, transaction: Transaction): Promise<void> {
  await TrialRow.upsert({ id: trial.id, body: JSON.stringify(trial), updatedAtMs: nowMs, deletedAtMs: null }, { transaction });
}

/** Takes a trial away, or brings it back with all its papers. */
export async function markTrialDeleted(id: string, deletedAtMs: number | null, transaction: Transaction): Promise<boolean> {
  const [count] = await TrialRow.update({ deletedAtMs }, { where: { id }, transaction });
  return count > 0;
}

const paperId = (trialId: string, paper: number): string => `${trialId}/${paper}`;

/** Papers by trial, in the order of their numbers. */
export async function loadTastings(trialIds: readonly string[], transaction?: Transaction): Promise<Map<string, Tasting[]>> {
  const rows = await TastingRow.findAll({ where: { trialId: { [Op.in]: [...trialIds] } }, transaction });
  const papers = new Map<string, Tasting[]>(trialIds.map((id) => [id, []]));
  for (const row of rows) papers.get(row.trialId)?.push(bodyOf(row) as Tasting);
  for (const list of papers.values()) list.sort((a, b) => a.paper - b.paper);
  return papers;
}

/** Keeps a taster's paper; given again, it stands for the one before. */
export async function saveTasting(trialId: string, tasting: Tasting, nowMs: number, transaction: Transaction): Promise<void> {
  await TastingRow.upsert(
    { id: paperId(trialId, tasting.paper), trialId, body: JSON.stringify(tasting), updatedAtMs: nowMs },
    { transaction },
  );
}

export async function removeTasting(trialId: string, paper: number, transaction: Transaction): Promise<boolean> {
  return (await TastingRow.destroy({ where: { id: paperId(trialId, paper) }, transaction })) > 0;
}
