import type { Batch, CookEvent, Piece, Serving } from '../core/model';
import { isInEventDays } from '../core/edits';
import { failure, success, type Problem } from '../core/outcome';
import { instantOf, localDate, localTime } from '../formats/clock';
import type { BriefInput, ServingInput } from '../inputs';
import type { Edit } from './edit';

/** An event as the brief's form holds it: the records themselves, menus inside their servings, times by the clock of the place. */
export function briefOf(event: CookEvent): BriefInput {
  const { name, place, timeZone, altitudeM, confidence } = event;
  const servings = event.servings.map((serving): ServingInput => ({
    ...serving,
    date: localDate(serving.atMs, timeZone),
    time: localTime(serving.atMs, timeZone),
    batches: event.batches.filter((batch) => batch.servingId === serving.id),
  }));
  return { name, place, timeZone, altitudeM, confidence, servings };
}

/** Takes the whole brief over. An instant moves only when its clock time was typed anew, or the zone. */
export const saveBrief: Edit<BriefInput> = (event, brief, { nowMs }) => {
  const problems = [...timeProblems(brief, event, nowMs), ...guestProblems(brief), ...sharesProblems(brief)];
  if (problems.length > 0) return failure(...problems);
  const before = new Map(event.batches.map((batch) => [batch.id, batch]));
  const { servings, ...head } = brief;
  const moved: CookEvent = {
    ...event,
    ...head,
    name: brief.name.trim(),
    place: brief.place.trim(),
    servings: servings.map(({ date: _, time: __, batches: ___, ...serving }, i): Serving => ({
      ...serving,
      name: serving.name.trim(),
      atMs: atMsOf(servings[i]!, brief, event),
      sides: serving.sides?.map((side) => ({ ...side, name: side.name.trim() })),
    })),
    batches: servings.flatMap((serving) =>
      serving.batches.map((batch) => ({ ...batchAfter(batch, before.get(batch.id)), servingId: serving.id })),
    ),
  };
  // A run that was pinned to a day the event has left is planned anew.
  const pins = event.pins?.filter((pin) => isInEventDays(moved, pin.onAtMs) || !isInEventDays(event, pin.onAtMs));
  return success(pins?.length === event.pins?.length ? moved : { ...moved, pins });
};

/** Another cut under the same line keeps nothing of what buying and prep chose for the one before. */
function batchAfter(batch: Batch, before: Batch | undefined): Batch {
  const { buying, prep, received, leftover, ...menu } = batch;
  const same = before === undefined || before.cutId === batch.cutId;
  return {
    ...menu,
    ...(same && { buying, prep, received, leftover }),
    label: batch.label.trim(),
    second: batch.second && { ...batch.second, name: batch.second.name.trim() },
    pieces: batch.pieces.map((piece) =>
      pieceAfter(
        piece,
        before?.pieces.find((each) => each.id === piece.id),
      ),
    ),
  };
}

/** A weight typed on the brief is the trimmed weight; one that is left alone keeps what the scale said. */
const pieceAfter = (piece: Piece, before: Piece | undefined): Piece =>
  before === undefined || before.kg === piece.kg || piece.trimmedKg === undefined ? piece : { ...piece, trimmedKg: piece.kg };

/** The clock time as it was shown names the instant it was shown for, be it between minutes or in an hour that comes twice. */
function isUntouched(serving: ServingInput, brief: BriefInput, event: CookEvent): boolean {
  return (
    brief.timeZone === event.timeZone &&
    event.servings.some((each) => each.id === serving.id && each.atMs === serving.atMs) &&
    serving.date === localDate(serving.atMs, event.timeZone) &&
    serving.time === localTime(serving.atMs, event.timeZone)
  );
}

function atMsOf(serving: ServingInput, brief: BriefInput, event: CookEvent): number {
  if (isUntouched(serving, brief, event)) return serving.atMs;
  const at = instantOf(serving.date, serving.time, brief.timeZone);
  if ('problem' in at) throw new Error('saveBrief: times were checked before');
  return at.ms;
}

function timeProblems(brief: BriefInput, event: CookEvent, nowMs: number): Problem[] {
  return brief.servings.flatMap((serving, i): Problem[] => {
    if (isUntouched(serving, brief, event)) return [];
    const at = instantOf(serving.date, serving.time, brief.timeZone);
    if ('problem' in at)
      return at.problem === 'missing'
        ? [{ code: 'clockSkipsIt', path: `servings.${i}.time` }]
        : [{ code: 'noSuchDate', path: `servings.${i}.date` }];
    return at.ms <= nowMs ? [{ code: 'servingInPast', path: `servings.${i}.date` }] : [];
  });
}

const guestProblems = (brief: BriefInput): Problem[] =>
  brief.servings.flatMap(({ guests }, i) =>
    guests.adults + guests.children === 0 ? [{ code: 'noGuests', path: `servings.${i}.guests.adults` }] : [],
  );

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

/** Where on the brief's form something of the event stands: `batches.3.cutId` as `servings.1.batches.0.cutId`. */
export function briefPath(event: CookEvent, path: string): string {
  const [list, at, ...rest] = path.split('.');
  if (list === 'servings' && rest[0] === 'atMs') return `servings.${at}.date`;
  if (list !== 'batches') return path;
  const batch = event.batches[Number(at)];
  const serving = event.servings.findIndex((each) => each.id === batch?.servingId);
  const own = event.batches.filter((each) => each.servingId === batch?.servingId);
  return batch && serving >= 0 ? ['servings', serving, 'batches', own.indexOf(batch), ...rest].join('.') : path;
}
