import { context as openContext } from '../../runtime/context';
import { readDaySettings, readTokens } from '../../services';
import { DaySettings } from '../../ui/day/DaySettings.client';
import { SiteHeader } from '../../ui/shell/Header';
import { endToken, makeToken, saveDaySettings } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cook day settings' };

/** What the owner sets for days: thermometers, who is asked second, how often hot food is looked at. */
export default async function Page() {
  const context = await openContext();
  return (
    <>
      <SiteHeader here="settings" />
      <DaySettings
        settings={await readDaySettings(context)}
        tokens={await readTokens(context)}
        saveDaySettings={saveDaySettings}
        makeToken={makeToken}
        endToken={endToken}
      />
    </>
  );
}
