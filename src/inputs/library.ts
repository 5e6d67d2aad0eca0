import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, IsOptional, ValidateBy, ValidateIf, ValidateNested } from 'class-validator';
import {
  CARRIED,
  CARVE_MANNERS,
  RECIPE_KINDS,
  SAFETY_CLASSES,
  SPECIES,
  STORES,
  type Carried,
  type CarveManner,
  type RecipeKind,
  type SafetyClass,
  type Species,
  type Store,
  type Wrap,
} from '../core/model';
import { Between, Id, Name, Sensible, Text, WholeBetween } from './rules';

const WRAPS = ['none', 'paper', 'foil', 'pan'] as const;
const PURPOSES = ['tender', 'ribs', 'roast', 'poultry', 'dish'] as const;

/** The second of two figures must not lie below the first. */
const NotBelow = (first: string, message: string) =>
  ValidateBy({
    name: 'notBelow',
    validator: {
      validate: (value, args) => typeof value === 'number' && value >= ((args?.object as Record<string, number>)[first] ?? 0),
      defaultMessage: () => message,
    },
  });

export class SprayInput {
  @WholeBetween(0, 1440, 'The first spray, in minutes,') fromMin!: number;
  @WholeBetween(5, 480, 'The minutes between sprays') everyMin!: number;
}

export class StepInput {
  @WholeBetween(1, 2880, 'The time of the step, in minutes,') fromMin!: number;
  @Sensible(60, 300, 'The heat of the step') pitC!: number;
}

export class HotFinishInput {
  @Sensible(100, 450, 'The heat of the hot finish') pitC!: number;
  @Between(0.5, 60, 'The hot finish, in minutes,') minutes!: number;
}

export class MethodInput {
  @Id() id!: string;
  @Name('The method', 60) name!: string;
  @Text(240) line!: string;
  @IsIn(PURPOSES, { message: 'Choose what it is for.' }) purpose!: (typeof PURPOSES)[number];
  @Text(320) practice!: string;
  @Sensible(60, 300, 'The pit heat') pitC!: number;
  @IsOptional() @IsArray() @ArrayMaxSize(6) @ValidateNested({ each: true }) @Type(() => StepInput) steps?: StepInput[];
  @Sensible(60, 300, 'The lowest heat') pitLowC!: number;
  @NotBelow('pitLowC', 'The highest heat must not be below the lowest.') @Sensible(60, 300, 'The highest heat') pitHighC!: number;
  @IsIn(WRAPS, { message: 'Choose a wrap.' }) wrap!: Wrap;
  @IsOptional() @Sensible(20, 99, 'The core at the wrap') wrapCoreC?: number;
  @IsOptional() @WholeBetween(1, 2880, 'The time of the wrap, in minutes,') wrapAfterMin?: number;
  @IsBoolean({ message: 'Say whether the bark decides.' }) wrapBark!: boolean;
  @IsBoolean({ message: 'Say whether all must be met.' }) wrapAll!: boolean;
  @IsOptional() @WholeBetween(1, 2880, 'The time of unwrapping, in minutes,') unwrapAfterMin?: number;
  @IsOptional() @ValidateNested() @Type(() => SprayInput) spray?: SprayInput;
  @IsOptional() @WholeBetween(0, 12, 'The number of turns') turns?: number;
  @IsOptional() @ValidateNested() @Type(() => HotFinishInput) hotFinish?: HotFinishInput;
  @IsBoolean({ message: 'Say whether it needs smoke.' }) needsSmoke!: boolean;
  @IsBoolean({ message: 'Say whether it may finish without smoke.' }) finishOffSmoke!: boolean;
  @WholeBetween(0, 120, 'The vent, in minutes,') ventMin!: number;
  @WholeBetween(0, 480, 'The rest, in minutes,') restMin!: number;
  @WholeBetween(0, 2880, 'The shortest ideal hold, in minutes,') holdIdealLowMin!: number;
  @NotBelow('holdIdealLowMin', 'The longest ideal hold must not be below the shortest.')
  @WholeBetween(0, 2880, 'The longest ideal hold, in minutes,')
  holdIdealHighMin!: number;
  @WholeBetween(0, 2880, 'The longest hold, in minutes,') holdMaxMin!: number;
}

