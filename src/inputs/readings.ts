import { Maybe, Parts } from './parts';
import { Matches } from 'class-validator';
import { Name, Sensible } from './rules';

/** One reading as a device sends it (docs/formats/readings.md): `c` or `f`, and when, if it was not just now. */
export class SentReading {
  @Name('The channel', 40) channel!: string;
  @Maybe() @Sensible(-60, 600, 'This temperature') c?: number;
  @Maybe() @Sensible(-76, 1112, 'This temperature') f?: number;
  @Maybe()
  @Matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:\d{2})$/, {
    message: 'Give an instant such as 2027-06-19T05:00:00Z.',
  })
  at?: string;
}

/** The most readings that one request may bring. */
export const MOST_READINGS = 2000;
export class SentReadings {
  @Parts(() => SentReading, MOST_READINGS, 'Send at most 2000 readings at a time.') readings!: SentReading[];
}
