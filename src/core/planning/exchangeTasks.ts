import { PREP_KINDS, TENDING_KINDS, type ExchangeTask, type ExchangeTaskKind, type Plan, type Task, type TravelWork } from '../model';
import type { RulesVersion } from '../quantities';

const TASK_ORDER: ExchangeTaskKind[] = [
  'light',
  'drive',
  'pull',
  'wrap',
  'move',
  'check',
  'load',
  'tend',
  'prepare',
  'unload',
  'setUp',
  'carve',
];

/** What version 2 calls the work of a trip. */
const TRAVEL_KIND: Record<TravelWork['kind'], Pick<ExchangeTask, 'kind' | 'what'>> = {
  drive: { kind: 'drive' },
  loadVan: { kind: 'prepare', what: 'load the van' },
  unload: { kind: 'unload' },
  setUp: { kind: 'setUp' },
  packUp: { kind: 'prepare', what: 'pack up' },
};

/** All that hands do, in order of time. */
export function exchangeTasksOf(plan: Plan, rules: RulesVersion): ExchangeTask[] {
  const at = (placeId: string) => (rules === 1 ? {} : { place: placeId });
  const tasks: ExchangeTask[] = [
    ...plan.firings.map(({ lightAtMs, pitId, placeId, who }) => ({
      atMs: lightAtMs,
      minutes: 15,
      kind: 'light' as const,
      ...at(placeId),
      pit: pitId,
      who,
    })),
    ...plan.travelWork.map(({ kind, atMs, minutes, placeId, who }) => ({ atMs, minutes, ...TRAVEL_KIND[kind], ...at(placeId), who })),
    ...(rules === 1 ? [] : plan.tasks.flatMap((task) => softTask(task))),
    ...plan.runs.flatMap((run) =>
      run.work.map(({ kind, atMs, minutes, placeId, pitId, pieceIds, who }) => ({
        atMs,
        minutes,
        kind,
        ...at(placeId),
        ...(pitId && { pit: pitId }),
        pieces: pieceIds,
        who,
      })),
    ),
  ];
  return tasks.sort((a, b) => a.atMs - b.atMs || TASK_ORDER.indexOf(a.kind) - TASK_ORDER.indexOf(b.kind));
}

/** Fire tending and making ready, as far as somebody is named for it. */
function softTask({ kind, atMs, minutes, placeId, pitId, pieceIds, what, who }: Task): ExchangeTask[] {
  if (!who || !placeId) return [];
  const tends = TENDING_KINDS.includes(kind);
  if (!tends && kind !== 'prepare' && !(PREP_KINDS as readonly string[]).includes(kind)) return [];
  return [
    {
      atMs,
      minutes,
      kind: tends ? 'tend' : 'prepare',
      what: what?.code ?? kind,
      place: placeId,
      ...(pitId && { pit: pitId }),
      ...(pieceIds && { pieces: pieceIds }),
      who,
    },
  ];
}
