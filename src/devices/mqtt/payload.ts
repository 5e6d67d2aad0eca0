import { celsiusFromFahrenheit } from '../../core/units';
import type { HubReading } from '../ports';

/** Longest payload that is read. */
const LONGEST_BYTES = 4096;
const COLDEST_C = -60;
const HOTTEST_C = 600;

/**
 * A message of docs/formats/readings.md: topic `<root>/<device>/<channel>`, payload
 * `{"at": "2027-06-19T05:00:00Z", "c": 63.2}` or `"f"`; `at` left out is now; a bare number is in C.
 * What cannot be read says why.
 */
export function readMessage(root: string, topic: string, payload: Uint8Array, nowMs: number): HubReading | { refused: string } {
  const parts = topic.split('/');
  const rootParts = root.split('/');
  if (parts.length !== rootParts.length + 2 || rootParts.some((part, i) => parts[i] !== part))
    return { refused: `the topic ${topic} is not ${root}/device/channel` };
  const [deviceId, channel] = parts.slice(-2) as [string, string];
  if (deviceId === '' || channel === '' || deviceId.length > 80 || channel.length > 40)
    return { refused: 'the device or its channel has no name, or too long a one' };
  if (payload.byteLength > LONGEST_BYTES) return { refused: `a message of ${payload.byteLength} bytes is too long to be a reading` };
  const text = new TextDecoder().decode(payload).trim();
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { refused: `"${text.slice(0, 40)}" is neither a number nor JSON` };
  }
  const read =
    typeof value === 'number' ? { c: value } : typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};
  const { at, c, f } = read as { at?: unknown; c?: unknown; f?: unknown };
  const tempC = typeof c === 'number' ? c : typeof f === 'number' ? celsiusFromFahrenheit(f) : undefined;
  if (tempC === undefined || !Number.isFinite(tempC)) return { refused: 'it has neither "c" nor "f"' };
  if (tempC < COLDEST_C || tempC > HOTTEST_C) return { refused: `${tempC.toFixed(0)} C is no temperature of meat or fire` };
  const atMs = at === undefined ? nowMs : typeof at === 'string' ? Date.parse(at) : NaN;
  if (Number.isNaN(atMs)) return { refused: `"${String(at)}" is no instant such as 2027-06-19T05:00:00Z` };
  return { deviceId, channel, atMs, tempC };
}
