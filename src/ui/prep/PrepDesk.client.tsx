'use client';
import { CircleAlert, TriangleAlert } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { kitchenOf, type CookEvent, type Plan, type PlanProblem, type PrepDrop } from '../../core/model';
import { coldUses } from '../../core/prep';
import { prepOrders, type PlanInput } from '../../core/planning';
import { coldMoments } from '../../core/quantities';
import { batchName, messageContextOf } from '../../formats/messages/names';
import { DROP_WORDS, planProblemMessage } from '../../formats/messages/problem';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { KitchenDialog } from '../kit/KitchenDialog.client';
import { useMarkEdit } from '../kit/undo';
import { useUnits } from '../kit/UnitsProvider';
import { ColdChart } from './ColdChart';
import { PrepForm } from './PrepForm.client';
import { dropped, prepInput } from './prepInput';
import { StepList } from './StepList.client';

export interface PrepActions {
  savePrep: Action<CookEvent>;
  markStep: Action<CookEvent>;
  saveKitchen: Action<CookEvent>;
}

interface PrepDeskProps {
  input: PlanInput;
  plan: Plan;
  actions: PrepActions;
}

const PREP_CODES: PlanProblem['code'][] = [
  'prepTooLate',
  'waterThawTooLong',
  'fridgeFull',
  'tubFull',
  'tooSalty',
  'coreTooLow',
  'dangerZone',
];

/** Prep: what is done to every piece before the fire, counted back from going on, and what the cold has to hold meanwhile. */
export function PrepDesk({ input, plan, actions }: PrepDeskProps) {
  const units = useUnits();
  const markEdit = useMarkEdit();
  const { event, library } = input;
  const messageContext = messageContextOf(input, units);
  const [chosenId, setChosenId] = useState(event.batches[0]?.id);
  const chosen = event.batches.find((batch) => batch.id === chosenId) ?? event.batches[0];
  const kitchen = kitchenOf(event);
  const cold = useMemo(() => {
    const uses = coldUses(event, library, prepOrders(input, plan.runs), plan.prep);
    return { fridge: coldMoments(uses.fridge), tubs: coldMoments(uses.tubs) };
  }, [event, library, input, plan]);
  const problems = plan.problems.filter((problem) => PREP_CODES.includes(problem.code));

  const drop = async (batchId: string, what: PrepDrop) => {
    const batch = event.batches.find((each) => each.id === batchId)!;
    const before = prepInput(library, batch);
    const outcome = await callAction(actions.savePrep, { ...before, ...dropped(before, what) });
    if (!outcome.ok) return complain(outcome.problems);
    announce(DROP_WORDS[what], markEdit?.());
  };
  if (!chosen)
    return (
      <main className="mx-auto max-w-4xl px-4 py-5">
        <h1 className="text-2xl">Prep</h1>
        <div className="mt-4 rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">Nothing to prepare yet</h2>
          <p className="mt-1 text-soft">
            Once the brief has a menu, thawing, trimming, salting and brining are counted back from the fire here.
          </p>
          <Link href={`/events/${event.id}/brief`} className={`${buttonClass('ember')} mt-4`}>
            Go to the brief
          </Link>
        </div>
      </main>
    );
  return (
    <main className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_22rem] print:block">
      <div className="min-w-0 p-4">
        <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-2xl">Prep</h1>
            <p className="text-[0.92rem] text-soft">
              Counted back from going on the pit; each step as late as hands ({kitchen.prepCrew}) and kitchen hours ({kitchen.fromHour} to{' '}
              {kitchen.toHour} h) allow.
            </p>
          </div>
          <span className="print:hidden">
            <KitchenDialog event={event} saveKitchen={actions.saveKitchen} />
          </span>
        </div>
        {problems.length > 0 && (
          <ul aria-label="What does not work" className="mb-3 rounded-md border border-line bg-sheet">
            {problems.map((problem, i) => {
              const words = planProblemMessage(messageContext, problem);
              const broken = problem.severity === 'broken';
              const Icon = broken ? CircleAlert : TriangleAlert;
              return (
                <li key={i} className="flex flex-wrap items-center gap-2 border-t border-line px-3 py-2 first:border-t-0">
                  <Icon size={18} className={`shrink-0 ${broken ? 'text-bad' : 'text-warn'}`} aria-label={broken ? 'Broken' : 'Warning'} />
                  <p className="min-w-0 flex-1">
                    <span className="font-semibold">{words.what}</span> <span className="text-soft">{words.remedy}</span>
                  </p>
                  {problem.code === 'prepTooLate' && problem.drop !== 'none' && (
                    <Button look="ember" onClick={() => drop(problem.batchId, problem.drop)}>
                      Do that
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        )}
        <StepList messageContext={messageContext} plan={plan} nowMs={input.earliestMs} markStep={actions.markStep} onChoose={setChosenId} />
        <h2 className="mb-1 mt-5 text-lg">In the cold</h2>
        <ColdChart
          messageContext={messageContext}
          moments={cold.fridge}
          litres={kitchen.fridgeLitres}
          name="Fridge"
          servingsMs={event.servings.map((serving) => serving.atMs)}
        />
        {cold.tubs.length > 0 && (
          <ColdChart
            messageContext={messageContext}
            moments={cold.tubs}
            litres={kitchen.tubLitres}
            name="Brine tubs"
            servingsMs={event.servings.map((serving) => serving.atMs)}
          />
        )}
      </div>
      <aside aria-label="How it is prepared" className="border-l border-line bg-sheet p-4 print:hidden">
        <label htmlFor="prep-batch" className="mb-1 block text-[0.85rem] text-soft">
          How it is prepared
        </label>
        <select
          id="prep-batch"
          className="mb-3 min-h-9 w-full rounded border border-line bg-sheet px-2 font-title font-bold"
          value={chosen.id}
          onChange={(change) => setChosenId(change.target.value)}
        >
          {event.batches.map((batch) => (
            <option key={batch.id} value={batch.id}>
              {batchName(messageContext, batch.id)}
            </option>
          ))}
        </select>
        <PrepForm key={chosen.id} messageContext={messageContext} batch={chosen} savePrep={actions.savePrep} />
      </aside>
    </main>
  );
}
