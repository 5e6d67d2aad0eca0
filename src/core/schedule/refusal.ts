import type { TaskKind } from '../model';
import type { RackRefusal } from './rackLedger';

/** Why a run cannot go on there and then, with how much is short and when. */
export type Refusal =
  | RackRefusal
  | { code: 'heat'; setC: number; fromMs: number; toMs: number }
  | { code: 'box'; shortLitres: number; fromMs: number; toMs: number }
  | { code: 'warmer'; shortSlots: number; fromMs: number; toMs: number }
  | { code: 'hold'; holdMin: number; allowedMin: number; nothingRides?: boolean }
  | { code: 'hands'; kind: TaskKind; atMs: number; minutes: number }
  | { code: 'road'; fromMs: number; toMs: number }
  | { code: 'unattended'; fromMs: number; toMs: number; allowedMin: number }
  | { code: 'raw'; placeId: string }
  | { code: 'placedElsewhere'; pitId: string }
  | { code: 'past'; lateByMin: number };
