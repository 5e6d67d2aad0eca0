import { BuyingStage } from '../../../../ui/document/stages.client';

export const metadata = { title: 'Buying' };

export default function Page() {
  return <BuyingStage />;
}
