import { Transform } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, ValidateIf } from 'class-validator';
import {
  BARK_COLOURS,
  CARRIED,
  CARVE_MANNERS,
  RECIPE_KINDS,
  REST_WRAPS,
  SAFETY_CLASSES,
  SPECIES,
  STORES,
  type BarkColour,
  type Carried,
  type CarveManner,
  type Doneness,
  type Ingredient,
  type Method,
  type RecipeKind,
  type RestWrap,
  type SafetyClass,
  type Species,
  type Store,
  type Wrap,
} from '../core/model';
import { all, MaybePart, MaybeParts, Part, Parts, Range, Texts, Maybe } from './parts';
import { Between, Flag, Id, Name, Sensible, Text, WholeBetween } from './rules';

/** The library's entries as they are kept, field by field; `sameShape.ts` holds these classes against the model. */

const WRAPS = ['none', 'paper', 'foil', 'pan'] as const;
const PURPOSES = ['tender', 'ribs', 'roast', 'poultry', 'dish'] as const;

/** A part whose fields were all left blank on a form was left out. */
const BlankIsAbsent = () =>
  Transform(({ value }: { value: unknown }) =>
    typeof value === 'object' && value !== null && Object.values(value).every((each) => each === undefined) ? undefined : value,
  );

export class SprayRecord {
  @WholeBetween(0, 1440, 'The first spray, in minutes,') fromMin!: number;
  @WholeBetween(5, 480, 'The minutes between sprays') everyMin!: number;
}
export class HeatStepRecord {
  @Maybe() @WholeBetween(1, 2880, 'The time of the step, in minutes,') fromMin?: number;
  @Maybe() @Sensible(20, 99, 'The core at the step') fromCoreC?: number;
  @Maybe() @IsIn(BARK_COLOURS, { message: 'Choose how dark.' }) atColour?: BarkColour;
  @Sensible(60, 300, 'The heat of the step') pitC!: number;
}
export class HotFinishRecord {
  @Sensible(100, 450, 'The heat of the hot finish') pitC!: number;
  @Between(0.5, 60, 'The hot finish, in minutes,') minutes!: number;
}
export class WrapWhenRecord {
  @Maybe() @Sensible(20, 99, 'The core at the wrap') coreC?: number;
  @Maybe() @WholeBetween(1, 2880, 'The time of the wrap, in minutes,') afterMin?: number;
  @Maybe() @Flag('Wrap at set bark') bark?: boolean;
  @Maybe() @IsIn(BARK_COLOURS, { message: 'Choose how dark.' }) colour?: BarkColour;
  @Maybe() @Flag('All must be met') all?: boolean;
}

export class MethodRecord {
  @Id() id!: string;
  @Name('The method', 60) name!: string;
  @Text(240) line!: string;
  @IsIn(PURPOSES, { message: 'Choose what it is for.' }) purpose!: Method['purpose'];
  @Text(320) practice!: string;
  @Sensible(60, 300, 'The pit heat') pitC!: number;
  @Range(60, 300, 'The span of heat') pitRangeC!: [low: number, high: number];
  @Maybe() @Range(60, 300, 'The span of heat once wrapped') finishRangeC?: [low: number, high: number];
  @MaybeParts(() => HeatStepRecord, 6, 'Six steps are plenty.') steps?: HeatStepRecord[];
  @IsIn(WRAPS, { message: 'Choose a wrap.' }) wrap!: Wrap;
  @Part(() => WrapWhenRecord) wrapWhen!: WrapWhenRecord;
  @Maybe() @WholeBetween(1, 2880, 'The time of unwrapping, in minutes,') unwrapAfterMin?: number;
  @Maybe() @Flag('Blocks go with rack and heat') blocksScale?: boolean;
  @MaybePart(() => SprayRecord) spray?: SprayRecord;
  @Maybe() @WholeBetween(0, 12, 'The number of turns') turns?: number;
  @MaybePart(() => HotFinishRecord) hotFinish?: HotFinishRecord;
  @Maybe() @IsIn(REST_WRAPS, { message: 'Choose paper or foil.' }) restWrap?: RestWrap;
  @Flag('Needs smoke') needsSmoke!: boolean;
  @Flag('May finish without smoke') finishOffSmoke!: boolean;
  @WholeBetween(0, 120, 'The vent, in minutes,') ventMin!: number;
  @WholeBetween(0, 480, 'The rest, in minutes,') restMin!: number;
  @Maybe() @Sensible(40, 90, 'The core to rest to') restToC?: number;
  @Range(0, 2880, 'The ideal hold, in minutes,') holdIdealMin!: [low: number, high: number];
  @WholeBetween(0, 2880, 'The longest hold, in minutes,') holdMaxMin!: number;
}

