import { ArrayMaxSize, IsArray } from 'class-validator';
import { Id, LocalDate, LocalTime, Name, Text, WholeBetween, Zone } from './rules';

export class CreateEventInput {
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @WholeBetween(1, 5000, 'The number of adults') adults!: number;
  @WholeBetween(0, 5000, 'The number of children') children!: number;
}

export class EventIdInput {
  @Id() eventId!: string;
}

export class RenameEventInput {
  @Id() eventId!: string;
  @Name('The event') name!: string;
}

export class MoveServingInput {
  @Id() eventId!: string;
  @Id() servingId!: string;
  @WholeBetween(-1440, 1440, 'The move, in minutes,') byMin!: number;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
}

export class ChooseEquipmentInput {
  @Id() eventId!: string;
  @IsArray() @ArrayMaxSize(50) pitIds!: string[];
  @IsArray() @ArrayMaxSize(50) boxIds!: string[];
}
