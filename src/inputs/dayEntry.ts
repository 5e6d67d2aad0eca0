import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsString, Matches, MaxLength } from 'class-validator';
import { FEELS, PIECE_STEPS, SAFETY_LINES, SPOTS, WEIGHED, type Deed, type Weighed } from '../core/day';
import { FireRecipeRecord } from './equipmentRecord';
import { all, Maybe, Part, Parts, TaggedPart, TaggedParts } from './parts';
import { Between, Id, Instant, Name, Sensible, Text, WholeBetween } from './rules';

/** What a phone or a desk says happened. Readings that devices send come by another door. */

const KEY = /^[A-Za-z0-9_.:+-]{1,160}\/[A-Za-z0-9_.:+-]{1,160}$/;
const PieceKey = () => all(IsString({ message: 'Say which piece.' }), Matches(KEY, { message: 'There is no such piece.' }));
const PieceKeys = () =>
  all(
    IsArray({ message: 'Say which pieces.' }),
    ArrayMinSize(1, { message: 'Say which pieces.' }),
    ArrayMaxSize(400, { message: 'These are more pieces than an event has.' }),
    Matches(KEY, { each: true, message: 'There is no such piece.' }),
  );
/** Ids of tasks and causes are made of ids. */
const LongId = () =>
  all(
    IsString({ message: 'The identifier is missing.' }),
    Matches(/^[\w.:+/@-]{1,320}$/, { message: 'The identifier is not one of ours.' }),
  );

/** No core is colder than a freezer or hotter than boiling fat; no pit hotter than a fire. */
const CoreTemp = () => Sensible(-30, 130, 'The core');
const PitTemp = () => Sensible(-40, 480, 'The pit');
const Wrapping = () => IsIn(['paper', 'foil', 'pan'], { message: 'Choose paper, foil or a pan.' });
const Minutes = (most: number) => Between(0, most, 'The minutes');

class DayDeed {
  @IsIn(['day']) kind!: 'day';
  @IsIn(['started', 'paused', 'resumed', 'ended'], { message: 'Say what became of the day.' }) did!:
    'started' | 'paused' | 'resumed' | 'ended';
  @Maybe() @Text(200) reason?: string;
}
class PieceDeed {
  @IsIn(['piece']) kind!: 'piece';
  @PieceKeys() pieces!: string[];
  @IsIn([...PIECE_STEPS], { message: 'Say what was done.' }) step!: (typeof PIECE_STEPS)[number];
  @Maybe() @Id() pitId?: string;
  @Maybe() @Id() gearId?: string;
  @Maybe() @Wrapping() wrap?: 'paper' | 'foil' | 'pan';
  @Maybe() @CoreTemp() coreC?: number;
}
class CheckedDeed {
  @IsIn(['checked']) kind!: 'checked';
  @PieceKey() piece!: string;
  @IsIn([...FEELS], { message: 'Say how it felt.' }) feel!: (typeof FEELS)[number];
  @Maybe() @CoreTemp() coreC?: number;
}
class ReadingDeed {
  @IsIn(['reading']) kind!: 'reading';
  @PieceKey() piece!: string;
  @IsIn([...SPOTS], { message: 'Say where it was read.' }) spot!: (typeof SPOTS)[number];
  @CoreTemp() coreC!: number;
}
class PitReadingDeed {
  @IsIn(['pitReading']) kind!: 'pitReading';
  @Id() pitId!: string;
  @PitTemp() pitC!: number;
  @Maybe() @IsIn(['gauge'], { message: 'Read on the gauge, or at the grate.' }) at?: 'gauge';
  @Maybe() @Id() rackId?: string;
  @Maybe() @WholeBetween(0, 20, 'The band') band?: number;
}
class TaskDeed {
  @IsIn(['task']) kind!: 'task';
  @LongId() taskId!: string;
  @IsIn(['begun', 'done', 'skipped', 'notYet', 'again'], { message: 'Say what became of it.' })
  did!: 'begun' | 'done' | 'skipped' | 'notYet' | 'again';
  @Maybe() @Text(200) reason?: string;
  @Maybe() @Minutes(720) minutes?: number;
}
class PitDeed {
  @IsIn(['pit']) kind!: 'pit';
  @Id() pitId!: string;
  @IsIn(['lit', 'setPoint', 'fuelled', 'opened', 'vents', 'out'], { message: 'Say what was done.' })
  did!: 'lit' | 'setPoint' | 'fuelled' | 'opened' | 'vents' | 'out';
  @Maybe() @PitTemp() pitC?: number;
  @Maybe() @Between(0, 200, 'The weight') kg?: number;
  @Maybe() @Minutes(240) minutes?: number;
}
class ChannelDeed {
  @IsIn(['channel']) kind!: 'channel';
  @Name('The device') deviceId!: string;
  @Name('The channel', 40) channel!: string;
  @Maybe() @PieceKey() piece?: string;
  @Maybe() @Id() pitId?: string;
  @Maybe() @IsIn([...SPOTS], { message: 'Say where it sits.' }) spot?: (typeof SPOTS)[number];
}

