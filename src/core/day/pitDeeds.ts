import { gaugeOffsetAt } from '../model';
import type { Deed, Entry } from './entry';
import type { KeptDay } from './keptDay';
import type { PitState } from './state';

/** What somebody did at a pit. */
export function pitAfter(pit: PitState, deed: Extract<Deed, { kind: 'pit' }>, atMs: number): PitState {
  switch (deed.did) {
    case 'lit':
      return {
        ...pit,
        litAtMs: atMs,
        outAtMs: undefined,
        setPoints: deed.pitC === undefined ? pit.setPoints : [...pit.setPoints, { atMs, pitC: deed.pitC }],
      };
    case 'setPoint':
      return deed.pitC === undefined ? pit : { ...pit, setPoints: [...pit.setPoints, { atMs, pitC: deed.pitC }] };
    case 'fuelled':
      return { ...pit, fuelledAtMs: [...pit.fuelledAtMs, atMs] };
    case 'opened':
      return { ...pit, openedAtMs: [...pit.openedAtMs, atMs] };
    case 'vents':
      return pit;
    case 'out':
      return { ...pit, outAtMs: atMs };
  }
}

/** The grate is what forecasts rest on: a gauge is taken as far off it as it is known to be; a band of a rack says nothing of the rest. */
export function pitRead(
  kept: KeptDay,
  pit: PitState,
  { pitId, pitC, at, rackId, band }: Extract<Deed, { kind: 'pitReading' }>,
  { atMs, by }: Pick<Entry, 'atMs' | 'by'>,
): PitState {
  if (rackId !== undefined && band !== undefined) return { ...pit, bands: [...pit.bands, { atMs, rackId, band, pitC }] };
  if (at !== 'gauge') return { ...pit, readings: [...pit.readings, { atMs, pitC, by }] };
  const gear = kept.input.pits.find((each) => each.id === pitId);
  const grateC = pitC + (gear ? gaugeOffsetAt(gear, pitC) : 0);
  return { ...pit, gauges: [...pit.gauges, { atMs, gaugeC: pitC }], readings: [...pit.readings, { atMs, pitC: grateC, by }] };
}
