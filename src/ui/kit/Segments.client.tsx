'use client';
import { parseDate, parseTime, type CalendarDate, type Time } from '@internationalized/date';
import { DateField, DateInput, DateSegment, I18nProvider, TimeField } from 'react-aria-components';
import { inputClass } from './Field';
import { useUnits } from './UnitsProvider';

export interface SegmentsProps {
  kind: 'day' | 'clock';
  id: string;
  label: string;
  /** `2028-07-15` or `18:00`; empty for none. */
  value: string;
  invalid?: boolean;
  describedBy?: string;
  onChange(value: string): void;
  onBlur?(): void;
}

/** The order of day and month is the reader's own; words are the house's. */
const locale = () => (navigator.language.startsWith('en') ? navigator.language : 'en-GB');
const two = (value: number) => String(value).padStart(2, '0');
const dayOf = (text: string): CalendarDate | null => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? parseDate(text) : null);
const timeOf = (text: string): Time | null => (/^\d{2}:\d{2}$/.test(text) ? parseTime(text) : null);

function Parts({ invalid }: Pick<SegmentsProps, 'invalid'>) {
  return (
    <DateInput className={`${inputClass(invalid)} figures flex items-center whitespace-nowrap focus-within:outline-2`}>
      {(segment) => (
        <DateSegment segment={segment} className="rounded px-px outline-none focus:bg-ink focus:text-sheet data-[placeholder]:text-soft" />
      )}
    </DateInput>
  );
}

/** A day or a clock time in parts: typed, or turned with the arrow keys; hours as the house shows them. */
export function Segments({ kind, id, label, value, invalid = false, describedBy, onChange, onBlur }: SegmentsProps) {
  const { clock } = useUnits();
  const common = { id, 'aria-label': label, 'aria-describedby': describedBy, isInvalid: invalid, onBlur };
  return (
    <I18nProvider locale={locale()}>
      {kind === 'day' ? (
        <DateField {...common} shouldForceLeadingZeros value={dayOf(value)} onChange={(day) => onChange(day ? day.toString() : '')}>
          <Parts invalid={invalid} />
        </DateField>
      ) : (
        <TimeField
          {...common}
          shouldForceLeadingZeros={clock === '24'}
          hourCycle={clock === '12' ? 12 : 24}
          value={timeOf(value)}
          onChange={(time) => onChange(time ? `${two(time.hour)}:${two(time.minute)}` : '')}
        >
          <Parts invalid={invalid} />
        </TimeField>
      )}
    </I18nProvider>
  );
}
