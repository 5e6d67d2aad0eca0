import {
  IsBoolean,
  IsInt,
  IsNumber,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateBy,
  type ValidationOptions,
} from 'class-validator';
import { IANAZone } from 'luxon';
import { LIMITS } from '../core/model';
import { all, ID } from './parts';

/** Signs that cannot be seen, or that turn the text beside them round: no name and no line needs them. */
const UNSEEN = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b\u2028-\u202e\u2066-\u2069\ufeff\ufff9-\ufffb]/;
export const isPrintable = (text: string): boolean => !UNSEEN.test(text);
const Printable = ({ oneLine = false } = {}) =>
  ValidateBy({
    name: 'printable',
    validator: {
      validate: (value) => typeof value === 'string' && isPrintable(value) && !(oneLine && /[\t\n]/.test(value)),
      defaultMessage: () => 'Use letters, digits and signs that can be printed.',
    },
  });

/** A name that is not blank and fits on a tag. */
export const Name = (what: string, longest: number = LIMITS.nameLength) =>
  all(
    IsString({ message: `${what} must be text.` }),
    MinLength(1, { message: `Give ${what.toLowerCase()} a name.` }),
    Matches(/\S/, { message: `Give ${what.toLowerCase()} a name.` }),
    Printable({ oneLine: true }),
    MaxLength(longest, { message: `Keep it under ${longest} characters.` }),
  );

export const Text = (longest: number) =>
  all(IsString({ message: 'This must be text.' }), Printable(), MaxLength(longest, { message: `Keep it under ${longest} characters.` }));

/** Identifiers are made by the product; anything else is refused. */
export const Id = () =>
  all(IsString({ message: 'The identifier is missing.' }), Matches(ID, { message: 'The identifier is not one of ours.' }));

export const Between = (low: number, high: number, what: string) =>
  all(
    IsNumber({ allowNaN: false, allowInfinity: false }, { message: `${what} must be a number.` }),
    Min(low, { message: `${what} must be at least ${low}.` }),
    Max(high, { message: `${what} can be at most ${high}.` }),
  );

/** Like Between, for figures shown in other units than they are kept in: the sentence names no figure. */
export const Sensible = (low: number, high: number, what: string) =>
  all(
    IsNumber({ allowNaN: false, allowInfinity: false }, { message: `${what} must be a number.` }),
    Min(low, { message: `${what} is too small to be real.` }),
    Max(high, { message: `${what} is too large to be real.` }),
  );

/** Words that must say something: at least so many letters. */
export const Reason = (what: string, shortest: number, longest: number) =>
  all(
    IsString({ message: `${what} must be text.` }),
    Matches(new RegExp(`^\\s*(\\S\\s*){${shortest},}$`), { message: `Write ${what.toLowerCase()}: it is printed with the plan.` }),
    MaxLength(longest, { message: `Keep it under ${longest} characters.` }),
  );

export const WholeBetween = (low: number, high: number, what: string) =>
  all(
    IsInt({ message: `${what} must be a whole number.` }),
    Min(low, { message: `${what} must be at least ${low}.` }),
    Max(high, { message: `${what} can be at most ${high}.` }),
  );

const rule = (name: string, message: string, holds: (value: unknown) => boolean, options?: ValidationOptions) =>
  ValidateBy({ name, validator: { validate: holds, defaultMessage: () => message } }, options);

export const Zone = () =>
  rule(
    'zone',
    'No such time zone. Pick one from the list, such as America/Halifax.',
    (value) => typeof value === 'string' && IANAZone.isValidZone(value),
  );
export const LocalDate = () => Matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'Choose a date.' });
export const LocalTime = () => Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'Give a time, such as 18:00.' });

/** An instant, ms since 1970 UTC, within a few centuries of it. */
export const Instant = (what: string) =>
  all(
    IsInt({ message: `${what} must be a moment.` }),
    Min(-8.64e12, { message: `${what} lies too far back.` }),
    Max(8.64e12, { message: `${what} lies too far ahead.` }),
  );
export const Flag = (what: string) => IsBoolean({ message: `${what}: say yes or no.` });
