import type { RawReading } from '../core/day';
import type { WeatherNow } from '../core/world';

/** What stands outside the product, as narrow as it needs it. Each has a simulated stand-in that ships; all pass one contract. */

export type HubReading = RawReading;

export type LinkState = 'connecting' | 'connected' | 'lost';

export interface HubListener {
  readings(readings: HubReading[]): void;
  /** `why` in the device's own words, where there are any. */
  link(state: LinkState, why?: string): void;
}

/** Sends readings by itself until it is stopped. Starting twice, or stopping twice, is as once. */
export interface ThermometerHub {
  readonly id: string;
  start(listener: HubListener): Promise<void>;
  stop(): Promise<void>;
}

/** Holds a pit at a heat with a small fan, or a valve. */
export interface PitController {
  readonly pitId: string;
  setTo(pitC: number): Promise<void>;
  /** What it was last told, and how far the fan is open, 0 to 1. */
  now(): Promise<{ setC: number; fanShare: number }>;
}

export type { WeatherNow };

export interface WeatherSource {
  at(atMs: number): Promise<WeatherNow>;
}

/** A label as lines of text, each short enough for the tape. */
export interface Label {
  lines: string[];
}

export interface LabelPrinter {
  print(label: Label): Promise<void>;
}
