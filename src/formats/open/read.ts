import Ajv2020, { type ErrorObject, type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { DateTime, IANAZone } from 'luxon';
import eventSchema from '../../../docs/formats/event.schema.json' with { type: 'json' };
import eventSchemaV1 from '../../../docs/formats/event-v1.schema.json' with { type: 'json' };
import planSchema from '../../../docs/formats/plan.schema.json' with { type: 'json' };
import planSchemaV1 from '../../../docs/formats/plan-v1.schema.json' with { type: 'json' };
import { limitProblems } from '../../core/edits';
import { findCut, LIMITS, type HeatStep } from '../../core/model';
import type { ExchangePlan } from '../../core/model';
import type { EventFile } from './eventFile';
import { unpacked } from './eventIn';
import type { EventFileV1 } from './eventFileV1';
import { withTimesAsMs } from './fileTimes';
import { upgraded } from './upgrade';

/** What is wrong in a file, and where: a JSON path such as `$.batches[0].pieces[1].kg`. */
export interface Misread {
  path: string;
  reason: string;
}
export type Reading<T> = { ok: true; value: T } | { ok: false; problems: Misread[] };

/** Strict mode off for `discriminator`, which is ours to read and not the draft's. */
const ajv = new Ajv2020({ allErrors: true, strict: false, discriminator: true });
addFormats(ajv);
const SCHEMAS = { event: { 1: eventSchemaV1, 2: eventSchema }, plan: { 1: planSchemaV1, 2: planSchema } } as const;
type Kind = keyof typeof SCHEMAS;
const compiled = new Map<object, ValidateFunction>();
function readerOf(schema: object): ValidateFunction {
  const known = compiled.get(schema) ?? ajv.compile(schema);
  compiled.set(schema, known);
  return known;
}

const pathOf = (pointer: string, more?: string): string =>
  '$' +
  [...pointer.split('/').slice(1), ...(more === undefined ? [] : [more])]
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'))
    .map((part) => (/^\d+$/.test(part) ? `[${part}]` : /^[A-Za-z_$][\w$]*$/.test(part) ? `.${part}` : `[${JSON.stringify(part)}]`))
    .join('');

function misread(error: ErrorObject): Misread {
  const { instancePath, keyword, params, message } = error;
  if (keyword === 'required') return { path: pathOf(instancePath, String(params.missingProperty)), reason: 'is missing' };
  if (keyword === 'additionalProperties')
    return { path: pathOf(instancePath, String(params.additionalProperty)), reason: 'is not a field of this format' };
  if (keyword === 'const') return { path: pathOf(instancePath), reason: `must be ${JSON.stringify(params.allowedValue)}` };
  if (keyword === 'enum') return { path: pathOf(instancePath), reason: `must be one of ${(params.allowedValues as unknown[]).join(', ')}` };
  if (keyword === 'discriminator') return { path: pathOf(instancePath, String(params.tag)), reason: 'names no known kind' };
  return { path: pathOf(instancePath), reason: message ?? 'is not as it must be' };
}

function parsed(text: string): Reading<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch (error) {
    return { ok: false, problems: [{ path: '$', reason: `is not JSON: ${(error as Error).message}` }] };
  }
}

function checked(text: string, kind: Kind): Reading<unknown> {
  const json = parsed(text);
  if (!json.ok) return json;
  // Of a file of another kind or version nothing else is worth saying.
  const { format, version } = (json.value ?? {}) as Record<string, unknown>;
  const problems: Misread[] = [];
  if (format !== `anachron-${kind}`) problems.push({ path: '$.format', reason: `must be "anachron-${kind}"` });
  const versions = Object.entries<object>(SCHEMAS[kind]);
  const schema = versions.find(([each]) => Number(each) === version)?.[1];
  if (problems.length === 0 && !schema)
    problems.push({
      path: '$.version',
      reason: `must be ${versions.map(([each]) => each).join(' or ')}; it is ${JSON.stringify(version)}`,
    });
  if (problems.length > 0) return { ok: false, problems };
  const validate = readerOf(schema!);
  if (validate(json.value)) return json;
  const found = validate.errors!.filter((error) => error.keyword !== 'oneOf').map(misread);
  return { ok: false, problems: found.length > 0 ? found : validate.errors!.map(misread) };
}

const toTheMinute = (text: string) => DateTime.fromISO(text).toMillis() % 60_000 === 0;

/**
 * Reads an event of either version strictly: nothing is taken of a file that is not right throughout, or that reaches
 * beyond what can be planned; `writtenIn` is the version it was in. Given `nowMs`, its days must lie within a few years of it.
 */
