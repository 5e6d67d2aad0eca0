'use client';
import { useRef, useState } from 'react';
import type { CookEvent } from '../../core/model';
import { faceOf, withFace, type PlanFace } from '../../core/planning';
import { announce, callAction, type Action } from '../kit/actions';
import { useEventEdits } from './useEventEdits';

interface Step {
  from: PlanFace;
  to: PlanFace;
  /** What is said when it is taken back. */
  undone: string;
}

/** Everything the plan screen changes, step by step: each shows at once, is saved behind, and can be taken back and done again. */
export function usePlanFace(first: CookEvent, savePlanFace: Action<CookEvent>) {
  const { event, latest, unsaved, edit, take, settled } = useEventEdits(first);
  const [steps, setSteps] = useState<{ done: Step[]; undone: Step[] }>({ done: [], undone: [] });
  /** The steps as they are now: what is told with a way back outlives the moment it was told in. */
  const taken = useRef(steps);
  const turn = (done: Step[], undone: Step[]) => {
    taken.current = { done, undone };
    setSteps(taken.current);
  };

  const go = (from: PlanFace, to: PlanFace, onRefused?: () => void) =>
    edit({
      change: (kept) => withFace(kept, to),
      back: (kept) => withFace(kept, from),
      save: (revision) => callAction(savePlanFace, { eventId: first.id, revision, face: to }),
      onRefused,
    });

  /** One step: what the event becomes, and what to say when it is taken back. */
  const change = (make: (event: CookEvent) => CookEvent, undoneMessage: string) => {
    const step: Step = { from: faceOf(latest.current), to: faceOf(make(latest.current)), undone: undoneMessage };
    turn([...taken.current.done, step], []);
    go(step.from, step.to, () =>
      turn(
        taken.current.done.filter((each) => each !== step),
        taken.current.undone,
      ),
    );
  };
  const undo = () => {
    const step = taken.current.done.at(-1);
    if (!step) return;
    turn(taken.current.done.slice(0, -1), [...taken.current.undone, step]);
    go(step.to, step.from);
    announce(step.undone);
  };
  const redo = () => {
    const step = taken.current.undone.at(-1);
    if (!step) return;
    turn([...taken.current.done, step], taken.current.undone.slice(0, -1));
    go(step.from, step.to);
  };
  const { done, undone } = steps;
  return { event, latest, unsaved, change, undo, redo, canUndo: done.length > 0, canRedo: undone.length > 0, take, settled };
}
