import { SHIPPED_PARAMETERS } from '../forecast';
import { COOLING_WAYS, type CoolingWay, type Leftover } from '../model';
import { coolLeftover, type CoolingForecast } from '../safety';

/** Hot-held meat as it leaves the table, C. */
const FROM_C = 60;
/** Portions are looked at in these thicknesses, mm. */
const THICKNESSES_MM = [100, 75, 50, 40, 25];

/** How leftovers cool when they are portioned to a thickness and put in the fridge, in ice or in a blast chiller. */
export function coolingOf({ portionThicknessMm, way }: Pick<Leftover, 'portionThicknessMm' | 'way'>): CoolingForecast {
  const { conductivityWPerMK, heatCapacityJPerKgK, densityKgPerM3 } = SHIPPED_PARAMETERS.global;
  const body = { massKg: 1, halfThicknessM: portionThicknessMm / 2000, geometryExponent: 0, startC: FROM_C };
  return coolLeftover({ body: { ...body, conductivityWPerMK, heatCapacityJPerKgK, densityKgPerM3 }, way });
}

/** For every way, the thickest of the usual portions that keeps the two-stage rule. */
export function thickestThatKeeps(): { way: CoolingWay; thicknessMm?: number }[] {
  return COOLING_WAYS.map((way) => ({
    way,
    thicknessMm: THICKNESSES_MM.find((portionThicknessMm) => coolingOf({ portionThicknessMm, way }).keepsRule),
  }));
}
