import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsIn, ValidateNested } from 'class-validator';
import { Between, Id, LocalDate, LocalTime, Name, Sensible, Text, WholeBetween, Zone } from './rules';

export class PieceInput {
  @Id() id!: string;
  @Sensible(0.03, 60, 'The weight of a piece') kg!: number;
}

export class BatchInput {
  @Id() id!: string;
  @Id() cutId!: string;
  @Id() methodId!: string;
  @Text(40) label!: string;
  @IsIn(['guests', 'hand'], { message: 'Choose by guests or by hand.' }) sizedBy!: 'guests' | 'hand';
  @IsArray()
  @ArrayMinSize(1, { message: 'Add at least one piece, or take the cut off the menu.' })
  @ArrayMaxSize(200, { message: 'More than 200 pieces is beyond one batch; split it.' })
  @ValidateNested({ each: true })
  @Type(() => PieceInput)
  pieces!: PieceInput[];
}

export class ServingInput {
  @Id() id!: string;
  @Name('The serving', 40) name!: string;
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @WholeBetween(5, 480, 'The serving window, in minutes,') serveForMin!: number;
  @WholeBetween(0, 240, 'Carving ahead, in minutes,') carveLeadMin!: number;
  @WholeBetween(0, 5000, 'The number of adults') adults!: number;
  @WholeBetween(0, 5000, 'The number of children') children!: number;
  @Between(0, 1, 'The hearty share') heartyShare!: number;
  @IsBoolean({ message: 'Choose buffet or plated.' }) buffet!: boolean;
  @IsArray()
  @ArrayMaxSize(20, { message: 'More than 20 cuts at a serving cannot be planned.' })
  @ValidateNested({ each: true })
  @Type(() => BatchInput)
  batches!: BatchInput[];
}

/** The whole brief of an event, saved at once. Dates and times are clock times of its place. */
export class BriefInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @Sensible(-430, 5000, 'The altitude') altitudeM!: number;
  @Between(0.5, 0.99, 'The confidence') confidence!: number;
  @IsArray()
  @ArrayMinSize(1, { message: 'An event needs at least one serving to count back from.' })
  @ArrayMaxSize(12, { message: 'More than 12 servings cannot be planned at once.' })
  @ValidateNested({ each: true })
  @Type(() => ServingInput)
  servings!: ServingInput[];
}
