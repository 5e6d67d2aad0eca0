import { listChannels, listDays, loadEvent } from '../../persistence';
import type { Context } from '../context';

/** Days that have begun and not ended, with the names of their events. */
export async function runningDays(_context: Context): Promise<{ eventId: string; name: string; startedAtMs: number }[]> {
  const running = (await listDays()).filter((day) => day.endedAtMs === undefined);
  const named = await Promise.all(
    running.map(async ({ eventId, startedAtMs }) => ({ eventId, startedAtMs, name: (await loadEvent(eventId))?.name })),
  );
  return named.flatMap(({ name, ...day }) => (name === undefined ? [] : [{ ...day, name }]));
}

const HEARD_FOR_MS = 24 * 3_600_000;

/** Channels that sent anything within the last day. */
export const heardChannels = async (context: Context, nowMs: number): Promise<{ deviceId: string; channel: string }[]> =>
  (await listChannels(context.db.sequelize, nowMs - HEARD_FOR_MS)).map(({ deviceId, channel }) => ({ deviceId, channel }));
