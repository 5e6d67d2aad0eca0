import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, IsObject, IsOptional, IsString, MaxLength, ValidateNested } from 'class-validator';
import { Between, Id, Name, WholeBetween } from './rules';

const MOST = { message: 'More than 400 of these cannot be planned.' };

export class PinnedPlaceInput {
  @Id() pieceId!: string;
  @Id() pitId!: string;
  @Id() rackId!: string;
  @Between(0, 5000, 'The place, in mm from the left,') xMm!: number;
  @Between(0, 5000, 'The place, in mm from the door,') yMm!: number;
  @IsBoolean({ message: 'A piece is turned or not.' }) turned!: boolean;
}

export class PinnedFinishInput {
  @Id() pitId!: string;
  @Between(40, 350, 'The heat of the finish, in °C,') pitC!: number;
}

export class PinInput {
  @Id() batchId!: string;
  @Id() pitId!: string;
  @IsInt({ message: 'The start must be a moment.' }) onAtMs!: number;
  @IsOptional() @Between(40, 350, 'The heat, in °C,') pitC?: number;
  @IsOptional() @IsArray() @ArrayMaxSize(400, MOST) @IsString({ each: true }) @MaxLength(200, { each: true }) pieceIds?: string[];
  @IsOptional() @ValidateNested() @Type(() => PinnedFinishInput) finish?: PinnedFinishInput;
  @IsOptional() @Between(0, 24 * 60, 'The later carving, in minutes,') carveLaterMin?: number;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(400, MOST)
  @ValidateNested({ each: true })
  @Type(() => PinnedPlaceInput)
  places?: PinnedPlaceInput[];
}

export class SchemeInput {
  @IsArray() @ArrayMaxSize(400, MOST) order!: string[];
  /** By batch; read field by field in the service. */
  @IsObject({ message: 'The choices of a plan must be given by batch.' }) overrides!: Record<string, unknown>;
  @WholeBetween(0, 1e9, 'The seed') seed!: number;
  @WholeBetween(0, 1e6, 'The number of tries') iterations!: number;
}

export class NamedPlanInput {
  @Id() id!: string;
  @Name('The plan') name!: string;
  @Between(0.5, 0.999, 'The confidence') confidence!: number;
  @IsObject({ message: 'The methods of a plan must be given by batch.' }) methodIds!: Record<string, string>;
  @IsArray() @ArrayMaxSize(50) pitIds!: string[];
  @IsArray() @ArrayMaxSize(400, MOST) @ValidateNested({ each: true }) @Type(() => PinInput) pins!: PinInput[];
  @IsOptional() @ValidateNested() @Type(() => SchemeInput) scheme?: SchemeInput;
}

export class PlannedPieceInput {
  @Id() id!: string;
  @Between(0.01, 100, 'The weight, in kg,') kg!: number;
  @IsOptional() @Between(0.01, 100, 'The bought weight, in kg,') boughtKg?: number;
  @IsOptional() @Between(0.01, 100, 'The trimmed weight, in kg,') trimmedKg?: number;
  @IsOptional() @Between(1, 600, 'The thickness, in mm,') thicknessMm?: number;
  @IsOptional() @Between(1, 3000, 'The length, in mm,') lengthMm?: number;
  @IsOptional() @Between(1, 3000, 'The width, in mm,') widthMm?: number;
  @IsOptional() @Between(-30, 60, 'The temperature as it goes on, in °C,') startC?: number;
  @IsOptional() @IsIn(['select', 'choice', 'prime', 'marbled'], { message: 'The grade is not one of those known.' }) grade?: string;
}

export class PlannedBatchInput {
  @Id() id!: string;
  @Id() methodId!: string;
  @IsIn(['guests', 'hand'], { message: 'A batch is sized by the guests or by hand.' }) sizedBy!: 'guests' | 'hand';
  @IsArray() @ArrayMaxSize(400, MOST) @ValidateNested({ each: true }) @Type(() => PlannedPieceInput) pieces!: PlannedPieceInput[];
}

export class PlannedServingInput {
  @Id() id!: string;
  @IsInt({ message: 'The serving must be at a moment.' }) atMs!: number;
}

export class PlannedDutyInput {
  @Id() memberId!: string;
  @IsInt({ message: 'A shift begins at a moment.' }) fromMs!: number;
  @IsInt({ message: 'A shift ends at a moment.' }) toMs!: number;
}

export class FaceInput {
  @Between(0.5, 0.999, 'The confidence') confidence!: number;
  @IsOptional() @ValidateNested() @Type(() => SchemeInput) scheme?: SchemeInput;
  @IsArray() @ArrayMaxSize(400, MOST) @ValidateNested({ each: true }) @Type(() => PinInput) pins!: PinInput[];
  @IsArray()
  @ArrayMaxSize(12, { message: 'More than twelve plans cannot be kept side by side.' })
  @ValidateNested({ each: true })
  @Type(() => NamedPlanInput)
  namedPlans!: NamedPlanInput[];
  @IsArray() @ArrayMaxSize(50) pitIds!: string[];
  @IsArray() @ArrayMaxSize(50) boxIds!: string[];
  @IsArray() @ArrayMaxSize(50) warmerIds!: string[];
  @IsArray() @ArrayMaxSize(80) @ValidateNested({ each: true }) @Type(() => PlannedDutyInput) duty!: PlannedDutyInput[];
  @IsArray() @ArrayMaxSize(40) @ValidateNested({ each: true }) @Type(() => PlannedServingInput) servings!: PlannedServingInput[];
  @IsArray() @ArrayMaxSize(400, MOST) @ValidateNested({ each: true }) @Type(() => PlannedBatchInput) batches!: PlannedBatchInput[];
}

/** Everything the plan screen changes, as it then is. */
export class PlanFaceInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @ValidateNested() @Type(() => FaceInput) face!: FaceInput;
}

/** A plan file for an event, as text. */
export class PlanFileInput {
  @Id() eventId!: string;
  @IsString({ message: 'Choose a file.' }) @MaxLength(4_000_000, { message: 'This file is too large to be a plan.' }) text!: string;
}

/** An event file, as text. */
export class ImportInput {
  @IsString({ message: 'Choose a file.' }) @MaxLength(4_000_000, { message: 'This file is too large to be an event.' }) text!: string;
}