class SetPointChange {
  @IsIn(['setPoint']) what!: 'setPoint';
  @Id() pitId!: string;
  @PitTemp() pitC!: number;
}
class WrapNowChange {
  @IsIn(['wrapNow']) what!: 'wrapNow';
  @PieceKeys() pieces!: string[];
}
class FinishInChange {
  @IsIn(['finishIn']) what!: 'finishIn';
  @PieceKeys() pieces!: string[];
  @Id() pitId!: string;
  @PitTemp() pitC!: number;
}
class SwapChange {
  @IsIn(['swap']) what!: 'swap';
  @PieceKeys() @ArrayMinSize(2) @ArrayMaxSize(2) pieces!: [string, string];
}
class ServingAtChange {
  @IsIn(['servingAt']) what!: 'servingAt';
  @Id() servingId!: string;
  @Instant('The serving') atMs!: number;
}
class CarveLaterChange {
  @IsIn(['carveLater']) what!: 'carveLater';
  @Id() batchId!: string;
  @Minutes(240) minutes!: number;
}
class VentLongerChange {
  @IsIn(['ventLonger']) what!: 'ventLonger';
  @PieceKeys() pieces!: string[];
  @Minutes(240) minutes!: number;
}
class HoldInChange {
  @IsIn(['holdIn']) what!: 'holdIn';
  @PieceKeys() pieces!: string[];
  @Id() gearId!: string;
}
class WarmerAtChange {
  @IsIn(['warmerAt']) what!: 'warmerAt';
  @Id() gearId!: string;
  /** Never below the lowest that any code lets meat be held at. */
  @Between(57, 120, 'The warmer') setC!: number;
}
class PullForChange {
  @IsIn(['pullFor']) what!: 'pullFor';
  @PieceKeys() pieces!: string[];
}
const CHANGES = [
  ['setPoint', SetPointChange],
  ['wrapNow', WrapNowChange],
  ['finishIn', FinishInChange],
  ['swap', SwapChange],
  ['servingAt', ServingAtChange],
  ['carveLater', CarveLaterChange],
  ['ventLonger', VentLongerChange],
  ['holdIn', HoldInChange],
  ['warmerAt', WarmerAtChange],
  ['pullFor', PullForChange],
] as const;

