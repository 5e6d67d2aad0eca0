import type { ClockMethod, Cut, DayWeather, Grade, Pit } from '../model';
import type { HoldingPlace, HoldPlan } from './hold';
import { fullShareOf, openingsOf, withTurns } from './openings';
import type { ParameterSet } from './parameters';
import { programmeOf } from './pit';
import { cookSetup, type CookSetup } from './setup';
import { temperedC } from './tempering';
import { blocksAtHeat } from './timeBlocks';

/** Air of a kitchen where meat is tempered. */
const ROOM_C = 20;
/** Out of the cold, when nothing else is known. */
export const COLD_C = 4;

/** One piece of a batch, as it is meant to be cooked. */
export interface PlannedPiece {
  cut: Cut;
  method: ClockMethod;
  /** Minutes in the warm before going on. */
  temperMin: number;
  kg: number;
  thicknessMm?: number;
  startC?: number;
  grade?: Grade;
}

/** Where it is cooked: a pit at a heat, and perhaps another place or heat from a minute on. */
export interface PlannedPlace {
  pit: Pit;
  pitC: number;
  finish?: { pit: Pit; pitC: number; fromMin: number };
  /** Where it lies, against the set point. */
  zoneOffsetC?: number;
  altitudeM: number;
  /** The day's weather: what its pit loses, and where meat rests and its box stands. */
  weather: DayWeather;
  /** Cold meat that goes on with it, all in all. */
  loadKg: number;
}

/** A cook as it is planned: the one thing that search, curve, decisions, figures, rack map and the live day ask. */
export interface PlannedCook {
  setup: CookSetup;
  /** How it rests and is held there for so long. */
  holdIn(place: HoldingPlace, longestMin: number): HoldPlan;
}

/** A planned cook of one piece: set points over time, wrap, finish and hold. */
export function plannedCook(piece: PlannedPiece, place: PlannedPlace, parameters: ParameterSet): PlannedCook {
  const { cut, method, temperMin, kg, thicknessMm, grade, startC = COLD_C } = piece;
  const { pit, pitC, finish, zoneOffsetC, altitudeM, weather, loadKg } = place;
  const { airC } = weather;
  const onPit = { massKg: kg, thicknessMm, grade, startC };
  const programme = programmeOf(method, pitC, openingsOf(pit, pitC, weather, loadKg));
  if (finish)
    programme.steps = [...programme.steps.filter((step) => step.fromMin < finish.fromMin), { fromMin: finish.fromMin, pitC: finish.pitC }];
  const blocked = blocksAtHeat(cut, piece, method, pitC, parameters);
  const opened = cookSetup(cut, { ...onPit, startC: temperedC(cut, onPit, temperMin, ROOM_C, parameters) }, blocked, parameters, {
    pit: programme,
    pitKind: pit.kind,
    finishKind: finish && finish.pit !== pit ? finish.pit.kind : undefined,
    climate: { airflow: pit.airflow ?? 1, humidity: pit.humidity ?? 1 },
    altitudeM,
    roomC: airC,
    smoke: { output: pit.smoke ? 1 : 0, darkShare: 0 },
    zoneOffsetC,
    hands: { pitId: pit.id, methodId: method.id },
  });
  const setup = withTurns(opened, parameters, method.turns);
  return { setup, holdIn: (at, longestMin) => holdOptions(cut, method, at, longestMin, airC) };
}

function holdOptions(cut: Cut, method: ClockMethod, place: HoldingPlace, longestMin: number, airC: number): HoldPlan {
  return {
    ventMin: method.ventMin,
    // What waits in a box or warmer rests there: an hour on a board first would cost most of the hold.
    restMin: place.kind === 'tent' ? method.restMin : 0,
    restBare: cut.done.by === 'core',
    roomC: airC,
    longestMin,
    place,
  };
}

/** Cuts and methods are written out once: they are large, and asked for often. */
const written = new WeakMap<object, string>();
function inFull(entry: object): string {
  const known = written.get(entry) ?? JSON.stringify(entry);
  written.set(entry, known);
  return known;
}

/** All of a planned cook that physics knows of, but for the piece itself: what two cooks share when they are the same cook. */
export const physicsOf = (
  { cut, method, temperMin }: Pick<PlannedPiece, 'cut' | 'method' | 'temperMin'>,
  {
    pit,
    pitC,
    finish,
    altitudeM,
    weather,
    loadKg,
  }: Pick<PlannedPlace, 'pit' | 'pitC' | 'altitudeM' | 'weather' | 'loadKg'> & { finish?: { pit: Pit; pitC: number } },
): unknown[] => [
  inFull(cut),
  inFull(method),
  temperMin,
  pit.kind,
  pit.smoke,
  pit.openingDropC,
  pit.recoverMin,
  pit.airflow,
  pit.humidity,
  pitC,
  finish && [finish.pit === pit, finish.pit.kind, finish.pitC],
  altitudeM,
  weather.airC,
  weather.windMPerS,
  fullShareOf(pit, loadKg),
];
