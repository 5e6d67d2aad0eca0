import type { HeatBand, Rack, Rect, RackSide } from '../model';

/** How much hotter than the set point a piece lies: the bands' offsets weighed by how much of it lies in each; outside them 0. */
export function zoneOffsetC(bands: readonly HeatBand[], { xMm, widthMm }: Pick<Rect, 'xMm' | 'widthMm'>): number {
  if (bands.length === 0 || widthMm <= 0) return 0;
  return bands.reduce((sum, { fromMm, toMm, offsetC }) => {
    const insideMm = Math.max(0, Math.min(toMm, xMm + widthMm) - Math.max(fromMm, xMm));
    return sum + (offsetC * insideMm) / widthMm;
  }, 0);
}

/** The side a rack is hottest on: what its owner says, else the end of its hottest band, else none. */
export function hotSideOf(rack: Pick<Rack, 'hotSide' | 'widthMm' | 'zones'>): RackSide | undefined {
  if (rack.hotSide) return rack.hotSide;
  const bands = rack.zones ?? [];
  if (bands.length === 0) return undefined;
  const half = rack.widthMm / 2;
  const left = zoneOffsetC(bands, { xMm: 0, widthMm: half });
  const right = zoneOffsetC(bands, { xMm: half, widthMm: half });
  return Math.abs(left - right) < 0.5 ? undefined : left > right ? 'left' : 'right';
}

/** Which way the thick end points: to the hot side when that lies along the piece, else left or near. */
export function thickEndOf({ widthMm, depthMm }: Pick<Rect, 'widthMm' | 'depthMm'>, hotSide: RackSide | undefined): RackSide {
  const along: RackSide[] = widthMm >= depthMm ? ['left', 'right'] : ['near', 'far'];
  return hotSide && along.includes(hotSide) ? hotSide : along[0]!;
}
