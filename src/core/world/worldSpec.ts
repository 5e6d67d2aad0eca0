import type { FireSpec } from './fire';
import type { HandFireSpec } from './handFire';
import type { MeatSpec } from './meat';
import type { ProbeFault } from './sensor';

export interface WorldSpec {
  seed: number;
  startMs: number;
  utcOffsetMin?: number;
  altitudeM: number;
  weather: { airC: number; windMPerS: number };
  meats: MeatSpec[];
  /** Those that are looked after as the run sheet says, and those that only the hands of whoever practises keep. */
  fires: (FireSpec | HandFireSpec)[];
  /** Crusts and thin ends are followed where somebody looks at them. */
  closeUp?: boolean;
  deviceId: string;
  /** A hub sends all its channels this often, s. */
  everyS: number;
  /** What goes wrong, and when. */
  faults?: WorldFault[];
}

export type WorldFault =
  | { kind: 'probe'; channel: string; fault: ProbeFault; fromMs: number; toMs: number }
  | { kind: 'flare'; pitId: string; fromMs: number; toMs: number }
  | { kind: 'fireFails'; pitId: string; fromMs: number; toMs: number }
  | { kind: 'lidOpen'; pitId: string; fromMs: number; toMs: number }
  | { kind: 'gauge'; pitId: string; offC: number; fromMs: number; toMs: number }
  | { kind: 'wind'; mPerS: number; fromMs: number; toMs: number }
  | { kind: 'rain'; fromMs: number; toMs: number };

/** What somebody does to the world. What it is done to must be in it; all else is ignored. */
export type WorldDeed =
  | { did: 'lit'; pitId: string; pitC: number }
  | { did: 'setPoint'; pitId: string; pitC: number }
  | { did: 'fuelled' | 'opened' | 'out'; pitId: string }
  | { did: 'on' | 'moved'; key: string; pitId: string }
  | { did: 'wrapped'; key: string; wrap: 'paper' | 'foil' | 'pan' }
  | { did: 'unwrapped' | 'pulled' | 'boxed' | 'warmed' | 'carved' | 'sprayed' | 'shielded'; key: string }
  | HandDeed
  | { did: 'channel'; channel: string; key?: string; pitId?: string };

/** What hands do to a fire that only they keep. */
export type HandDeed =
  | { did: 'vents'; pitId: string; bottom: number; top: number }
  | { did: 'coals'; pitId: string; kg: number; lit: boolean }
  | { did: 'wood'; pitId: string; kg: number; waterShare: number; warmed: boolean }
  | { did: 'lid'; pitId: string; open: boolean }
  | { did: 'water'; pitId: string; kg: number }
  | { did: 'ash' | 'sheltered'; pitId: string };
