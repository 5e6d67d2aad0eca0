import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsBoolean, IsOptional, ValidateNested } from 'class-validator';
import { Between, Id, LocalDate, LocalTime, Name, Text, WholeBetween, Zone } from './rules';

export class CreateEventInput {
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @WholeBetween(1, 5000, 'The number of adults') adults!: number;
  @WholeBetween(0, 5000, 'The number of children') children!: number;
}

export class EventIdInput {
  @Id() eventId!: string;
}

export class RenameEventInput {
  @Id() eventId!: string;
  @Name('The event') name!: string;
}

export class ChooseEquipmentInput {
  @Id() eventId!: string;
  @IsArray() @ArrayMaxSize(50) pitIds!: string[];
  @IsArray() @ArrayMaxSize(50) boxIds!: string[];
  @IsOptional() @IsArray() @ArrayMaxSize(50) warmerIds?: string[];
  @IsOptional() @IsArray() @ArrayMaxSize(50) probeIds?: string[];
}

/** Use what another event uses. */
export class CopyEquipmentInput {
  @Id() eventId!: string;
  @Id() fromEventId!: string;
}

/** Someone on duty, by the clock of the place. */
export class DutyInput {
  @Id() memberId!: string;
  @LocalDate() fromDate!: string;
  @LocalTime() fromTime!: string;
  @LocalDate() toDate!: string;
  @LocalTime() toTime!: string;
}

/** The day itself: the way there, the night's sleep, the weather, and who is on. */
export class DayInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @WholeBetween(0, 600, 'The drive, in minutes,') driveMin!: number;
  @WholeBetween(0, 600, 'Setting up, in minutes,') setUpMin!: number;
  @Text(120) power!: string;
  @Text(400) rules!: string;
  @LocalTime() quietFrom!: string;
  @LocalTime() quietTo!: string;
  @Between(-40, 50, 'The air, in °C,') airC!: number;
  @Between(0, 30, 'The wind, in m/s,') windMPerS!: number;
  @IsArray()
  @ArrayMaxSize(40, { message: 'More than 40 shifts cannot be planned.' })
  @ValidateNested({ each: true })
  @Type(() => DutyInput)
  duty!: DutyInput[];
}

export class ManualPlacementInput {
  @Id() batchId!: string;
  @Id() pieceId!: string;
  @Id() pitId!: string;
  @Id() rackId!: string;
  @WholeBetween(-6000, 6000, 'The place from the left, in mm,') xMm!: number;
  @WholeBetween(-6000, 6000, 'The place from the door, in mm,') yMm!: number;
  @IsBoolean({ message: 'Say whether it is turned.' }) turned!: boolean;
}

/** Every place given by hand, at once: what is not listed is laid by the plan. */
export class LayInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @IsArray()
  @ArrayMaxSize(400, { message: 'More than 400 pieces cannot be laid by hand.' })
  @ValidateNested({ each: true })
  @Type(() => ManualPlacementInput)
  manualPlacements!: ManualPlacementInput[];
}
