import 'reflect-metadata';
import { plainToInstance, Type, type ClassConstructor } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, ValidateBy, ValidateNested, validateSync, ValidateIf } from 'class-validator';

/** Decorators put together, applied in order. */
export const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    decorators.forEach((decorate) => decorate(target, key));

/** Options every check of ours is made with: fields nobody declared are refused. */
export const STRICT = Object.freeze({ whitelist: true, forbidNonWhitelisted: true, stopAtFirstError: true, forbidUnknownValues: true });

/** What may be left out. Nothing else stands for that: null is a value, and refused where it does not belong. */
export const Maybe = (): PropertyDecorator => ValidateIf((_, value) => value !== undefined);

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && value instanceof Object;

const OnePart = () =>
  ValidateBy({
    name: 'onePart',
    validator: { validate: isPlain, defaultMessage: () => 'This part of what was sent cannot be read. Load the page again.' },
  });

/** One nested part. */
export const Part = (part: () => ClassConstructor<object>) => all(OnePart(), ValidateNested(), Type(part));
export const MaybePart = (part: () => ClassConstructor<object>) => all(Maybe(), Part(part));

/** Stands for what no class was told of: nothing of it is right. */
class Untold {
  @IsIn([], { message: 'This cannot be read. Load the page again.' }) kind!: string;
}
type Told = readonly (readonly [name: string, value: ClassConstructor<object>])[];
const byTag = (property: string, told: Told) =>
  Type(() => Untold, {
    keepDiscriminatorProperty: true,
    discriminator: { property, subTypes: told.map(([name, value]) => ({ name, value })) },
  });
/** One nested part, of a class that one of its fields names. */
export const TaggedPart = (property: string, told: Told) => all(OnePart(), ValidateNested(), byTag(property, told));

const EachPart = () =>
  ValidateBy({
    name: 'eachPart',
    validator: {
      validate: (value) => Array.isArray(value) && value.every(isPlain),
      defaultMessage: () => 'This list cannot be read. Load the page again.',
    },
  });

/** A list of nested parts, so many at the most. */
export const Parts = (part: () => ClassConstructor<object>, most: number, message: string) =>
  all(
    IsArray({ message: 'This must be a list.' }),
    EachPart(),
    ArrayMaxSize(most, { message }),
    ValidateNested({ each: true }),
    Type(part),
  );
/** A list of nested parts, each of a class that one of its fields names. */
export const TaggedParts = (property: string, told: Told, most: number, message: string) =>
  all(
    IsArray({ message: 'This must be a list.' }),
    EachPart(),
    ArrayMinSize(1, { message }),
    ArrayMaxSize(most, { message }),
    ValidateNested({ each: true }),
    byTag(property, told),
  );
export const MaybeParts = (part: () => ClassConstructor<object>, most: number, message: string) => all(Maybe(), Parts(part, most, message));

/** A table of parts by id. */
export const PartsById = (part: () => ClassConstructor<object>, most: number) =>
  ValidateBy({
    name: 'partsById',
    constraints: [part, most],
    validator: {
      validate: (value) =>
        isPlain(value) &&
        Object.keys(value).length <= most &&
        Object.entries(value).every(
          ([id, each]) => ID.test(id) && isPlain(each) && validateSync(plainToInstance(part(), each), STRICT).length === 0,
        ),
      defaultMessage: () => 'This table by batch cannot be read. Load the page again.',
    },
  });

export const ID = /^[A-Za-z0-9_+./-]{1,80}$/;

/** A list of ids, each once. */
export const Ids = (most = 50) =>
  ValidateBy({
    name: 'ids',
    constraints: [most],
    validator: {
      validate: (value) =>
        Array.isArray(value) &&
        value.length <= most &&
        value.every((id) => typeof id === 'string' && ID.test(id)) &&
        new Set(value).size === value.length,
      defaultMessage: () => `This must be a list of at most ${most} different ids.`,
    },
  });

/** Texts of a bounded length. */
export const Lines = (most: number, longest: number) =>
  ValidateBy({
    name: 'lines',
    constraints: [most, longest],
    validator: {
      validate: (value) =>
        Array.isArray(value) && value.length <= most && value.every((line) => typeof line === 'string' && line.length <= longest),
      defaultMessage: () => `This must be a list of at most ${most} lines.`,
    },
  });

/** A pair of figures, the second not below the first. */
export const Range = (low: number, high: number, what: string) =>
  ValidateBy({
    name: 'range',
    constraints: [low, high],
    validator: {
      validate: (value) =>
        Array.isArray(value) &&
        value.length === 2 &&
        value.every((each) => typeof each === 'number' && Number.isFinite(each) && each >= low && each <= high) &&
        value[0] <= value[1],
      defaultMessage: (args) => rangeMessage(args?.value, what),
    },
  });

function rangeMessage(value: unknown, what: string): string {
  if (!Array.isArray(value) || value.length !== 2 || value.some((each) => typeof each !== 'number' || !Number.isFinite(each)))
    return `${what} must be two numbers.`;
  return value[0] > value[1] ? `${what}: the second figure must not be below the first.` : `${what} is not of a size that is real.`;
}

/** A table of ids by id. */
export const IdsById = (most: number) =>
  ValidateBy({
    name: 'idsById',
    constraints: [most],
    validator: {
      validate: (value) =>
        isPlain(value) &&
        Object.keys(value).length <= most &&
        Object.entries(value).every(([id, each]) => ID.test(id) && typeof each === 'string' && ID.test(each)),
      defaultMessage: () => 'This table by batch cannot be read. Load the page again.',
    },
  });

/** So many texts, none blank, each within its length. */
export const Texts = (longest: number[], message: string) =>
  ValidateBy({
    name: 'texts',
    constraints: longest,
    validator: {
      validate: (value) =>
        Array.isArray(value) &&
        value.length === longest.length &&
        value.every((each, i) => typeof each === 'string' && each.trim() !== '' && each.length <= longest[i]!),
      defaultMessage: () => message,
    },
  });
