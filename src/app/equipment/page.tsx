import { house as openHouse } from '../../runtime/house';
import { listEquipment } from '../../services';
import { EquipmentPage } from '../../ui/equipment/EquipmentPage.client';
import { HouseHeader } from '../../ui/shell/Header';
import { bringBoxBack, bringPitBack, keepBox, keepPit, putBoxAway, putPitAway } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Equipment' };

export default async function Page() {
  const { pits, boxes } = await listEquipment(await openHouse());
  return (
    <>
      <HouseHeader here="equipment" />
      <EquipmentPage pits={pits} boxes={boxes} actions={{ keepPit, keepBox, putPitAway, bringPitBack, putBoxAway, bringBoxBack }} />
    </>
  );
}
