import type { FireRecipe } from '../model';

/**
 * The journal of a cook day: what happened, entry by entry, never changed afterwards. Readings that devices send by the
 * thousand are kept beside it (`DayReadings`); what a hand reads, does or decides is an entry.
 */

/** `house`: what the program itself noticed, such as an alarm. */
export const ENTRY_SOURCES = ['crew', 'sensor', 'import', 'practice', 'house'] as const;
export type EntrySource = (typeof ENTRY_SOURCES)[number];

/** What happens to a piece, in the order of its life; pieces of one batch go through it each on its own. */
export const PIECE_STEPS = ['on', 'wrapped', 'unwrapped', 'moved', 'pulled', 'vented', 'resting', 'held', 'carved'] as const;
export type PieceStep = (typeof PIECE_STEPS)[number];

/** How a piece feels under the probe. */
export const FEELS = ['tight', 'some give', 'almost', 'tender'] as const;
export type Feel = (typeof FEELS)[number];

/** Where in a piece it is read. */
export const SPOTS = ['thickest', 'flat', 'point', 'thin end'] as const;
export type Spot = (typeof SPOTS)[number];

export const SAFETY_LINES = [
  'receiving',
  'brine',
  'poultryPeak',
  'hotHold',
  'coolingStart',
  'cooling21',
  'cooling5',
  'reheat',
  'sanitiser',
] as const;
export type SafetyLine = (typeof SAFETY_LINES)[number];

/** A piece of the event: piece ids are their batch's own. */
export type PieceKey = string;
export const pieceKey = (batchId: string, pieceId: string): PieceKey => `${batchId}/${pieceId}`;

/** What of the kept plan is changed on the day. Each holds from the entry's instant on. */
export const WEIGHED = ['fuel', 'ready', 'left'] as const;
export type Weighed = (typeof WEIGHED)[number];

export type PlanChange =
  | { what: 'setPoint'; pitId: string; pitC: number }
  | { what: 'wrapNow'; pieces: PieceKey[] }
  | { what: 'finishIn'; pieces: PieceKey[]; pitId: string; pitC: number }
  | { what: 'swap'; pieces: [PieceKey, PieceKey] }
  | { what: 'servingAt'; servingId: string; atMs: number }
  | { what: 'carveLater'; batchId: string; minutes: number }
  | { what: 'ventLonger'; pieces: PieceKey[]; minutes: number }
  | { what: 'holdIn'; pieces: PieceKey[]; gearId: string }
  | { what: 'warmerAt'; gearId: string; setC: number }
  | { what: 'pullFor'; pieces: PieceKey[] };

export type Deed =
  | { kind: 'day'; did: 'started' | 'paused' | 'resumed' | 'ended'; reason?: string }
  | {
      kind: 'piece';
      pieces: PieceKey[];
      step: PieceStep;
      /** Where it went on or moved to. */
      pitId?: string;
      /** Where it is held. */
      gearId?: string;
      wrap?: 'paper' | 'foil' | 'pan';
      coreC?: number;
    }
  | { kind: 'checked'; piece: PieceKey; feel: Feel; coreC?: number }
  | { kind: 'reading'; piece: PieceKey; spot: Spot; coreC: number }
  /** At the grate, where the meat lies, unless it says on the gauge, or in a band of a rack (counted from the left, 0 first). */
  | { kind: 'pitReading'; pitId: string; pitC: number; at?: 'gauge'; rackId?: string; band?: number }
  | { kind: 'task'; taskId: string; did: 'begun' | 'done' | 'skipped' | 'notYet' | 'again'; reason?: string; minutes?: number }
  | {
      kind: 'pit';
      pitId: string;
      did: 'lit' | 'setPoint' | 'fuelled' | 'opened' | 'vents' | 'out';
      pitC?: number;
      kg?: number;
      minutes?: number;
    }
  | { kind: 'channel'; deviceId: string; channel: string; piece?: PieceKey; pitId?: string; spot?: Spot }
  | { kind: 'revision'; lever: string; changes: PlanChange[]; reason: string }
  | { kind: 'alarm'; causeId: string; did: 'raised' | 'acknowledged' | 'escalated' | 'cleared'; alarm?: object; to?: string }
  | {
      kind: 'safety';
      line: SafetyLine;
      batchId?: string;
      piece?: PieceKey;
      tempC?: number;
      ppm?: number;
      /** The line is wrong, and this one stands for it. */
      corrects?: string;
      /** What was done about a value that fails, and what became of the food. */
      action?: string;
      food?: 'served' | 'reheated' | 'cooled faster' | 'discarded';
      note?: string;
    }
  /** On the scale, when a cook is over: fuel a pit burnt (what lit it included), meat of a batch as it came to be carved, what of it was left. */
  | { kind: 'weighed'; of: Weighed; id: string; kg: number }
  /** How a pit's fire was made, written down when it is over or before. */
  | { kind: 'fire'; pitId: string; recipe: FireRecipe }
  | { kind: 'note'; text: string; piece?: PieceKey; pitId?: string }
  | { kind: 'undo'; entryId: string };

export type DeedKind = Deed['kind'];

export interface Entry<D extends Deed = Deed> {
  /** The sender's own: the same entry sent twice counts once. */
  id: string;
  atMs: number;
  /** A crew member's name, a device, or the house. */
  by: string;
  source: EntrySource;
  deviceId?: string;
  deed: D;
}

/** What a person may take back: what they did, never what a device read or the house noticed. */
export const mayUndo = ({ source, deed }: Entry): boolean =>
  (source === 'crew' || source === 'practice') &&
  deed.kind !== 'undo' &&
  deed.kind !== 'safety' &&
  !(deed.kind === 'day' && deed.did === 'started');
