import type { CookEvent } from '../model';

/** What somebody wanted changed after a cook, and what that cook was. */
export interface NextTime {
  cookId: string;
  cutId: string;
  methodId?: string;
  pitId?: string;
  onMs?: number;
  text: string;
}

/** What matches first: the same cut in the same way, then the cut, the way, and the pit last. */
const WORTH = Object.freeze({ cut: 4, method: 2, pit: 1 });

/** What comes up again with an event: what was to be changed of its cuts, methods and pits, what fits best and is newest first. The same words come up once. */
export function comesUpFor({ batches, pitIds }: Pick<CookEvent, 'batches' | 'pitIds'>, wished: readonly NextTime[]): NextTime[] {
  const worthOf = ({ cutId, methodId, pitId }: NextTime): number => {
    const sameCut = batches.filter((batch) => batch.cutId === cutId);
    const way = methodId !== undefined && (sameCut.length > 0 ? sameCut : batches).some((batch) => batch.methodId === methodId);
    return (
      (sameCut.length > 0 ? WORTH.cut : 0) + (way ? WORTH.method : 0) + (pitId !== undefined && pitIds.includes(pitId) ? WORTH.pit : 0)
    );
  };
  const fitting = wished
    .map((each) => ({ each, worth: worthOf(each) }))
    .filter(({ worth }) => worth > 0)
    .sort((a, b) => b.worth - a.worth || (b.each.onMs ?? 0) - (a.each.onMs ?? 0) || (a.each.cookId < b.each.cookId ? -1 : 1));
  const told = new Set<string>();
  return fitting.flatMap(({ each }) => {
    const words = `${each.cutId} ${each.text.toLowerCase()}`;
    if (told.has(words)) return [];
    told.add(words);
    return [each];
  });
}
