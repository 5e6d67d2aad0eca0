import Link from 'next/link';
import type { CookEvent } from '../../core/model';
import { buttonClass } from '../kit/Button';

/** No plan yet: what to do next. */
export function Empty({ event, hasPits, planning }: { event: CookEvent; hasPits: boolean; planning: boolean }) {
  const [what, href, where] =
    event.batches.length === 0
      ? ['There is nothing on the menu yet. Choose the first cut, and the plan counts back from the serving.', 'brief', 'Go to the brief']
      : hasPits
        ? [
            planning ? 'It is being made, and stands here in a moment.' : 'Nothing could be placed. The reasons stand above.',
            'brief',
            'Change the menu',
          ]
        : ['This event has no pit to cook on yet.', 'pits', 'Choose pits'];
  return (
    <div className="m-6 rounded-md border border-dashed border-line bg-sheet p-8">
      <h2 className="text-lg">No plan yet</h2>
      <p className="mt-1 text-soft">{what}</p>
      <Link href={`/events/${event.id}/${href}`} className={`${buttonClass('ember')} mt-4`}>
        {where}
      </Link>
    </div>
  );
}
