import { context as openContext } from '../../runtime/context';
import { listEquipment, storedUnusable } from '../../services';
import { EquipmentPage } from '../../ui/equipment/EquipmentPage.client';
import { SiteHeader } from '../../ui/shell/Header';
import { addSet, bringGearBack, putGearAway, saveBox, saveCrew, savePit, saveProbe, saveWarmer } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Equipment' };

const actions = { savePit, saveBox, saveWarmer, saveProbe, saveCrew, addSet, putGearAway, bringGearBack };

export default async function Page() {
  const equipment = await listEquipment(await openContext());
  const { gear } = await storedUnusable();
  return (
    <>
      <SiteHeader here="equipment" />
      <EquipmentPage equipment={equipment} unusable={gear} actions={actions} />
    </>
  );
}
