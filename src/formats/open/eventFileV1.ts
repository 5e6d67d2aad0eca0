import type { ExchangeBatch, ExchangeEvent, ExchangeMethod } from '../../core/model';
import { withTimesAsMs, type TimesAsText } from './fileTimes';

interface MethodV1 extends Omit<ExchangeMethod, 'smokeless' | 'unwrapAfterMin'> {
  'x-smokeless'?: boolean;
  'x-unwrapAfterMin'?: number;
}
interface BatchV1 extends Omit<ExchangeBatch, 'label' | 'nonIntact' | 'method'> {
  method: MethodV1;
  'x-label'?: string;
  'x-nonIntact'?: boolean;
}

/** An event as `docs/formats/event-v1.schema.json` has it: the exchange with RFC 3339 text for instants, and our additions under `x-`. */
export interface EventFileV1 extends Omit<TimesAsText<ExchangeEvent>, 'batches' | 'version' | 'places' | 'roads'> {
  format: 'anachron-event';
  version: 1;
  batches: BatchV1[];
}

/** The event of a version 1 file. */
export function exchangeEventFrom({ format: _, ...file }: EventFileV1): ExchangeEvent {
  return withTimesAsMs({ ...file, batches: file.batches.map(batchFrom) }) as ExchangeEvent;
}

const batchFrom = ({ method, 'x-label': label, 'x-nonIntact': nonIntact, ...batch }: BatchV1): ExchangeBatch => ({
  ...batch,
  method: methodFrom(method),
  ...(label && { label }),
  ...(nonIntact && { nonIntact }),
});

const methodFrom = ({ 'x-smokeless': smokeless, 'x-unwrapAfterMin': unwrapAfterMin, ...method }: MethodV1): ExchangeMethod => ({
  ...method,
  ...(smokeless && { smokeless }),
  ...(unwrapAfterMin !== undefined && { unwrapAfterMin }),
});
