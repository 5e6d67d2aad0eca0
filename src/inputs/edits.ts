import { ArrayMinSize, IsArray, IsIn, MaxLength } from 'class-validator';
import { CURRENCIES, GRADES, LIMITS, LOOSENABLE, PREP_KINDS, type Grade, type LoosenableRule, type PrepKind } from '../core/model';
import {
  BatchRecord,
  BuyingRecord,
  DayWeatherRecord,
  EventHeadRecord,
  KitchenRecord,
  LeftoverRecord,
  ManualPlacementRecord,
  PlaceRecord,
  PrepChoicesRecord,
  ReceiptRecord,
  RoadRecord,
  ServingRecord,
  StandingRecord,
  VenueRecord,
} from './eventRecord';
import { Ids, Part, Parts, Range, Maybe } from './parts';
import { Flag, Id, LocalDate, LocalTime, Name, Reason, Sensible, WholeBetween } from './rules';

/** What the forms of an event hold: the records themselves, with clock times of the place where those keep instants. */

/** A serving with its menu. Its instant follows from date and time. */
export class ServingInput extends ServingRecord {
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @Parts(() => BatchRecord, LIMITS.batches, `More than ${LIMITS.batches} cuts and dishes cannot be planned at once. Split the event.`)
  batches!: BatchRecord[];
}

/** The brief: where, when, who eats and what. */
export class BriefInput extends EventHeadRecord {
  @ArrayMinSize(1, { message: 'An event needs at least one serving to count back from.' })
  @Parts(() => ServingInput, LIMITS.servings, `More than ${LIMITS.servings} servings cannot be planned at once. Split the event.`)
  servings!: ServingInput[];
}

/** The scale's and the ruler's figures for one piece; what is left out is not known yet. */
export class PieceWeightsInput {
  @Id() id!: string;
  @Maybe() @Sensible(0.03, 60, 'The purchased weight') boughtKg?: number;
  @Maybe() @Sensible(0.03, 60, 'The trimmed weight') trimmedKg?: number;
  @Maybe() @Sensible(8, 400, 'The thickness') thicknessMm?: number;
  @Maybe() @IsIn(GRADES, { message: 'Choose a grade.' }) grade?: Grade;
}
export class WeightsInput {
  @Id() batchId!: string;
  @Parts(() => PieceWeightsInput, LIMITS.piecesInBatch, `More than ${LIMITS.piecesInBatch} pieces is beyond one batch.`)
  pieces!: PieceWeightsInput[];
}

export class BuyingInput extends BuyingRecord {
  @Id() batchId!: string;
  @Range(0.03, 60, 'The weights of a piece') declare shopKg: [low: number, high: number];
}
export class ReceiptInput extends ReceiptRecord {
  @Id() batchId!: string;
}
export class PrepInput extends PrepChoicesRecord {
  @Id() batchId!: string;
}
export class LeftoverInput extends LeftoverRecord {
  @Id() batchId!: string;
}

/** The kitchen behind an event. Its delivery follows from date and time. */
export class KitchenInput extends KitchenRecord {
  @IsIn(CURRENCIES, { message: 'Choose a currency.' }) currency!: (typeof CURRENCIES)[number];
  @Maybe() @LocalDate() deliverDate?: string;
  @Maybe() @LocalTime() deliverTime?: string;
}

export class TickInput {
  @Name('The line', 120) itemId!: string;
  @Flag('Ticked') ticked!: boolean;
}

export class StepDoneInput {
  @Id() batchId!: string;
  @IsIn(PREP_KINDS, { message: 'There is no such step.' }) kind!: PrepKind;
  @Flag('Done') done!: boolean;
}

export class LoosenInput {
  @IsIn(LOOSENABLE, { message: 'This value cannot be loosened.' }) rule!: LoosenableRule;
  @Sensible(40, 1000, 'The value') limit!: number;
  @Reason('The reason', 12, 240) reason!: string;
}
export class TightenInput {
  @IsIn(LOOSENABLE, { message: 'This value cannot be loosened.' }) rule!: LoosenableRule;
}

/** Whoever answers for a serving's cards; nobody when left out. */
export class SignCardsInput {
  @Id() servingId!: string;
  @Maybe() @MaxLength(40, { message: 'Keep it under 40 characters.' }) cardsSignedBy?: string;
}

/** Which of the owned or hired equipment an event uses. */
export class ChooseEquipmentInput {
  @Ids() pitIds!: string[];
  @Ids() boxIds!: string[];
  @Ids() warmerIds!: string[];
  @Ids() probeIds!: string[];
}

/** Someone on duty, by the clock of the place. */
export class DutyInput {
  @Id() memberId!: string;
  @LocalDate() fromDate!: string;
  @LocalTime() fromTime!: string;
  @LocalDate() toDate!: string;
  @LocalTime() toTime!: string;
}

/** Minutes between two places; left out where no road leads from one to the other. */
export class RoadInput extends RoadRecord {
  @Maybe() @WholeBetween(1, 600, 'The drive, in minutes,') declare minutes: number;
}
/** Where a serving is. */
export class ServedAtInput {
  @Id() servingId!: string;
  @Id() placeId!: string;
}

/** The day itself: places and the ways between, the night's sleep, the weather, and who is on. */
export class DayInput {
  @Part(() => VenueRecord) venue!: VenueRecord;
  @ArrayMinSize(1, { message: 'There must be one place at least.' })
  @Parts(() => PlaceRecord, LIMITS.places, `More than ${LIMITS.places} places cannot be planned.`)
  places!: PlaceRecord[];
  @Parts(() => RoadInput, 60, 'More than 60 roads cannot be planned.') roads!: RoadInput[];
  @Parts(() => ServedAtInput, LIMITS.servings, 'More servings than there are.') servedAt!: ServedAtInput[];
  @Parts(() => StandingRecord, 200, 'More than 200 things cannot be planned.') standing!: StandingRecord[];
  @Part(() => DayWeatherRecord) weather!: DayWeatherRecord;
  @Parts(() => DutyInput, 80, 'More than 80 shifts cannot be planned.') duty!: DutyInput[];
}

/** Every place given by hand, at once: what is not listed is placed by the plan. */
export class ManualPlacementsInput {
  @IsArray()
  @Parts(() => ManualPlacementRecord, 400, 'More than 400 pieces cannot be placed by hand.')
  manualPlacements!: ManualPlacementRecord[];
}
