import { ServiceStage } from '../../../../ui/document/stages.client';

export const metadata = { title: 'Service' };

export default function Page() {
  return <ServiceStage />;
}
