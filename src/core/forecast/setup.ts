import {
  CHEW_CONVERSION,
  GRADE_SOFTENING,
  isPoultry,
  MEAT_DENSITY_KG_PER_M3,
  pieceSize,
  type Chew,
  type Cut,
  type Grade,
  type HotFinish,
  type Method,
  type PitKind,
  type RestWrap,
  type Spray,
  type Wrap,
  type WrapWhen,
} from '../model';
import type { BodySpec } from '../thermal';
import { predictiveLaw } from './law';
import { correctionFor, softeningHours, type ParameterSet } from './parameters';
import type { OwnClimate, PitProgramme } from './pit';

/** What ends a cook: tenderness, a core on the probe, or a core to be reached after carry-over. */
export type DoneWhen = { by: 'tender'; convertedShare: number } | { by: 'probe'; coreC: number } | { by: 'peak'; coreC: number };

/** Everything one cook of one piece needs; the parameters are already chosen. */
export interface CookSetup {
  /** The cut as the model's corrections and the owner's record know it. */
  modelCutId: string;
  /** How many times as long as the model says everything takes until it is pulled, in these hands. */
  pace: number;
  body: BodySpec;
  /** The thin end of a tapered piece, in the same pit. */
  thinEnd?: BodySpec;
  softeningH: number;
  /** Wet share of this surface against bare muscle (a bird's skin). */
  surfaceWetFactor: number;
  done: DoneWhen;
  pit: PitProgramme;
  pitKind?: PitKind;
  climate?: OwnClimate;
  /** Where it finishes after the wrap, when it moves. */
  finishKind?: PitKind;
  altitudeM: number;
  /** Air where the meat rests. */
  roomC: number;
  wrap: Wrap;
  wrapWhen: WrapWhen;
  unwrapAfterMin?: number;
  /** A piece that lags is wrapped on its own part-way. */
  rescue?: { wrap: Wrap; afterMin: number };
  spray?: Spray;
  hotFinish?: HotFinish;
  /** What a bare piece is wrapped in once it is pulled. */
  restWrap?: RestWrap;
  /** When the lid is lifted to turn it, minutes from going on. */
  turnsAtMin?: readonly number[];
  /** Where it lies in the pit, against the set point. */
  zoneOffsetC: number;
  /** Smoke on the meat, 0 to 1, and how much of it is dark. */
  smoke: { output: number; darkShare: number };
}

export interface PieceOnPit {
  massKg: number;
  thicknessMm?: number;
  startC: number;
  grade?: Grade;
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
  const halfThicknessM = (depthM * cut.heatDepthShare * correctionFor(parameters, cut.modelCutId ?? cut.id).thicknessScale) / 2;
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

/** The thin end as a body of its own: thinner, with its share of the weight. */
function thinEndSpec(cut: Cut, piece: PieceOnPit, parameters: ParameterSet): BodySpec {
  const whole = bodySpec(cut, piece, parameters);
  const { thicknessShare, weightShare } = cut.thinEnd!;
  // Its share is of the thickness, not of the depth heat has to go at the thick end.
  const share = thicknessShare / cut.heatDepthShare;
  return {
    ...whole,
    massKg: whole.massKg * weightShare,
    halfThicknessM: whole.halfThicknessM * share,
    geometryExponent: Math.max(0, (whole.geometryExponent + 1) * share - 1),
  };
}

/** A cut's own finish: tenderness (moved by the chew that is wanted), or its core temperature counted after carry-over. */
const doneWhenOf = (cut: Cut, chew: Chew = 'usual'): DoneWhen =>
  cut.done.by === 'tender'
    ? { by: 'tender', convertedShare: cut.done.convertedShare + CHEW_CONVERSION[chew] }
    : { by: 'peak', coreC: cut.done.coreC };

const FULL_SMOKE = Object.freeze({ output: 1, darkShare: 0 });

export interface SetupOptions {
  pit: PitProgramme;
  pitKind?: PitKind;
  climate?: OwnClimate;
  finishKind?: PitKind;
  altitudeM?: number;
  roomC?: number;
  done?: DoneWhen;
  chew?: Chew;
  rescue?: CookSetup['rescue'];
  zoneOffsetC?: number;
  smoke?: CookSetup['smoke'];
  /** In which of the owner's pits, by which of their methods: their cooks may say something of it. */
  hands?: { pitId?: string; methodId?: string };
}

/** How much slower (above 1) than this owner's other cooks those of a pit, by a method, are. */
export function paceBeyondCut({ pits, methods }: ParameterSet, { pitId, methodId }: NonNullable<SetupOptions['hands']> = {}): number {
  const of = (effects: ParameterSet['pits'], id: string | undefined) =>
    id !== undefined && effects && Object.hasOwn(effects, id) ? effects[id]!.meanLog : 0;
  return Math.exp(of(pits, pitId) + of(methods, methodId));
}

/** The setup of one piece of `cut` cooked by `method` in a pit. */
export function cookSetup(
  cut: Cut,
  piece: PieceOnPit,
  method: Pick<Method, 'wrap' | 'wrapWhen' | 'unwrapAfterMin'> & Pick<Partial<Method>, 'spray' | 'hotFinish' | 'restWrap'>,
  parameters: ParameterSet,
  options: SetupOptions,
): CookSetup {
  const modelCutId = cut.modelCutId ?? cut.id;
  return {
    modelCutId,
    pace: predictiveLaw(parameters.record).pace(modelCutId) * paceBeyondCut(parameters, options.hands),
    body: bodySpec(cut, piece, parameters),
    thinEnd: cut.thinEnd && thinEndSpec(cut, piece, parameters),
    softeningH:
      softeningHours(parameters.global, cut.species) *
      correctionFor(parameters, modelCutId).collagenScale *
      GRADE_SOFTENING[piece.grade ?? 'choice'],
    surfaceWetFactor: isPoultry(cut) ? parameters.global.skinWetFactor : 1,
    done: options.done ?? doneWhenOf(cut, options.chew),
    pit: options.pit,
    pitKind: options.pitKind,
    climate: options.climate,
    finishKind: options.finishKind,
    altitudeM: options.altitudeM ?? 0,
    roomC: options.roomC ?? 20,
    wrap: method.wrap,
    wrapWhen: method.wrapWhen,
    unwrapAfterMin: method.unwrapAfterMin,
    rescue: options.rescue,
    spray: method.spray,
    hotFinish: method.hotFinish,
    restWrap: method.restWrap,
    zoneOffsetC: options.zoneOffsetC ?? 0,
    smoke: options.smoke ?? FULL_SMOKE,
  };
}
