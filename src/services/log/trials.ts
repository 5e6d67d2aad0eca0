import {
  blindPaper,
  drawTrial,
  judgeTrial,
  otherArm,
  TASTED,
  type Arm,
  type ArmCooks,
  type BlindPaper,
  type ClosedCook,
  type JudgedTrial,
  type Tasting,
  type Trial,
} from '../../core/learn';
import { seedOfName } from '../../core/numerics';
import { failure, success, type Outcome } from '../../core/outcome';
import type { PaperInput, TrialInput } from '../../inputs';
import { listTrials, loadCooks, loadTastings, loadTrial, markTrialDeleted, removeTasting, saveTasting, saveTrial } from '../../persistence';
import type { Context } from '../context';
import { planEvent } from '../planEvent';

/** Draws the lot of a trial over where the plan lays the pieces, and keeps it. */
export async function planTrial(context: Context, input: TrialInput): Promise<Outcome<{ id: string }>> {
  const { name, kind, first, second, eventId, batchId, tasters, traits } = input;
  const planned = await planEvent(context, eventId);
  const batch = planned?.input.event.batches.find((each) => each.id === batchId);
  if (!planned || !batch) return failure({ code: 'batchGone', path: 'batchId' });
  if (batch.pieces.length < 2) return failure({ code: 'oneIsNoTrial', path: 'batchId' });
  if (first.trim().toLowerCase() === second.trim().toLowerCase()) return failure({ code: 'waysAlike', path: 'second' });
  const places = planned.plan.runs
    .filter((run) => run.batchId === batchId)
    .flatMap((run) => run.legs.slice(0, 1).flatMap(({ rackId, places: laid }) => laid.map((place) => ({ ...place, rackId }))));
  const laid = batch.pieces.map(({ id }) => {
    const place = places.find(({ pieceId }) => pieceId === id);
    return { pieceId: id, rackId: place?.rackId, xMm: place && place.xMm + place.widthMm / 2 };
  });
  const id = context.newId();
  const trial: Trial = {
    id,
    name: name.trim(),
    kind,
    arms: [first.trim(), second.trim()],
    eventId,
    batchId,
    ...drawTrial(kind, laid, tasters, seedOfName(id)),
    traits: TASTED.filter((trait) => traits.includes(trait)),
    plannedAtMs: context.nowMs(),
  };
  await context.db.write((transaction) => saveTrial(trial, context.nowMs(), transaction));
  return success({ id });
}

async function judged(trials: readonly Trial[]): Promise<JudgedTrial[]> {
  const papers = await loadTastings(trials.map(({ id }) => id));
  const idsOf = ({ eventId, batchId, pieces }: Trial, arm: Arm) =>
    pieces.flatMap((piece) => (piece.arm === arm ? [`${eventId}/${batchId}/${piece.pieceId}`] : []));
  const cooks = new Map(
    (await loadCooks(trials.flatMap((trial) => [...idsOf(trial, 0), ...idsOf(trial, 1)]))).map(({ cook }) => [cook.id, cook]),
  );
  return trials.map((trial) => {
    const tastings = papers.get(trial.id)!;
    const cookedOf = (arm: Arm) => cookedBy(idsOf(trial, arm).flatMap((id) => cooks.get(id) ?? []));
    return { trial, tastings, result: judgeTrial(trial, tastings), cooked: [cookedOf(0), cookedOf(1)] };
  });
}

function cookedBy(cooks: readonly ClosedCook[]): ArmCooks {
  const hours = cooks.flatMap(({ cook }) => cook.observedH ?? []);
  return { cooks: hours.length, ...(hours.length > 0 && { meanHours: hours.reduce((sum, each) => sum + each, 0) / hours.length }) };
}

export const readTrials = async (_context: Context): Promise<JudgedTrial[]> => judged(await listTrials());

export async function readTrial(_context: Context, id: string): Promise<JudgedTrial | undefined> {
  const trial = await loadTrial(id);
  return trial && (await judged([trial]))[0];
}

export async function takeTrialOut(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => markTrialDeleted(id, context.nowMs(), transaction));
  return found ? success({ id }) : failure({ code: 'trialGone' });
}
export async function bringTrialBack(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => markTrialDeleted(id, null, transaction));
  return found ? success({ id }) : failure({ code: 'trialGone' });
}

/** The papers of a trial as its tasters see them. */
export async function blindPapers(_context: Context, id: string): Promise<BlindPaper | undefined> {
  const trial = await loadTrial(id);
  if (!trial) return undefined;
  const given = (await loadTastings([id])).get(id)!.map(({ paper }) => paper);
  return blindPaper(trial, given);
}

/** Keeps what a taster says; the house knows which way came first. */
export async function keepPaper(context: Context, trialId: string, input: PaperInput): Promise<Outcome<{ paper: number }>> {
  const { paper, taster, first = {}, second = {}, prefers, note } = input;
  return context.db.write(async (transaction): Promise<Outcome<{ paper: number }>> => {
    const trial = await loadTrial(trialId, transaction);
    const firstArm = trial?.firstArms[paper - 1];
    if (!trial) return failure({ code: 'trialGone' });
    if (firstArm === undefined) return failure({ code: 'noSuchPaper', path: 'paper' });
    const scores: Tasting['scores'] = {};
    for (const trait of trial.traits) {
      const [one, two] = [first[trait], second[trait]];
      if (one !== undefined && two !== undefined) scores[trait] = firstArm === 0 ? [one, two] : [two, one];
    }
    const likes = prefers === undefined ? undefined : prefers === 0 ? firstArm : otherArm(firstArm);
    const tasting: Tasting = {
      paper,
      taster: taster.trim(),
      ...(likes !== undefined && { prefers: likes }),
      scores,
      note: note.trim(),
      atMs: context.nowMs(),
    };
    await saveTasting(trialId, tasting, context.nowMs(), transaction);
    return success({ paper });
  });
}

/** A paper that was given by mistake. */
export async function takePaperOut(context: Context, { id, paper }: { id: string; paper: number }): Promise<Outcome<object>> {
  const found = await context.db.write((transaction) => removeTasting(id, paper, transaction));
  return found ? success({}) : failure({ code: 'noSuchPaper' });
}
