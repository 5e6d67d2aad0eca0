import type { Wrap } from '../model';
import type { CloseUp, SmokeWord } from '../world';
import type { PracticeDeed } from './deed';
import type { TroubleKind } from './scenario';
import type { Felt, Pressed, Seen } from './seen';

/** Something that was done, and when hands began and ended with it. */
export interface Done {
  /** When it was asked for: hands may have been busy. */
  askedAtMs: number;
  atMs: number;
  freeAtMs: number;
  deed: PracticeDeed;
}

/** What whoever practises is told as it happens. */
export interface News {
  atMs: number;
  kind: TroubleKind | 'chimneyReady' | 'pitStrayed' | 'flareOver' | 'flareWorse' | 'tookOver' | 'timeUp';
  pitId?: string;
  key?: string;
  /** C, m/s or minutes, by its kind. */
  much?: number;
}

/** A piece as far as it is known, and what became of it. */
export interface PieceSoFar {
  onAtMs?: number;
  wrap: Wrap;
  wrapAtMs?: number;
  pulledAtMs?: number;
  /** Its thin end is under foil. */
  shielded?: boolean;
  heldIn?: 'board' | 'box' | 'warmer';
  servedAtMs?: number;
  /** As it was when it was served. */
  served?: Served;
  seen?: { atMs: number; seen: Seen };
  felt?: { atMs: number; felt: Felt };
  pressed?: { atMs: number; pressed: Pressed };
  /** Hottest core so far; barks and ends as they truly are stay hidden until the end. */
  hottestC: number;
}

export interface Served {
  coreC: number;
  hottestC: number;
  tenderShare: number;
  thinTenderShare?: number;
  lostShare: number;
  bark: number;
  soft: number;
  bitterH: number;
  smokeH: number;
}

/** How the fire was kept, minute by minute since it was taken over. */
export interface FireRecord {
  minutes: number;
  /** Within HELD_WITHIN_C of what is wished, with meat on. */
  heldMin: number;
  dirtyMin: number;
  openings: number;
  burnedKg: number;
}

export interface Trail {
  atMs: number;
  pitC: Record<string, number>;
  gaugeC: Record<string, number>;
  coreC: Record<string, number>;
  smoke: SmokeWord;
}

export const servedAs = ({ coreC, tenderShare, lostShare, crust, thin }: CloseUp, hottestC: number): Served => ({
  coreC,
  hottestC: Math.max(hottestC, coreC),
  tenderShare,
  thinTenderShare: thin?.tenderShare,
  lostShare,
  bark: crust.bark,
  soft: crust.soft,
  bitterH: crust.bitterH,
  smokeH: crust.smokeH,
});
