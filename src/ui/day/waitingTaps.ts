import type { Deed } from '../../core/day';
import type { DayScreen } from './dayScreen';

/** What somebody said on this phone and the house has not confirmed. */
export interface Tap {
  id: string;
  /** The day's time when it was tapped, as this phone had it then. */
  atMs: number;
  /** When by this phone's own clock. */
  madeMs: number;
  by: string;
  deed: Deed;
}

/** Its instant by what the day's time is thought to be now: of a phone's clock only what went by since the tap is believed. */
export const instantOf = ({ madeMs }: Tap, { dayMs, hereMs, speed }: { dayMs: number; hereMs: number; speed: number }): number =>
  Math.round(dayMs - Math.max(0, hereMs - madeMs) * speed);

/** The day with what waits on this phone done already: nobody is asked twice for what they have tapped. The house has the last word. */
export function withWaiting(day: DayScreen, taps: readonly Tap[]): DayScreen {
  const undone = new Set(taps.flatMap(({ deed }) => (deed.kind === 'undo' ? [deed.entryId] : [])));
  return taps.filter((tap) => !undone.has(tap.id)).reduce(tapped, day);
}

function tapped(day: DayScreen, { atMs, by, deed }: Tap): DayScreen {
  switch (deed.kind) {
    case 'task':
      if (deed.did === 'begun')
        return { ...day, tasks: day.tasks.map((task) => (task.id === deed.taskId ? { ...task, begunAtMs: atMs, begunBy: by } : task)) };
      if (deed.did !== 'done' && deed.did !== 'skipped') return day;
      return {
        ...day,
        tasks: day.tasks.map((task) => {
          if (task.id === deed.taskId) return { ...task, status: deed.did as 'done' | 'skipped' };
          // Whoever is through with it is not held by it any more.
          const { clash, ...free } = task;
          return clash?.taskId === deed.taskId ? free : task;
        }),
      };
    case 'alarm':
      return {
        ...day,
        alarms: day.alarms.map((mark) => (mark.causeId === deed.causeId ? { ...mark, acknowledgedAtMs: atMs, acknowledgedBy: by } : mark)),
      };
    case 'reading':
      return withPiece(day, [deed.piece], { last: { atMs, tempC: deed.coreC }, lastLeftOut: false });
    case 'pitReading':
      // Of gauge and bands the house says what the grate is.
      if (deed.at === 'gauge' || deed.rackId !== undefined) return day;
      return { ...day, pits: day.pits.map((pit) => (pit.pitId === deed.pitId ? { ...pit, last: { atMs, tempC: deed.pitC } } : pit)) };
    case 'weighed':
      return { ...day, weighed: { ...day.weighed, [deed.of]: { ...day.weighed[deed.of], [deed.id]: deed.kg } } };
    case 'piece':
      return withPiece(day, deed.pieces, {
        step: deed.step,
        stepAtMs: atMs,
        ...(deed.step === 'on' && { onAtMs: atMs }),
        ...(deed.step === 'wrapped' && { wrappedAtMs: atMs }),
        ...(deed.step === 'pulled' && { pulledAtMs: atMs }),
        ...(deed.step === 'held' && { heldAtMs: atMs }),
        ...(deed.step === 'carved' && { carvedAtMs: atMs }),
      });
    default:
      return day;
  }
}

const withPiece = (day: DayScreen, keys: readonly string[], change: Partial<DayScreen['pieces'][number]>): DayScreen => ({
  ...day,
  pieces: day.pieces.map((piece) => (keys.includes(piece.key) ? { ...piece, ...change } : piece)),
});
