import { SafetyStage } from '../../../../ui/document/stages.client';

export const metadata = { title: 'Safety' };

export default function Page() {
  return <SafetyStage />;
}
