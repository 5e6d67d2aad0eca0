'use client';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CookEvent, Laid } from '../../core/model';
import { attempt, type Action } from '../kit/actions';
import { useEventEdits } from '../plan/useEventEdits';

/** The places given by hand: each change shows at once, is saved behind it, and can be undone and done again. */
export function useLaid(first: CookEvent, layPieces: Action<CookEvent>) {
  const { event, unsaved, edit } = useEventEdits(first);
  const [done, setDone] = useState<Laid[][]>([]);
  const [undone, setUndone] = useState<Laid[][]>([]);
  const laid = useMemo(() => event.laid ?? [], [event.laid]);
  const put = (next: Laid[]) => {
    const before = laid;
    edit({
      change: (kept) => ({ ...kept, laid: next }),
      back: (kept) => ({ ...kept, laid: before }),
      save: (revision) => attempt(layPieces, { eventId: event.id, revision, laid: next }),
    });
  };
  const lay = (next: Laid[]) => {
    setDone((list) => [...list, laid]);
    setUndone([]);
    put(next);
  };
  const undo = () => {
    const last = done.at(-1);
    if (!last) return;
    setDone((list) => list.slice(0, -1));
    setUndone((list) => [...list, laid]);
    put(last);
  };
  const redo = () => {
    const last = undone.at(-1);
    if (!last) return;
    setUndone((list) => list.slice(0, -1));
    setDone((list) => [...list, laid]);
    put(last);
  };
  useHotkeys('mod+z', undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { preventDefault: true });
  return { event, unsaved, laid, lay, undo, redo, canUndo: done.length > 0, canRedo: undone.length > 0 };
}