class ThinEndRecord {
  @Between(0.2, 1, 'The thin end’s thickness') thicknessShare!: number;
  @Between(0.05, 0.95, 'The thin end’s weight') weightShare!: number;
}
class DonenessRecord {
  @IsIn(['tender', 'core'], { message: 'Choose what decides.' }) by!: 'tender' | 'core';
  @ValidateIf((done: DonenessRecord) => done.by === 'core') @Sensible(40, 99, 'The core') coreC?: number;
  @ValidateIf((done: DonenessRecord) => done.by === 'tender') @Between(0.4, 0.97, 'The tenderness') convertedShare?: number;
}

export class CutRecord {
  @Id() id!: string;
  @Name('The cut', 60) name!: string;
  @Texts([30, 30], 'Say what one and what several are called.') noun!: [one: string, many: string];
  @Maybe() @Text(30) called?: string;
  @IsIn(SPECIES, { message: 'Choose the animal.' }) species!: Species;
  @IsIn(SAFETY_CLASSES, { message: 'Say what the safety rules should take it for.' }) safetyClass!: SafetyClass;
  @Maybe() @Id() formOf?: string;
  @Maybe() @Text(40) form?: string;
  @Maybe() @Id() modelCutId?: string;
  @Sensible(20, 1500, 'The length') lengthMm!: number;
  @Sensible(20, 1500, 'The width') widthMm!: number;
  @Sensible(5, 400, 'The thickness') thicknessMm!: number;
  @Between(0.3, 1, 'The fill') fillShare!: number;
  @Between(0.3, 2, 'The depth of the flesh') heatDepthShare!: number;
  @all(BlankIsAbsent(), MaybePart(() => ThinEndRecord)) thinEnd?: ThinEndRecord;
  @Range(0.02, 60, 'The usual weight') typicalBoughtKg!: [low: number, high: number];
  @Between(0, 0.8, 'The trim') trimShare!: number;
  @Between(0.1, 1, 'The yield') yieldShare!: number;
  @Part(() => DonenessRecord) done!: Doneness;
  @Range(40, 110, 'The usual pull') pulledAtC!: [low: number, high: number];
  @IsIn(CARVE_MANNERS, { message: 'Choose how it is carved.' }) carved!: CarveManner;
  @Between(0, 60, 'Carving, in minutes a piece,') carveMin!: number;
  @Maybe() @Between(0, 40, 'The salt, in grams a kilogram,') saltGPerKg?: number;
  @Maybe() @WholeBetween(1, 30, 'The number of bones') bones?: number;
  @WholeBetween(0, 2880, 'The longest hold, in minutes,') holdMaxMin!: number;
  @Maybe() @WholeBetween(0, 480, 'The longest rest, in minutes,') restMostMin?: number;
  @Text(240) signs!: string;
  @Text(240) probe!: string;
  @Maybe() @Text(240) carving?: string;
  @Maybe() @Between(0, 120, 'Trimming, in minutes a piece,') trimMin?: number;
  @Maybe() @Sensible(0.01, 1000, 'The price') pricePerKg?: number;
}

export class IngredientRecord {
  @Name('The ingredient', 60) name!: string;
  @Sensible(0.001, 100_000, 'This part') parts!: number;
  @IsIn(STORES, { message: 'Choose where it is bought.' }) store!: Store;
  @Maybe() @IsIn(['salt', 'water'], { message: 'Salt, water or neither.' }) role?: Ingredient['role'];
  @IsArray()
  @ArrayMaxSize(CARRIED.length)
  @IsIn(CARRIED, { each: true, message: 'Choose allergens from the list.' })
  carries!: Carried[];
}

/** A recipe as parts by weight. */
export class RecipeRecord {
  @Id() id!: string;
  @Name('The recipe', 60) name!: string;
  @IsIn(RECIPE_KINDS, { message: 'Choose what it is.' }) kind!: RecipeKind;
  @Text(240) line!: string;
  @ArrayMinSize(1, { message: 'A recipe needs at least one ingredient.' })
  @Parts(() => IngredientRecord, 40, 'More than 40 ingredients is beyond one recipe.')
  ingredients!: IngredientRecord[];
  @Flag('Every ingredient declared') declared!: boolean;
}

class EatsRecord {
  @Maybe() @Between(0.4, 2, 'What guests eat at lunch, over the usual,') lunch?: number;
  @Maybe() @Between(0.4, 2, 'What guests eat at supper, over the usual,') supper?: number;
}
class HandPaceRecord {
  @Maybe() @Between(0.2, 5, 'The pace') load?: number;
  @Maybe() @Between(0.2, 5, 'The pace') wrap?: number;
  @Maybe() @Between(0.2, 5, 'The pace') move?: number;
  @Maybe() @Between(0.2, 5, 'The pace') pull?: number;
}
/** What was learned of a house's guests and crew. */
export class HabitsRecord {
  @MaybePart(() => EatsRecord) eats?: EatsRecord;
  @MaybePart(() => HandPaceRecord) handPace?: HandPaceRecord;
}
