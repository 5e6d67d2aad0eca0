import { IsIn } from 'class-validator';
import { VERDICTS, type CookWords, type Verdict } from '../core/learn';
import { Maybe, Part } from './parts';
import { Name, Text } from './rules';
import { LIMITS } from '../core/model';

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
