import { house as openHouse } from '../../runtime/house';
import { listEquipment } from '../../services';
import { EquipmentPage } from '../../ui/equipment/EquipmentPage.client';
import { HouseHeader } from '../../ui/shell/Header';
import {
  addSet,
  bringBoxBack,
  bringGearBack,
  bringPitBack,
  keepBox,
  keepCrew,
  keepPit,
  keepProbe,
  keepWarmer,
  putBoxAway,
  putGearAway,
  putPitAway,
} from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Equipment' };

const actions = {
  keepPit,
  keepBox,
  keepWarmer,
  keepProbe,
  keepCrew,
  addSet,
  putPitAway,
  bringPitBack,
  putBoxAway,
  bringBoxBack,
  putGearAway,
  bringGearBack,
};

export default async function Page() {
  const equipment = await listEquipment(await openHouse());
  return (
    <>
      <HouseHeader here="equipment" />
      <EquipmentPage equipment={equipment} actions={actions} />
    </>
  );
}
