import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn } from 'class-validator';
import {
  BRINE_WAYS,
  CARRIED,
  COOLING_WAYS,
  CURRENCIES,
  GRADES,
  LIMITS,
  LOOSENABLE,
  BY_EYE,
  FAT_CAPS,
  FAT_SIDES,
  MEALS,
  MEMBRANE_WAYS,
  RUB_WEIGHTS,
  SMOKES,
  SALT_TIMES,
  SIDE_KINDS,
  THAW_WAYS,
  AFTERWARDS,
  COOKED_AT,
  type Afterwards,
  type BrineWay,
  type Carried,
  type CookedAt,
  type CoolingWay,
  type Grade,
  type LoosenableRule,
  type ByEye,
  type FatCap,
  type FatSide,
  type Meal,
  type MembraneWay,
  type RubWeight,
  type SmokeWanted,
  type Override,
  type SaltTime,
  type SideKind,
  type ThawWay,
  type TravelChoice,
} from '../core/model';
import { HoldingBoxRecord } from './equipmentRecord';
import { Ids, IdsById, Lines, MaybePart, MaybeParts, Part, Parts, PartsById, Range, Maybe } from './parts';
import { partialOf } from './partialOf';
import { Between, Flag, Id, Instant, LocalTime, Name, Reason, Sensible, Text, WholeBetween, Zone } from './rules';

/**
 * An event as it is kept, field by field: the one declaration that the stored form, every edit, the forms and
 * the file's schema are held against. `sameShape.ts` fails to compile when the model and these classes differ.
 */

const MOST = 'More than 400 of these cannot be planned.';
const Declared = () => IsIn(CARRIED, { each: true, message: 'Choose allergens from the list.' });

const Seen = () => IsIn(BY_EYE, { message: 'Accept it, trim it out or send it back.' });

export class GuestsRecord {
  @WholeBetween(0, LIMITS.guests, 'The number of adults') adults!: number;
  @WholeBetween(0, LIMITS.guests, 'The number of children') children!: number;
  @Between(0, 1, 'The hearty share') heartyShare!: number;
}

export class SideRecord {
  @Id() id!: string;
  @IsIn(SIDE_KINDS, { message: 'Choose side, bread, sauce or pickle.' }) kind!: SideKind;
  @Name('The side', 40) name!: string;
  @Sensible(1, 1000, 'The helping') gPerHead!: number;
  @Maybe() @Sensible(1, 2000, 'The weight of one') eachG?: number;
  @Flag('Kept cold') chilled!: boolean;
  @Maybe() @Id() recipeId?: string;
  @Maybe() @IsArray() @ArrayMaxSize(CARRIED.length) @Declared() carries?: Carried[];
}

export class GuestNeedRecord {
  @IsIn(CARRIED, { message: 'Choose an allergen or a diet from the list.' }) carried!: Carried;
  @WholeBetween(1, LIMITS.guests, 'The number of guests') guests!: number;
}

export class ServingRecord {
  @Id() id!: string;
  @Name('The serving', 40) name!: string;
  @Instant('The serving time') atMs!: number;
  @WholeBetween(5, 480, 'The serving window, in minutes,') serveForMin!: number;
  @WholeBetween(0, 240, 'Carving ahead, in minutes,') carveLeadMin!: number;
  @Part(() => GuestsRecord) guests!: GuestsRecord;
  @Flag('Buffet') buffet!: boolean;
  @Maybe() @IsIn(MEALS, { message: 'Choose tasting, lunch or supper.' }) meal?: Meal;
  @Maybe() @Between(0, 1, 'The safety margin') marginShare?: number;
  @MaybeParts(() => SideRecord, 30, 'More than 30 sides at a serving cannot be planned.') sides?: SideRecord[];
  @MaybeParts(() => GuestNeedRecord, CARRIED.length, `There are only ${CARRIED.length} to choose from.`) needs?: GuestNeedRecord[];
  @Maybe() @Flag('Highly susceptible guests') highlySusceptible?: boolean;
  @Maybe() @Name('The signature', 40) cardsSignedBy?: string;
  @Maybe() @Id() placeId?: string;
  @Maybe() @WholeBetween(0, 600, 'Setting up, in minutes,') setUpMin?: number;
  @Maybe() @WholeBetween(0, 50, 'The number of people there') handsThere?: number;
}

