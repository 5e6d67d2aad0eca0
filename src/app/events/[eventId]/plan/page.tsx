import { PlanDesk } from '../../../../ui/plan/PlanDesk.client';
import { readPlanFile } from '../../../actions';

export const metadata = { title: 'Plan' };

export default function Page() {
  return <PlanDesk readPlanFile={readPlanFile} />;
}
