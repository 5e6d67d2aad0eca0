import type { Broken } from '../model';
import { minutes, type Facts, type PlaceFacts } from './facts';

const GAP_AT_MOVE = minutes(10);
const TOUCH_MM = 1e-6;

/** Rules 3 to 6 and 8: where pieces lie, and in what company. */
export function placeRules({ event, runs, places, pieces }: Facts): Broken[] {
  const broken: Broken[] = [];
  const pitOf = new Map(event.pits.map((pit) => [pit.id, pit]));
  const rackOf = (place: PlaceFacts) => pitOf.get(place.pit)?.racks.find((rack) => rack.id === place.rack);

  for (const { run, batch, on, wrap, late, method } of runs) {
    for (const piece of run.pieces) {
      const own = places.filter((place) => place.of.run === run && place.piece === piece).sort((a, b) => a.from - b.from);
      const where = { batch, piece };
      if (own.length === 0 || own[0]!.from > on || own.at(-1)!.to < late)
        broken.push({ rule: 3, code: 'placesDoNotCover', ...where, atMs: run.onAtMs });
      own.forEach((place, i) => {
        const before = own[i - 1];
        if (before) {
          if (place.from - before.to > GAP_AT_MOVE)
            broken.push({ rule: 3, code: 'placesDoNotCover', ...where, pit: place.pit, by: (place.from - before.to) / minutes(1) });
          if (place.from < before.to) broken.push({ rule: 3, code: 'inTwoPlaces', ...where, pit: place.pit });
          const moved = before.pit !== place.pit || before.rack !== place.rack;
          if (moved && before.pit !== place.pit && (wrap === undefined || place.from < wrap))
            broken.push({ rule: 3, code: 'movesTooEarly', ...where, pit: place.pit });
        }
        const pit = pitOf.get(place.pit);
        if (!pit) broken.push({ rule: 3, code: 'unknownId', ...where, pit: place.pit });
        const bareUntil = wrap ?? Infinity;
        if (pit && !pit.smoke && !method.smokeless && (place.from < bareUntil || !method.finishOffSmoke))
          broken.push({ rule: 8, code: 'outOfSmoke', ...where, pit: place.pit });
      });
    }
  }

  for (const place of places) {
    const rack = rackOf(place);
    const size = pieces.get(place.piece);
    const where = { batch: place.of.batch, piece: place.piece, pit: place.pit, rack: place.rack };
    if (!rack) {
      broken.push({ rule: 4, code: 'unknownId', ...where });
      continue;
    }
    if (!size) continue;
    const [w, d] = [place.x1 - place.x0, place.y1 - place.y0];
    if (!((w === size.lengthMm && d === size.widthMm) || (w === size.widthMm && d === size.lengthMm)))
      broken.push({ rule: 4, code: 'wrongFootprint', ...where });
    const [width, depth] = rack.shape === 'round' ? [rack.diameterMm, rack.diameterMm] : [rack.widthMm, rack.depthMm];
    const inSquare = place.x0 >= -TOUCH_MM && place.y0 >= -TOUCH_MM && place.x1 <= width + TOUCH_MM && place.y1 <= depth + TOUCH_MM;
    const inCircle =
      rack.shape !== 'round' || corners(place).every(([x, y]) => Math.hypot(x - width / 2, y - width / 2) <= width / 2 + TOUCH_MM);
    if (!inSquare || !inCircle) broken.push({ rule: 4, code: 'offRack', ...where });
    for (const part of rack.blocked ?? [])
      if (
        place.x0 < part.xMm + part.widthMm - TOUCH_MM &&
        part.xMm < place.x1 - TOUCH_MM &&
        place.y0 < part.yMm + part.depthMm - TOUCH_MM &&
        part.yMm < place.y1 - TOUCH_MM
      )
        broken.push({ rule: 4, code: 'onBlocked', ...where });
    if (size.thicknessMm > rack.clearanceMm + TOUCH_MM)
      broken.push({ rule: 5, code: 'tooTall', ...where, by: size.thicknessMm - rack.clearanceMm });
  }
  broken.push(...crowding(event.rules.airGapMm, event, places, rackOf, pieces));
  return broken;
}

const corners = ({ x0, y0, x1, y1 }: PlaceFacts): [number, number][] => [
  [x0, y0],
  [x1, y0],
  [x0, y1],
  [x1, y1],
];

function crowding(
  gapMm: number,
  event: Facts['event'],
  places: PlaceFacts[],
  rackOf: (place: PlaceFacts) => { level: number; maxKg: number } | undefined,
  pieces: Facts['pieces'],
): Broken[] {
  const broken: Broken[] = [];
  for (const pit of event.pits) {
    const there = places.filter((place) => place.pit === pit.id);
    there.forEach((a, i) => {
      for (const b of there.slice(i + 1)) {
        if (a.from >= b.to || b.from >= a.to || a.piece === b.piece) continue;
        if (a.rack === b.rack) {
          const apart = Math.max(a.x0 - b.x1, b.x0 - a.x1, a.y0 - b.y1, b.y0 - a.y1);
          if (apart < gapMm - TOUCH_MM)
            broken.push({
              rule: 4,
              code: 'tooNear',
              batch: a.of.batch,
              piece: a.piece,
              other: b.piece,
              pit: pit.id,
              rack: a.rack,
              by: apart,
            });
        }
        if (a.of.poultry === b.of.poultry) continue;
        const [bird, food] = a.of.poultry ? [a, b] : [b, a];
        if ((rackOf(bird)?.level ?? 0) > (rackOf(food)?.level ?? 0))
          broken.push({ rule: 6, code: 'poultryAbove', batch: bird.of.batch, piece: bird.piece, other: food.piece, pit: pit.id });
      }
    });
    for (const rack of pit.racks) {
      const on = there.filter((place) => place.rack === rack.id);
      for (const { from } of on) {
        const kg = on
          .filter((place) => place.from <= from && place.to > from)
          .reduce((sum, place) => sum + (pieces.get(place.piece)?.piece.kg ?? 0), 0);
        if (kg > rack.maxKg + 1e-6) broken.push({ rule: 5, code: 'tooHeavy', pit: pit.id, rack: rack.id, atMs: from, by: kg - rack.maxKg });
      }
    }
  }
  return broken;
}
