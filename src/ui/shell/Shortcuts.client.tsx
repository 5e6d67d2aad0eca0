'use client';
import { useParams, useRouter } from 'next/navigation';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Dialog } from '../kit/Dialog';

const GO = [
  ['g e', 'Events'],
  ['g q', 'Equipment'],
  ['g c', 'Cuts & methods'],
  ['g w', 'What if'],
  ['g b', 'Brief of this event'],
  ['g u', 'Buying for this event'],
  ['g t', 'Prep of this event'],
  ['g i', 'Pits of this event'],
  ['g p', 'Plan of this event'],
  ['g k', 'Racks of this event'],
  ['g r', 'Run sheet of this event'],
  ['g v', 'Service of this event'],
  ['g s', 'Safety of this event'],
] as const;

const THERE = [
  ['n', 'New event (on Events)'],
  ['← →', 'Run before or after (on the plan)'],
  ['Alt ← →', 'The chosen run 5 min earlier, later; with Shift 15 (on the plan)'],
  ['P, R', 'Pin or let go the run; re-plan round what is pinned (on the plan)'],
  ['Ctrl Shift Z', 'Do again what was undone (Plan and Racks)'],
  ['Esc', 'Let go of the run, close what is open'],
  ['Enter ↓ ↑', 'Down and up a column of weights (Buying)'],
  ['Tab, arrows', 'To a piece on a rack; 10 mm at a time, with Shift 1 mm'],
  ['T, Page ↑ ↓', 'Turn the piece; to the rack above or below'],
  ['Ctrl Z', 'Undo the last change (Brief, Plan and Racks)'],
  ['?', 'This list'],
] as const;

/** Keys that work everywhere, and the list of them all. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);
  const router = useRouter();
  const { eventId } = useParams<{ eventId?: string }>();
  const go = (path: string) => () => router.push(path);
  const goStage = (stage: string) => () => {
    if (eventId) router.push(`/events/${eventId}/${stage}`);
  };
  useHotkeys('shift+slash, ?', () => setOpen(true), { useKey: true });
  useHotkeys('g>e', go('/'));
  useHotkeys('g>q', go('/equipment'));
  useHotkeys('g>c', go('/library'));
  useHotkeys('g>w', go('/what-if'));
  useHotkeys('g>b', goStage('brief'), [eventId]);
  useHotkeys('g>u', goStage('buying'), [eventId]);
  useHotkeys('g>t', goStage('prep'), [eventId]);
  useHotkeys('g>v', goStage('service'), [eventId]);
  useHotkeys('g>s', goStage('safety'), [eventId]);
  useHotkeys('g>i', goStage('pits'), [eventId]);
  useHotkeys('g>p', goStage('plan'), [eventId]);
  useHotkeys('g>k', goStage('racks'), [eventId]);
  useHotkeys('g>r', goStage('run-sheet'), [eventId]);
  return (
    <Dialog open={open} onOpenChange={setOpen} title="Keyboard">
      <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
        {[...GO, ...THERE].map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt>
              <kbd className="figures rounded border border-line bg-paper px-2 py-0.5 font-semibold">{keys}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
