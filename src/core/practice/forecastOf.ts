import { byTheClock, COLD_C, plannedCook, SHIPPED_PARAMETERS, type ParameterSet } from '../forecast';
import { LiveForecast, type LiveDeed } from '../live';
import { MS_PER_MIN } from '../units';
import type { PracticeDay } from './practiceDay';
import { cutOf, methodOf } from './scenario';

/** When a piece will be done, as the forecast sees it: it knows what gauge, probes and hands told, and nothing of the truth. */
export interface ForecastSaid {
  key: string;
  askedAtMs: number;
  earlyMs: number;
  medianMs: number;
  lateMs: number;
  /** Where it believes the core to be, C. */
  coreC: number;
  /** It would look after the probe. */
  doubtsProbe: boolean;
}

const SAMPLES = 60;

/** Asks the forecast of a cook under way about a piece that is on; nothing for one that is not. */
export function forecastOf(day: PracticeDay, key: string, parameters: ParameterSet = SHIPPED_PARAMETERS): ForecastSaid | undefined {
  const { scenario, nowMs } = day;
  const so = day.pieces[key];
  if (!so?.onAtMs || so.pulledAtMs !== undefined || nowMs <= so.onAtMs) return undefined;
  const { onAtMs } = so;
  const piece = day.piece(key)!;
  const { pit, pitC } = scenario.pits.find((each) => each.pit.id === piece.pitId)!;
  const minute = (atMs: number) => (atMs - onAtMs) / MS_PER_MIN;
  const cut = cutOf(scenario, piece);
  const { kg, thicknessMm } = piece;
  const forClock = { kg, thicknessMm, startC: COLD_C, altitudeM: scenario.altitudeM, airC: scenario.weather.airC };
  const { setup } = plannedCook(
    { cut, method: byTheClock(cut, methodOf(scenario, piece), forClock, parameters), temperMin: 0, kg, thicknessMm },
    {
      pit,
      pitC,
      altitudeM: scenario.altitudeM,
      weather: scenario.weather,
      loadKg: scenario.pieces.filter((each) => each.pitId === pit.id).reduce((sum, each) => sum + each.kg, 0),
    },
    parameters,
  );
  const core = [
    ...(scenario.probeIn === key ? day.probed.map(({ atMs, tempC }) => ({ atMin: minute(atMs), coreC: tempC })) : []),
    ...day.feltCores.filter((each) => each.key === key).map(({ atMs, coreC }) => ({ atMin: minute(atMs), coreC })),
  ]
    .filter(({ atMin }) => atMin > 0)
    .sort((a, b) => a.atMin - b.atMin);
  const pitReadings = day.trail
    .filter(({ atMs }) => atMs >= onAtMs)
    .map(({ atMs, gaugeC }) => ({ atMin: minute(atMs), pitC: gaugeC[pit.id]! }));
  const deeds: LiveDeed[] = so.wrapAtMs !== undefined ? [{ atMin: minute(so.wrapAtMs), kind: 'wrapped', wrap: so.wrap }] : [];
  const live = new LiveForecast(setup, parameters, { seed: day.seed, samples: SAMPLES });
  const { done, coreNowC, probe } = live.at({ nowMin: minute(nowMs), core, pit: pitReadings, deeds });
  const at = (atMin: number) => onAtMs + atMin * MS_PER_MIN;
  return {
    key,
    askedAtMs: nowMs,
    earlyMs: at(done.p10),
    medianMs: at(done.p50),
    lateMs: at(done.p90),
    coreC: coreNowC.p50,
    doubtsProbe: probe.state !== 'good',
  };
}
