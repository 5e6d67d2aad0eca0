import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsOptional, ValidateNested } from 'class-validator';
import {
  BRINE_WAYS,
  COOLING_WAYS,
  GRADES,
  LOOSENABLE,
  PREP_KINDS,
  SALT_TIMES,
  THAW_WAYS,
  type BrineWay,
  type CoolingWay,
  type Grade,
  type LoosenableRule,
  type PrepKind,
  type SaltTime,
  type ThawWay,
} from '../core/model';
import { Between, Id, LocalDate, LocalTime, Name, Reason, Sensible, Text, WholeBetween } from './rules';

/** A change to one event, made from what the owner saw of it. */
class OnEvent {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
}

class OnBatch extends OnEvent {
  @Id() batchId!: string;
}

/** The scale's and the ruler's figures for one piece; what is left out is not known yet. */
export class PieceWeightsInput {
  @Id() id!: string;
  @IsOptional() @Sensible(0.03, 60, 'The purchased weight') boughtKg?: number;
  @IsOptional() @Sensible(0.03, 60, 'The trimmed weight') trimmedKg?: number;
  @IsOptional() @Sensible(8, 400, 'The thickness') thicknessMm?: number;
  @IsOptional() @IsIn(GRADES, { message: 'Choose a grade.' }) grade?: Grade;
}

export class WeightsInput extends OnBatch {
  @IsArray() @ArrayMaxSize(200) @ValidateNested({ each: true }) @Type(() => PieceWeightsInput) pieces!: PieceWeightsInput[];
}

export class BuyingInput extends OnBatch {
  @Name('The source', 40) source!: string;
  @IsIn(GRADES, { message: 'Choose a grade.' }) grade!: Grade;
  @IsOptional() @Sensible(0.01, 1000, 'The price') pricePerKg?: number;
  @Sensible(0.03, 60, 'The lightest piece') shopLowKg!: number;
  @Sensible(0.03, 60, 'The heaviest piece') shopHighKg!: number;
  @Between(0, 1, 'The share of trim kept') usableTrimShare!: number;
  @Between(0, 1000, 'The worth of kept trim') usableTrimPerKg!: number;
  @Name('The wood', 30) wood!: string;
}

export class ReceiptInput extends OnBatch {
  @IsOptional() @Sensible(-30, 40, 'The core temperature') coreC?: number;
  @IsBoolean() packWhole!: boolean;
  @IsBoolean() colourGood!: boolean;
  @IsBoolean() fatEven!: boolean;
  @Text(160) note!: string;
}

export const CURRENCIES = ['USD', 'CAD', 'EUR', 'GBP', 'AUD', 'NZD', 'CHF', 'SEK', 'ZAR', 'MXN'] as const;

/** The kitchen behind an event: when the meat comes, what is cold, who works when. */
export class KitchenInput extends OnEvent {
  @IsIn(CURRENCIES, { message: 'Choose a currency.' }) currency!: (typeof CURRENCIES)[number];
  @IsOptional() @LocalDate() deliverDate?: string;
  @IsOptional() @LocalTime() deliverTime?: string;
  @Sensible(1, 100_000, 'The fridge') fridgeLitres!: number;
  @Sensible(0, 10_000, 'The tub space') tubLitres!: number;
  @WholeBetween(1, 50, 'Pairs of hands') prepCrew!: number;
  @WholeBetween(1, 50, 'The number of carvers') carvers!: number;
  @WholeBetween(0, 23, 'The hour the kitchen opens') fromHour!: number;
  @WholeBetween(1, 24, 'The hour the kitchen closes') toHour!: number;
}

export class TickInput {
  @Id() eventId!: string;
  @Name('The line', 120) itemId!: string;
  @IsBoolean() ticked!: boolean;
}

/** The recipe of each kind, by its id; none when left out. */
export class RecipeChoicesInput {
  @IsOptional() @Id() brine?: string;
  @IsOptional() @Id() injection?: string;
  @IsOptional() @Id() binder?: string;
  @IsOptional() @Id() rub?: string;
  @IsOptional() @Id() spray?: string;
  @IsOptional() @Id() mop?: string;
  @IsOptional() @Id() wrap?: string;
  @IsOptional() @Id() braise?: string;
  @IsOptional() @Id() glaze?: string;
  @IsOptional() @Id() dressing?: string;
  @IsOptional() @Id() sauce?: string;
  @IsOptional() @Id() dish?: string;
}

export class PrepInput extends OnBatch {
  @IsIn(THAW_WAYS, { message: 'Say whether it comes fresh or frozen.' }) thaw!: ThawWay;
  @IsIn(SALT_TIMES, { message: 'Choose when it is salted.' }) salt!: SaltTime;
  @IsIn(BRINE_WAYS, { message: 'Choose how it is brined.' }) brine!: BrineWay;
  @WholeBetween(0, 60, 'Tempering, in minutes,') temperMin!: number;
  @IsBoolean() undersideLight!: boolean;
  @ValidateNested() @Type(() => RecipeChoicesInput) recipes!: RecipeChoicesInput;
}

export class StepDoneInput {
  @Id() eventId!: string;
  @Id() batchId!: string;
  @IsIn(PREP_KINDS, { message: 'There is no such step.' }) kind!: PrepKind;
  @IsBoolean() done!: boolean;
}

export class LeftoverInput extends OnBatch {
  @Sensible(0, 500, 'The leftover weight') kg!: number;
  @Sensible(5, 300, 'The thickness of a portion') portionThicknessMm!: number;
  @IsIn(COOLING_WAYS, { message: 'Choose fridge, ice or blast.' }) way!: CoolingWay;
}

export class LoosenInput extends OnEvent {
  @IsIn(LOOSENABLE, { message: 'This value cannot be loosened.' }) rule!: LoosenableRule;
  @Sensible(40, 1000, 'The value') limit!: number;
  @Reason('The reason', 12, 240) reason!: string;
}

export class TightenInput extends OnEvent {
  @IsIn(LOOSENABLE, { message: 'This value cannot be loosened.' }) rule!: LoosenableRule;
}
