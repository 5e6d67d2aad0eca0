import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, ValidateBy, ValidateNested } from 'class-validator';
import { PIT_KINDS, type PitKind } from '../core/model';
import { Between, Id, Name, Sensible, WholeBetween } from './rules';

export class RackInput {
  @Id() id!: string;
  @Name('The rack', 40) name!: string;
  @Sensible(100, 6000, 'The width') widthMm!: number;
  @Sensible(100, 3000, 'The depth') depthMm!: number;
  @Sensible(30, 1500, 'The clearance') clearanceMm!: number;
  @Sensible(0.5, 1000, 'The load') maxKg!: number;
  @WholeBetween(1, 20, 'The level') level!: number;
}

/** The upper end of a range must lie above the lower. */
const AboveRangeLow = () =>
  ValidateBy({
    name: 'aboveRangeLow',
    validator: {
      validate: (value, args) => typeof value === 'number' && value > (args?.object as PitInput).rangeLowC,
      defaultMessage: () => 'The highest set point must be above the lowest.',
    },
  });

export class PitInput {
  @Id() id!: string;
  @Name('The pit', 40) name!: string;
  @IsIn(PIT_KINDS, { message: 'Choose a kind of pit.' }) kind!: PitKind;
  @IsBoolean({ message: 'Say whether it makes smoke.' }) smoke!: boolean;
  @Sensible(40, 400, 'The lowest set point') rangeLowC!: number;
  @AboveRangeLow() @Sensible(60, 450, 'The highest set point') rangeHighC!: number;
  @WholeBetween(0, 360, 'The warm-up, in minutes,') warmUpMin!: number;
  @Sensible(0, 120, 'The drop when opened') openingDropC!: number;
  @Between(0, 90, 'The recovery, in minutes,') recoverMin!: number;
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
}

export class EquipmentIdInput {
  @Id() id!: string;
}
