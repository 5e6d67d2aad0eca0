import 'reflect-metadata';
import { createRequire } from 'node:module';
import type { ClassConstructor } from 'class-transformer';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import eventSchemaV1 from '../../docs/formats/event-v1.schema.json' with { type: 'json' };
import '../inputs';

/** As much of JSON Schema (2020-12) as is used here. */
export interface JsonSchema {
  [keyword: string]: unknown;
  properties?: Record<string, JsonSchema>;
  required?: string[];
  items?: JsonSchema;
  oneOf?: JsonSchema[];
}

/** What class-transformer knows of nested classes; its package does not declare the module. */
const { defaultMetadataStorage } = createRequire(import.meta.url)('class-transformer/cjs/storage.js') as { defaultMetadataStorage: never };

const ID = { $ref: '#/$defs/id' };
const MINUTES = { type: 'integer', minimum: 0, maximum: 20_160 };
const NAMED = { type: 'string', maxLength: 200 };
const list = (of: string): JsonSchema => ({ type: 'array', items: { $ref: `#/$defs/${of}` } });

/** The decorators of our own, as a schema says them. */
const converters: Record<string, (meta: { constraints?: unknown[] }) => JsonSchema> = {
  isInt: () => ({ type: 'integer' }),
  min: ({ constraints: [minimum] = [] }) => ({ minimum }),
  max: ({ constraints: [maximum] = [] }) => ({ maximum }),
  zone: () => ({ type: 'string' }),
  printable: () => ({}),
  onePart: () => ({}),
  eachPart: () => ({}),
  aboveField: () => ({}),
  range: ({ constraints: [minimum, maximum] = [] }) => ({
    type: 'array',
    prefixItems: [0, 1].map(() => ({ type: 'number', minimum, maximum })),
    minItems: 2,
    maxItems: 2,
  }),
  ids: ({ constraints: [maxItems] = [] }) => ({ type: 'array', items: ID, maxItems, uniqueItems: true }),
  lines: ({ constraints: [maxItems, maxLength] = [] }) => ({ type: 'array', items: { type: 'string', maxLength }, maxItems }),
  texts: ({ constraints = [] }) => ({
    type: 'array',
    prefixItems: constraints.map((maxLength) => ({ type: 'string', minLength: 1, maxLength })),
    minItems: constraints.length,
    maxItems: constraints.length,
  }),
  partsById: ({ constraints: [part, maxProperties] = [] }) => ({
    type: 'object',
    additionalProperties: { $ref: `#/$defs/${(part as () => ClassConstructor<object>)().name}` },
    maxProperties,
  }),
  idsById: ({ constraints: [maxProperties] = [] }) => ({ type: 'object', additionalProperties: ID, maxProperties }),
};

/** The records as schemas, by the name of their class. */
export function recordSchemas(): Record<string, JsonSchema> {
  const made = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: converters as never,
  }) as Record<string, JsonSchema>;
  // A class of which every field may be left out has no name of its own in there.
  for (const name of ['Buying', 'Prep', 'Kitchen']) made[`Partial${name}Record`] = { ...made[`${name}Record`], required: undefined };
  return made;
}

/** Instants are text in a file, under their name without the unit. */
function asTimes(schema: JsonSchema): JsonSchema {
  const named = (key: string) => (key.endsWith('Ms') ? key.slice(0, -2) : key);
  return {
    ...schema,
    ...(schema.properties && {
      properties: Object.fromEntries(
        Object.entries(schema.properties).map(([key, each]) => [named(key), key.endsWith('Ms') ? { $ref: '#/$defs/time' } : each]),
      ),
    }),
    ...(schema.required && { required: schema.required.map(named) }),
  };
}

/** Fields of `b` beside those of `a`; where both say something of a field, `a` does. What `a` asks for is asked for. */
const beside = (a: JsonSchema, b: JsonSchema, leftOut: string[] = []): JsonSchema => ({
  ...a,
  properties: {
    ...a.properties,
    ...Object.fromEntries(Object.entries(b.properties ?? {}).filter(([key]) => !(key in a.properties!) && !leftOut.includes(key))),
  },
});

/** Every object refuses fields nobody declared, but for those that begin `x-`. */
function strict(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(strict);
  if (schema === null || typeof schema !== 'object') return schema;
  const inner = Object.fromEntries(
    Object.entries(schema)
      .filter(([, each]) => each !== undefined)
      .map(([key, each]) => [key, strict(each)]),
  );
  const isFields = 'properties' in inner && inner.type === 'object';
  return isFields ? { ...inner, patternProperties: { '^x-': true }, additionalProperties: false } : inner;
}

/**
 * The schema of an event file, version 2: what version 1 says of what is planned, and beside it every field of
 * the records an owner fills in. `docs/formats/event.schema.json` is this, written out (`npm run schemas`).
 */