class RevisionDeed {
  @IsIn(['revision']) kind!: 'revision';
  @LongId() lever!: string;
  @TaggedParts('what', CHANGES, 20, 'Say what changes.')
  changes!: object[];
  @Text(400) reason!: string;
}
class AlarmDeed {
  @IsIn(['alarm']) kind!: 'alarm';
  @LongId() causeId!: string;
  /** The house raises and clears; a person answers. */
  @IsIn(['acknowledged'], { message: 'An alarm can only be answered.' }) did!: 'acknowledged';
}
class SafetyDeed {
  @IsIn(['safety']) kind!: 'safety';
  @IsIn([...SAFETY_LINES], { message: 'Choose a line of the log.' }) line!: (typeof SAFETY_LINES)[number];
  @Maybe() @Id() batchId?: string;
  @Maybe() @PieceKey() piece?: string;
  @Maybe() @CoreTemp() tempC?: number;
  @Maybe() @Between(0, 1000, 'The strength') ppm?: number;
  @Maybe() @LongId() corrects?: string;
  @Maybe() @Text(300) action?: string;
  @Maybe() @IsIn(['served', 'reheated', 'cooled faster', 'discarded'], { message: 'Say what became of the food.' }) food?: string;
  @Maybe() @Text(300) note?: string;
}
class WeighedDeed {
  @IsIn(['weighed']) kind!: 'weighed';
  @IsIn([...WEIGHED], { message: 'Say what was weighed.' }) of!: Weighed;
  @Id() id!: string;
  @Between(0, 2000, 'The weight') kg!: number;
}
class FireDeed {
  @IsIn(['fire']) kind!: 'fire';
  @Id() pitId!: string;
  @Part(() => FireRecipeRecord) recipe!: FireRecipeRecord;
}
class NoteDeed {
  @IsIn(['note']) kind!: 'note';
  @Text(600) text!: string;
  @Maybe() @PieceKey() piece?: string;
  @Maybe() @Id() pitId?: string;
}
class UndoDeed {
  @IsIn(['undo']) kind!: 'undo';
  @LongId() entryId!: string;
}
const DEEDS = [
  ['day', DayDeed],
  ['piece', PieceDeed],
  ['checked', CheckedDeed],
  ['reading', ReadingDeed],
  ['pitReading', PitReadingDeed],
  ['task', TaskDeed],
  ['pit', PitDeed],
  ['channel', ChannelDeed],
  ['revision', RevisionDeed],
  ['alarm', AlarmDeed],
  ['safety', SafetyDeed],
  ['weighed', WeighedDeed],
  ['fire', FireDeed],
  ['note', NoteDeed],
  ['undo', UndoDeed],
] as const;

export class EntryInput {
  @LongId() id!: string;
  @Instant('The moment') atMs!: number;
  @Name('Whoever did it', 60) by!: string;
  @TaggedPart('kind', DEEDS)
  deed!: Deed;
}

export class EntriesInput {
  @Id() eventId!: string;
  /** What time it is for whoever sends them. */
  @Maybe() @Instant('The time') nowMs?: number;
  @Parts(() => EntryInput, 200, 'Send at most 200 at a time.') entries!: EntryInput[];
}

export class StartDayInput {
  @Id() eventId!: string;
  @Name('Whoever starts it', 60) by!: string;
}

/** How fast a simulated day goes. */
export class DaySpeedInput {
  @Id() eventId!: string;
  @WholeBetween(1, 600, 'The speed') speed!: number;
  /** Only for so many of its minutes. */
  @Maybe() @WholeBetween(1, 120, 'The minutes') forMin?: number;
}

const TempUnit = () => IsIn(['C', 'F'], { message: 'Say C or F.' });
export class LogColumns {
  @Name('The column of the time', 80) time!: string;
  /** Left out where each channel has a column of its own. */
  @Maybe() @Name('The column of the channel', 80) channel?: string;
  @IsArray({ message: 'This must be a list.' })
  @ArrayMinSize(1, { message: 'Choose at least one column of temperatures.' })
  @ArrayMaxSize(64, { message: 'That is more columns than a logger has.' })
  @Name('A column of temperatures', 80)
  temps!: readonly string[];
  @TempUnit() unit!: 'C' | 'F';
}

export class ImportLogInput {
  @Id() eventId!: string;
  @Name('The logger', 60) deviceId!: string;
  @IsString({ message: 'Choose a file.' }) text!: string;
  @Part(() => LogColumns) columns!: LogColumns;
}

export class GuessLogInput {
  @IsString({ message: 'Choose a file.' }) @MaxLength(40_000, { message: 'The first lines are enough.' }) text!: string;
}

export class TokenInput {
  @Name('The device', 60) name!: string;
}
export class TokenIdInput {
  @Id() id!: string;
}

export class DaySettingsInput {
  /** A broker that thermometers send to: mqtt://host:port; none when blank. */
  @Text(200)
  @Matches(/^$|^mqtts?:\/\/[^\s/]+(:\d+)?\/?$/, { message: 'Give an address such as mqtt://192.168.1.20:1883, or leave it blank.' })
  brokerUrl!: string;
  @Text(80) @Matches(/^[^#+\s]*$/, { message: 'Give a topic without # or +.' }) topic!: string;
  @WholeBetween(1, 120, 'The minutes') escalateMin!: number;
  @WholeBetween(15, 240, 'The minutes') hotHoldEveryMin!: number;
}
