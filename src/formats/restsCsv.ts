import { findCut, type Cut, type Wrap } from '../core/model';
import type { LoggedCook, ReferenceCarryOver, ReferenceRest } from '../core/forecast';
import { celsiusFromFahrenheit } from '../core/units';
import { restHow } from './cooksCsv';
import { massKg, number, readRows, refuse, tempC, type Cells, type RefusedRow } from './csvRows';

/** Meat whose cook before the rest is not told: on a usual pit from the cold, wrapped at the usual core. */
const USUAL_PIT_C = { tender: 121, quick: 135 };
const USUAL_START_C = celsiusFromFahrenheit(40);
const USUAL_WRAP_C = celsiusFromFahrenheit(165);
const USUAL_ROOM_C = celsiusFromFahrenheit(70);

function cookTo(id: string, cut: Cut, cells: Cells, pitC: number, pulledC: number, wrap: Wrap): LoggedCook {
  return {
    id,
    cutId: cut.id,
    massKg: massKg(cells),
    startC: USUAL_START_C,
    pitSteps: [{ fromMin: 0, pitC }],
    altitudeM: 0,
    airC: tempC(cells, 'air') ?? USUAL_ROOM_C,
    wrap,
    wrapWhen: wrap === 'none' ? {} : { coreC: USUAL_WRAP_C },
    done: { by: 'probe', coreC: pulledC },
  };
}

const cutOf = (cells: Cells): Cut => findCut(cells['cut'] ?? '') ?? refuse(`cut "${cells['cut'] ?? ''}" is not known`);
const needed = (value: number | undefined, column: string): number => value ?? refuse(`${column} is missing`);
const range = (cells: Cells, low: string, high: string): [number, number] => {
  const both: [number, number] = [needed(number(cells, low), low), needed(number(cells, high), high)];
  return both[0] < both[1] ? both : refuse(`${low} must be less than ${high}`);
};

interface Rows<T> {
  rows: T[];
  refused: RefusedRow[];
}

/** Reads how long meat rests (docs/formats/rests.md): from a core, to a core, in hours and the range they are believed in. */
export function readRestsCsv(text: string): Rows<ReferenceRest & { id: string }> {
  const { rows, refused } = readRows(text, 'rest_id', (cells) => {
    const id = cells['rest_id'] || refuse('rest_id is missing');
    const cut = cutOf(cells);
    const wrap = (cells['wrap'] || 'none') as Wrap;
    if (!['none', 'paper', 'foil', 'pan'].includes(wrap)) refuse(`wrap "${wrap}" is not none, paper, foil or pan`);
    const fromC = needed(tempC(cells, 'from'), 'from_f or from_c');
    const toC = needed(tempC(cells, 'to'), 'to_f or to_c');
    if (toC >= fromC) refuse('a rest goes down: to must be less than from');
    const pitC = cut.done.by === 'tender' ? USUAL_PIT_C.tender : USUAL_PIT_C.quick;
    const rest = { how: restHow(cells['how'] ?? ''), toC, observedH: number(cells, 'hours') };
    return { id, cook: { ...cookTo(id, cut, cells, pitC, fromC, wrap), rest }, range: range(cells, 'lo_h', 'hi_h') };
  });
  return { rows: rows.map(({ value }) => value), refused };
}

const KELVIN_PER_FAHRENHEIT = 5 / 9;

/** Reads how far a core rises after pulling and when it peaks (docs/formats/rests.md). */
export function readCarryOverCsv(text: string): Rows<ReferenceCarryOver & { id: string }> {
  const { rows, refused } = readRows(text, 'carry_id', (cells) => {
    const id = cells['carry_id'] || refuse('carry_id is missing');
    const cut = cutOf(cells);
    const pitC = needed(tempC(cells, 'pit'), 'pit_f or pit_c');
    const pulledC = needed(tempC(cells, 'pulled'), 'pulled_f or pulled_c');
    const rise = cells['rise_lo_c'] ? range(cells, 'rise_lo_c', 'rise_hi_c') : range(cells, 'rise_lo_f', 'rise_hi_f');
    const per = cells['rise_lo_c'] ? 1 : KELVIN_PER_FAHRENHEIT;
    const riseC: [number, number] = [rise[0] * per, rise[1] * per];
    return {
      id,
      cook: cookTo(id, cut, cells, pitC, pulledC, 'none'),
      how: restHow(cells['how'] ?? ''),
      riseC,
      peakMin: range(cells, 'peak_lo_min', 'peak_hi_min'),
    };
  });
  return { rows: rows.map(({ value }) => value), refused };
}
