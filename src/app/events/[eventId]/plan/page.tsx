import { PlanDesk } from '../../../../ui/plan/PlanDesk.client';
import { saveBaseline, readPlanFile, savePlanFace } from '../../../actions';
import { eventAndPlan, Shell, type EventParams } from '../shell';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Plan' };

export default async function Page(params: EventParams) {
  const { input, plan } = await eventAndPlan(params);
  return (
    <>
      <Shell input={input} plan={plan} here="plan" />
      <PlanDesk
        key={input.event.id}
        input={input}
        plan={plan}
        savePlanFace={savePlanFace}
        saveBaseline={saveBaseline}
        readPlanFile={readPlanFile}
      />
    </>
  );
}
