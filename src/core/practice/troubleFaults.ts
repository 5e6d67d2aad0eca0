import { MS_PER_MIN } from '../units';
import type { WorldFault } from '../world';
import type { Trouble } from './scenario';

/** What has no end of its own. */
const FOR_EVER_MIN = 1e4;
/** A helper lifts the lid so often, and so long. */
const LIFTS_EVERY_MIN = 7;
const LIFTED_MS = 90_000;

/** What a trouble does to the world by itself, from an instant on. `firstPitId` where it names no pit. */
export function faultsOf(
  { kind, pitId, key, lastsMin = FOR_EVER_MIN, much = 0 }: Trouble,
  fromMs: number,
  firstPitId: string,
): WorldFault[] {
  const at = { fromMs, toMs: fromMs + lastsMin * MS_PER_MIN };
  const where = { pitId: pitId ?? firstPitId, ...at };
  switch (kind) {
    case 'wind':
      return [{ kind: 'wind', mPerS: much, ...at }];
    case 'rain':
      return [
        { kind: 'rain', ...at },
        { kind: 'wind', mPerS: much, ...at },
      ];
    case 'gaugeLies':
      return [{ kind: 'gauge', offC: much, ...where }];
    case 'flare':
      return [{ kind: 'flare', ...where }];
    case 'probeInFat':
      return key === undefined ? [] : [{ kind: 'probe', channel: 'probe', fault: 'inFat', ...at }];
    case 'helperOpens':
      return Array.from({ length: Math.ceil(lastsMin / LIFTS_EVERY_MIN) }, (_, i) => {
        const liftMs = fromMs + i * LIFTS_EVERY_MIN * MS_PER_MIN;
        return { kind: 'lidOpen', ...where, fromMs: liftMs, toMs: liftMs + LIFTED_MS };
      });
    default:
      return [];
  }
}
