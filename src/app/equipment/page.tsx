import { context as openContext } from '../../runtime/context';
import { listEquipment } from '../../services';
import { EquipmentPage } from '../../ui/equipment/EquipmentPage.client';
import { SiteHeader } from '../../ui/shell/Header';
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
  const equipment = await listEquipment(await openContext());
  return (
    <>
      <SiteHeader here="equipment" />
      <EquipmentPage equipment={equipment} actions={actions} />
    </>
  );
}
