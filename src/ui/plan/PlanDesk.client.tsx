'use client';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Broken, CookEvent, NamedPlan, Pin, Run } from '../../core/model';
import { baselineOf, namedPlanOf, pinned, pinOf, unpinned, withNamedPlan, type Lever } from '../../core/planning';
import { addMinutes } from '../../core/units';
import { messageContextOf } from '../../formats/messages/names';
import type { Compared } from '../../workers/protocol';
import { worded } from '../../formats/messages/outcome';
import { useEventDocument } from '../document/EventDocument.client';
import { announce, callAction, complain, firstMessage, type Action } from '../kit/actions';
import { useUnits } from '../kit/UnitsProvider';
import { useHydrated } from '../kit/hydrated';
import { useWidth } from '../kit/useWidth';
import { Empty } from './Empty';
import { elsewhere } from './Ghosts';
import { Baseline } from './Baseline.client';
import { PlanBar } from './PlanBar.client';
import { Timeline } from './Timeline.client';
import { Trouble } from './Trouble.client';
import { useCurve } from './useCurve';
import { useSearch } from './useSearch';
import { newId } from '../kit/newId';

const FromTheLog = lazy(() => import('../log/FromTheLog.client').then((made) => ({ default: made.FromTheLog })));
const TrialsHere = lazy(() => import('../trials/TrialsHere.client').then((made) => ({ default: made.TrialsHere })));
const DayStrip = lazy(() => import('./DayStrip').then((made) => ({ default: made.DayStrip })));
const PlanRacks = lazy(() => import('./PlanRacks.client').then((made) => ({ default: made.PlanRacks })));
const RunPanel = lazy(() => import('./RunPanel.client').then((made) => ({ default: made.RunPanel })));
const RunLevers = lazy(() => import('./RunLevers.client').then((made) => ({ default: made.RunLevers })));
const PlanKey = lazy(() => import('./PlanKey').then((made) => ({ default: made.PlanKey })));
const Compare = lazy(() => import('./Compare.client').then((made) => ({ default: made.Compare })));

/** Keys move a run by this much; with Shift by three times as much. */
const KEY_MIN = 5;

interface PlanDeskProps {
  readPlanFile: Action<NamedPlan>;
}

