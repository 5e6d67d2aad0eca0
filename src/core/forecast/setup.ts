import { MEAT_DENSITY_KG_PER_M3, pieceSize, type Cut, type Method, type PitKind, type Wrap, type WrapWhen } from '../model';
import type { BodySpec } from '../thermal';
import { correctionFor, softeningHours, type ParameterSet } from './parameters';
import type { PitProgramme } from './pit';

/** What ends a cook: tenderness, a core on the probe, or a core to be reached after carry-over. */
export type DoneWhen = { by: 'tender'; convertedShare: number } | { by: 'probe'; coreC: number } | { by: 'peak'; coreC: number };

/** Everything one cook of one piece needs; the parameters are already chosen. */
export interface CookSetup {
  body: BodySpec;
  softeningH: number;
  done: DoneWhen;
  pit: PitProgramme;
  pitKind?: PitKind;
  /** Where it finishes after the wrap, when it moves. */
  finishKind?: PitKind;
  altitudeM: number;
  /** Air where the meat rests. */
  roomC: number;
  wrap: Wrap;
  wrapWhen: WrapWhen;
  unwrapAfterMin?: number;
}

export interface PieceOnPit {
  massKg: number;
  thicknessMm?: number;
  startC: number;
}

/**
 * Reduces a piece to one dimension (docs/model.md): half thickness r0 from the flesh's depth,
 * area A = 2 (LW + LT + WT) fill^(2/3), exponent m = clamp(r0 A / V - 1, 0, 2).
 */
export function bodySpec(cut: Cut, piece: PieceOnPit, parameters: ParameterSet): BodySpec {
  const size = pieceSize(cut, piece.massKg, piece.thicknessMm);
  const lengthM = size.lengthMm / 1000;
  const widthM = size.widthMm / 1000;
  const depthM = size.thicknessMm / 1000;
  const areaM2 = 2 * (lengthM * widthM + lengthM * depthM + widthM * depthM) * Math.pow(cut.fillShare, 2 / 3);
  const halfThicknessM = (depthM * cut.heatDepthShare * correctionFor(parameters, cut.id).thicknessScale) / 2;
  const volumeM3 = piece.massKg / MEAT_DENSITY_KG_PER_M3;
  const { conductivityWPerMK, heatCapacityJPerKgK, densityKgPerM3 } = parameters.global;
  return {
    massKg: piece.massKg,
    halfThicknessM,
    geometryExponent: Math.min(2, Math.max(0, (halfThicknessM * areaM2) / volumeM3 - 1)),
    startC: piece.startC,
    conductivityWPerMK,
    heatCapacityJPerKgK,
    densityKgPerM3,
  };
}

/** A cut's own finish: tenderness, or its core temperature counted after carry-over. */
export const doneWhenOf = (cut: Cut): DoneWhen => (cut.done.by === 'tender' ? cut.done : { by: 'peak', coreC: cut.done.coreC });

export interface SetupOptions {
  pit: PitProgramme;
  pitKind?: PitKind;
  finishKind?: PitKind;
  altitudeM?: number;
  roomC?: number;
  done?: DoneWhen;
}

/** The setup of one piece of `cut` cooked by `method` in a pit. */
export function cookSetup(
  cut: Cut,
  piece: PieceOnPit,
  method: Pick<Method, 'wrap' | 'wrapWhen' | 'unwrapAfterMin'>,
  parameters: ParameterSet,
  options: SetupOptions,
): CookSetup {
  return {
    body: bodySpec(cut, piece, parameters),
    softeningH: softeningHours(parameters.global, cut.species) * correctionFor(parameters, cut.id).collagenScale,
    done: options.done ?? doneWhenOf(cut),
    pit: options.pit,
    pitKind: options.pitKind,
    finishKind: options.finishKind,
    altitudeM: options.altitudeM ?? 0,
    roomC: options.roomC ?? 20,
    wrap: method.wrap,
    wrapWhen: method.wrapWhen,
    unwrapAfterMin: method.unwrapAfterMin,
  };
}
