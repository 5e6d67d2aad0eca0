import type { Deed } from '../../src/core/day';

/** What can be said of the demo’s day under way, by helpers and by cooks. */
export const DEEDS: readonly Deed[] = [
  { kind: 'note', text: 'gulls about' },
  { kind: 'reading', piece: 'pilot-pork/pork-1', spot: 'thickest', coreC: 71.5 },
  { kind: 'pitReading', pitId: 'trailer', pitC: 121 },
  { kind: 'weighed', of: 'fuel', id: 'trailer', kg: 21.5 },
  { kind: 'pit', pitId: 'trailer', did: 'setPoint', pitC: 125 },
  { kind: 'revision', lever: 'x', reason: 'y', changes: [{ what: 'setPoint', pitId: 'trailer', pitC: 130 }] },
  { kind: 'channel', deviceId: 'Kettle', channel: '9', pitId: 'trailer' },
  { kind: 'day', did: 'paused', reason: 'hail' },
  { kind: 'day', did: 'resumed' },
];
