'use client';
import { useState } from 'react';
import type { CookEvent } from '../../core/model';
import { faceOf, withFace, type PlanFace } from '../../core/planning';
import { announce, attempt, type Action } from '../kit/actions';
import { useEventEdits } from './useEventEdits';

interface Step {
  from: PlanFace;
  to: PlanFace;
  /** What is said when it is taken back. */
  undone: string;
}

/** Everything the plan screen changes, step by step: each shows at once, is saved behind, and can be taken back and done again. */
export function usePlanFace(first: CookEvent, savePlanFace: Action<CookEvent>) {
  const { event, unsaved, edit, take, settled } = useEventEdits(first);
  const [done, setDone] = useState<Step[]>([]);
  const [undone, setUndone] = useState<Step[]>([]);

  const go = (from: PlanFace, to: PlanFace, onRefused?: () => void) =>
    edit({
      change: (kept) => withFace(kept, to),
      back: (kept) => withFace(kept, from),
      save: (revision) => attempt(savePlanFace, { eventId: event.id, revision, face: to }),
      onRefused,
    });

  /** One step: what the event becomes, and what to say when it is taken back. */
  const change = (make: (event: CookEvent) => CookEvent, undoneWords: string) => {
    const step: Step = { from: faceOf(event), to: faceOf(make(event)), undone: undoneWords };
    setDone((steps) => [...steps, step]);
    setUndone([]);
    go(step.from, step.to, () => setDone((steps) => steps.filter((each) => each !== step)));
  };
  const undo = () => {
    const step = done.at(-1);
    if (!step) return;
    setDone((steps) => steps.slice(0, -1));
    setUndone((steps) => [...steps, step]);
    go(step.to, step.from);
    announce(step.undone);
  };
  const redo = () => {
    const step = undone.at(-1);
    if (!step) return;
    setUndone((steps) => steps.slice(0, -1));
    setDone((steps) => [...steps, step]);
    go(step.from, step.to);
  };
  return { event, unsaved, change, undo, redo, canUndo: done.length > 0, canRedo: undone.length > 0, take, settled };
}
