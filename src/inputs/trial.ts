import { ArrayUnique, IsArray, IsIn } from 'class-validator';
import { SCORES, TASTED, TRIAL_KINDS, type Arm, type Tasted, type TrialKind } from '../core/learn';
import { Maybe, MaybePart } from './parts';
import { Id, Name, Text, WholeBetween } from './rules';

/** A trial as it is planned; its lot is drawn when it is kept. */
export class TrialInput {
  @Name('The trial') name!: string;
  @IsIn(TRIAL_KINDS, { message: 'Say what is set against what.' }) kind!: TrialKind;
  @Name('The first way', 60) first!: string;
  @Name('The second way', 60) second!: string;
  @Id() eventId!: string;
  @Id() batchId!: string;
  @WholeBetween(0, 500, 'The number of tasters') tasters!: number;
  @IsArray({ message: 'This must be a list.' })
  @ArrayUnique({ message: 'Each is tasted for once.' })
  @IsIn(TASTED, { each: true, message: 'Choose what is tasted for.' })
  traits!: Tasted[];
}
export class TrialIdInput {
  @Id() id!: string;
}

export class PaperIdInput {
  @Id() id!: string;
  @WholeBetween(1, 500, 'The number of the paper') paper!: number;
}

const Score =
  (what: string): PropertyDecorator =>
  (target, key) => {
    Maybe()(target, key);
    WholeBetween(SCORES.from, SCORES.to, what)(target, key);
  };

/** One sample's scores. */
export class SampleScores implements Partial<Record<Tasted, number>> {
  @Score('Bark') bark?: number;
  @Score('Juiciness') juiciness?: number;
  @Score('Tenderness') tenderness?: number;
  @Score('Smoke') smoke?: number;
  @Score('Taste') taste?: number;
}

/** A taster's paper as it is filled in, sample by sample in the order they were given: whoever tastes knows no more. */
export class PaperInput {
  @WholeBetween(1, 500, 'The number of the paper') paper!: number;
  @Name('Who tastes', 60) taster!: string;
  @MaybePart(() => SampleScores) first?: SampleScores;
  @MaybePart(() => SampleScores) second?: SampleScores;
  /** 0 the first sample, 1 the second; left out where they cannot tell. */
  @Maybe() @IsIn([0, 1], { message: 'Say which of the two, or that you cannot tell.' }) prefers?: Arm;
  @Text(400) note!: string;
}
