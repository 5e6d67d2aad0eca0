import { PIT_KIND, type PitClimate, type PitKind } from '../model';

const REFERENCE: PitClimate = { film: 1, radiation: 1, vapour: 1 };

/** How one pit differs from the usual one of its kind: air over the meat, and moisture in it. */
export interface OwnClimate {
  airflow: number;
  humidity: number;
}

export function pitClimate(kind: PitKind | undefined, own: OwnClimate = { airflow: 1, humidity: 1 }): PitClimate {
  const usual = kind ? PIT_KIND[kind].climate : REFERENCE;
  return { ...usual, film: usual.film * own.airflow, vapour: usual.vapour * own.humidity };
}

/** Grate temperature over a cook: set points that jump, and lids that open. Minutes count from going on. */
export interface PitProgramme {
  steps: { fromMin: number; pitC: number }[];
  /** The pit still comes up when the meat goes on: from this grate temperature, in a straight line, over these minutes. */
  warmUp?: { fromC: number; overMin: number };
  /** What the steps say is the gauge's number; the grate is this much hotter. */
  gaugeOffsetC?: number;
  openingDropC: number;
  recoverMin: number;
  /** Going on, with all that cold meat; like any other opening when left out. */
  loading?: { dropC: number; recoverMin: number };
}

export const steadyPit = (pitC: number, openingDropC = 0, recoverMin = 10): PitProgramme => ({
  steps: [{ fromMin: 0, pitC }],
  openingDropC,
  recoverMin,
});

/** A method's programme in a pit held at `pitC` to begin with: its steps move along with the heat that was chosen. */
export const programmeOf = (
  method: { pitC: number; steps?: readonly { fromMin: number; pitC: number }[] },
  pitC: number,
  openings: Pick<PitProgramme, 'openingDropC' | 'recoverMin' | 'loading'> = { openingDropC: 0, recoverMin: 10 },
): PitProgramme => ({
  steps: [{ fromMin: 0, pitC }, ...(method.steps ?? []).map((step) => ({ fromMin: step.fromMin, pitC: step.pitC + pitC - method.pitC }))],
  ...openings,
});

/** The grate temperature asked for at `minute`. Steps are in ascending order. */
export function setPointC(programme: PitProgramme, minute: number): number {
  let pitC = programme.steps[0]!.pitC;
  for (const step of programme.steps) {
    if (step.fromMin > minute) break;
    pitC = step.pitC;
  }
  const grateC = pitC + (programme.gaugeOffsetC ?? 0);
  const { warmUp } = programme;
  return warmUp && minute < warmUp.overMin ? warmUp.fromC + ((grateC - warmUp.fromC) * minute) / warmUp.overMin : grateC;
}

/** Share of an opening's drop that is left after `minutes`: within a tenth when the pit counts as recovered. */
export const openingShareLeft = (minutes: number, recoverMin: number): number =>
  recoverMin > 0 ? Math.exp((-Math.LN10 * minutes) / recoverMin) : 0;
