import os from 'node:os';

/** How time is told here, each in ms. */
export interface TimeSources {
  /** The machine's clock as somebody or something has set it. */
  wallMs(): number;
  /** Since the machine started, its sleep counted: no setting of a clock moves it. */
  upMs(): number;
  /** Without a step, but it may stand still while the machine sleeps. */
  tickMs(): number;
}
const MACHINE: TimeSources = { wallMs: () => Date.now(), upMs: () => os.uptime() * 1000, tickMs: () => performance.now() };

/** Smaller steps are those that keep a clock right. */
const SETTING_MS = 60_000;

/** The clock was set while the program ran; the house goes on by the time it had. */
export interface ClockSet {
  sinceMs: number;
  /** The machine's clock less the house's. */
  byMs: number;
}
export interface Slept {
  fromMs: number;
  toMs: number;
}
/** What a later start has to know of a clock that was set. */
export interface ClockKept {
  houseMs: number;
  upMs: number;
  sinceMs: number;
}

/**
 * The house's time: the machine's clock, as long as it is not set. A cook goes by what has gone by: when the clock jumps by more than a minute against the time
 * since the machine started, the time goes on as it was, and says so until the clock agrees again or the owner takes the new one.
 */
export class SteadyClock {
  private base: { houseMs: number; upMs: number; tickMs: number };
  private set?: ClockSet;
  private nap?: Slept;

  constructor(private readonly sources: TimeSources = MACHINE) {
    this.base = { houseMs: sources.wallMs(), upMs: sources.upMs(), tickMs: sources.tickMs() };
  }

  nowMs(): number {
    return Math.round(this.base.houseMs + (this.sources.tickMs() - this.base.tickMs));
  }
  clockSet(): ClockSet | undefined {
    return this.set;
  }
  /** The last time it stood still as long as a machine sleeps. */
  slept(): Slept | undefined {
    return this.nap;
  }
  kept(): ClockKept | undefined {
    return this.set && { houseMs: this.nowMs(), upMs: this.sources.upMs(), sinceMs: this.set.sinceMs };
  }

  /**
   * After a start: goes on by the time that was kept when the clock had been set, or at the earliest from the last instant that was written. True when the
   * machine's clock is not believed.
   */
  goOn(kept: ClockKept | undefined, lastWrittenMs = -Infinity): boolean {
    const [wallMs, upMs] = [this.sources.wallMs(), this.sources.upMs()];
    const isSameRun = kept !== undefined && upMs >= kept.upMs;
    const houseMs = Math.max(kept ? kept.houseMs + (isSameRun ? upMs - kept.upMs : 0) : -Infinity, lastWrittenMs);
    // After the machine itself was started nobody knows how long it was off: only a clock that went back is known to be wrong.
    if (houseMs - wallMs > SETTING_MS || (isSameRun && wallMs - houseMs > SETTING_MS)) {
      this.base = { houseMs, upMs, tickMs: this.sources.tickMs() };
      this.set = { sinceMs: kept?.sinceMs ?? houseMs, byMs: wallMs - houseMs };
      return true;
    }
    this.base = { houseMs: wallMs, upMs, tickMs: this.sources.tickMs() };
    return false;
  }

  /** Looks whether the clock was set or the machine slept; to be called every second or so. True when something is new. */
  look(): boolean {
    const [wallMs, upMs, tickMs] = [this.sources.wallMs(), this.sources.upMs(), this.sources.tickMs()];
    const before = this.base.houseMs;
    const houseMs = before + Math.max(upMs - this.base.upMs, tickMs - this.base.tickMs);
    this.base = { houseMs, upMs, tickMs };
    const napped = houseMs - before > SETTING_MS;
    if (napped) this.nap = { fromMs: Math.round(before), toMs: Math.round(houseMs) };
    const wasSet = this.set !== undefined;
    const byMs = Math.round(wallMs - houseMs);
    if (Math.abs(byMs) > SETTING_MS) this.set = { sinceMs: this.set?.sinceMs ?? Math.round(houseMs), byMs };
    else {
      this.base.houseMs = wallMs;
      this.set = undefined;
    }
    return napped || wasSet !== (this.set !== undefined);
  }

  /** The owner says that the machine's clock is right now. */
  takeWall(): void {
    this.base = { houseMs: this.sources.wallMs(), upMs: this.sources.upMs(), tickMs: this.sources.tickMs() };
    this.set = undefined;
  }
}

// The bundler loads this module once for every entry; there is one clock for all of them.
const shared = globalThis as typeof globalThis & { anachronClock?: SteadyClock };
export const steadyClock = (): SteadyClock => (shared.anachronClock ??= new SteadyClock());