export function eventFileSchema(): JsonSchema {
  const v1 = structuredClone(eventSchemaV1) as unknown as JsonSchema;
  const records = recordSchemas();
  const record = (name: string) => asTimes(records[name]!);
  const at = (name: string) => v1.properties![name]!;
  const fields = (schema: JsonSchema, more: Record<string, JsonSchema>, required: string[] = []): JsonSchema => ({
    ...schema,
    properties: { ...schema.properties, ...more },
    required: [...(schema.required ?? []), ...required],
  });

  const serving = at('servings').items!;
  delete serving.properties!.travelMin;
  serving.properties!.guests = beside(serving.properties!.guests!, record('GuestsRecord'));
  const batch = at('batches').items!;
  for (const key of ['x-label', 'x-nonIntact']) delete batch.properties![key];
  const method = beside(batch.properties!.method!, record('MethodRecord'));
  method.properties!.wrapWhen = beside(method.properties!.wrapWhen!, record('WrapWhenRecord'));
  const step = method.properties!.steps!.items!;
  // A step may wait for a core in place of the clock.
  method.properties!.steps!.items = { ...beside(step, record('HeatStepRecord')), required: ['pitC'] };
  const piece = beside(batch.properties!.pieces!.items!, record('PieceRecord'));
  batch.properties = { ...batch.properties, method, pieces: { ...batch.properties!.pieces, items: piece } };
  const pit = at('pits').items!;
  // The kinds of pit are the product's own list, not the older file's.
  pit.properties!.kind = records.PitRecord!.properties!.kind!;
  const rack = (shape: JsonSchema) => {
    const both = beside(shape, record('RackRecord'), ['round', 'widthMm', 'depthMm']);
    both.properties!.blocked!.items = beside(both.properties!.blocked!.items!, record('BlockedPartRecord'));
    return both;
  };
  const racks = pit.properties!.racks!;
  pit.properties!.racks = { ...racks, items: { ...racks.items, oneOf: racks.items!.oneOf!.map(rack) } };
  const [box, warmer] = at('holding').items!.oneOf!;
  warmer!.properties!.kind = { enum: ['warmer', 'holding-oven', 'steam-table'] };
  const cut = at('cuts').items!;
  const filedPit = fields(beside(pit, record('PitRecord')), { place: ID });

  return strict({
    ...v1,
    $id: 'anachron-event-2',
    title: 'An event of Anachron, version 2',
    properties: {
      ...v1.properties,
      version: { const: 2 },
      place: { type: 'string', maxLength: 120 },
      places: {
        type: 'array',
        minItems: 1,
        items: { type: 'object', properties: { id: ID, name: NAMED }, required: ['id', 'name'] },
        description: 'The first is where meat and crew begin.',
      },
      roads: {
        type: 'array',
        items: { type: 'object', properties: { from: ID, to: ID, min: MINUTES }, required: ['from', 'to', 'min'] },
        description: 'Both ways.',
      },
      venue: {
        type: 'object',
        properties: { power: { type: 'string', maxLength: 120 }, rules: { type: 'string', maxLength: 400 }, setUpMin: MINUTES },
        required: ['power', 'rules', 'setUpMin'],
      },
      servings: { ...at('servings'), items: fields(beside(serving, record('ServingRecord'), ['placeId']), { place: ID }, ['place']) },
      batches: { ...at('batches'), items: beside(batch, record('BatchRecord'), ['servingId', 'cutId', 'methodId']) },
      pits: { ...at('pits'), items: { $ref: '#/$defs/Pit' } },
      holding: {
        ...at('holding'),
        items: {
          ...at('holding').items,
          oneOf: [
            fields(beside(box!, record('HoldingBoxRecord')), { place: ID }),
            fields(beside(warmer!, record('WarmerRecord')), { place: ID }),
          ],
        },
      },
      crew: { ...at('crew'), items: fields(beside(at('crew').items!, record('CrewMemberRecord')), { place: ID }) },
      probes: list('ProbeRecord'),
      cuts: {
        ...at('cuts'),
        items: fields(beside(cut, record('CutRecord')), { convertedShare: { type: 'number', minimum: 0.4, maximum: 0.97 } }, [
          'safetyClass',
        ]),
      },
      recipes: list('RecipeRecord'),
      spare: {
        type: 'object',
        properties: { pits: list('Pit'), methods: list('MethodRecord') },
        required: ['pits', 'methods'],
        description: 'What only plans kept under a name rest on.',
      },
      ...Object.fromEntries(
        Object.entries(record('EventRecord').properties!).filter(
          ([key]) =>
            !(key in v1.properties!) &&
            ![
              'id',
              'place',
              'pitIds',
              'boxIds',
              'warmerIds',
              'probeIds',
              'hired',
              'holdSetPoints',
              'duty',
              'places',
              'roads',
              'standing',
              'venue',
              'revision',
            ].includes(key),
        ),
      ),
    },
    required: [...v1.required!, 'places', 'roads'],
    $defs: { ...(v1.$defs as object), Pit: filedPit, ...used(records) },
  }) as JsonSchema;
}

/** Records that fields of a file lead to. */
const PARTS_OF_FILES = [
  'SideRecord GuestNeedRecord SecondDishRecord PartialBuyingRecord PartialPrepRecord RecipeChoicesRecord ReceiptRecord LeftoverRecord',
  'PartialKitchenRecord LoosenedRecord ManualPlacementRecord PinRecord PinnedPlaceRecord FinishRecord SchemeRecord OverrideRecord RunWishRecord TravelChoiceRecord',
  'NamedPlanRecord BaselineRecord BaselineServingRecord BaselineBatchRecord PitFuelRecord FireRecipeRecord ProbeRecord',
  'MethodRecord WrapWhenRecord HeatStepRecord SprayRecord HotFinishRecord RecipeRecord IngredientRecord',
].flatMap((line) => line.split(' '));

const used = (records: Record<string, JsonSchema>): Record<string, JsonSchema> =>
  Object.fromEntries(PARTS_OF_FILES.map((name) => [name, asTimes(records[name]!)]));
