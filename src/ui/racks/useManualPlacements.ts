'use client';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { CookEvent, ManualPlacement } from '../../core/model';
import { callAction, type Action } from '../kit/actions';
import { useEventEdits } from '../plan/useEventEdits';

/** The places given by hand: each change shows at once, is saved behind it, and can be undone and done again. */
export function useManualPlacements(first: CookEvent, layPieces: Action<CookEvent>) {
  const { event, unsaved, edit } = useEventEdits(first);
  const [done, setDone] = useState<ManualPlacement[][]>([]);
  const [undone, setUndone] = useState<ManualPlacement[][]>([]);
  const manualPlacements = useMemo(() => event.manualPlacements ?? [], [event.manualPlacements]);
  const put = (next: ManualPlacement[]) => {
    const before = manualPlacements;
    edit({
      change: (kept) => ({ ...kept, manualPlacements: next }),
      back: (kept) => ({ ...kept, manualPlacements: before }),
      save: (revision) => callAction(layPieces, { eventId: event.id, revision, manualPlacements: next }),
    });
  };
  const lay = (next: ManualPlacement[]) => {
    setDone((list) => [...list, manualPlacements]);
    setUndone([]);
    put(next);
  };
  const undo = () => {
    const last = done.at(-1);
    if (!last) return;
    setDone((list) => list.slice(0, -1));
    setUndone((list) => [...list, manualPlacements]);
    put(last);
  };
  const redo = () => {
    const last = undone.at(-1);
    if (!last) return;
    setUndone((list) => list.slice(0, -1));
    setDone((list) => [...list, manualPlacements]);
    put(last);
  };
  useHotkeys('mod+z', undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { preventDefault: true });
  return { event, unsaved, manualPlacements, lay, undo, redo, canUndo: done.length > 0, canRedo: undone.length > 0 };
}
