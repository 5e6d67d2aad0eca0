import { cutIn, libraryWith, methodIn, type CookEvent, type Library } from '../core/model';
import { failure, success, type Outcome, type Problem } from '../core/outcome';
import type { BriefInput } from '../doors';
import { instantOf } from '../formats/clock';
import { loadEvent, loadOwnLibrary, saveEvent } from '../persistence';
import type { House } from './house';

/** Saves the whole brief. Refused, with nothing changed, when a field is wrong or someone else saved first. */
export async function saveBrief(house: House, brief: BriefInput): Promise<Outcome<CookEvent>> {
  const problems = [...timeProblems(brief, house.nowMs()), ...duplicateIds(brief), ...guestProblems(brief)];
  if (problems.length > 0) return failure(...problems);
  return house.db.write(async (transaction): Promise<Outcome<CookEvent>> => {
    const kept = await loadEvent(brief.eventId, transaction);
    if (!kept) return failure({ code: 'eventGone' });
    if (kept.revision !== brief.revision) return failure({ code: 'changedElsewhere' });
    const unknown = unknownChoices(brief, libraryWith(await loadOwnLibrary(transaction)));
    if (unknown.length > 0) return failure(...unknown);
    const event = eventFrom(brief, kept);
    await saveEvent(event, house.nowMs(), transaction);
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
      const { id, name, serveForMin, carveLeadMin, buffet, adults, children, heartyShare } = serving;
      return { id, name: name.trim(), atMs: at.ms, serveForMin, carveLeadMin, buffet, guests: { adults, children, heartyShare } };
    }),
    batches: brief.servings.flatMap((serving) =>
      serving.batches.map(({ id, cutId, methodId, label, sizedBy, pieces }) => ({
        id,
        servingId: serving.id,
        cutId,
        methodId,
        label: label.trim(),
        sizedBy,
        pieces: pieces.map(({ id: pieceId, kg }) => ({ id: pieceId, kg })),
      })),
    ),
  };
}

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
      ];
    }),
  );
}

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
