import Ajv2020, { type ErrorObject, type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { DateTime, IANAZone } from 'luxon';
import eventSchema from '../../../docs/formats/event.schema.json' with { type: 'json' };
import planSchema from '../../../docs/formats/plan.schema.json' with { type: 'json' };
import { findCut } from '../../core/model';
import type { OpenEvent, OpenPlan } from '../../core/model';

/** What is wrong in a file, and where: a JSON path such as `$.batches[0].pieces[1].kg`. */
export interface Misread {
  path: string;
  reason: string;
}
export type Reading<T> = { ok: true; value: T } | { ok: false; problems: Misread[] };

/** Strict mode off for `discriminator`, which is ours to read and not the draft's. */
const ajv = new Ajv2020({ allErrors: true, strict: false, discriminator: true });
addFormats(ajv);
let readers: { event: ValidateFunction; plan: ValidateFunction } | undefined;
const readersOnce = () => (readers ??= { event: ajv.compile(eventSchema), plan: ajv.compile(planSchema) });

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

function checked(text: string, kind: 'event' | 'plan'): Reading<unknown> {
  const json = parsed(text);
  if (!json.ok) return json;
  // Of a file of another kind or version nothing else is worth saying.
  const { format, version } = (json.value ?? {}) as Record<string, unknown>;
  const problems: Misread[] = [];
  if (format !== `anachron-${kind}`) problems.push({ path: '$.format', reason: `must be "anachron-${kind}"` });
  else if (version !== 1)
    problems.push({ path: '$.version', reason: `must be 1, the only version there is; it is ${JSON.stringify(version)}` });
  if (problems.length > 0) return { ok: false, problems };
  const validate = readersOnce()[kind];
  if (validate(json.value)) return json;
  const found = validate.errors!.filter((error) => error.keyword !== 'oneOf').map(misread);
  return { ok: false, problems: found.length > 0 ? found : validate.errors!.map(misread) };
}

const toTheMinute = (text: string) => DateTime.fromISO(text).toMillis() % 60_000 === 0;

/** Reads an event strictly: nothing is taken of a file that is not right throughout. */
export function readOpenEvent(text: string): Reading<OpenEvent> {
  const json = checked(text, 'event');
  if (!json.ok) return json;
  const event = json.value as OpenEvent;
  const problems = eventProblems(event);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: event };
}

export function readOpenPlan(text: string): Reading<OpenPlan> {
  const json = checked(text, 'plan');
  return json.ok ? { ok: true, value: json.value as OpenPlan } : json;
}

/** What no schema says: references, doubles, ranges the wrong way round. */
function eventProblems(event: OpenEvent): Misread[] {
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
    method.steps?.forEach((step, k) => {
      if (k > 0 && step.fromMin <= method.steps![k - 1]!.fromMin)
        wrong(`${path}.method.steps[${k}].fromMin`, 'is not after the step before');
    });
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