/** The plan at the desk: a verdict, the whole day as places over time, its racks, and one run in full; all of it can be pulled about. */
export function PlanDesk({ readPlanFile }: PlanDeskProps) {
  const units = useUnits();
  const made = useEventDocument();
  const { event, input, planning, failed, planner, plannedVersion, version, store } = made;
  const [selectedId, setSelectedId] = useState<string | undefined>(made.plan.runs[0]?.id);
  const curve = useCurve(planner, plannedVersion, selectedId);
  const { news, failed: searchFailed, search, stop } = useSearch(planner);
  const plan = news?.plan ?? made.plan;
  const [dragBroken, setDragBroken] = useState<Broken[]>();
  const [comparing, setComparing] = useState(false);
  const [marked, setMarked] = useState<Compared>();
  const [scrubbedMs, setScrubbedMs] = useState<number>();
  const asked = useRef(0);
  const messageContext = messageContextOf(input, units);
  const [holder, widthPx] = useWidth();

  const change = (make: (event: CookEvent) => CookEvent, undone: string) => {
    const outcome = worded(store.edit(make, { undone }));
    if (!outcome.ok) complain(outcome.problems);
    return outcome.ok;
  };
  const nudge = (servingId: string, byMin: number) =>
    change(
      (kept) => ({
        ...kept,
        servings: kept.servings.map((each) => (each.id === servingId ? { ...each, atMs: addMinutes(each.atMs, byMin) } : each)),
      }),
      'Serving moved back.',
    );
  const keep = () => {
    change((kept) => ({ ...kept, baseline: baselineOf(input, made.plan, Date.now()) }), 'Kept no longer.');
    announce('Kept. From here on every change since shows.', made.undo);
  };
  const rePlan = async () => {
    const sought = version;
    searched.current = sought;
    const better = await search(input);
    if (!better) return;
    if (store.snapshot().version !== sought)
      return announce('The plan was changed while it was searched. Re-plan searches again from where it is now.');
    const same = better.objective.every((figure, level) => figure === made.plan.objective[level]);
    if (same) return announce('Nothing better was found: this plan stands.');
    change((kept) => ({ ...kept, scheme: better.scheme }), 'Back to the plan before.');
    announce('A better plan was found and taken up.', made.undo);
  };

  /** The event a search is for: once it is changed, what would be found is of no use. */
  const searched = useRef(version);
  useEffect(() => {
    if (news && searched.current !== version) stop();
  });

  // A new event opens with a quick plan, and a better one is looked for at once.
  const begun = useRef(Boolean(event.scheme));
  const canPlan = event.batches.length > 0 && input.pits.length > 0;
  const [settling, setSettling] = useState(!event.scheme && canPlan);
  useEffect(() => {
    if (begun.current || plannedVersion !== version || !canPlan) return;
    begun.current = true;
    void rePlan().finally(() => setSettling(false));
  });

  const pin = (run: Run, to?: Partial<Pin>) => change((kept) => pinned(kept, run, to), 'Run put back.');
  const togglePin = (run: Run) => (pinOf(event, run) ? change((kept) => unpinned(kept, run), 'Pinned again.') : pin(run));
  const dragTo = (drag: { runId: string; byMin: number; pitId: string }, letGo: boolean) => {
    const run = plan.runs.find((each) => each.id === drag.runId);
    if (!run) return;
    const mine = ++asked.current;
    if (letGo) {
      setDragBroken(undefined);
      setSelectedId(run.id);
      return pin(run, {
        pitId: drag.pitId,
        onAtMs: addMinutes(run.onAtMs, drag.byMin),
        ...(drag.pitId !== run.pitId && { pitC: undefined }),
      });
    }
    void planner.current?.ask(version, 'drag', drag).then((found) => found && mine === asked.current && setDragBroken(found));
  };
  const pullWith = async (lever: Lever, undone: string) => {
    const { pullLever } = await import('./pulling');
    return change((kept) => pullLever(kept, lever), undone);
  };
  const choosePit = (run: Run, pitId: string) => {
    if (pinOf(event, run)) return pin(run, { pitId, pitC: undefined });
    void pullWith({ code: 'otherPit', batchId: run.batchId, pitId }, 'Back in its pit.');
  };
  const chooseMethod = (run: Run, methodId: string) =>
    void pullWith({ code: 'hotter', batchId: run.batchId, methodId }, 'Back to its method.');

  const pull = async (lever: Lever, words: string) => {
    if (await pullWith(lever, 'The lever is back where it was.')) announce(`Done: ${words}.`);
  };

  const selected = plan.runs.find((run) => run.id === selectedId);
  const step = (by: number) => {
    const at = plan.runs.findIndex((run) => run.id === selectedId);
    setSelectedId(plan.runs[(Math.max(at, by > 0 ? -1 : 0) + by + plan.runs.length) % Math.max(1, plan.runs.length)]?.id);
  };
  const shove = (byMin: number) => selected && pin(selected, { onAtMs: addMinutes(selected.onAtMs, byMin) });
  useHotkeys('right', () => step(1));
  useHotkeys('left', () => step(-1));
  useHotkeys('esc', () => (news ? stop() : setSelectedId(undefined)));
  useHotkeys('alt+left', () => shove(-KEY_MIN), { preventDefault: true });
  useHotkeys('alt+right', () => shove(KEY_MIN), { preventDefault: true });
  useHotkeys('alt+shift+left', () => shove(-3 * KEY_MIN), { preventDefault: true });
  useHotkeys('alt+shift+right', () => shove(3 * KEY_MIN), { preventDefault: true });
  useHotkeys('p', () => selected && togglePin(selected));
  useHotkeys('r', () => !news && void rePlan());

  const hydrated = useHydrated();
  const nowMs = input.earliestMs;
  const scrubMs = scrubbedMs ?? plan.tightest?.fromMs ?? plan.runs[0]?.onAtMs ?? nowMs;
  return (
    <main className="flex min-h-[calc(100vh-50px)] flex-col">
      <h1 className="sr-only">Plan of {event.name}</h1>
      <PlanBar
        messageContext={messageContext}
        input={input}
        plan={plan}
        planner={planner}
        state={{ failed, searchFailed, news, planning, dragBroken }}
        comparing={comparing}
        onCompare={() => setComparing(!comparing)}
        onNudge={nudge}
        onConfidence={(confidence) => change((kept) => ({ ...kept, confidence }), 'Confidence as before.')}
        onRePlan={() => void rePlan()}
        onStop={stop}
      />
      <div className="flex flex-wrap [&>details]:grow">
        <Suspense>
          <FromTheLog folded />
          <TrialsHere folded />
        </Suspense>
      </div>
      <Baseline messageContext={messageContext} input={input} plan={plan} onKeep={keep} />
      {comparing && (
        <Suspense fallback={null}>
          <Compare
            messageContext={messageContext}
            input={input}
            plan={made.plan}
            named={event.namedPlans ?? NONE}
            planner={planner}
            shownId={marked?.id}
            onShow={setMarked}
            onKeep={(name) => {
              const kept = namedPlanOf(event, made.plan.scheme, newId(), name);
              change((now) => ({ ...now, namedPlans: [...(now.namedPlans ?? []), kept] }), 'Not kept.');
            }}
            onFile={async (text) => {
              const outcome = await callAction(readPlanFile, { eventId: event.id, text });
              if (!outcome.ok) return firstMessage(outcome.problems);
              change((now) => ({ ...now, namedPlans: [...(now.namedPlans ?? []), outcome.value] }), 'Not taken up.');
            }}
            onAdopt={(named) => {
              setMarked(undefined);
              change((now) => withNamedPlan(now, named), 'Back to the plan before.');
              announce(`“${named.name}” is the plan now.`, made.undo);
            }}
            onForget={(named) =>
              change((now) => ({ ...now, namedPlans: now.namedPlans?.filter((each) => each.id !== named.id) }), 'Kept after all.')
            }
          />
        </Suspense>
      )}
      <Trouble messageContext={messageContext} input={input} plan={plan} busy={settling || Boolean(news)} planner={planner} onPull={pull} />
      <div className="grid grow grid-cols-1 lg:grid-cols-[minmax(0,1fr)_19.5rem]">
        <div ref={holder} className="min-w-0">
          {plan.runs.length > 0 ? (
            <>
              {widthPx < STRIP_BELOW_PX ? (
                <Suspense>
                  <DayStrip
                    messageContext={messageContext}
                    plan={plan}
                    widthPx={widthPx}
                    nowMs={nowMs}
                    selectedId={selectedId}
                    onSelect={setSelectedId}
                  />
                </Suspense>
              ) : (
                <Timeline
                  messageContext={messageContext}
                  plan={plan}
                  widthPx={widthPx}
                  nowMs={nowMs}
                  selectedId={selectedId}
                  onSelect={setSelectedId}
                  quiet={input.quiet ?? NONE}
                  scrubMs={scrubMs}
                  onScrub={setScrubbedMs}
                  ghosts={marked && elsewhere(marked.plan, plan)}
                  onDrag={news ? undefined : dragTo}
                />
              )}
              <div className="border-t border-line px-3 py-2">
                <Suspense fallback={<div className="h-14" />}>
                  <PlanKey />
                </Suspense>
              </div>
              {hydrated && (
                <Suspense fallback={<div className="h-38" />}>
                  <PlanRacks
                    messageContext={messageContext}
                    input={input}
                    plan={plan}
                    atMs={scrubMs}
                    fromMs={Math.min(...plan.runs.map((run) => run.onAtMs))}
                    toMs={Math.max(...plan.runs.map((run) => run.carveAtMs))}
                    selectedId={selectedId}
                    onMove={setScrubbedMs}
                    onSelect={setSelectedId}
                  />
                </Suspense>
              )}
            </>
          ) : (
            <Empty event={event} hasPits={input.pits.length > 0} planning={planning} />
          )}
        </div>
        <aside aria-label="Run in full" className="border-l border-line bg-sheet p-4">
          {selected ? (
            <Suspense fallback={<div className="min-h-96" />}>
              <RunPanel
                messageContext={messageContext}
                run={selected}
                curve={curve}
                pinned={Boolean(pinOf(event, selected))}
                onPin={() => togglePin(selected)}
                onPit={(pitId) => choosePit(selected, pitId)}
                onMethod={(methodId) => chooseMethod(selected, methodId)}
                levers={
                  <Suspense fallback={null}>
                    <RunLevers
                      messageContext={messageContext}
                      input={input}
                      plan={plan}
                      batchId={selected.batchId}
                      planner={planner}
                      onPull={pull}
                    />
                  </Suspense>
                }
              />
            </Suspense>
          ) : (
            <p className="text-soft">
              {plan.runs.length > 0
                ? 'Choose a run on the left to see its cook curve and why it starts when it starts; drag it to another hour or pit, and what breaks is said. The arrow keys walk through the runs.'
                : 'A run in full will stand here.'}
            </p>
          )}
        </aside>
      </div>
    </main>
  );
}

const NONE: never[] = [];
/** On narrower screens the day runs down. */
const STRIP_BELOW_PX = 600;
