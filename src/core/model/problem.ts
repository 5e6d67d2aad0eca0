import type { Carried } from './allergen';
import type { Broken } from './broken';
import type { PrepKind, PrepDrop, TaskKind } from './taskKind';

/** A piece of a batch, to be named. */
export interface PieceRef {
  batchId: string;
  pieceId: string;
}

/** What is wrong on a rack at some moment. */
export type RackFault = { fromMs: number; toMs: number } & (
  | { code: 'tooNear'; piece: PieceRef; other: PieceRef; apartMm: number; gapMm: number }
  | { code: 'offRack' | 'onBlocked'; piece: PieceRef }
  | { code: 'tooTall'; piece: PieceRef; thicknessMm: number; clearanceMm: number }
  | { code: 'overloaded'; kg: number; maxKg: number }
  | { code: 'poultryAbove'; piece: PieceRef; other: PieceRef }
);

export type PlanProblem =
  | { code: 'noSuitablePit'; severity: 'broken'; batchId: string; pieces: number; need: 'smoke' | 'heat' | 'size' }
  | {
      code: 'rackFull';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      shortMm2: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'rackOverloaded';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      shortKg: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'heatConflict';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      wantedC: number;
      setC: number;
      fromMs: number;
      toMs: number;
    }
  | {
      code: 'rackNoSpot';
      severity: 'broken';
      batchId: string;
      pieces: number;
      pitId: string;
      rackId: string;
      /** Length and width by which the best free spot misses the piece, added up. */
      shortMm: number;
      fromMs: number;
      toMs: number;
    }
  | { code: 'poultryAbove'; severity: 'broken'; batchId: string; pieces: number; pitId: string; fromMs: number; toMs: number }
  | { code: 'placedUnsuitable'; severity: 'broken'; batchId: string; pieces: number; pitId: string }
  | { code: 'cubesTooSoon'; severity: 'warning'; batchId: string; minutes: number }
  | { code: 'cubesNowhere'; severity: 'warning'; batchId: string; fromMs: number; toMs: number }
  | { code: 'longSmoke'; severity: 'warning'; batchId: string; pitId: string; minutes: number }
  | { code: 'placedWrong'; severity: 'broken'; pitId: string; rackId: string; fault: RackFault }
  | { code: 'boxFull'; severity: 'broken'; batchId: string; pieces: number; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'warmerFull'; severity: 'broken'; batchId: string; pieces: number; shortSlots: number; fromMs: number; toMs: number }
  /** `nothingRides`: nothing they could be held in is there from when they may be done, and goes along. */
  | {
      code: 'holdTooLong';
      severity: 'broken';
      batchId: string;
      pieces: number;
      holdMin: number;
      allowedMin: number;
      nothingRides?: boolean;
    }
  | { code: 'neverDone'; severity: 'broken'; batchId: string; pieces: number; pitC: number }
  | { code: 'dangerZone'; severity: 'broken'; batchId: string; pieces: number; minutes: number; allowedMin: number }
  | { code: 'coreTooLow'; severity: 'broken'; batchId: string; pieces: number; coreC: number; requiredC: number; nonIntact: boolean }
  | { code: 'rareForSusceptible'; severity: 'broken'; batchId: string; pieces: number; coreC: number; servingId: string }
  | { code: 'noCrew'; severity: 'broken'; batchId: string; pieces: number; kind: TaskKind; atMs: number; minutes: number }
  | { code: 'nobodyToLight'; severity: 'broken'; pitId: string; atMs: number }
  | { code: 'nobodyToDrive'; severity: 'broken'; servingId: string; atMs: number }
  /** There is no way to a serving, or it would have to be begun before there is time. */
  | { code: 'noRoad'; severity: 'broken'; servingId: string; placeId: string }
  | { code: 'tooFar'; severity: 'broken'; servingId: string; placeId: string; leaveMs: number; minutes: number; lateByMin: number }
  | {
      code: 'handsShort';
      severity: 'broken';
      servingId: string;
      placeId: string;
      hands: number;
      wanted: number;
      fromMs: number;
      toMs: number;
    }
  /** Cooked in one place and served in another, and nothing goes from here to there. */
  | { code: 'noRide'; severity: 'broken'; batchId: string; pieces: number; placeId: string; raw?: boolean }
  | {
      code: 'unattended';
      severity: 'broken';
      batchId?: string;
      pieces: number;
      pitId: string;
      fromMs: number;
      toMs: number;
      allowedMin: number;
    }
  | { code: 'onTheRoad'; severity: 'broken'; batchId: string; pieces: number; pitId: string; fromMs: number; toMs: number }
  /** Nobody is free to do what keeps a fire, so many times from then on. */
  | { code: 'unstaffed'; severity: 'warning'; kind: TaskKind; pitId?: string; placeId: string; atMs: number; times: number }
  | { code: 'servingRisk'; severity: 'warning'; servingId: string; onTimeShare: number }
  | { code: 'overHeld'; severity: 'warning'; batchId: string; holdMin: number; ceilingMin: number }
  | { code: 'alreadyPast'; severity: 'broken'; batchId: string; pieces: number; lateByMin: number }
  | {
      code: 'prepTooLate';
      severity: 'broken' | 'warning';
      batchId: string;
      pieces: number;
      kind: PrepKind;
      lateByMin: number;
      /** It is the delivery that is too late, not the present moment. */
      waitsForDelivery: boolean;
      drop: PrepDrop;
    }
  | { code: 'waterThawTooLong'; severity: 'broken'; batchId: string; pieces: number; minutes: number }
  | {
      code: 'fridgeFull' | 'tubFull';
      severity: 'warning';
      /** Batches and sides that lie there at the fullest moment. */
      batchIds: string[];
      overLitres: number;
      litres: number;
      fromMs: number;
      toMs: number;
    }
  | { code: 'tooSalty'; severity: 'warning'; batchId: string; saltShare: number }
  | {
      code: 'allergenServed';
      severity: 'warning';
      servingId: string;
      carried: Carried;
      guests: number;
      batchIds: string[];
      /** Dishes nobody has declared: they are not counted as free. */
      undeclaredIds: string[];
      free: number;
    }
  /** A run pinned by the owner breaks a rule of docs/formats/rules.md. */
  | { code: 'ruleBroken'; severity: 'broken'; broken: Broken }
  | { code: 'servedBelowHotHold'; severity: 'warning'; batchId: string; coreC: number };
