import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, IsOptional, ValidateBy, ValidateNested } from 'class-validator';
import {
  BLOCKED_BY,
  EQUIPMENT_SETS,
  FUELS,
  PIT_KINDS,
  RACK_SIDES,
  WARMER_KINDS,
  type Fuel,
  type PitKind,
  type RackSide,
} from '../core/model';
import { Between, Id, Name, Sensible, WholeBetween } from './rules';

/** The upper end of a span must lie above its lower one, another field of the same object. */
const AboveField = (other: string, message: string) =>
  ValidateBy({
    name: 'aboveField',
    validator: {
      validate: (value, args) => typeof value === 'number' && value > Number((args?.object as Record<string, unknown>)[other]),
      defaultMessage: () => message,
    },
  });

/** A band across a rack, from its left end. */
export class HeatBandInput {
  @Sensible(0, 6000, 'Where the band begins') fromMm!: number;
  @AboveField('fromMm', 'The band must end right of where it begins.') @Sensible(1, 6000, 'Where the band ends') toMm!: number;
  @Between(-60, 60, 'The offset, in °C,') offsetC!: number;
}

/** A part nothing may lie on, from the near left corner. */
export class BlockedInput {
  @Sensible(0, 6000, 'The place from the left') xMm!: number;
  @Sensible(0, 6000, 'The place from the door') yMm!: number;
  @Sensible(1, 6000, 'The width') widthMm!: number;
  @Sensible(1, 6000, 'The depth') depthMm!: number;
  @IsIn(BLOCKED_BY, { message: 'Say what stands there.' }) by!: (typeof BLOCKED_BY)[number];
}

export class RackInput {
  @Id() id!: string;
  @Name('The rack', 40) name!: string;
  @IsOptional() @IsBoolean({ message: 'Say whether it is round.' }) round?: boolean;
  @Sensible(100, 6000, 'The width') widthMm!: number;
  @Sensible(100, 6000, 'The depth') depthMm!: number;
  @Sensible(30, 1500, 'The clearance') clearanceMm!: number;
  @Sensible(0.5, 1000, 'The load') maxKg!: number;
  @WholeBetween(1, 20, 'The level') level!: number;
  @IsOptional() @IsIn(RACK_SIDES, { message: 'Choose a side.' }) hotSide?: RackSide;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(6, { message: 'Six bands are plenty.' })
  @ValidateNested({ each: true })
  @Type(() => HeatBandInput)
  zones?: HeatBandInput[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(8, { message: 'Eight blocked parts are plenty.' })
  @ValidateNested({ each: true })
  @Type(() => BlockedInput)
  blocked?: BlockedInput[];
}

export class FuelInput {
  @IsIn(FUELS, { message: 'Choose a fuel.' }) kind!: Fuel;
  @Sensible(0, 50, 'What it burns an hour') kgPerH!: number;
  @IsOptional() @WholeBetween(10, 2880, 'Minutes between reloads') reloadMin?: number;
  @IsOptional() @WholeBetween(30, 2880, 'Minutes between ash') ashMin?: number;
  @IsOptional() @WholeBetween(30, 2880, 'Minutes between fillings') waterMin?: number;
}

export class PitInput {
  @Id() id!: string;
  @Name('The pit', 40) name!: string;
  @IsIn(PIT_KINDS, { message: 'Choose a kind of pit.' }) kind!: PitKind;
  @IsBoolean({ message: 'Say whether it makes smoke.' }) smoke!: boolean;
  @Sensible(40, 400, 'The lowest set point') rangeLowC!: number;
  @AboveField('rangeLowC', 'The highest set point must be above the lowest.')
  @Sensible(60, 450, 'The highest set point')
  rangeHighC!: number;
  @WholeBetween(0, 360, 'The warm-up, in minutes,') warmUpMin!: number;
  @Sensible(0, 120, 'The drop when opened') openingDropC!: number;
  @Between(0, 90, 'The recovery, in minutes,') recoverMin!: number;
  @IsOptional() @Between(-60, 60, 'The gauge offset, in °C,') gaugeOffsetC?: number;
  @IsOptional() @Between(0.5, 2, 'The airflow, against the usual pit of its kind,') airflow?: number;
  @IsOptional() @Between(0.3, 3, 'The humidity, against the usual pit of its kind,') humidity?: number;
  @IsOptional() @ValidateNested() @Type(() => FuelInput) fuel?: FuelInput;
  @IsOptional() @IsBoolean({ message: 'Say whether it has a blower.' }) blower?: boolean;
  @IsOptional() @IsBoolean({ message: 'Say whether it travels.' }) travels?: boolean;
  @IsOptional() @IsBoolean({ message: 'Say whether it is hired.' }) hired?: boolean;
  @IsArray()
  @ArrayMinSize(1, { message: 'A pit needs at least one rack.' })
  @ArrayMaxSize(24, { message: 'More than 24 racks in one pit cannot be planned.' })
  @ValidateNested({ each: true })
  @Type(() => RackInput)
  racks!: RackInput[];
}

export class BoxInput {
  @Id() id!: string;
  @Name('The box', 40) name!: string;
  @Sensible(5, 2000, 'The volume') litres!: number;
  @Sensible(0.05, 20, 'The heat loss') lossWPerK!: number;
  @IsOptional() @IsBoolean({ message: 'Say whether it is hired.' }) hired?: boolean;
}

export class WarmerInput {
  @Id() id!: string;
  @Name('The warmer', 40) name!: string;
  @IsIn(WARMER_KINDS, { message: 'Choose a kind.' }) kind!: (typeof WARMER_KINDS)[number];
  @WholeBetween(1, 80, 'The number of pan slots') slots!: number;
  @Between(57, 95, 'The set point, in °C,') setC!: number;
  @IsOptional() @IsBoolean({ message: 'Say whether it is hired.' }) hired?: boolean;
}

export class ProbeInput {
  @Id() id!: string;
  @Name('The thermometer', 40) name!: string;
  @WholeBetween(1, 12, 'The number of channels') channels!: number;
  @IsOptional() @Between(-20, 20, 'The reading in ice water, in °C,') iceC?: number;
  @IsOptional() @Between(60, 120, 'The reading in boiling water, in °C,') boilC?: number;
  @IsOptional() @Sensible(-430, 5000, 'The altitude') altitudeM?: number;
  @IsBoolean({ message: 'Say whether it is in use.' }) out!: boolean;
}

export class CrewInput {
  @Id() id!: string;
  @Name('The person', 40) name!: string;
}

export class GearIdInput {
  @IsIn(['warmer', 'probe', 'crew'], { message: 'Choose a kind of gear.' }) kind!: 'warmer' | 'probe' | 'crew';
  @Id() id!: string;
}

export class SetIdInput {
  @IsIn(EQUIPMENT_SETS.map((set) => set.id), { message: 'Choose one of the sets.' })
  id!: string;
}

export class EquipmentIdInput {
  @Id() id!: string;
}
