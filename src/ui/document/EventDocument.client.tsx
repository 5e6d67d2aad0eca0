'use client';
import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { unplanned, type CookEvent, type Plan } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import type { LearnedTrim } from '../../core/quantities';
import { planInputFor, type DocumentFacts } from '../../document';
import { Planner } from '../../workers/client';
import { announce } from '../kit/actions';
import { UndoContext } from '../kit/undo';
import { documentActions, loadForms, type DocumentActions } from './documentActions';
import type { DocumentState } from './documentState';
import { EventStore } from './eventStore';
import { readDocument, sendEdits } from './requests';

export interface EventDocument extends DocumentState {
  input: PlanInput;
  learned: LearnedTrim[];
  /** The plan last made; `planning` while a newer one is on its way. */
  plan: Plan;
  planning: boolean;
  /** Whether `plan` is a plan at all, or stands for one that is still to be made. */
  planned: boolean;
  failed: boolean;
  /** The version the worker's plan belongs to; undefined until it has made one. */
  plannedVersion?: number;
  planner: React.RefObject<Planner | undefined>;
  store: EventStore;
  actions: DocumentActions;
  undo(): void;
  redo(): void;
}

/** Given by the provider below; tests give one that stands still. */
export const DocumentContext = createContext<EventDocument | undefined>(undefined);

/** The event that is open, on whatever stage. */
export function useEventDocument(): EventDocument {
  const found = useContext(DocumentContext);
  if (!found) throw new Error('useEventDocument: no event is open here');
  return found;
}

/** Documents outlive a walk to another page and back; how old a page's own copy may be. */
const open = new Map<string, EventStore>();
const FRESH_MS = 3000;

function storeFor(event: CookEvent, facts: DocumentFacts): EventStore {
  // On the server every request has its own.
  if (typeof window === 'undefined') return new EventStore(event, facts, { save: sendEdits, read: readDocument, later: () => () => {} });
  const known = open.get(event.id);
  if (known) return known;
  const store = new EventStore(event, facts, {
    save: sendEdits,
    read: readDocument,
    storage: window.sessionStorage,
    later: (run, ms) => {
      const timer = setTimeout(run, ms);
      return () => clearTimeout(timer);
    },
  });
  open.set(event.id, store);
  return store;
}

interface EventDocumentProps {
  event: CookEvent;
  facts: DocumentFacts;
  plan?: Plan;
  children: ReactNode;
}

/** One event with its plan, open on all its stages at once: one document, one undo, one worker. */
export function EventDocumentProvider({ event: first, facts: firstFacts, plan: firstPlan, children }: EventDocumentProps) {
  const [store] = useState(() => storeFor(first, firstFacts));
  const state = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { event, facts, version } = state;
  // Only a change of version is another input; a new revision alone is none.
  const [derived, setDerived] = useState(() => ({ version, ...planInputFor(event, facts) }));
  const current = derived.version === version ? derived : { version, ...planInputFor(event, facts) };
  if (current !== derived) setDerived(current);
  const { input: made, learned } = current;
  const input = useMemo(() => ({ ...made, event }), [made, event]);

  const router = useRouter();
  useEffect(() => {
    store.refresh(first, firstFacts);
    // A page out of the browser's own memory may be older than the world: ask once.
    if (Date.now() - firstFacts.nowMs > FRESH_MS) router.refresh();
  }, [store, first, firstFacts, router]);
  useEffect(() => {
    void loadForms();
    void store.resume();
    const flush = () => void store.save();
    window.addEventListener('pagehide', flush);
    return () => window.removeEventListener('pagehide', flush);
  }, [store]);

  const { planner, plan: firstOrNewer, planning, failed, plannedVersion } = usePlan(version, made, firstPlan);
  const plan = firstOrNewer ?? unplanned(event);
  const planned = firstOrNewer !== undefined;
  const undo = () => {
    const undone = store.undo();
    if (undone) announce(undone);
  };
  const redo = () => void store.redo();
  useHotkeys('mod+z', undo, { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { preventDefault: true });
  const actions = useMemo(() => documentActions(store), [store]);
  const markEdit = useMemo(
    () => () => {
      const step = store.lastStep;
      return () => {
        const undone = store.undoStep(step);
        if (undone) announce(undone);
      };
    },
    [store],
  );
  const document: EventDocument = {
    ...state,
    input,
    learned,
    plan,
    planning,
    planned,
    failed,
    plannedVersion,
    planner,
    store,
    actions,
    undo,
    redo,
  };
  return (
    <UndoContext.Provider value={markEdit}>
      <DocumentContext.Provider value={document}>{children}</DocumentContext.Provider>
    </UndoContext.Provider>
  );
}

/** The plan of the version that is shown, made in the worker; the one before stays until it is there. */
function usePlan(version: number, input: PlanInput, first?: Plan) {
  const planner = useRef<Planner>(undefined);
  const [made, setMade] = useState<{ plan?: Plan; version?: number; failed?: boolean }>({ plan: first });
  useEffect(() => {
    planner.current ??= new Planner();
    let stale = false;
    planner.current.ask(version, 'plan', { input }).then(
      (plan) => !stale && plan && setMade({ plan, version }),
      () => !stale && setMade((before) => ({ ...before, failed: true })),
    );
    return () => {
      stale = true;
    };
  }, [version, input]);
  useEffect(
    () => () => {
      planner.current?.stop();
      planner.current = undefined;
    },
    [],
  );
  return {
    planner,
    plan: made.plan,
    planning: made.version !== version,
    failed: Boolean(made.failed),
    plannedVersion: made.version,
  };
}