export class PieceRecord {
  @Id() id!: string;
  @Sensible(0.03, 60, 'The weight of a piece') kg!: number;
  @Maybe() @Sensible(0.03, 60, 'The purchased weight') boughtKg?: number;
  @Maybe() @Sensible(0.03, 60, 'The trimmed weight') trimmedKg?: number;
  @Maybe() @Sensible(8, 400, 'The thickness') thicknessMm?: number;
  @Maybe() @Sensible(8, 3000, 'The length') lengthMm?: number;
  @Maybe() @Sensible(8, 3000, 'The width') widthMm?: number;
  @Maybe() @Sensible(-30, 60, 'The temperature as it goes on') startC?: number;
  @Maybe() @IsIn(GRADES, { message: 'Choose a grade.' }) grade?: Grade;
}

export class SecondDishRecord {
  @Name('The second dish', 40) name!: string;
  @Id() servingId!: string;
  @Maybe() @Between(0.02, 1, 'Its share of the plate') share?: number;
  @Maybe() @Sensible(5, 1500, 'The helping') portionG?: number;
  @Maybe() @Between(0.05, 0.95, 'Its part of the meat') partShare?: number;
  @Maybe() @WholeBetween(10, 240, 'The time back on, in minutes,') backOnMin?: number;
}

export class BuyingRecord {
  @Name('The source', 40) source!: string;
  @IsIn(GRADES, { message: 'Choose a grade.' }) grade!: Grade;
  @Maybe() @Sensible(0.01, 1000, 'The price') pricePerKg?: number;
  @Maybe() @Range(0.03, 60, 'The weights of a piece') shopKg?: [low: number, high: number];
  @Between(0, 1, 'The share of trim kept') usableTrimShare!: number;
  @Between(0, 1000, 'The worth of kept trim') usableTrimPerKg!: number;
  @Name('The wood', 30) wood!: string;
}

/** The recipe of each kind, by its id; none when left out. */
export class RecipeChoicesRecord {
  @Maybe() @Id() brine?: string;
  @Maybe() @Id() injection?: string;
  @Maybe() @Id() binder?: string;
  @Maybe() @Id() rub?: string;
  @Maybe() @Id() spray?: string;
  @Maybe() @Id() mop?: string;
  @Maybe() @Id() wrap?: string;
  @Maybe() @Id() braise?: string;
  @Maybe() @Id() glaze?: string;
  @Maybe() @Id() dressing?: string;
  @Maybe() @Id() sauce?: string;
  @Maybe() @Id() dish?: string;
}

/** What is chosen for a batch's prep; what is done of it comes with the day. */
export class PrepChoicesRecord {
  @IsIn(THAW_WAYS, { message: 'Say whether it comes fresh or frozen.' }) thaw!: ThawWay;
  @IsIn(SALT_TIMES, { message: 'Choose when it is salted.' }) salt!: SaltTime;
  @IsIn(BRINE_WAYS, { message: 'Choose how it is brined.' }) brine!: BrineWay;
  @WholeBetween(0, 60, 'Tempering, in minutes,') temperMin!: number;
  @Flag('The underside light') undersideLight!: boolean;
  @Maybe() @IsIn(RUB_WEIGHTS, { message: 'Choose light, usual or heavy.' }) rubWeight?: RubWeight;
  @Maybe() @WholeBetween(5, 1440, 'The time between layers, in minutes,') layerMin?: number;
  @Maybe() @Flag('Topped up') topUp?: boolean;
  @Maybe() @WholeBetween(0, 1440, 'The wait after the injection, in minutes,') injectRestMin?: number;
  @Maybe() @WholeBetween(5, 1440, 'The chill, in minutes,') chillMin?: number;
  @Maybe() @IsIn(MEMBRANE_WAYS, { message: 'Choose off, scored or on.' }) membrane?: MembraneWay;
  @Maybe() @IsIn(FAT_CAPS, { message: 'Choose off, thin or thick.' }) fatCap?: FatCap;
  @Maybe() @IsIn(FAT_SIDES, { message: 'Choose up or down.' }) fatSide?: FatSide;
  @Maybe() @IsIn(SMOKES, { message: 'Choose light, usual or heavy.' }) smoke?: SmokeWanted;
  @Part(() => RecipeChoicesRecord) recipes!: RecipeChoicesRecord;
}
export class PrepRecord extends PrepChoicesRecord {
  @Lines(30, 40) done!: string[];
}

export class ReceiptRecord {
  @Maybe() @Sensible(-30, 40, 'The core temperature') coreC?: number;
  @Flag('The pack whole') packWhole!: boolean;
  @Flag('The colour good') colourGood!: boolean;
  @Flag('The fat even') fatEven!: boolean;
  @Maybe() @Sensible(3, 300, 'The thin end') thinEndMm?: number;
  @Maybe() @Seen() thinEnd?: ByEye;
  @Maybe() @Seen() marbling?: ByEye;
  @Maybe() @Seen() fatCap?: ByEye;
  @Maybe() @Seen() torn?: ByEye;
  @Text(160) note!: string;
}

