import { cutIn, isPoultry } from '../model';
import { COOLING_RULE, coreRuleOf, limitsOf, SAFETY_RULES } from '../safety';
import { addMinutes } from '../units';
import type { PieceKey, SafetyLine } from './entry';
import type { KeptDay } from './keptDay';
import type { DayState, SafetyEntry } from './state';

/** A line the log must have by an instant. */
export interface SafetyDue {
  line: SafetyLine;
  dueMs: number;
  batchId: string;
  piece?: PieceKey;
}

/** Hot food is looked at this often, unless the owner says otherwise. */
const HOT_HOLD_EVERY_MIN = 120;
/** A bird's peak is measured within so long of its pulling. */
const PEAK_WITHIN_MIN = 20;

/** Lines that stand: those that were corrected do not. */
export const standingLines = (state: DayState): SafetyEntry[] => state.safety.filter((each) => each.correctedBy === undefined);

const linesOf = (state: DayState, line: SafetyLine, batchId: string): SafetyEntry[] =>
  standingLines(state).filter((each) => each.line === line && (each.batchId === batchId || each.piece?.startsWith(`${batchId}/`)));

/** When each batch that is held hot wants its next look. */
export function hotHoldDue(kept: KeptDay, state: DayState, nowMs: number): SafetyDue[] {
  const everyMin = kept.hotHoldEveryMin ?? HOT_HOLD_EVERY_MIN;
  return kept.input.event.batches.flatMap((batch): SafetyDue[] => {
    const held = Object.values(state.pieces).filter(
      (piece) => piece.batchId === batch.id && piece.heldAtMs !== undefined && piece.carvedAtMs === undefined,
    );
    if (held.length === 0) return [];
    const fromMs = Math.min(...held.map((piece) => piece.heldAtMs!));
    const last = Math.max(fromMs, ...linesOf(state, 'hotHold', batch.id).map((each) => each.atMs));
    const dueMs = addMinutes(last, everyMin);
    return dueMs > addMinutes(nowMs, 24 * 60) ? [] : [{ line: 'hotHold', batchId: batch.id, dueMs }];
  });
}

/** Birds that were pulled and whose peak is not written down, or was too low, once it is time. */
export function poultryDue(kept: KeptDay, state: DayState, nowMs: number): SafetyDue[] {
  const { event, library } = kept.input;
  return event.batches.flatMap((batch): SafetyDue[] => {
    const cut = cutIn(library, batch.cutId);
    if (!cut || !isPoultry(cut)) return [];
    const limit = coreRuleOf(cut).limit;
    const lines = linesOf(state, 'poultryPeak', batch.id);
    // A line for the whole batch stands for all of it.
    const whole = lines.some((each) => each.piece === undefined && (each.tempC ?? 0) >= limit);
    if (whole) return [];
    return Object.values(state.pieces)
      .filter(
        (piece) => piece.batchId === batch.id && piece.pulledAtMs !== undefined && nowMs >= addMinutes(piece.pulledAtMs, PEAK_WITHIN_MIN),
      )
      .filter((piece) => !lines.some((each) => each.piece === piece.key && (each.tempC ?? 0) >= limit))
      .filter((piece) => !lines.some((each) => each.piece === piece.key && each.action !== undefined))
      .map((piece) => ({
        line: 'poultryPeak',
        batchId: batch.id,
        piece: piece.key,
        dueMs: addMinutes(piece.pulledAtMs!, PEAK_WITHIN_MIN),
      }));
  });
}

/** Leftovers whose cooling was begun: the 21 C line within two hours, the 5 C line within four more. */
export function coolingDue(state: DayState, _nowMs: number): SafetyDue[] {
  const begun = standingLines(state).filter((each) => each.line === 'coolingStart' && each.batchId !== undefined);
  return begun.flatMap((start): SafetyDue[] => {
    const batchId = start.batchId!;
    const after = (line: SafetyLine) => linesOf(state, line, batchId).find((each) => each.atMs >= start.atMs);
    const first = after('cooling21');
    const firstDueMs = addMinutes(start.atMs, COOLING_RULE.firstMin);
    if (!first) return [{ line: 'cooling21', batchId, dueMs: firstDueMs }];
    if (after('cooling5')) return [];
    return [{ line: 'cooling5', batchId, dueMs: addMinutes(firstDueMs, COOLING_RULE.secondMin) }];
  });
}

