import { IsIn, Matches } from 'class-validator';
import { HANDS_MIN, type DeedKind, type Skill } from '../core/practice';
import { Maybe, Part, Parts } from './parts';
import { Between, Flag, Id, Instant, Name, Text } from './rules';

const DEED_KINDS = Object.keys(HANDS_MIN) as DeedKind[];

/** Something that was done in practice. What does not belong to its kind is not read. */
export class PracticeDeedInput {
  @IsIn(DEED_KINDS, { message: 'This cannot be done in practice.' }) kind!: DeedKind;
  @Maybe() @Text(80) pitId?: string;
  @Maybe() @Text(160) key?: string;
  @Maybe() @Between(0, 1, 'The lower vent') bottom?: number;
  @Maybe() @Between(0, 1, 'The upper vent') top?: number;
  @Maybe() @Flag('Lit coals') lit?: boolean;
  @Maybe() @Flag('The lid') open?: boolean;
  @Maybe() @Flag('Warmed wood') warmed?: boolean;
  @Maybe() @IsIn(['split', 'chunk'], { message: 'A split or a chunk.' }) size?: 'split' | 'chunk';
  @Maybe() @Between(20, 400, 'The set point') pitC?: number;
  @Maybe() @IsIn(['thick', 'thin'], { message: 'The thick or the thin end.' }) spot?: 'thick' | 'thin';
  @Maybe() @IsIn(['paper', 'foil'], { message: 'Paper or foil.' }) wrap?: 'paper' | 'foil';
  @Maybe() @IsIn(['board', 'box', 'warmer'], { message: 'The board, the box or the warmer.' }) to?: 'board' | 'box' | 'warmer';
}

export class PracticeDoneInput {
  @Instant('The time of what was done') atMs!: number;
  @Part(() => PracticeDeedInput) deed!: PracticeDeedInput;
}

/** More is done in no day. */
const MOST_DEEDS = 3000;

export class SkillPointsInput implements Partial<Record<Skill, number>> {
  @Maybe() @Between(0, 100, 'Fire') fire?: number;
  @Maybe() @Between(0, 100, 'Wrap') wrap?: number;
  @Maybe() @Between(0, 100, 'Tenderness') tenderness?: number;
  @Maybe() @Between(0, 100, 'Timing') timing?: number;
  @Maybe() @Between(0, 100, 'Safety') safety?: number;
}

export class PracticeResultInput {
  @Between(0, 100, 'The day') value!: number;
  @Flag('On time') onTime!: boolean;
  @Part(() => SkillPointsInput) skills!: SkillPointsInput;
}

/** A day is begun: of a scenario that is offered, or of an event's own plan. */
export class BeginPracticeInput {
  @IsIn(['begin'], { message: 'This cannot be read. Load the page again.' }) what!: 'begin';
  @Name('Who practises', 60) trainee!: string;
  @Maybe() @Matches(/^[a-z-]{3,40}$/, { message: 'Choose a scenario.' }) scenarioId?: string;
  @Maybe() @Id() eventId?: string;
  @Maybe() @IsIn(['fire', 'lastHours'], { message: 'From the fire, or the last hours.' }) from?: 'fire' | 'lastHours';
}

/** How far a day has come. */
export class KeepPracticeInput {
  @IsIn(['keep'], { message: 'This cannot be read. Load the page again.' }) what!: 'keep';
  @Id() id!: string;
  @Instant('The time of the day') nowMs!: number;
  @Parts(() => PracticeDoneInput, MOST_DEEDS, 'This is more than anybody does in a day. Begin another.') deeds!: PracticeDoneInput[];
  @Maybe() @Part(() => PracticeResultInput) result?: PracticeResultInput;
}

export class DrillAnswerInput {
  @IsIn(['answer'], { message: 'This cannot be read. Load the page again.' }) what!: 'answer';
  @Name('Who practises', 60) trainee!: string;
  @Matches(/^[a-zA-Z]{3,12}-\d{1,2}$/, { message: 'There is no such question.' }) questionId!: string;
  @Flag('Right or not') right!: boolean;
}

export class PracticeIdInput {
  @IsIn(['takeOut', 'bringBack'], { message: 'This cannot be read. Load the page again.' }) what!: 'takeOut' | 'bringBack';
  @Id() id!: string;
}

/** What may be sent, by what it is. */
export const PRACTICE_PAPERS = {
  begin: BeginPracticeInput,
  keep: KeepPracticeInput,
  answer: DrillAnswerInput,
  takeOut: PracticeIdInput,
  bringBack: PracticeIdInput,
} as const;
