import { modelCutOf, SHIPPED_PARAMETERS, type ParameterSet } from '../../core/forecast';
import { calibrate, learnedPaces, servingsKept, withEffects, type Calibration, type ServingKept } from '../../core/learn';
import { success, type Outcome } from '../../core/outcome';
import { listCooks, listFinished, loadSetting, saveSetting, type StoredCook } from '../../persistence';
import type { Context } from '../context';

const KEY = 'kitchen';
const BEFORE_KEY = 'kitchenBefore';

/** What of the owner's cooks the plans go by. */
export interface TakenKitchen {
  takenAtMs: number;
  cooks: number;
  learned: Required<Pick<ParameterSet, 'record' | 'pits' | 'methods'>>;
}

const isTaken = (value: unknown): value is TakenKitchen =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as TakenKitchen).takenAtMs === 'number' &&
  typeof (value as TakenKitchen).learned === 'object';

export async function takenKitchen(): Promise<TakenKitchen | undefined> {
  const stored = await loadSetting(KEY);
  return isTaken(stored) ? stored : undefined;
}

/** The cook model that plans of this house go by; nothing where nothing was taken: as shipped. */
export async function houseParameters(): Promise<ParameterSet | undefined> {
  const taken = await takenKitchen();
  return taken && { ...SHIPPED_PARAMETERS, ...taken.learned };
}

/** What all cooks of the log would teach, beside what is taken. */
export async function readKitchen(_context: Context): Promise<{ cooks: number; learned: ParameterSet; taken?: TakenKitchen }> {
  const finished = await listFinished();
  return { cooks: finished.length, learned: withEffects(finished), taken: await takenKitchen() };
}

/** What a log (all of it when left out) teaches, number by number, and what forecasts were worth on cooks that were still to come. */
export async function readLearning(
  context: Context,
  log?: StoredCook[],
): Promise<{
  paces: ReturnType<typeof learnedPaces>;
  calibration: Calibration;
  servings: ServingKept[];
  taken?: TakenKitchen;
  isNew: boolean;
}> {
  const all = log ?? (await listCooks());
  const cooks = all.toReversed().flatMap(({ cook: { id, cook, modelCutId }, log }) =>
    log === undefined || cook.observedH === undefined
      ? []
      : [
          {
            id,
            cutId: modelCutId ?? modelCutOf(cook.cutId),
            pitId: cook.pitId,
            methodId: cook.methodId,
            observedH: cook.observedH,
            massKg: cook.massKg,
            log,
          },
        ],
  );
  const taken = await takenKitchen();
  const servings = servingsKept(all.map(({ cook }) => cook));
  return {
    paces: learnedPaces(cooks),
    calibration: calibrate(cooks),
    servings,
    taken,
    isNew: cooks.length > 0 && !(taken && saysTheSame(taken, (await readKitchen(context)).learned)),
  };
}

/** Whether plans already go by what the log teaches: the same count may be of other cooks. */
const saysTheSame = ({ learned }: TakenKitchen, { record, pits, methods }: ParameterSet): boolean =>
  JSON.stringify([learned.record, learned.pits, learned.methods]) === JSON.stringify([record, pits, methods]);

/** From now on plans go by what the log teaches. What was taken before is kept, so that it can be put back. */
export async function takeKitchen(context: Context): Promise<Outcome<object>> {
  const { cooks, learned } = await readKitchen(context);
  const { record = {}, pits = {}, methods = {} } = learned;
  const taken: TakenKitchen = { takenAtMs: context.nowMs(), cooks, learned: { record, pits, methods } };
  const before = (await takenKitchen()) ?? null;
  await context.db.write(async (transaction) => {
    await saveSetting(KEY, taken, transaction);
    await saveSetting(BEFORE_KEY, before, transaction);
  });
  return success({});
}

/** Plans go again by what was taken before; where nothing was, by the model as it was shipped. */
export async function putKitchenBack(context: Context): Promise<Outcome<object>> {
  const before = await loadSetting(BEFORE_KEY);
  await context.db.write(async (transaction) => {
    await saveSetting(KEY, isTaken(before) ? before : null, transaction);
    await saveSetting(BEFORE_KEY, null, transaction);
  });
  return success({});
}