export function readEventFile(text: string, nowMs?: number): Reading<EventFile> & { writtenIn?: 1 | 2 } {
  const json = checked(text, 'event');
  if (!json.ok) return json;
  const written = json.value as EventFileV1 | (Omit<EventFileV1, 'version'> & Pick<EventFile, 'version' | 'places' | 'roads' | 'spare'>);
  const problems = [...eventProblems(written as EventFileV1), ...(written.version === 2 ? placeProblems(written as Placed) : [])];
  if (problems.length > 0) return { ok: false, problems };
  const value = written.version === 1 ? upgraded(written) : (withTimesAsMs(withoutAdditions(written)) as EventFile);
  const beyond = beyondLimits(value, nowMs);
  return beyond.length > 0 ? { ok: false, problems: beyond } : { ok: true, value, writtenIn: written.version };
}

/** Over a limit: where, and which. */
function beyondLimits(file: EventFile, nowMs: number | undefined): Misread[] {
  const { event } = unpacked(file);
  const firstMs = Math.min(...event.servings.map((serving) => serving.atMs));
  const problems = limitProblems(event, { nowMs }).map(({ code, path = '' }): Misread => {
    const inFile = path
      .replace(/\.atMs$/, '.at')
      .replace(/\.fromMs$/, '.from')
      .replace(/\.toMs$/, '.to')
      .replace(/^duty\b/, 'crew');
    return {
      path: `$.${inFile.replaceAll(/\.(\d+)(?=\.|$)/g, '[$1]')}`,
      reason: LIMIT_WORDS[code as keyof typeof LIMIT_WORDS] ?? 'is beyond what can be planned',
    };
  });
  if (file.workFromMs < firstMs - LIMITS.workDaysAhead * DAY_MS)
    problems.push({ path: '$.workFrom', reason: 'lies more than a year before the first serving' });
  if (event.batches.length > LIMITS.batches)
    problems.push({ path: '$.batches', reason: `holds more than ${LIMITS.batches}: split the event` });
  return problems;
}

const DAY_MS = 86_400_000;
const LIMIT_WORDS = {
  tooFarBack: `lies more than ${LIMITS.yearsBack} years back`,
  tooFarAhead: `lies more than ${LIMITS.yearsAhead} years ahead`,
  servingsTooFarApart: `lies more than ${LIMITS.servingsSpanDays} days after the first serving: split the event`,
  tooManyPieces: `makes more than ${LIMITS.pieces} pieces: split the event`,
  outsideEventDays: `lies outside the days of the event (${LIMITS.daysBefore} before the first serving, ${LIMITS.daysAfter} after the last)`,
};

/** Additions of other makers (`x-…`) are passed over. */
const withoutAdditions = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(withoutAdditions)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([key]) => !key.startsWith('x-'))
            .map(([key, each]) => [key, withoutAdditions(each)]),
        )
      : value;

type AtPlace = { place?: string }[];
type Placed = Pick<EventFile, 'places' | 'roads'> & { servings: AtPlace; pits: AtPlace; holding: AtPlace; crew: AtPlace };

/** Places and roads: each there once, and all that names a place names one of them. */
function placeProblems({ places, roads, ...lists }: Placed): Misread[] {
  const problems: Misread[] = [];
  const known = (id: string) => places.some((place) => place.id === id);
  const strange = (path: string, id: string) => problems.push({ path, reason: `${JSON.stringify(id)} is no place of this event` });
  places.forEach(({ id }, i) => {
    if (places.findIndex((each) => each.id === id) !== i)
      problems.push({ path: `$.places[${i}].id`, reason: `${JSON.stringify(id)} is there twice` });
  });
  roads.forEach((road, i) => {
    for (const end of ['from', 'to'] as const) if (!known(road[end])) strange(`$.roads[${i}].${end}`, road[end]);
  });
  lists.servings.forEach(({ place }, i) => {
    if (!known(place!)) strange(`$.servings[${i}].place`, place!);
    else if (place !== places[0]!.id && !reachable(roads, places[0]!.id).has(place!))
      problems.push({ path: `$.servings[${i}].place`, reason: 'no road leads there from the first place' });
  });
  for (const list of ['pits', 'holding', 'crew'] as const)
    lists[list].forEach(({ place = places[0]!.id }, i) => {
      const path = `$.${list}[${i}].place`;
      if (!known(place)) strange(path, place);
    });
  return problems;
}

