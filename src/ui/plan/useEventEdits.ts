'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { CookEvent } from '../../core/model';
import type { Outcome } from '../../core/outcome';
import { complain } from '../kit/actions';

export interface EventEdit {
  /** What shows at once, and what shows again when it could not be saved. */
  change(event: CookEvent): CookEvent;
  back(event: CookEvent): CookEvent;
  save(revision: number): Promise<Outcome<CookEvent>>;
  onRefused?(): void;
}

/** An event that is edited on the screen: every edit shows at once and is saved behind it, one after another. */
export function useEventEdits(first: CookEvent) {
  const router = useRouter();
  const [event, setEvent] = useState(first);
  /** The event as it is now, for whatever ends long after it was begun. */
  const latest = useRef(first);
  const [unsaved, setUnsaved] = useState<number>();
  const revision = useRef(first.revision);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  useEffect(() => {
    if (!unsaved) return;
    const ask = (leaving: BeforeUnloadEvent) => leaving.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [unsaved]);

  const show = (now: CookEvent) => {
    latest.current = now;
    setEvent(now);
  };
  const next = (change: (event: CookEvent) => CookEvent) => show({ ...change(latest.current), revision: latest.current.revision + 1 });
  const edit = ({ change, back, save, onRefused }: EventEdit) => {
    next(change);
    setUnsaved((count = 0) => count + 1);
    queue.current = queue.current.then(async () => {
      const outcome = await save(revision.current);
      setUnsaved((count = 1) => count - 1);
      if (outcome.ok) {
        revision.current = outcome.value.revision;
        router.refresh();
        return;
      }
      next(back);
      onRefused?.();
      complain(outcome.problems);
    });
  };
  /** Takes an event that was saved some other way, once all edits are. */
  const take = (saved: CookEvent) => {
    revision.current = saved.revision;
    show(saved);
  };
  const settled = () => queue.current;
  return { event, latest, unsaved, edit, take, settled };
}

/** `undefined` until something was edited. */
export const savingMessage = (unsaved: number | undefined): string | undefined =>
  unsaved === undefined ? undefined : unsaved > 0 ? 'Saving…' : 'All saved';
