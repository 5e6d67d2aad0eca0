import { expose } from 'comlink';
import {
  debrief,
  drillQuestion,
  forecastOf,
  outcomeOf,
  practiceView,
  resumed,
  saveOf,
  type ForecastSaid,
  type PracticeDay,
  type PracticeSave,
  type Scenario,
} from '../core/practice';
import type { PracticeWorkerApi } from './practiceProtocol';

let day: PracticeDay | undefined;
let forecasts: Record<string, ForecastSaid> = {};
let of: { scenario: Scenario; save: () => PracticeSave } | undefined;

const shown = () => ({ view: practiceView(day!, forecasts), save: saveOf(day!), outcome: day!.over ? outcomeOf(day!) : undefined });

/** One day in practice, lived in a thread of its own: the page says how far, and what hands do. */
const api: PracticeWorkerApi = {
  begin(scenario, save) {
    day = resumed(scenario, save);
    forecasts = {};
    of = { scenario, save: () => saveOf(day!) };
    return shown();
  },
  advance(byMs) {
    day!.advanceTo(day!.nowMs + byMs);
    return shown();
  },
  do(deed) {
    const refused = day!.do(deed);
    if (!refused && deed.kind === 'forecast') {
      const said = forecastOf(day!, deed.key);
      if (said) forecasts = { ...forecasts, [deed.key]: said };
    }
    return { ...shown(), refused };
  },
  debrief(tell) {
    return debrief(of!.scenario, of!.save(), tell);
  },
  question(set, n) {
    return drillQuestion(set, n);
  },
};

expose(api);
