import { handsMinOf, kitchenOf, type CookEvent, type Plan, type Run, type Task } from '../model';
import { MS_PER_MIN } from '../units';
import type { PaidAs, ShoppingItem } from './shopping';

/** What the meat of a batch costs beside the meat itself, in the event's currency. */
export interface CostBeside {
  seasoning: number;
  /** Fuel and wood of the pits it lay on, by its kilogram-hours there. */
  fire: number;
  wrap: number;
  kit: number;
  hands: number;
}
export const COST_PARTS = ['seasoning', 'fire', 'wrap', 'kit', 'hands'] as const;
export const sumOfCost = (cost: CostBeside): number => COST_PARTS.reduce((sum, part) => sum + cost[part], 0);

const PART_OF: Record<Exclude<PaidAs, object>, Exclude<keyof CostBeside, 'hands'>> = {
  seasoningPerKg: 'seasoning',
  woodPerKg: 'fire',
  charcoalPerKg: 'fire',
  gasPerKg: 'fire',
  wrapPerM: 'wrap',
};

/**
 * What each batch costs beside its meat: what is bought for it, its part of what its pits burn, and the hands that work on it,
 * their fires included. What stands beside the meat on the table is another account.
 */
export function costBeside(event: CookEvent, plan: Pick<Plan, 'runs' | 'tasks'>, items: readonly ShoppingItem[]): Map<string, CostBeside> {
  const kitchen = kitchenOf(event);
  const costs = new Map<string, CostBeside>(event.batches.map(({ id }) => [id, { seasoning: 0, fire: 0, wrap: 0, kit: 0, hands: 0 }]));
  const onPit = shareOfPits(plan.runs);
  /** A batch takes all of what is its own, and its part of what is a pit's. */
  const give = (forId: string, take: (cost: CostBeside, share: number) => void) => {
    const own = costs.get(forId);
    if (own) take(own, 1);
    else for (const [batchId, share] of onPit.get(forId) ?? []) if (costs.has(batchId)) take(costs.get(batchId)!, share);
  };
  for (const item of items) {
    const { paidAs } = item;
    if (!paidAs) continue;
    const [part, each] = typeof paidAs === 'object' ? (['kit', paidAs.each] as const) : ([PART_OF[paidAs], kitchen[paidAs]] as const);
    for (const [forId, value] of Object.entries(item.values)) give(forId, (cost, share) => (cost[part] += share * value * each));
  }
  for (const task of plan.tasks) {
    const forId = task.batchId ?? plan.runs.find((run) => run.id === task.runId)?.batchId ?? task.pitId;
    if (forId !== undefined) give(forId, (cost, share) => (cost.hands += (share * handsOf(task) * kitchen.handPerH) / 60));
  }
  return costs;
}

const handsOf = (task: Task): number => handsMinOf(task) * Math.max(1, task.who?.length ?? 1);

/** How the kilogram-hours on each pit are shared out over the batches that lay there. */
function shareOfPits(runs: readonly Run[]): Map<string, Map<string, number>> {
  const laden = new Map<string, Map<string, number>>();
  for (const run of runs)
    for (const { pitId, kg, fromMs, toMs } of run.legs) {
      const pit = laden.get(pitId) ?? new Map<string, number>();
      laden.set(pitId, pit.set(run.batchId, (pit.get(run.batchId) ?? 0) + (kg * (toMs - fromMs)) / (60 * MS_PER_MIN)));
    }
  for (const pit of laden.values()) {
    const whole = [...pit.values()].reduce((sum, each) => sum + each, 0);
    for (const [batchId, each] of pit) pit.set(batchId, whole > 0 ? each / whole : 0);
  }
  return laden;
}
