import eventSchema from '../../../docs/formats/event.schema.json' with { type: 'json' };
import planSchemaV1 from '../../../docs/formats/plan-v1.schema.json' with { type: 'json' };
import planSchema from '../../../docs/formats/plan.schema.json' with { type: 'json' };
import eventSchemaV1 from '../../../docs/formats/event-v1.schema.json' with { type: 'json' };
import type { ExchangePlan } from '../../core/model';
import type { EventFile } from './eventFile';
import type { EventFileV1 } from './eventFileV1';
import { withTimesAsText } from './fileTimes';

interface Schema {
  $ref?: string;
  $defs?: Record<string, Schema>;
  properties?: Record<string, Schema>;
  items?: Schema | boolean;
  oneOf?: Schema[];
}

/** Decimals that figures are written to, by the end of their name. */
const DECIMALS: [RegExp, number][] = [
  [/Mm$/, 0],
  [/[kK]g$/, 2],
  [/C$|^c$/, 1],
  [/Share$|^onTime$|^confidence$/, 3],
  [/LateMin$|^value$|^lower$/, 1],
];
/** Figures of a level that is counted more finely than in tenths. */
const decimalsOf = (name: string) => DECIMALS.find(([pattern]) => pattern.test(name))?.[1] ?? 3;

function rounded(value: number, name: string): number {
  const scale = 10 ** decimalsOf(name);
  const near = Math.round(value * scale) / scale;
  return Object.is(near, -0) ? 0 : near;
}

/** Keys in the order of the schema, then the others as they are; absent fields left out; figures to their decimals. */
function canonical(value: unknown, given: Schema | undefined, name: string, defs: Schema['$defs']): unknown {
  const schema = given?.$ref ? defs?.[given.$ref.replace('#/$defs/', '')] : given;
  if (typeof value === 'number') return rounded(value, name);
  if (Array.isArray(value))
    return value.map((each) => canonical(each, typeof schema?.items === 'object' ? schema.items : undefined, name, defs));
  if (value === null || typeof value !== 'object') return value;
  const branch = schema?.oneOf?.find((each) => Object.keys(value).every((key) => key.startsWith('x-') || each.properties?.[key])) ?? schema;
  const known = Object.keys(branch?.properties ?? {});
  const keys = [...known.filter((key) => key in value), ...Object.keys(value).filter((key) => !known.includes(key))];
  return Object.fromEntries(
    keys
      .map((key) => [key, (value as Record<string, unknown>)[key]] as const)
      .filter(([, each]) => each !== undefined)
      .map(([key, each]) => [key, canonical(each, branch?.properties?.[key], key, defs)]),
  );
}

/** Canonical text: the same event or plan gives the same bytes. Two-space indent, a newline at the end. */
const written = (value: unknown, schema: unknown): string =>
  `${JSON.stringify(canonical(value, schema as Schema, '', (schema as Schema).$defs), null, 2)}\n`;

export const writeEventFileV1 = (file: EventFileV1): string => written(file, eventSchemaV1);
export const writeEventFile = (file: EventFile): string => written(withTimesAsText(file, file.timeZone), eventSchema);
export const writeOpenPlan = (plan: ExchangePlan, timeZone: string): string =>
  written({ format: 'anachron-plan', ...(withTimesAsText(plan, timeZone) as object) }, plan.version === 1 ? planSchemaV1 : planSchema);

const inOrder = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(inOrder)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, each]) => [key, inOrder(each)]),
        )
      : value;

/** Whether two things would stand in a file in the same words: figures to its decimals, whatever the order of the fields. */
export const sameOnPaper = (a: unknown, b: unknown): boolean =>
  JSON.stringify(inOrder(canonical(a, undefined, '', undefined))) === JSON.stringify(inOrder(canonical(b, undefined, '', undefined)));