export class LeftoverRecord {
  @Sensible(0, 500, 'The leftover weight') kg!: number;
  @Sensible(5, 300, 'The thickness of a portion') portionThicknessMm!: number;
  @IsIn(COOLING_WAYS, { message: 'Choose fridge, ice or blast.' }) way!: CoolingWay;
}

export class PartialBuyingRecord extends partialOf(BuyingRecord) {}
export class PartialPrepRecord extends partialOf(PrepRecord) {}

export class BatchRecord {
  @Id() id!: string;
  @Id() servingId!: string;
  @Id() cutId!: string;
  @Id() methodId!: string;
  @Text(40) label!: string;
  @IsIn(['guests', 'hand'], { message: 'Choose by guests or by hand.' }) sizedBy!: 'guests' | 'hand';
  @ArrayMinSize(1, { message: 'Add at least one piece, or take the cut off the menu.' })
  @Parts(() => PieceRecord, LIMITS.piecesInBatch, `More than ${LIMITS.piecesInBatch} pieces is beyond one batch; split it.`)
  pieces!: PieceRecord[];
  @Maybe() @Between(0.02, 1, 'The share of the plate') share?: number;
  @Maybe() @Sensible(5, 1500, 'The helping') portionG?: number;
  @Maybe() @Between(0.25, 30, 'The bones a head') portionBones?: number;
  @MaybePart(() => SecondDishRecord) second?: SecondDishRecord;
  @MaybePart(() => PartialBuyingRecord) buying?: PartialBuyingRecord;
  @MaybePart(() => PartialPrepRecord) prep?: PartialPrepRecord;
  @MaybePart(() => ReceiptRecord) received?: ReceiptRecord;
  @MaybePart(() => LeftoverRecord) leftover?: LeftoverRecord;
  @Maybe() @Id() reheats?: string;
  @Maybe() @WholeBetween(0, 24 * 60, 'The longest hold, in minutes,') holdMaxMin?: number;
  @Maybe() @IsArray() @ArrayMaxSize(CARRIED.length) @Declared() carries?: Carried[];
}

export class FinishRecord {
  @Id() pitId!: string;
  @Sensible(40, 350, 'The heat of the finish') pitC!: number;
}

export class PinnedPlaceRecord {
  @Id() pieceId!: string;
  @Id() pitId!: string;
  @Id() rackId!: string;
  @Between(-6000, 6000, 'The place, in mm from the left,') xMm!: number;
  @Between(-6000, 6000, 'The place, in mm from the door,') yMm!: number;
  @Flag('Turned') turned!: boolean;
}
export class RunWishRecord {
  @Ids(400) pieceIds!: string[];
  @Id() pitId!: string;
  @Maybe() @Sensible(40, 350, 'The heat') pitC?: number;
  @MaybePart(() => FinishRecord) finish?: FinishRecord;
  @Between(0, 7 * 24 * 60, 'The earlier start, in minutes,') earlierMin!: number;
  @Maybe() @Between(0, 24 * 60, 'The later carving, in minutes,') carveLaterMin?: number;
  @Parts(() => PinnedPlaceRecord, 400, MOST) places!: PinnedPlaceRecord[];
}

export class OverrideRecord {
  @Maybe() @Id() pitId?: string;
  @Maybe() @Sensible(40, 350, 'The heat') pitC?: number;
  @MaybePart(() => FinishRecord) finish?: FinishRecord;
  @Maybe() @Between(0, 7 * 24 * 60, 'The earlier start, in minutes,') earlierMin?: number;
  @Maybe() @WholeBetween(1, 200, 'The number of runs') parts?: number;
  @MaybeParts(() => RunWishRecord, 200, MOST) runs?: RunWishRecord[];
}

/** How people and things get to a serving, as the search chose it. */
export class TravelChoiceRecord {
  @Maybe() @IsIn(COOKED_AT, { message: 'Choose where it is cooked.' }) cookedAt?: CookedAt;
  @Maybe() @WholeBetween(1, 50, 'The number who go') hands?: number;
  @Maybe() @Ids() who?: string[];
  @Maybe() @Ids() gearIds?: string[];
  @Maybe() @Ids() pitIds?: string[];
  @Maybe() @WholeBetween(0, 7 * 24 * 60, 'The time ahead, in minutes,') aheadMin?: number;
  @Maybe() @IsIn(AFTERWARDS, { message: 'Choose who comes back.' }) afterwards?: Afterwards;
}

