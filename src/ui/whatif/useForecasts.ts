'use client';
import { useEffect, useRef, useState } from 'react';
import type { WhatIfAnswer, WhatIfRequest } from '../../core/planning';
import { ForecastPool } from '../../workers/forecastPool';

export interface Forecasted {
  answer: WhatIfAnswer;
  /** False while only the median is there. */
  whole: boolean;
}

/** Forecasts every request in the pool as it changes; what a newer request has overtaken is stopped. */
export function useForecasts(requests: Record<string, WhatIfRequest>): {
  found: Record<string, Forecasted>;
  working: boolean;
  share: number;
  /** Stopped by hand before all was told, and nothing asked since. */
  stopped: boolean;
  stop(): void;
} {
  const pool = useRef<ForecastPool>(undefined);
  const running = useRef(new Map<string, { asked: string; abort: AbortController }>());
  const [found, setFound] = useState<Record<string, Forecasted>>({});
  const [busy, setBusy] = useState(0);
  const [stoppedAsk, setStoppedAsk] = useState<string>();
  const [progress, setProgress] = useState<Record<string, number>>({});

  useEffect(() => {
    pool.current = new ForecastPool(navigator.hardwareConcurrency);
    const all = running.current;
    return () => {
      all.forEach(({ abort }) => abort.abort());
      all.clear();
      pool.current?.stop();
    };
  }, []);

  const asked = JSON.stringify(requests);
  useEffect(() => {
    const wanted = JSON.parse(asked) as Record<string, WhatIfRequest>;
    for (const [key, each] of running.current) {
      if (wanted[key] && JSON.stringify(wanted[key]) === each.asked) continue;
      each.abort.abort();
      running.current.delete(key);
    }
    for (const [key, request] of Object.entries(wanted)) {
      if (running.current.has(key)) continue;
      const abort = new AbortController();
      running.current.set(key, { asked: JSON.stringify(request), abort });
      setBusy((count) => count + 1);
      pool
        .current!.forecast(request, {
          signal: abort.signal,
          onAnswer: (answer, whole) => !abort.signal.aborted && setFound((kept) => ({ ...kept, [key]: { answer, whole } })),
          onProgress: (share) => !abort.signal.aborted && setProgress((kept) => ({ ...kept, [key]: share })),
        })
        .catch((error: unknown) => {
          if (!abort.signal.aborted) throw error;
        })
        .finally(() => setBusy((count) => count - 1));
    }
  }, [asked]);

  const shares = Object.keys(requests).map((key) => progress[key] ?? 0);
  return {
    found,
    working: busy > 0,
    share: shares.reduce((sum, each) => sum + each, 0) / Math.max(1, shares.length),
    stopped: stoppedAsk === asked,
    stop: () => {
      setStoppedAsk(asked);
      running.current.forEach(({ abort }) => abort.abort());
      // The next change asks for these again.
      running.current.clear();
    },
  };
}
