import { createHash, randomBytes } from 'node:crypto';
import type { RawReading } from '../../core/day';
import { failure, success, type Outcome } from '../../core/outcome';
import {
  createToken,
  listTokens,
  markTokenUsed,
  purgeReadings,
  revokeToken,
  saveReadings,
  tokenOfHash,
  type DeviceToken,
} from '../../persistence';
import type { Context } from '../context';

/** Raw readings are let go of at most this often. */
const PURGE_EVERY_MS = 600_000;
let purgedAtMs = -Infinity;

/** Keeps what devices sent: once this has answered, it is on disk. */
export async function keepReadings(context: Context, readings: readonly RawReading[]): Promise<void> {
  if (readings.length === 0) return;
  const newestMs = readings.reduce((newest, each) => Math.max(newest, each.atMs), -Infinity);
  const minutes = await context.db.write(async (transaction) => {
    const kept = await saveReadings(context.db.sequelize, readings, transaction);
    const realMs = context.nowMs();
    if (Math.abs(realMs - purgedAtMs) > PURGE_EVERY_MS) {
      purgedAtMs = realMs;
      await purgeReadings(context.db.sequelize, Math.min(newestMs, realMs), transaction);
    }
    return kept;
  });
  context.days?.readingsKept(minutes);
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** A token for a device, shown once: only its hash is kept. */
export async function makeToken(context: Context, { name }: { name: string }): Promise<Outcome<{ id: string; token: string }>> {
  const token = `anr_${randomBytes(24).toString('base64url')}`;
  const id = context.newId();
  await context.db.write((transaction) =>
    createToken({ id, name: name.trim(), hash: hashOf(token), createdAtMs: context.nowMs() }, transaction),
  );
  return success({ id, token });
}

export async function endToken(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => revokeToken(id, context.nowMs(), transaction));
  return found ? success({ id }) : failure({ code: 'tokenGone' });
}

export const readTokens = (_context: Context): Promise<DeviceToken[]> => listTokens();

/** Readings that a device sent with its token. They are the device's, whatever it calls itself. */
export async function takeReadings(
  context: Context,
  token: string | undefined,
  readings: readonly Omit<RawReading, 'deviceId'>[],
): Promise<Outcome<{ kept: number }>> {
  const device = token === undefined ? undefined : await tokenOfHash(hashOf(token));
  if (!device) return failure({ code: 'tokenUnknown' });
  await keepReadings(
    context,
    readings.map((each) => ({ ...each, deviceId: device.name })),
  );
  await context.db.write((transaction) => markTokenUsed(device.id, context.nowMs(), transaction));
  return success({ kept: readings.length });
}
