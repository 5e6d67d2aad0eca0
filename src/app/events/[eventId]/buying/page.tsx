import { BuyingStage } from '../../../../ui/stages/BuyingStage.client';

export const metadata = { title: 'Buying' };

export default function Page() {
  return <BuyingStage />;
}
