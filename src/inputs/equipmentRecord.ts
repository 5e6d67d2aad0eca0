import { ArrayMinSize, IsIn, ValidateBy } from 'class-validator';
import {
  BLOCKED_BY,
  FUELS,
  COAL_LAYS,
  PIT_KINDS,
  RACK_SIDES,
  WARMER_KINDS,
  WOOD_LIES,
  type Fuel,
  type CoalLay,
  type PitKind,
  type WoodLies,
  type RackSide,
  type Warmer,
  type BlockedPart,
} from '../core/model';
import { MaybePart, MaybeParts, Parts, Range, Maybe } from './parts';
import { Between, Flag, Id, Instant, Name, Sensible, WholeBetween } from './rules';

/** Equipment as it is kept, field by field; `sameShape.ts` holds these classes against the model. */

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
export class HeatBandRecord {
  @Sensible(0, 6000, 'Where the band begins') fromMm!: number;
  @AboveField('fromMm', 'The band must end right of where it begins.') @Sensible(1, 6000, 'Where the band ends') toMm!: number;
  @Sensible(-60, 60, 'The offset') offsetC!: number;
}

/** A part nothing may lie on, from the near left corner. */
export class BlockedPartRecord {
  @Sensible(0, 6000, 'The place from the left') xMm!: number;
  @Sensible(0, 6000, 'The place from the door') yMm!: number;
  @Sensible(1, 6000, 'The width') widthMm!: number;
  @Sensible(1, 6000, 'The depth') depthMm!: number;
  @IsIn(BLOCKED_BY, { message: 'Say what stands there.' }) by!: BlockedPart['by'];
}

export class RackRecord {
  @Id() id!: string;
  @Name('The rack', 40) name!: string;
  @Maybe() @Flag('Round') round?: boolean;
  @Sensible(100, 6000, 'The width') widthMm!: number;
  @Sensible(100, 6000, 'The depth') depthMm!: number;
  @Sensible(30, 1500, 'The clearance') clearanceMm!: number;
  @Sensible(0.5, 1000, 'The load') maxKg!: number;
  @WholeBetween(1, 20, 'The level') level!: number;
  @Maybe() @IsIn(RACK_SIDES, { message: 'Choose a side.' }) hotSide?: RackSide;
  @MaybeParts(() => HeatBandRecord, 6, 'Six bands are plenty.') zones?: HeatBandRecord[];
  @MaybeParts(() => BlockedPartRecord, 8, 'Eight blocked parts are plenty.') blocked?: BlockedPartRecord[];
}

export class PitFuelRecord {
  @IsIn(FUELS, { message: 'Choose a fuel.' }) kind!: Fuel;
  @Sensible(0, 50, 'What it burns an hour') kgPerH!: number;
  @Maybe() @WholeBetween(10, 2880, 'Minutes between reloads') reloadMin?: number;
  @Maybe() @WholeBetween(30, 2880, 'Minutes between ash') ashMin?: number;
  @Maybe() @WholeBetween(30, 2880, 'Minutes between fillings') waterMin?: number;
}

export class FireRecipeRecord {
  @Sensible(60, 450, 'The heat of the fire') pitC!: number;
  @Maybe() @Sensible(0.1, 50, 'The lit coals') litKg?: number;
  @Maybe() @Sensible(0.1, 200, 'The unlit coals') unlitKg?: number;
  @Maybe() @IsIn(COAL_LAYS, { message: 'Choose how they lie.' }) lay?: CoalLay;
  @Maybe() @Name('The wood', 30) wood?: string;
  @Maybe() @Name('The second wood', 30) secondWood?: string;
  @Maybe() @Between(0.05, 0.95, 'The share of the second wood') secondShare?: number;
  @Maybe() @IsIn(WOOD_LIES, { message: 'Choose under or on top.' }) woodLies?: WoodLies;
  @Maybe() @WholeBetween(0, 8, 'The air in, in eighths,') inEighths?: number;
  @Maybe() @WholeBetween(0, 8, 'The smoke out, in eighths,') outEighths?: number;
  @Maybe() @Sensible(0.1, 100, 'The water') waterLitres?: number;
  @Maybe() @Flag('Hot water') waterHot?: boolean;
}

export class PitRecord {
  @Id() id!: string;
  @Name('The pit', 40) name!: string;
  @IsIn(PIT_KINDS, { message: 'Choose a kind of pit.' }) kind!: PitKind;
  @Flag('Makes smoke') smoke!: boolean;
  @Range(40, 450, 'The span of set points') rangeC!: [low: number, high: number];
  @WholeBetween(0, 360, 'The warm-up, in minutes,') warmUpMin!: number;
  @Sensible(0, 120, 'The drop when opened') openingDropC!: number;
  @Between(0, 90, 'The recovery, in minutes,') recoverMin!: number;
  @Maybe() @Sensible(-60, 60, 'The gauge offset') gaugeOffsetC?: number;
  @Maybe() @Sensible(-60, 60, 'The gauge offset') gaugeOffsetHotC?: number;
  @Maybe() @Between(0.5, 2, 'The airflow, against the usual pit of its kind,') airflow?: number;
  @Maybe() @Between(0.3, 3, 'The humidity, against the usual pit of its kind,') humidity?: number;
  @MaybePart(() => PitFuelRecord) fuel?: PitFuelRecord;
  @MaybeParts(() => FireRecipeRecord, 8, 'Eight fires are plenty.') fires?: FireRecipeRecord[];
  @Maybe() @Flag('Has a blower') blower?: boolean;
  @Maybe() @Flag('Travels') travels?: boolean;
  @Maybe() @WholeBetween(0, 2880, 'The time it may burn alone, in minutes,') untendedMaxMin?: number;
  @Maybe() @Flag('Hired') hired?: boolean;
  @ArrayMinSize(1, { message: 'A pit needs at least one rack.' })
  @Parts(() => RackRecord, 24, 'More than 24 racks in one pit cannot be planned.')
  racks!: RackRecord[];
}

export class HoldingBoxRecord {
  @Id() id!: string;
  @Name('The box', 40) name!: string;
  @Sensible(5, 2000, 'The volume') litres!: number;
  @Sensible(0.05, 20, 'The heat loss') lossWPerK!: number;
  @Maybe() @Flag('Travels') travels?: boolean;
  @Maybe() @Flag('Hired') hired?: boolean;
}

export class WarmerRecord {
  @Id() id!: string;
  @Name('The warmer', 40) name!: string;
  @IsIn(WARMER_KINDS, { message: 'Choose a kind.' }) kind!: Warmer['kind'];
  @WholeBetween(1, 80, 'The number of pan slots') slots!: number;
  @Sensible(57, 95, 'The set point') setC!: number;
  @Maybe() @Flag('Travels') travels?: boolean;
  @Maybe() @Flag('Hired') hired?: boolean;
}

export class ProbeRecord {
  @Id() id!: string;
  @Name('The thermometer', 40) name!: string;
  @WholeBetween(1, 12, 'The number of channels') channels!: number;
  @Maybe() @Sensible(-20, 20, 'The reading in ice water') iceC?: number;
  @Maybe() @Sensible(60, 120, 'The reading in boiling water') boilC?: number;
  @Maybe() @Sensible(-430, 5000, 'The altitude') altitudeM?: number;
  @Maybe() @Instant('The check') checkedAtMs?: number;
  @Maybe() @Flag('Out of use') out?: boolean;
}

export class CrewMemberRecord {
  @Id() id!: string;
  @Name('The person', 40) name!: string;
  @Maybe() @Flag('May drive') drives?: boolean;
}
