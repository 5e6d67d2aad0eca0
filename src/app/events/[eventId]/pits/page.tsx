import { context as openContext } from '../../../../runtime/context';
import { listChosenEquipment } from '../../../../services';
import { addSet } from '../../../actions';
import { PitsStage } from '../../../../ui/stages/PitsStage.client';

export const metadata = { title: 'Pits' };

export default async function Page({ params }: { params: Promise<{ eventId: string }> }) {
  const { eventId } = await params;
  const others = await listChosenEquipment(await openContext());
  return <PitsStage others={others.filter((other) => other.id !== eventId)} addSet={addSet} />;
}
