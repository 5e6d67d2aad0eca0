import { success, type Outcome } from '../../core/outcome';
import { check, DaySettingsInput } from '../../inputs';
import { loadSetting, saveSetting } from '../../persistence';
import type { Context } from '../context';

/** What the owner set for days: a broker, when a second person is asked, how often hot food is looked at. */
export interface DaySettings {
  brokerUrl: string;
  topic: string;
  escalateMin: number;
  hotHoldEveryMin: number;
}
export const DEFAULT_DAY_SETTINGS: DaySettings = Object.freeze({ brokerUrl: '', topic: 'anachron', escalateMin: 10, hotHoldEveryMin: 120 });

const KEY = 'days';

/** What is kept but cannot be read stands for what is usual. */
export async function readDaySettings(_context: Context): Promise<DaySettings> {
  const stored = await loadSetting(KEY);
  const checked = check(DaySettingsInput, { ...DEFAULT_DAY_SETTINGS, ...(typeof stored === 'object' ? stored : {}) });
  return checked.ok ? { ...checked.value } : { ...DEFAULT_DAY_SETTINGS };
}

export async function saveDaySettings(context: Context, input: DaySettings): Promise<Outcome<DaySettings>> {
  const settings = { ...input };
  await context.db.write((transaction) => saveSetting(KEY, settings, transaction));
  context.days?.settingsChanged();
  return success(settings);
}
