import { loggedSetup, SHIPPED_PARAMETERS, type LoggedCook, type ParameterSet } from '../forecast';
import { LiveForecast, type Reforecast } from './reforecast';
import type { LiveDeed } from './lookAhead';

/** A row of a log of readings: what was read at a minute from going on. */
export interface LoggedReading {
  atMin: number;
  pitC?: number;
  coreC?: number;
}

export interface LoggedReforecast {
  atMin: number;
  forecast: Reforecast;
  /** When it is taken to have been wrapped, by the core that its row says. */
  wrappedAtMin?: number;
}

const SEED = 1;

/**
 * A logged cook forecast anew at each of its readings, from what was read until then and nothing later. A wrap at a core
 * is taken to come when the readings first reach it; one by the clock comes at its minute.
 */
export function reforecastLogged(
  cook: LoggedCook,
  readings: readonly LoggedReading[],
  parameters: ParameterSet = SHIPPED_PARAMETERS,
): LoggedReforecast[] {
  const inOrder = [...readings].sort((a, b) => a.atMin - b.atMin);
  const live = new LiveForecast(loggedSetup(cook, parameters), parameters, { seed: SEED });
  return inOrder.map(({ atMin }) => {
    const until = inOrder.filter((each) => each.atMin <= atMin);
    const core = until.flatMap((each) => (each.coreC === undefined ? [] : [{ atMin: each.atMin, coreC: each.coreC }]));
    const pit = until.flatMap((each) => (each.pitC === undefined ? [] : [{ atMin: each.atMin, pitC: each.pitC }]));
    const wrappedAtMin = wrapMinute(cook, core, atMin);
    const deeds: LiveDeed[] = wrappedAtMin === undefined ? [] : [{ kind: 'wrapped', atMin: wrappedAtMin }];
    return { atMin, forecast: live.at({ nowMin: atMin, core, pit, deeds }), ...(wrappedAtMin !== undefined && { wrappedAtMin }) };
  });
}

/** Two readings in a row at the wrap's core, or one well past it: one alone may lie. */
const WELL_PAST_C = 2;

function wrapMinute({ wrap, wrapWhen }: LoggedCook, core: readonly { atMin: number; coreC: number }[], nowMin: number): number | undefined {
  if (wrap === 'none') return undefined;
  if (wrapWhen.afterMin !== undefined && wrapWhen.coreC === undefined) return wrapWhen.afterMin <= nowMin ? wrapWhen.afterMin : undefined;
  const { coreC } = wrapWhen;
  if (coreC === undefined) return undefined;
  for (let i = 0; i < core.length; i++) {
    const reading = core[i]!;
    if (reading.coreC < coreC) continue;
    const next = core[i + 1];
    // A jump over many degrees at once is a probe that slipped, not a core.
    const before = core[i - 1];
    if (before && reading.coreC - before.coreC > 1.6 * (reading.atMin - before.atMin) + 3) continue;
    if (reading.coreC < coreC + WELL_PAST_C && next && next.coreC < coreC - WELL_PAST_C) continue;
    if (!before || before.coreC >= coreC) return reading.atMin;
    return before.atMin + ((coreC - before.coreC) / (reading.coreC - before.coreC)) * (reading.atMin - before.atMin);
  }
  return undefined;
}
