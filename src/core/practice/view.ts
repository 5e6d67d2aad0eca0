import { MS_PER_MIN } from '../units';
import type { PitKind } from '../model';
import { smokeWord, type Smoke, type SmokeWord } from '../world';
import type { ForecastSaid } from './forecastOf';
import type { News, PieceSoFar } from './dayParts';
import type { PracticeDay } from './practiceDay';
import type { PracticeDeed } from './deed';

/** A pit as whoever stands by it knows it. */
export interface PitView {
  id: string;
  name: string;
  kind: PitKind;
  byHand: boolean;
  wishC: number;
  gaugeC: number;
  rangeC: [number, number];
  smoke: Smoke;
  smokeWord: SmokeWord;
  hand?: {
    bottom: number;
    top: number;
    lidOpen: boolean;
    sheltered: boolean;
    flaming: boolean;
    /** What is seen through the vent: how much glows, how much is still black, kg to a tenth. */
    litKg: number;
    unlitKg: number;
    woodKg: number;
    waterKg: number;
    ashFull: boolean;
    chimneyAtMs?: number;
    steers: 'vents' | 'splits' | 'shovel';
  };
}

export interface PieceView extends Omit<PieceSoFar, 'hottestC' | 'served'> {
  key: string;
  tag: string;
  cutId: string;
  pitId: string;
  /** Goes on then; left out, it is for the player to decide. */
  dueOnAtMs?: number;
  hasThinEnd: boolean;
  probedC?: number;
  forecast?: ForecastSaid;
}

/** All that a screen shows of a day in practice: nothing of it is what only the world knows. */
export interface PracticeView {
  nowMs: number;
  serveAtMs: number;
  takeOverAtMs: number;
  timeZone: string;
  handsFreeAtMs: number;
  over: boolean;
  weather: { airC: number; windMPerS: number; raining: boolean };
  pits: PitView[];
  pieces: PieceView[];
  news: News[];
  deeds: { atMs: number; deed: PracticeDeed }[];
  holds: readonly ('box' | 'warmer')[];
  trail: { atMs: number; gaugeC: Record<string, number> }[];
}

const tenth = (kg: number): number => Math.round(kg * 10) / 10;

export function practiceView(day: PracticeDay, forecasts: Readonly<Record<string, ForecastSaid>> = {}): PracticeView {
  const { scenario, world, nowMs } = day;
  return {
    nowMs,
    serveAtMs: day.serveAtMs,
    takeOverAtMs: day.takeOverAtMs,
    timeZone: scenario.timeZone,
    handsFreeAtMs: day.handsFreeAtMs,
    over: day.over,
    weather: world.weatherNow,
    pits: scenario.pits.map(({ pit }): PitView => {
      const fire = world.fire(pit.id)!;
      const hand = day.fire(pit.id);
      return {
        id: pit.id,
        name: pit.name,
        kind: pit.kind,
        byHand: hand !== undefined,
        wishC: day.wishC(pit.id),
        gaugeC: fire.gaugeC,
        rangeC: pit.rangeC,
        smoke: fire.smoke,
        smokeWord: smokeWord(fire.smoke),
        hand: hand && {
          bottom: hand.bottom,
          top: hand.top,
          lidOpen: hand.lidOpen,
          sheltered: hand.sheltered,
          flaming: hand.flaming,
          litKg: tenth(hand.litKg),
          unlitKg: tenth(hand.unlitKg),
          woodKg: tenth(hand.woodKg),
          waterKg: tenth(hand.waterKg),
          ashFull: hand.ashFull,
          chimneyAtMs: day.chimneyAtMs[pit.id],
          steers: pit.kind === 'open-pit' ? 'shovel' : pit.kind === 'offset' || pit.kind === 'reverse-flow' ? 'splits' : 'vents',
        },
      };
    }),
    pieces: scenario.pieces.map(({ key, tag, cutId, pitId, onBeforeMin }): PieceView => {
      const { hottestC: _hidden, served: _later, ...known } = day.pieces[key]!;
      return {
        ...known,
        key,
        tag,
        cutId,
        pitId,
        dueOnAtMs: onBeforeMin === undefined ? undefined : scenario.serveAtMs - onBeforeMin * MS_PER_MIN,
        hasThinEnd: day.truth(key).thin !== undefined,
        probedC: scenario.probeIn === key ? day.probed.at(-1)?.tempC : undefined,
        forecast: forecasts[key],
      };
    }),
    news: day.news,
    deeds: day.done.map(({ atMs, deed }) => ({ atMs, deed })),
    holds: scenario.holds,
    trail: day.trail.filter(({ atMs }) => atMs >= day.takeOverAtMs).map(({ atMs, gaugeC }) => ({ atMs, gaugeC })),
  };
}