function reachable(roads: EventFile['roads'], from: string): Set<string> {
  const seen = new Set([from]);
  for (let before = -1; before !== seen.size;) {
    before = seen.size;
    for (const road of roads) {
      if (seen.has(road.from)) seen.add(road.to);
      if (seen.has(road.to)) seen.add(road.from);
    }
  }
  return seen;
}

export function readOpenPlan(text: string): Reading<ExchangePlan> {
  const json = checked(text, 'plan');
  if (!json.ok) return json;
  const { format: _, ...plan } = withTimesAsMs(json.value) as ExchangePlan & { format: string };
  return { ok: true, value: plan };
}

/** What no schema says: references, doubles, ranges the wrong way round. */
function eventProblems(event: EventFileV1): Misread[] {
  const problems: Misread[] = [];
  const wrong = (path: string, reason: string) => problems.push({ path, reason });
  const once = (ids: { id: string }[], path: string) =>
    ids.forEach(({ id }, i) => {
      if (ids.findIndex((each) => each.id === id) !== i) wrong(`${path}[${i}].id`, `${JSON.stringify(id)} is there twice`);
    });
  const upward = (range: [number, number] | undefined, path: string) => {
    if (range && range[0] > range[1]) wrong(path, 'runs from high to low');
  };
  if (!IANAZone.isValidZone(event.timeZone)) wrong('$.timeZone', `${JSON.stringify(event.timeZone)} is no zone of the tz database`);
  const times: [string, string][] = [
    ['$.workFrom', event.workFrom],
    ...event.servings.map(({ at }, i): [string, string] => [`$.servings[${i}].at`, at]),
    ...event.crew.flatMap(({ from, to }, i): [string, string][] => [
      [`$.crew[${i}].from`, from],
      [`$.crew[${i}].to`, to],
    ]),
  ];
  for (const [path, text] of times) if (!toTheMinute(text)) wrong(path, 'is not a whole minute');
  once(event.servings, '$.servings');
  once(event.batches, '$.batches');
  once(event.pits, '$.pits');
  once(event.holding, '$.holding');
  once(event.cuts ?? [], '$.cuts');
  const pieces = new Set<string>();
  event.batches.forEach((batch, i) => {
    const path = `$.batches[${i}]`;
    if (!event.servings.some((serving) => serving.id === batch.serving))
      wrong(`${path}.serving`, `${JSON.stringify(batch.serving)} is no serving of this event`);
    if (!event.cuts?.some((cut) => cut.id === batch.cut) && !findCut(batch.cut))
      wrong(`${path}.cut`, `${JSON.stringify(batch.cut)} is no known cut, nor among the event's cuts`);
    batch.pieces.forEach(({ id }, k) => {
      if (pieces.has(id)) wrong(`${path}.pieces[${k}].id`, `${JSON.stringify(id)} is there twice`);
      pieces.add(id);
    });
    const { method } = batch;
    upward(method.pitRangeC, `${path}.method.pitRangeC`);
    upward(method.finishRangeC, `${path}.method.finishRangeC`);
    upward(method.holdIdealMin, `${path}.method.holdIdealMin`);
    const { coreC, afterMin, bark } = method.wrapWhen ?? {};
    if (method.wrap !== 'none' && coreC === undefined && afterMin === undefined && !bark)
      wrong(`${path}.method.wrapWhen`, `says not when to wrap in ${method.wrap}`);
    for (const when of ['fromMin', 'fromCoreC'] as const)
      ((method.steps ?? []) as readonly HeatStep[]).reduce((before, step, k) => {
        const value = step[when] ?? before;
        if (step[when] !== undefined && value <= before) wrong(`${path}.method.steps[${k}].${when}`, 'is not after the step before');
        return value;
      }, -Infinity);
  });
  event.pits.forEach((pit, i) => {
    upward(pit.rangeC, `$.pits[${i}].rangeC`);
    once(pit.racks, `$.pits[${i}].racks`);
    pit.racks.forEach((rack, k) =>
      rack.zones?.forEach((zone, z) => {
        if (zone.fromMm >= zone.toMm) wrong(`$.pits[${i}].racks[${k}].zones[${z}]`, 'ends before it begins');
      }),
    );
  });
  event.crew.forEach(({ from, to }, i) => {
    if (Date.parse(from) >= Date.parse(to)) wrong(`$.crew[${i}].to`, 'is not after its from');
  });
  if (event.holding.some((gear) => gear.id === 'board')) wrong('$.holding', 'may not call anything "board"');
  return problems;
}
