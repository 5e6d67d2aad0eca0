import { SafetyStage } from '../../../../ui/stages/SafetyStage.client';

export const metadata = { title: 'Safety' };

export default function Page() {
  return <SafetyStage />;
}
