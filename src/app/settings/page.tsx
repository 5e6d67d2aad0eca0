import { context as openContext, databaseFile } from '../../runtime/context';
import QRCode from 'qrcode';
import { agoWords, clockTime, shortDay } from '../../formats/clock';
import { noCopyToday } from '../../runtime/dailyCopy';
import { yardDoor } from '../../runtime/yard';
import { copiesFolder, listCopies, listCrewIn, readDaySettings, readTokens, readYard } from '../../services';
import { Copies } from '../../ui/copies/Copies.client';
import { YardSettings } from '../../ui/crew/YardSettings.client';
import { DaySettings } from '../../ui/day/DaySettings.client';
import { SiteHeader } from '../../ui/shell/Header';
import {
  closeYard,
  endToken,
  makeCopy,
  makeToken,
  openYard,
  previewCopy,
  putCopyBack,
  putOut,
  saveDaySettings,
  setMemberRole,
} from '../actions';
import { preferences } from '../preferences';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Settings' };

const COPY_KINDS: Record<string, string> = {
  copy: 'made by hand',
  daily: 'made by the day',
  'before-restore': 'before another was put back',
  brought: 'brought from elsewhere',
};

/** What the owner sets for the house: who may join, thermometers, who is asked second, copies. */
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
  const folder = copiesFolder(databaseFile());
  const { units } = await preferences();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <>
      <SiteHeader here="settings" />
      <main className="mx-auto grid max-w-4xl gap-8 px-4 py-6 md:grid-cols-2">
        <h1 className="text-2xl md:col-span-2">Settings</h1>
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
        <DaySettings
          settings={await readDaySettings(context)}
          tokens={await readTokens(context)}
          saveDaySettings={saveDaySettings}
          makeToken={makeToken}
          endToken={endToken}
        />
        <Copies
          copies={listCopies(folder).map(({ name, madeAtMs, bytes }) => ({
            name,
            when: `${shortDay(madeAtMs, zone)} ${clockTime(madeAtMs, zone, units.clock)}`,
            size: `${Math.max(0.1, bytes / 1e6).toFixed(1)} MB`,
            kind: COPY_KINDS[name.split('-2')[0]!] ?? '',
          }))}
          folder={folder}
          noCopyToday={noCopyToday()}
          makeCopy={makeCopy}
          previewCopy={previewCopy}
          putCopyBack={putCopyBack}
        />
      </main>
    </>
  );
}