export class CutInput {
  @Id() id!: string;
  @Name('The cut', 60) name!: string;
  @Name('One piece', 30) nounOne!: string;
  @Name('Several pieces', 30) nounMany!: string;
  @IsOptional() @Text(30) called?: string;
  @IsIn(SPECIES, { message: 'Choose the animal.' }) species!: Species;
  @IsIn(SAFETY_CLASSES, { message: 'Say what the safety rules should take it for.' }) safetyClass!: SafetyClass;
  @IsOptional() @Id() modelCutId?: string;
  @Sensible(20, 1500, 'The length') lengthMm!: number;
  @Sensible(20, 1500, 'The width') widthMm!: number;
  @Sensible(5, 400, 'The thickness') thicknessMm!: number;
  @Between(0.3, 1, 'The fill') fillShare!: number;
  @Between(0.3, 1, 'The depth of the flesh') heatDepthShare!: number;
  @IsOptional() @Between(0.2, 1, 'The thin end’s thickness') thinThicknessShare?: number;
  @IsOptional() @Between(0.05, 0.95, 'The thin end’s weight') thinWeightShare?: number;
  @Sensible(0.02, 60, 'The lightest piece') boughtLowKg!: number;
  @NotBelow('boughtLowKg', 'The heaviest piece must not be below the lightest.')
  @Sensible(0.02, 60, 'The heaviest piece')
  boughtHighKg!: number;
  @Between(0, 0.8, 'The trim') trimShare!: number;
  @Between(0.1, 1, 'The yield') yieldShare!: number;
  @IsIn(['tender', 'core'], { message: 'Choose what decides.' }) doneBy!: 'tender' | 'core';
  @ValidateIf((cut: CutInput) => cut.doneBy === 'core') @Sensible(40, 99, 'The core') doneCoreC?: number;
  @ValidateIf((cut: CutInput) => cut.doneBy === 'tender') @Between(0.4, 0.97, 'The tenderness') convertedShare?: number;
  @Sensible(40, 110, 'The usual pull') pulledLowC!: number;
  @NotBelow('pulledLowC', 'The upper end of the usual pull must not be below the lower.')
  @Sensible(40, 110, 'The usual pull')
  pulledHighC!: number;
  @IsIn(CARVE_MANNERS, { message: 'Choose how it is carved.' }) carved!: CarveManner;
  @Between(0, 60, 'Carving, in minutes a piece,') carveMin!: number;
  @IsOptional() @Between(0, 40, 'The salt, in grams a kilogram,') saltGPerKg?: number;
  @IsOptional() @WholeBetween(1, 30, 'The number of bones') bones?: number;
  @WholeBetween(0, 2880, 'The longest hold, in minutes,') holdMaxMin!: number;
  @IsOptional() @Between(0, 120, 'Trimming, in minutes a piece,') trimMin?: number;
  @IsOptional() @Sensible(0.01, 1000, 'The price') pricePerKg?: number;
  @Text(240) signs!: string;
  @Text(240) probe!: string;
}

export class IngredientInput {
  @Name('The ingredient', 60) name!: string;
  @Sensible(0.001, 100_000, 'This part') parts!: number;
  @IsIn(STORES, { message: 'Choose where it is bought.' }) store!: Store;
  @IsOptional() @IsIn(['salt', 'water'], { message: 'Salt, water or neither.' }) role?: 'salt' | 'water';
  @IsArray() @IsIn(CARRIED, { each: true, message: 'Choose allergens from the list.' }) carries!: Carried[];
}

/** A recipe as parts by weight. */
export class RecipeInput {
  @Id() id!: string;
  @Name('The recipe', 60) name!: string;
  @IsIn(RECIPE_KINDS, { message: 'Choose what it is.' }) kind!: RecipeKind;
  @Text(240) line!: string;
  @IsArray()
  @ArrayMinSize(1, { message: 'A recipe needs at least one ingredient.' })
  @ArrayMaxSize(40, { message: 'More than 40 ingredients is beyond one recipe.' })
  @ValidateNested({ each: true })
  @Type(() => IngredientInput)
  ingredients!: IngredientInput[];
}

export class LibraryIdInput {
  @IsIn(['cut', 'method', 'recipe'], { message: 'Choose a cut, a method or a recipe.' }) kind!: 'cut' | 'method' | 'recipe';
  @Id() id!: string;
}
