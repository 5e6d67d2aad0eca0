import { context as openContext } from '../../../../runtime/context';
import { readPrices } from '../../../../services';
import { BuyingStage } from '../../../../ui/stages/BuyingStage.client';

export const metadata = { title: 'Buying' };

export default async function Page() {
  return <BuyingStage prices={await readPrices(await openContext())} />;
}
