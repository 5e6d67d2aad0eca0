import { cutIn, libraryWith, methodIn, recipeIn, type Batch, type CookEvent, type Library, type Piece } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import type { BriefInput } from '../inputs';
import { instantOf } from '../formats/clock';
import { loadEvent, loadOwnLibrary, saveEvent } from '../persistence';
import type { Context } from './context';

/** Saves the whole brief. Refused, with nothing changed, when a field is wrong or someone else saved first. */
export async function saveBrief(context: Context, brief: BriefInput): Promise<Outcome<CookEvent>> {
  const problems = [...timeProblems(brief, context.nowMs()), ...duplicateIds(brief), ...guestProblems(brief), ...sharesProblems(brief)];
  if (problems.length > 0) return failure(...problems);
  return context.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const kept = await loadEvent(brief.eventId, transaction);
    if (!kept) return failure({ code: 'eventGone' });
    if (kept.revision !== brief.revision) return failure({ code: 'changedElsewhere' });
    const library = libraryWith(await loadOwnLibrary(transaction));
    const unknown = [...unknownChoices(brief, library), ...unknownRecipes(brief, library)];
    if (unknown.length > 0) return failure(...unknown);
    const event = eventFrom(brief, kept);
    await saveEvent(event, context.nowMs(), transaction);
    return success(event);
  });
}

function eventFrom(brief: BriefInput, kept: CookEvent): CookEvent {
  return {
    ...kept,
    name: brief.name.trim(),
    place: brief.place.trim(),
    timeZone: brief.timeZone,
    altitudeM: brief.altitudeM,
    confidence: brief.confidence,
    revision: kept.revision + 1,
    servings: brief.servings.map((serving) => {
      const at = instantOf(serving.date, serving.time, brief.timeZone);
      if ('problem' in at) throw new Error('saveBrief: times were checked before');
      const { id, name, serveForMin, carveLeadMin, buffet, adults, children, heartyShare, marginShare, highlySusceptible, sides, needs } =
        serving;
      return {
        id,
        name: name.trim(),
        atMs: at.ms,
        serveForMin,
        carveLeadMin,
        buffet,
        guests: { adults, children, heartyShare },
        marginShare,
        highlySusceptible,
        sides: sides.map((side) => ({ ...side, name: side.name.trim(), carries: [...side.carries] })),
        needs: needs.map((need) => ({ ...need })),
      };
    }),
    batches: brief.servings.flatMap((serving) =>
      serving.batches.map(({ id, cutId, methodId, label, sizedBy, pieces, share, second }): Batch => {
        const before = kept.batches.find((batch) => batch.id === id);
        return {
          // What buying and prep chose stays with the batch.
          ...(before?.cutId === cutId && before),
          id,
          servingId: serving.id,
          cutId,
          methodId,
          label: label.trim(),
          sizedBy,
          share,
          second: second && { ...second, name: second.name.trim() },
          pieces: pieces.map((piece) =>
            pieceFrom(
              piece,
              before?.pieces.find((each) => each.id === piece.id),
            ),
          ),
        };
      }),
    ),
  };
}

/** A weight typed on the brief is the trimmed weight; one that is left alone keeps what the scale said. */
const pieceFrom = ({ id, kg }: { id: string; kg: number }, before: Piece | undefined): Piece =>
  before?.kg === kg ? before : { ...before, id, kg, ...(before?.trimmedKg !== undefined && { trimmedKg: kg }) };

function timeProblems(brief: BriefInput, nowMs: number): Problem[] {
  return brief.servings.flatMap((serving, i): Problem[] => {
    const at = instantOf(serving.date, serving.time, brief.timeZone);
    if ('problem' in at) {
      return at.problem === 'missing'
        ? [{ code: 'clockSkipsIt', path: `servings.${i}.time` }]
        : [{ code: 'noSuchDate', path: `servings.${i}.date` }];
    }
    return at.ms <= nowMs ? [{ code: 'servingInPast', path: `servings.${i}.date` }] : [];
  });
}

function unknownChoices(brief: BriefInput, library: Library): Problem[] {
  return brief.servings.flatMap((serving, i) =>
    serving.batches.flatMap((batch, j): Problem[] => {
      const path = `servings.${i}.batches.${j}`;
      return [
        ...(cutIn(library, batch.cutId) ? [] : [{ code: 'cutGone', path: `${path}.cutId` }]),
        ...(methodIn(library, batch.methodId) ? [] : [{ code: 'methodGone', path: `${path}.methodId` }]),
        ...(batch.second && !brief.servings.some((each) => each.id === batch.second!.servingId)
          ? [{ code: 'servingGone', path: `${path}.second.servingId` }]
          : []),
      ];
    }),
  );
}

function sharesProblems(brief: BriefInput): Problem[] {
  return brief.servings.flatMap((serving, i) => {
    const shares = [
      ...serving.batches.map((batch) => batch.share),
      ...brief.servings.flatMap((each) =>
        each.batches.filter((batch) => batch.second?.servingId === serving.id).map((batch) => batch.second!.share),
      ),
    ];
    const first = serving.batches.findIndex((batch) => batch.share !== undefined);
    const sum = shares.reduce<number>((all, share) => all + (share ?? 0), 0);
    return first >= 0 && sum > 1.0001 ? [{ code: 'sharesOverWhole', path: `servings.${i}.batches.${first}.share` }] : [];
  });
}

const unknownRecipes = (brief: BriefInput, library: Library): Problem[] =>
  brief.servings.flatMap((serving, i) =>
    serving.sides.flatMap((side, j) =>
      side.recipeId === undefined || recipeIn(library, side.recipeId)
        ? []
        : [{ code: 'recipeGone', path: `servings.${i}.sides.${j}.recipeId` }],
    ),
  );

function guestProblems(brief: BriefInput): Problem[] {
  return brief.servings.flatMap((serving, i) =>
    serving.adults + serving.children === 0 ? [{ code: 'noGuests', path: `servings.${i}.adults` }] : [],
  );
}

function duplicateIds(brief: BriefInput): Problem[] {
  const seen = new Set<string>();
  const problems: Problem[] = [];
  const claim = (id: string, path: string) => {
    if (seen.has(id)) problems.push({ code: 'idUsedTwice', path });
    seen.add(id);
  };
  brief.servings.forEach((serving, i) => {
    claim(serving.id, `servings.${i}.name`);
    serving.batches.forEach((batch, j) => {
      claim(batch.id, `servings.${i}.batches.${j}.cutId`);
      batch.pieces.forEach((piece, k) => claim(piece.id, `servings.${i}.batches.${j}.pieces.${k}.kg`));
    });
  });
  return problems;
}