export class SchemeRecord {
  @Ids(400) order!: string[];
  @PartsById(() => OverrideRecord, 400) overrides!: Record<string, Override>;
  @Maybe() @PartsById(() => TravelChoiceRecord, LIMITS.servings) travel?: Record<string, TravelChoice>;
  @WholeBetween(0, 1e9, 'The seed') seed!: number;
  @WholeBetween(0, 1e6, 'The number of tries') iterations!: number;
}

/** A place given by hand to a piece of a pinned run. */
export class ManualPlacementRecord extends PinnedPlaceRecord {
  @Id() batchId!: string;
}

export class PinRecord {
  @Id() batchId!: string;
  @Maybe() @Ids(400) pieceIds?: string[];
  @Id() pitId!: string;
  @Instant('The start') onAtMs!: number;
  @Maybe() @Sensible(40, 350, 'The heat') pitC?: number;
  @MaybePart(() => FinishRecord) finish?: FinishRecord;
  @Maybe() @Between(0, 24 * 60, 'The later carving, in minutes,') carveLaterMin?: number;
  @MaybeParts(() => PinnedPlaceRecord, 400, MOST) places?: PinnedPlaceRecord[];
}

export class NamedPlanRecord {
  @Id() id!: string;
  @Name('The plan') name!: string;
  @Between(0.5, 0.999, 'The confidence') confidence!: number;
  @IdsById(400) methodIds!: Record<string, string>;
  @Ids() pitIds!: string[];
  @Parts(() => PinRecord, 400, MOST) pins!: PinRecord[];
  @MaybePart(() => SchemeRecord) scheme?: SchemeRecord;
}

export class DutyRecord {
  @Id() memberId!: string;
  @Instant('The beginning of a shift') fromMs!: number;
  @Instant('The end of a shift') toMs!: number;
}

export class HiredPitRecord {
  @Id() id!: string;
  @Id() like!: string;
}
export class HiredHandRecord {
  @Id() id!: string;
  @Name('The name', 60) name!: string;
  @Maybe() @Flag('Drives') drives?: boolean;
}
/** Hired for one event. */
export class HiredRecord {
  @MaybeParts(() => HiredPitRecord, 40, 'More than 40 pits cannot be hired.') pits?: HiredPitRecord[];
  @MaybeParts(() => HoldingBoxRecord, 40, 'More than 40 boxes cannot be hired.') boxes?: HoldingBoxRecord[];
  @MaybeParts(() => HiredHandRecord, 40, 'More than 40 people cannot be hired.') hands?: HiredHandRecord[];
}
export class HoldSetPointRecord {
  @Id() gearId!: string;
  @Sensible(40, 110, 'The set point') setC!: number;
}

export class PlaceRecord {
  @Id() id!: string;
  @Name('The place', 40) name!: string;
}
export class RoadRecord {
  @Id() fromId!: string;
  @Id() toId!: string;
  @WholeBetween(1, 600, 'The drive, in minutes,') minutes!: number;
}
export class StandingRecord {
  @IsIn(['pit', 'gear', 'crew'], { message: 'Choose a pit, gear or somebody of the crew.' }) kind!: 'pit' | 'gear' | 'crew';
  @Id() thingId!: string;
  @Id() placeId!: string;
}

export class VenueRecord {
  @WholeBetween(0, 600, 'Setting up, in minutes,') setUpMin!: number;
  @Text(120) power!: string;
  @Text(400) rules!: string;
  @LocalTime() quietFrom!: string;
  @LocalTime() quietTo!: string;
}

export class DayWeatherRecord {
  @Sensible(-40, 50, 'The air') airC!: number;
  @Sensible(0, 30, 'The wind') windMPerS!: number;
}

export class KitchenRecord {
  @Sensible(1, 100_000, 'The fridge') fridgeLitres!: number;
  @Sensible(0, 10_000, 'The tub space') tubLitres!: number;
  @WholeBetween(1, 50, 'Pairs of hands') prepCrew!: number;
  @WholeBetween(1, 50, 'The number of carvers') carvers!: number;
  @WholeBetween(0, 23, 'The hour the kitchen opens') fromHour!: number;
  @WholeBetween(1, 24, 'The hour the kitchen closes') toHour!: number;
  @Maybe() @Between(0, 0.3, 'How short it may be') mayBeShortShare?: number;
  @Between(0, 10_000, 'The price of an hour') handPerH!: number;
  @Between(0, 10_000, 'The price of seasoning') seasoningPerKg!: number;
  @Between(0, 10_000, 'The price of wood') woodPerKg!: number;
  @Between(0, 10_000, 'The price of charcoal') charcoalPerKg!: number;
  @Between(0, 10_000, 'The price of gas') gasPerKg!: number;
  @Between(0, 10_000, 'The price of wrap') wrapPerM!: number;
  @Maybe() @Instant('The delivery') deliverAtMs?: number;
}
export class PartialKitchenRecord extends partialOf(KitchenRecord) {}

