import type { CoolingWay } from '../model';
import { advanceBody, coreC, createBody, type BodySpec, type Boundary } from '../thermal';
import { COOLING_RULE } from './coolingRule';

/** Air or water and film of each way to cool: a still fridge, stirred ice water, a blast chiller. */
const SURROUNDINGS: Record<CoolingWay, { airC: number; filmWPerM2K: number }> = {
  fridge: { airC: 3, filmWPerM2K: 8 },
  ice: { airC: 0.5, filmWPerM2K: 250 },
  blast: { airC: -5, filmWPerM2K: 30 },
};

export interface CoolingForecast {
  /** Minutes from 57 C to 21 C, and from 21 C to 5 C; undefined when not reached within a day. */
  firstMin?: number;
  secondMin?: number;
  keepsRule: boolean;
}

/** What is cooled: a whole piece, or portions of a chosen thickness. */
export interface CoolingInput {
  /** The piece as it comes, with its temperature as start. */
  body: BodySpec;
  /** Cut or spread into a slab this thick. */
  portionThicknessMm?: number;
  way: CoolingWay;
}

const LONGEST_MIN = 24 * 60;

/** Cools a piece by the heat equation and holds it against the two-stage rule. */
export function coolLeftover({ body: whole, portionThicknessMm, way }: CoolingInput): CoolingForecast {
  const spec: BodySpec =
    portionThicknessMm === undefined ? whole : { ...whole, halfThicknessM: portionThicknessMm / 2000, geometryExponent: 0 };
  const body = createBody(spec, 0, 16);
  const { airC, filmWPerM2K } = SURROUNDINGS[way];
  const boundary: Boundary = {
    airC,
    filmWPerM2K,
    vapourFilmWPerM2K: 0,
    radiationFactor: 0,
    wetShare: 0,
    airVapourPa: 0,
    condensingShare: 0,
    drySkin: true,
  };
  let at57: number | undefined = coreC(body) <= COOLING_RULE.fromC ? 0 : undefined;
  let at21: number | undefined;
  let at5: number | undefined;
  for (let minute = 1; minute <= LONGEST_MIN && at5 === undefined; minute++) {
    advanceBody(body, boundary, 60);
    const nowC = coreC(body);
    if (at57 === undefined && nowC <= COOLING_RULE.fromC) at57 = minute;
    if (at21 === undefined && nowC <= COOLING_RULE.middleC) at21 = minute;
    if (nowC <= COOLING_RULE.endC) at5 = minute;
  }
  const firstMin = at57 !== undefined && at21 !== undefined ? at21 - at57 : undefined;
  const secondMin = at21 !== undefined && at5 !== undefined ? at5 - at21 : undefined;
  return {
    firstMin,
    secondMin,
    keepsRule:
      firstMin !== undefined && firstMin <= COOLING_RULE.firstMin && secondMin !== undefined && secondMin <= COOLING_RULE.secondMin,
  };
}
