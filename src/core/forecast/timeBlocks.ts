import { findCut, typicalTrimmedKg, type Cut, type Grade, type Method } from '../model';
import { runCook } from './cook';
import { knownAs, type ParameterSet } from './parameters';
import { steadyPit } from './pit';
import { cookSetup } from './setup';

/** The rack that blocks are written for, of its usual weight. */
const WRITTEN_FOR = 'spare-ribs';
const COLD_C = 4;
/** Nobody opens a pit by the odd minute, and bare times are no surer than that. */
const ROUND_TO_MIN = 10;
const QUICK = Object.freeze({ stepMin: 3, cells: 12 });

export interface RackForBlocks {
  kg: number;
  thicknessMm?: number;
  grade?: Grade;
}

type Blocks = Pick<Method, 'wrapWhen' | 'unwrapAfterMin' | 'blocksScale'>;

/** Blocks written for spare ribs at the method's own heat, as this rack wants them there. Others are given back as they are. */
export function blocksForRack<M extends Blocks & Pick<Method, 'pitC'>>(
  cut: Cut,
  rack: RackForBlocks,
  method: M,
  parameters: ParameterSet,
): M {
  if (!method.blocksScale) return method;
  const spareRibs = findCut(WRITTEN_FOR)!;
  const usual = bareMin(spareRibs, { kg: typicalTrimmedKg(spareRibs) }, method.pitC, parameters);
  return scaled(method, bareMin(cut, rack, method.pitC, parameters) / usual);
}

/** The same at another heat than the method's own. */
export function blocksAtHeat<M extends Blocks & Pick<Method, 'pitC'>>(
  cut: Cut,
  rack: RackForBlocks,
  method: M,
  pitC: number,
  parameters: ParameterSet,
): M {
  if (!method.blocksScale || pitC === method.pitC) return method;
  return scaled(method, bareMin(cut, rack, pitC, parameters) / bareMin(cut, rack, method.pitC, parameters));
}

function scaled<M extends Blocks>(method: M, factor: number): M {
  const byFactor = (minutes: number | undefined) =>
    minutes === undefined ? undefined : Math.max(ROUND_TO_MIN, ROUND_TO_MIN * Math.round((minutes * factor) / ROUND_TO_MIN));
  const { wrapWhen, unwrapAfterMin } = method;
  return {
    ...method,
    wrapWhen: { ...wrapWhen, ...(wrapWhen.afterMin !== undefined && { afterMin: byFactor(wrapWhen.afterMin) }) },
    ...(unwrapAfterMin !== undefined && { unwrapAfterMin: byFactor(unwrapAfterMin) }),
  };
}

const known = new WeakMap<Cut, Map<string, number>>();

/** Minutes a cold rack takes bare at one heat, from going on to done: how blocks go with rack and heat. */
function bareMin(cut: Cut, { kg, thicknessMm, grade }: RackForBlocks, pitC: number, parameters: ParameterSet): number {
  let ofCut = known.get(cut);
  if (!ofCut) known.set(cut, (ofCut = new Map()));
  const key = JSON.stringify([kg, thicknessMm, grade, pitC, knownAs(parameters)]);
  let found = ofCut.get(key);
  if (found === undefined) {
    const piece = { massKg: kg, thicknessMm, grade, startC: COLD_C };
    const setup = cookSetup(cut, piece, { wrap: 'none', wrapWhen: {} }, parameters, { pit: steadyPit(pitC) });
    ofCut.set(key, (found = runCook(setup, parameters, QUICK).doneAtMin));
  }
  return found;
}
