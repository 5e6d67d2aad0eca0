/** A stretch of time at one place, half-open. */
export interface Stay {
  placeId: string;
  fromMs: number;
  toMs: number;
}
export interface Span {
  fromMs: number;
  toMs: number;
}

/** Stays cut to the stretches of time in which somebody is on duty. */
export function within(stays: readonly Stay[], windows: readonly Span[]): Stay[] {
  return stays.flatMap((stay) =>
    windows.flatMap((window) => {
      const fromMs = Math.max(stay.fromMs, window.fromMs);
      const toMs = Math.min(stay.toMs, window.toMs);
      return fromMs < toMs ? [{ placeId: stay.placeId, fromMs, toMs }] : [];
    }),
  );
}

/** Stretches that meet or overlap made one, in order. */
export function joined(spans: readonly Span[]): Span[] {
  const result: Span[] = [];
  for (const { fromMs, toMs } of [...spans].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = result.at(-1);
    if (last && fromMs <= last.toMs) last.toMs = Math.max(last.toMs, toMs);
    else result.push({ fromMs, toMs });
  }
  return result;
}

/** What lies between stretches that are in order. */
export function between(spans: readonly Span[]): Span[] {
  const gaps: Span[] = [];
  let reached = -Infinity;
  for (const { fromMs, toMs } of spans) {
    if (fromMs > reached) gaps.push({ fromMs: reached, toMs: fromMs });
    reached = Math.max(reached, toMs);
  }
  gaps.push({ fromMs: reached, toMs: Infinity });
  return gaps;
}

export const covers = (stay: Span, fromMs: number, toMs: number): boolean => stay.fromMs <= fromMs && stay.toMs >= toMs;
