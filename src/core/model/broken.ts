/** A rule of docs/formats/rules.md that a plan breaks, by its number, with what and where, by the ids of the plan. */
export interface Broken {
  rule: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10 | 11 | 12 | 13 | 14 | 15 | 16 | 17 | 18 | 19 | 20;
  code: BrokenCode;
  batch?: string;
  piece?: string;
  other?: string;
  pit?: string;
  rack?: string;
  gear?: string;
  place?: string;
  person?: string;
  serving?: string;
  task?: string;
  atMs?: number;
  /** By how much: minutes, mm, kg or C, as the code says. */
  by?: number;
}

export type BrokenCode =
  | 'pieceMissing'
  | 'pieceTwice'
  | 'unknownId'
  | 'beforeWorkFrom'
  | 'timesOutOfOrder'
  | 'wrapMissing'
  | 'wrapUncalledFor'
  | 'placesDoNotCover'
  | 'movesTooEarly'
  | 'inTwoPlaces'
  | 'wrongFootprint'
  | 'offRack'
  | 'onBlocked'
  | 'tooNear'
  | 'tooTall'
  | 'tooHeavy'
  | 'poultryAbove'
  | 'setPointOutOfRange'
  | 'bareTooCool'
  | 'heatWrongForMeat'
  | 'litTooLate'
  | 'onBeforeReady'
  | 'noFire'
  | 'outOfSmoke'
  | 'noTimeToRest'
  | 'heldTooLong'
  | 'holdDoesNotCover'
  | 'boardTooLong'
  | 'gearFull'
  | 'tooCool'
  | 'carvedOutsideServing'
  | 'noneAtFirst'
  | 'notPulledBeforeDrive'
  | 'taskOnTheRoad'
  | 'pitOnTheRoad'
  | 'taskMissing'
  | 'taskAtWrongTime'
  | 'taskTooShort'
  | 'nobodyNamed'
  | 'notOnDuty'
  | 'twoThingsAtOnce'
  | 'carvedTooLate'
  | 'tooSlowThroughDanger'
  | 'noRoad'
  | 'tripTooShort'
  | 'notThere'
  | 'nobodyDrives'
  | 'taskElsewhere'
  | 'staysPut'
  | 'pitNotCold'
  | 'gearElsewhere'
  | 'pieceElsewhere'
  | 'boardRideTooLong'
  | 'fireAlone'
  | 'notBrought'
  | 'tooFewThere'
  | 'notSetUp'
  | 'carvedElsewhere';
