import { IsArray, IsIn, IsString, MaxLength, ValidateBy } from 'class-validator';
import { EQUIPMENT_SETS, LIMITS } from '../core/model';
import type { Change } from '../core/edits';
import { Maybe } from './parts';
import { Id, LocalDate, LocalTime, Name, Text, WholeBetween, Zone } from './rules';

/** What is asked of the server by its actions and routes. */

export class CreateEventInput {
  @Name('The event') name!: string;
  @Text(120) place!: string;
  @Zone() timeZone!: string;
  @LocalDate() date!: string;
  @LocalTime() time!: string;
  @WholeBetween(1, LIMITS.guests, 'The number of adults') adults!: number;
  @WholeBetween(0, LIMITS.guests, 'The number of children') children!: number;
  @Maybe() @Id() menuId?: string;
}

export class EventIdInput {
  @Id() eventId!: string;
}

export class RenameEventInput {
  @Id() eventId!: string;
  @Name('The event') name!: string;
}

const isChange = (value: unknown): boolean => {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
  const { path } = value as { path?: unknown };
  return (
    Object.keys(value).every((key) => key === 'path' || key === 'from' || key === 'to') &&
    Array.isArray(path) &&
    path.length > 0 &&
    path.length <= 12 &&
    path.every((part) => typeof part === 'string' && part.length <= 160 && !['__proto__', 'constructor', 'prototype'].includes(part))
  );
};

/** Changes to one event, made from what the owner saw of it. What they make of it is checked as a whole. */
export class SaveEditsInput {
  @Id() eventId!: string;
  @WholeBetween(0, 1e9, 'The revision') revision!: number;
  @IsArray({ message: 'The changes must be a list.' })
  @ValidateBy({
    name: 'changes',
    validator: {
      validate: (value) => Array.isArray(value) && value.length <= 20_000 && value.every(isChange),
      defaultMessage: () => 'These changes cannot be read. Load the page again.',
    },
  })
  changes!: Change[];
}

export class GearIdInput {
  @IsIn(['pit', 'box', 'warmer', 'probe', 'crew'], { message: 'Choose a kind of gear.' }) kind!:
    'pit' | 'box' | 'warmer' | 'probe' | 'crew';
  @Id() id!: string;
}

export class SetIdInput {
  @IsIn(EQUIPMENT_SETS.map((set) => set.id), { message: 'Choose one of the sets.' })
  id!: string;
}

export class LibraryIdInput {
  @IsIn(['cut', 'method', 'recipe'], { message: 'Choose a cut, a method or a recipe.' }) kind!: 'cut' | 'method' | 'recipe';
  @Id() id!: string;
}

/** A plan file for an event, as text. */
export class PlanFileInput {
  @Id() eventId!: string;
  @IsString({ message: 'Choose a file.' })
  @MaxLength(LIMITS.fileBytes, { message: 'This file is too large to be a plan: 8 MB is the most.' })
  text!: string;
}

/** An event file, as text. */
export class ImportInput {
  @IsString({ message: 'Choose a file.' })
  @MaxLength(LIMITS.fileBytes, { message: 'This file is too large to be an event: 8 MB is the most.' })
  text!: string;
}