export type SafetyVerdict = 'good' | 'fails' | 'noted';

/** Whether a line's value meets its rule, and which limit that is. */
export function judgeLine(
  kept: KeptDay,
  { line, tempC, batchId, piece }: Pick<SafetyEntry, 'line' | 'tempC' | 'batchId' | 'piece'>,
): {
  verdict: SafetyVerdict;
  limitC?: number;
  source?: string;
} {
  const { event, library } = kept.input;
  const batch = event.batches.find((each) => each.id === batchId || piece?.startsWith(`${each.id}/`));
  const cut = batch && cutIn(library, batch.cutId);
  const atLeast = (limitC: number, source: string) =>
    ({ verdict: tempC === undefined ? 'noted' : tempC >= limitC ? 'good' : 'fails', limitC, source }) as const;
  const atMost = (limitC: number, source: string) =>
    ({ verdict: tempC === undefined ? 'noted' : tempC <= limitC ? 'good' : 'fails', limitC, source }) as const;
  switch (line) {
    case 'receiving':
    case 'brine':
    case 'cooling5':
      return atMost(SAFETY_RULES.coldHold.limit, SAFETY_RULES.coldHold.source);
    case 'cooling21':
      return atMost(COOLING_RULE.middleC, COOLING_RULE.source);
    case 'poultryPeak': {
      const rule = cut ? coreRuleOf(cut) : SAFETY_RULES.poultryCore;
      return atLeast(rule.limit, rule.source);
    }
    case 'hotHold':
      return atLeast(limitsOf(event).hotHold, SAFETY_RULES.hotHold.source);
    case 'reheat':
      return atLeast(SAFETY_RULES.dishCore.limit, SAFETY_RULES.dishCore.source);
    case 'coolingStart':
    case 'sanitiser':
      return { verdict: 'noted' };
  }
}

/** What the log still wants, soonest first: shown before it is missed. */
export function safetyDue(kept: KeptDay, state: DayState, nowMs: number): SafetyDue[] {
  const birds = Object.values(state.pieces).filter((piece) => {
    const cut = cutIn(kept.input.library, kept.input.event.batches.find((each) => each.id === piece.batchId)?.cutId ?? '');
    return cut && isPoultry(cut) && piece.pulledAtMs !== undefined && nowMs < addMinutes(piece.pulledAtMs, PEAK_WITHIN_MIN);
  });
  const peaks = birds
    .filter(
      (piece) =>
        !standingLines(state).some(
          (each) =>
            each.line === 'poultryPeak' && (each.piece === piece.key || (each.piece === undefined && each.batchId === piece.batchId)),
        ),
    )
    .map((piece): SafetyDue => ({
      line: 'poultryPeak',
      batchId: piece.batchId,
      piece: piece.key,
      dueMs: addMinutes(piece.pulledAtMs!, PEAK_WITHIN_MIN),
    }));
  const received = kept.input.event.batches
    .filter((batch) => batch.received?.coreC === undefined && linesOf(state, 'receiving', batch.id).length === 0)
    .filter((batch) => Object.values(state.pieces).some((piece) => piece.batchId === batch.id))
    .map((batch): SafetyDue => ({ line: 'receiving', batchId: batch.id, dueMs: state.startedAtMs ?? nowMs }));
  const all = [...received, ...peaks, ...poultryDue(kept, state, nowMs), ...hotHoldDue(kept, state, nowMs), ...coolingDue(state, nowMs)];
  return all.sort((a, b) => a.dueMs - b.dueMs);
}
