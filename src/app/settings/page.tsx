import { context as openContext } from '../../runtime/context';
import QRCode from 'qrcode';
import { agoWords } from '../../formats/clock';
import { yardDoor } from '../../runtime/yard';
import { listCrewIn, readDaySettings, readTokens, readYard } from '../../services';
import { YardSettings } from '../../ui/crew/YardSettings.client';
import { DaySettings } from '../../ui/day/DaySettings.client';
import { SiteHeader } from '../../ui/shell/Header';
import { closeYard, endToken, makeToken, openYard, putOut, saveDaySettings, setMemberRole } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cook day settings' };

/** What the owner sets for days: who may join, thermometers, who is asked second, how often hot food is looked at. */
export default async function Page() {
  const context = await openContext();
  const { open, code, joinsAs } = await readYard(context);
  const door = yardDoor();
  const entrances = await Promise.all(
    (open ? (door?.addresses() ?? []) : []).map(async (address) => ({
      address,
      picture: `data:image/svg+xml;utf8,${encodeURIComponent(await QRCode.toString(`${address}/join?code=${code}`, { type: 'svg', margin: 1 }))}`,
    })),
  );
  const crew = await listCrewIn(context);
  return (
    <>
      <SiteHeader here="settings" />
      <DaySettings
        settings={await readDaySettings(context)}
        tokens={await readTokens(context)}
        saveDaySettings={saveDaySettings}
        makeToken={makeToken}
        endToken={endToken}
      >
        <YardSettings
          yard={{ open, code, joinsAs }}
          entrances={entrances}
          failed={[...(door?.failed ?? [])].map(([address, why]) => ({ address, why }))}
          crew={crew.map(({ id, name, role, seenAtMs }) => ({ id, name, role, seen: agoWords(seenAtMs, context.nowMs()) }))}
          openYard={openYard}
          closeYard={closeYard}
          setMemberRole={setMemberRole}
          putOut={putOut}
        />
      </DaySettings>
    </>
  );
}
