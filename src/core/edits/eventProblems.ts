import { cutIn, methodIn, recipeIn, withHired, type Batch, type CookEvent, type Equipment, type Library, type RecipeKind } from '../model';
import type { Problem } from '../outcome';
import { LOOSEST, STRICT_LIMITS } from '../safety';
import { limitProblems } from './limitProblems';

/** What an event is held against: the owner's library and equipment, and the present moment. */
export interface EventFacts {
  library: Library;
  equipment: Equipment;
  nowMs: number;
}

/** The same wherever an event is changed: on the page before it shows, and on the server before it is kept. */
export function eventProblems(event: CookEvent, before: CookEvent | undefined, facts: EventFacts): Problem[] {
  const problems = [
    ...idProblems(event),
    ...servingProblems(event, before, facts),
    ...batchProblems(event, before, facts.library),
    ...dayProblems(event),
    ...equipmentProblems(event, before, withHired(event, facts.equipment)),
  ];
  // What is wrong already is not said a second time.
  const said = new Set(problems.map((problem) => problem.path));
  return [...problems, ...limitProblems(event, facts, before).filter((problem) => !said.has(problem.path))];
}

/**
 * The problems of an event that were not there before; `saved` is what was last kept. An event that is broken all the same, by an older
 * program or by another hand, can be mended step by step: what is wrong already stops no other change.
 */
export function newProblems(event: CookEvent, before: CookEvent, saved: CookEvent, facts: EventFacts): Problem[] {
  const had = eventProblems(before, saved, facts);
  return eventProblems(event, saved, facts).filter(
    (problem) => !had.some((other) => other.code === problem.code && other.path === problem.path),
  );
}

function idProblems(event: CookEvent): Problem[] {
  const seen = new Set<string>();
  const problems: Problem[] = [];
  const claim = (id: string, path: string) => {
    if (seen.has(id)) problems.push({ code: 'idUsedTwice', path });
    seen.add(id);
  };
  event.servings.forEach((serving, i) => {
    claim(serving.id, `servings.${i}.name`);
    (serving.sides ?? []).forEach((side, k) => claim(side.id, `servings.${i}.sides.${k}.name`));
  });
  event.batches.forEach((batch, i) => {
    claim(batch.id, `batches.${i}.cutId`);
    batch.pieces.forEach((piece, k) => claim(piece.id, `batches.${i}.pieces.${k}.kg`));
  });
  const placed = (event.manualPlacements ?? []).map(({ batchId, pieceId, pitId }) => `${batchId}/${pieceId}/${pitId}`);
  if (new Set(placed).size !== placed.length) problems.push({ code: 'placedTwice' });
  return problems;
}

function servingProblems(event: CookEvent, before: CookEvent | undefined, { nowMs, library }: EventFacts): Problem[] {
  return event.servings.flatMap((serving, i): Problem[] => {
    const old = before?.servings.find((each) => each.id === serving.id);
    const moved = old?.atMs !== serving.atMs;
    const shares = [
      ...event.batches.filter((batch) => batch.servingId === serving.id).map((batch) => batch.share ?? 0),
      ...event.batches.filter((batch) => batch.second?.servingId === serving.id).map((batch) => batch.second!.share ?? 0),
    ];
    return [
      ...(moved && serving.atMs <= nowMs ? [{ code: 'servingInPast', path: `servings.${i}.atMs` }] : []),
      ...(serving.guests.adults + serving.guests.children === 0 ? [{ code: 'noGuests', path: `servings.${i}.guests.adults` }] : []),
      ...(shares.reduce((sum, share) => sum + share, 0) > 1.0001 ? [{ code: 'sharesOverWhole', path: `servings.${i}` }] : []),
      ...(serving.sides ?? []).flatMap((side, k) => {
        const known = side.recipeId === undefined || old?.sides?.some((each) => each.recipeId === side.recipeId);
        return known || recipeIn(library, side.recipeId) ? [] : [{ code: 'recipeGone', path: `servings.${i}.sides.${k}.recipeId` }];
      }),
    ];
  });
}

/** What the library does not know is a problem where it was newly chosen; what was there before stays as it is. */
function batchProblems(event: CookEvent, before: CookEvent | undefined, library: Library): Problem[] {
  const isServing = (id: string) => event.servings.some((serving) => serving.id === id);
  return event.batches.flatMap((batch, i): Problem[] => {
    const path = `batches.${i}`;
    const old = before?.batches.find((each) => each.id === batch.id);
    const recipes = Object.entries(batch.prep?.recipes ?? {}).flatMap(([kind, id]): Problem[] => {
      const known = id === undefined || id === old?.prep?.recipes?.[kind as RecipeKind];
      return known || recipeIn(library, id)?.kind === kind ? [] : [{ code: 'recipeGone', path: `${path}.prep.recipes.${kind}` }];
    });
    const gone = (code: string, field: string) => [{ code, path: `${path}.${field}` }];
    return [
      ...(isServing(batch.servingId) ? [] : gone('servingGone', 'servingId')),
      ...(batch.second && !isServing(batch.second.servingId) ? gone('servingGone', 'second.servingId') : []),
      ...(batch.cutId === old?.cutId || cutIn(library, batch.cutId) ? [] : gone('cutGone', 'cutId')),
      ...(batch.methodId === old?.methodId || methodIn(library, batch.methodId) ? [] : gone('methodGone', 'methodId')),
      ...recipes,
      ...weightProblems(batch, path),
    ];
  });
}

function weightProblems(batch: Batch, path: string): Problem[] {
  const onHandKg = batch.pieces.reduce((sum, piece) => sum + piece.kg, 0);
  return [
    ...batch.pieces.flatMap(({ boughtKg, trimmedKg }, k) =>
      boughtKg !== undefined && trimmedKg !== undefined && trimmedKg > boughtKg
        ? [{ code: 'trimmedOverBought', path: `${path}.pieces.${k}.trimmedKg` }]
        : [],
    ),
    ...(batch.leftover && batch.leftover.kg > onHandKg ? [{ code: 'moreLeftThanCooked', path: `${path}.leftover.kg` }] : []),
  ];
}

function dayProblems(event: CookEvent): Problem[] {
  const { fromHour, toHour } = event.kitchen ?? {};
  return [
    ...(fromHour !== undefined && toHour !== undefined && toHour <= fromHour ? [{ code: 'hoursReversed', path: 'kitchen.toHour' }] : []),
    ...(event.duty ?? []).flatMap(({ fromMs, toMs }, i) => (toMs <= fromMs ? [{ code: 'dutyReversed', path: `duty.${i}.toMs` }] : [])),
    ...(event.loosened ?? []).flatMap(({ rule, limit }, i) => {
      const [low, high] = [STRICT_LIMITS[rule], LOOSEST[rule].limit].sort((a, b) => a - b) as [number, number];
      return limit < low || limit > high ? [{ code: 'pastPublished', path: `loosened.${i}.limit` }] : [];
    }),
  ];
}

const GEAR = [
  ['pitIds', 'pits'],
  ['boxIds', 'boxes'],
  ['warmerIds', 'warmers'],
  ['probeIds', 'probes'],
] as const;

function equipmentProblems(event: CookEvent, before: CookEvent | undefined, equipment: Equipment): Problem[] {
  return GEAR.flatMap(([chosen, owned]) =>
    (event[chosen] ?? []).every((id) => before?.[chosen]?.includes(id) || equipment[owned].some((each) => each.id === id))
      ? []
      : [{ code: 'equipmentGone', path: chosen }],
  );
}
