import type { PitKind } from '../model';
import type { Smoke } from '../world';
import type { Felt, Seen } from './seen';

export const DRILL_SETS = ['smoke', 'bark', 'wrap', 'tender', 'first', 'fourAm'] as const;
export type DrillSetId = (typeof DRILL_SETS)[number];
/** Questions of a set. */
export const QUESTIONS = 8;

/** What a question shows. Its words are the formats' matter. */
export type DrillScene =
  | { kind: 'smoke'; smoke: Smoke; pit: PitKind }
  | { kind: 'piece'; cutId: string; seen: Seen; coreC?: number; hoursOn: number; untilMin?: number }
  | { kind: 'felt'; cutId: string; felt: Felt }
  | { kind: 'pieces'; pieces: { cutId: string; kg: number; methodId: string }[]; pitC: number }
  | {
      kind: 'fire';
      pit: PitKind;
      gaugeC: number;
      wasC: number;
      wishC: number;
      litKg: number;
      unlitKg: number;
      bottom: number;
      top: number;
      smoke: Smoke;
      ashFull: boolean;
    };

export interface DrillQuestion {
  id: string;
  set: DrillSetId;
  scene: DrillScene;
  /** Words are the formats'; of `first` each is the place of a piece. */
  choices: string[];
  /** Where two are as good, both are right. */
  right: string[];
  /** What lies behind it, by the words' own name, with its figures. */
  why: { code: string; minutes?: number[]; values?: number[]; tempC?: number; share?: number };
}

export const questionId = (set: DrillSetId, n: number): string => `${set}-${n}`;

/** The day drills are asked on. */
export const CALM = Object.freeze({ airC: 15, windMPerS: 2, raining: false });
