'use client';
import { Flame } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { baselineOf } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import { messageContextOf } from '../../formats/messages/names';
import { taskMessage } from '../../formats/messages/task';
import { useEventDocument } from '../document/EventDocument.client';
import { callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { useName } from './useName';

/** Before the day: what will be begun, when its first task is, and the button that begins it and keeps the plan. */
export function StartDay({ startDay }: { startDay: Action<unknown> }) {
  const { event, input, plan, store, planning } = useEventDocument();
  const units = useUnits();
  const router = useRouter();
  const [name] = useName();
  const [busy, setBusy] = useState(false);
  const context = messageContextOf(input, units);
  const first = plan.tasks.find((task) => task.atMs >= input.earliestMs) ?? plan.tasks[0];
  const broken = plan.problems.filter((problem) => problem.severity === 'broken').length;
  const begin = async () => {
    setBusy(true);
    // The plan that the crew is given is kept, here as there.
    store.edit((kept) => ({ ...kept, baseline: baselineOf(input, plan, Date.now()) }), { undone: 'Kept no longer.' });
    await store.save();
    const done = await callAction(startDay, { eventId: event.id, by: name ?? 'desk' });
    setBusy(false);
    if (!done.ok) return complain(done.problems);
    router.refresh();
  };
  return (
    <main className="mx-auto max-w-3xl px-4 py-8">
      <h1 className="text-2xl">The cook day</h1>
      {plan.runs.length === 0 ? (
        <p className="mt-2 text-soft">There is no plan to start from yet. Give the event a menu and a pit first.</p>
      ) : (
        <>
          <p className="mt-2 text-[1.05rem]">
            From here on the plan meets the meat: readings come in by thermometer or by hand, every forecast learns from them, tasks move
            with what is done, alarms ring on the phones, and what can still be done is tried on the meat as it is.
          </p>
          {first && (
            <p className="mt-3">
              The first task is <strong>{taskMessage(context, first, plan.runs).title.toLowerCase()}</strong>,{' '}
              {dayAndTime(first.atMs, event.timeZone, units.clock)}.
            </p>
          )}
          {broken > 0 && (
            <p role="alert" className="mt-3 font-semibold text-bad">
              The plan breaks {broken} {broken === 1 ? 'rule' : 'rules'}. Mend what stands in red on the plan first.
            </p>
          )}
          <Button
            look="ember"
            className="mt-5 min-h-12 px-5 text-[1.05rem]"
            disabled={busy || planning || broken > 0}
            onClick={() => void begin()}
          >
            <Flame size={18} aria-hidden /> Start the day
          </Button>
          <p className="mt-2 text-soft">The plan is kept as it is now. What changes on the day is a revision of it, with its reason.</p>
        </>
      )}
    </main>
  );
}
