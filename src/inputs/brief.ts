import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, IsOptional, ValidateNested } from 'class-validator';
import { CARRIED, SIDE_KINDS, type Carried, type SideKind } from '../core/model';
import { Between, Id, LocalDate, LocalTime, Name, Sensible, Text, WholeBetween, Zone } from './rules';

export class PieceInput {
  @Id() id!: string;
  @Sensible(0.03, 60, 'The weight of a piece') kg!: number;
}

export class SecondDishInput {
  @Name('The second dish', 40) name!: string;
  @Id() servingId!: string;
  @IsOptional() @Between(0.02, 1, 'Its share of the plate') share?: number;
  @IsOptional() @Between(0.05, 0.95, 'Its part of the meat') partShare?: number;
}

/** A cold side, bread, sauce or pickle. */
export class SideInput {
  @Id() id!: string;
  @IsIn(SIDE_KINDS, { message: 'Choose side, bread, sauce or pickle.' }) kind!: SideKind;
  @Name('The side', 40) name!: string;
  @Sensible(1, 1000, 'The helping') gPerHead!: number;
  @IsBoolean({ message: 'Say whether it is kept cold.' }) chilled!: boolean;
  @IsOptional() @Id() recipeId?: string;
  @IsArray() @IsIn(CARRIED, { each: true, message: 'Choose allergens from the list.' }) carries!: Carried[];
}

export class GuestNeedInput {
  @IsIn(CARRIED, { message: 'Choose an allergen or a diet from the list.' }) carried!: Carried;
  @WholeBetween(1, 5000, 'The number of guests') guests!: number;
}

export class BatchInput {
  @Id() id!: string;
  @Id() cutId!: string;
  @Id() methodId!: string;
  @Text(40) label!: string;
  @IsIn(['guests', 'hand'], { message: 'Choose by guests or by hand.' }) sizedBy!: 'guests' | 'hand';
  @IsArray()
  @ArrayMinSize(1, { message: 'Add at least one piece, or take the cut off the menu.' })
  @ArrayMaxSize(200, { message: 'More than 200 pieces is beyond one batch; split it.' })
  @ValidateNested({ each: true })
  @Type(() => PieceInput)
  pieces!: PieceInput[];
  @IsOptional() @Between(0.02, 1, 'The share of the plate') share?: number;
  @IsOptional() @ValidateNested() @Type(() => SecondDishInput) second?: SecondDishInput;
}

export class ServingInput {
  @Id() id!: string;
  @Name('The serving', 40) name!: string;
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @WholeBetween(5, 480, 'The serving window, in minutes,') serveForMin!: number;
  @WholeBetween(0, 240, 'Carving ahead, in minutes,') carveLeadMin!: number;
  @WholeBetween(0, 5000, 'The number of adults') adults!: number;
  @WholeBetween(0, 5000, 'The number of children') children!: number;
  @Between(0, 1, 'The hearty share') heartyShare!: number;
  @IsBoolean({ message: 'Choose buffet or plated.' }) buffet!: boolean;
  @IsArray()
  @ArrayMaxSize(20, { message: 'More than 20 cuts at a serving cannot be planned.' })
  @ValidateNested({ each: true })
  @Type(() => BatchInput)
  batches!: BatchInput[];
  @Between(0, 1, 'The safety margin') marginShare!: number;
  @IsBoolean({ message: 'Say whether the guests are highly susceptible.' }) highlySusceptible!: boolean;
  @IsArray()
  @ArrayMaxSize(30, { message: 'More than 30 sides at a serving cannot be planned.' })
  @ValidateNested({ each: true })
  @Type(() => SideInput)
  sides!: SideInput[];
  @IsArray()
  @ArrayMaxSize(18, { message: 'There are only 18 to choose from.' })
  @ValidateNested({ each: true })
  @Type(() => GuestNeedInput)
  needs!: GuestNeedInput[];
}

/** The whole brief of an event, saved at once. Dates and times are clock times of its place. */
export class BriefInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @Sensible(-430, 5000, 'The altitude') altitudeM!: number;
  @Between(0.5, 0.99, 'The confidence') confidence!: number;
  @IsArray()
  @ArrayMinSize(1, { message: 'An event needs at least one serving to count back from.' })
  @ArrayMaxSize(12, { message: 'More than 12 servings cannot be planned at once.' })
  @ValidateNested({ each: true })
  @Type(() => ServingInput)
  servings!: ServingInput[];
}
