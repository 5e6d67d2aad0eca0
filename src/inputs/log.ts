import { IsIn } from 'class-validator';
import { VERDICTS, type CookWords, type Verdict } from '../core/learn';
import { LIMITS, type Wrap } from '../core/model';
import { LogColumns } from './dayEntry';
import { FireRecipeRecord } from './equipmentRecord';
import { Maybe, MaybePart, Part, Parts } from './parts';
import { Between, Id, LocalDate, Name, Sensible, Text } from './rules';

const Said =
  (trait: keyof typeof VERDICTS): PropertyDecorator =>
  (target, key) => {
    Maybe()(target, key);
    IsIn(VERDICTS[trait], { message: 'Choose one of the words, or none.' })(target, key);
  };

export class VerdictRecord {
  @Said('bark') bark?: Verdict['bark'];
  @Said('moisture') moisture?: Verdict['moisture'];
  @Said('tenderness') tenderness?: Verdict['tenderness'];
  @Said('smoke') smoke?: Verdict['smoke'];
}

export class CookIdInput {
  @Name('The cook', 200) id!: string;
}

/** What is said of a cook afterwards. */
export class CookWordsInput implements CookWords {
  @Name('The cook', 200) id!: string;
  @Part(() => VerdictRecord) verdict!: VerdictRecord;
  @Text(1000) notes!: string;
  @Text(300) nextTime!: string;
}

export class CooksFileInput {
  @Text(LIMITS.fileBytes) text!: string;
}

/** A logger's file of one cook; without columns what was put to it is taken off. */
export class AttachCurveInput {
  @Name('The cook', 200) id!: string;
  @Text(LIMITS.fileBytes) text!: string;
  @MaybePart(() => LogColumns) columns?: LogColumns;
  @Maybe() @Name('The probe', 40) probe?: string;
}

export class FigureInput {
  @Name('The figure', 200) figure!: string;
}
export class MadeFireInput {
  @Name('The fire', 200) id!: string;
}
/** A pit's fires as they stood before one was taken. */
export class FiresBeforeInput {
  @Id() pitId!: string;
  @Parts(() => FireRecipeRecord, 8, 'Eight fires are plenty.') fires!: FireRecipeRecord[];
}
/** A measurement of a figure of the kitchen, in the figure's own unit (core/learn/figure.ts). */
export class MeasureInput {
  @Name('The figure', 200) figure!: string;
  @Sensible(-60, 240, 'The number') value!: number;
  @Maybe() @LocalDate() date?: string;
}
export class MeasureIdInput {
  @Name('The measurement', 200) id!: string;
}

const WRAPS = ['none', 'paper', 'foil', 'pan'] as const;

/** A cook as an old notebook has it. */
export class TypedCookInput {
  @Id() cutId!: string;
  @Sensible(0.05, 60, 'The weight') massKg!: number;
  /** The owner's pit, where the notebook says. */
  @Maybe() @Id() pitId?: string;
  @Sensible(60, 320, 'The heat of the pit') pitC!: number;
  @IsIn(WRAPS, { message: 'Choose a wrap, or none.' }) wrap!: Wrap;
  /** The core at the wrap; as usual when left out. */
  @Maybe() @Sensible(20, 99, 'The core at the wrap') wrapAtC?: number;
  @Between(0.2, 60, 'The hours') hours!: number;
  @Maybe() @Sensible(30, 105, 'The core when it was pulled') finalC?: number;
  @Maybe() @LocalDate() date?: string;
  @Text(300) nextTime!: string;
}
