import { ServiceStage } from '../../../../ui/stages/ServiceStage.client';

export const metadata = { title: 'Service' };

export default function Page() {
  return <ServiceStage />;
}