export class LoosenedRecord {
  @IsIn(LOOSENABLE, { message: 'This value cannot be loosened.' }) rule!: LoosenableRule;
  @Sensible(40, 1000, 'The value') limit!: number;
  @Reason('The reason', 12, 240) reason!: string;
}

class BaselineServingRecord {
  @Id() id!: string;
  @Text(80) name!: string;
  @Instant('The serving time') atMs!: number;
  @Between(0, 1e6, 'The portions') portions!: number;
  @Between(0, 1e6, 'The guests') guests!: number;
}
class BaselineBatchRecord {
  @Id() id!: string;
  @Id() cutId!: string;
  @Id() methodId!: string;
  @Text(80) label!: string;
  @Between(0, 1e4, 'The pieces') pieces!: number;
  @Between(0, 1e6, 'The weight') kg!: number;
  @Maybe() @Instant('The start') onAtMs?: number;
  @Text(4000) prep!: string;
}
/** The plan the crew was given. */
export class BaselineRecord {
  @Instant('The moment it was kept') savedAtMs!: number;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @Parts(() => BaselineServingRecord, 12, MOST) servings!: BaselineServingRecord[];
  @Parts(() => BaselineBatchRecord, 400, MOST) batches!: BaselineBatchRecord[];
  @Ids() pitIds!: string[];
}

/** What stands at the head of a brief. */
export class EventHeadRecord {
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @Sensible(-430, 5000, 'The altitude') altitudeM!: number;
  @Between(0.5, 0.99, 'The confidence') confidence!: number;
}

/** The whole event. */
export class EventRecord extends EventHeadRecord {
  @Id() id!: string;
  @ArrayMinSize(1, { message: 'An event needs at least one serving to count back from.' })
  @Parts(() => ServingRecord, LIMITS.servings, `More than ${LIMITS.servings} servings cannot be planned at once. Split the event.`)
  servings!: ServingRecord[];
  @Parts(() => BatchRecord, LIMITS.batches, `More than ${LIMITS.batches} cuts and dishes cannot be planned at once. Split the event.`)
  batches!: BatchRecord[];
  @Ids() pitIds!: string[];
  @Ids() boxIds!: string[];
  @Maybe() @Ids() warmerIds?: string[];
  @Maybe() @Ids() probeIds?: string[];
  @MaybePart(() => HiredRecord) hired?: HiredRecord;
  @MaybeParts(() => HoldSetPointRecord, 40, 'More than 40 set points cannot be kept.') holdSetPoints?: HoldSetPointRecord[];
  @MaybeParts(() => DutyRecord, 80, 'More than 80 shifts cannot be planned.') duty?: DutyRecord[];
  @MaybeParts(() => PlaceRecord, LIMITS.places, `More than ${LIMITS.places} places cannot be planned.`) places?: PlaceRecord[];
  @MaybeParts(() => RoadRecord, 60, 'More than 60 roads cannot be planned.') roads?: RoadRecord[];
  @MaybeParts(() => StandingRecord, 200, MOST) standing?: StandingRecord[];
  @MaybePart(() => VenueRecord) venue?: VenueRecord;
  @MaybePart(() => DayWeatherRecord) weather?: DayWeatherRecord;
  @MaybePart(() => PartialKitchenRecord) kitchen?: PartialKitchenRecord;
  @Maybe() @IsIn(CURRENCIES, { message: 'Choose a currency.' }) currency?: string;
  @MaybeParts(() => LoosenedRecord, LOOSENABLE.length, 'Each value is loosened once.') loosened?: LoosenedRecord[];
  @MaybeParts(() => ManualPlacementRecord, 400, 'More than 400 pieces cannot be placed by hand.')
  manualPlacements?: ManualPlacementRecord[];
  @MaybeParts(() => PinRecord, 400, MOST) pins?: PinRecord[];
  @MaybePart(() => SchemeRecord) scheme?: SchemeRecord;
  @MaybeParts(() => NamedPlanRecord, 12, 'More than twelve plans cannot be kept side by side.') namedPlans?: NamedPlanRecord[];
  @Maybe() @Lines(400, 120) ticked?: string[];
  @MaybePart(() => BaselineRecord) baseline?: BaselineRecord;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
}
