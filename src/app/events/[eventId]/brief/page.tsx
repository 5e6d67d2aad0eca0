import { context as openContext } from '../../../../runtime/context';
import { readPrices } from '../../../../services';
import { BriefForm } from '../../../../ui/brief/BriefForm.client';

export const metadata = { title: 'Brief' };

export default async function Page() {
  return <BriefForm prices={await readPrices(await openContext())} />;
}
