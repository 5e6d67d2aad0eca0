export interface WeatherNow {
  airC: number;
  windMPerS: number;
  raining: boolean;
}

/** Weather about what the event expects: cooler at night, gusty, with a shower now and then. The same for the same seed. */
export class WorldWeather {
  constructor(
    private readonly usual: { airC: number; windMPerS: number },
    private readonly seed: number,
    private readonly utcOffsetMin = 0,
  ) {}

  now(atMs: number): WeatherNow {
    const hour = (((atMs / 3_600_000 + this.utcOffsetMin / 60) % 24) + 24) % 24;
    const slow = (per: number, phase: number) => Math.sin(atMs / (per * 60_000) + phase + this.seed);
    return {
      airC: this.usual.airC + 3.5 * Math.sin(((hour - 9) / 24) * 2 * Math.PI) + slow(170, 1),
      windMPerS: Math.max(0, this.usual.windMPerS * (1 + 0.35 * slow(47, 2) + 0.25 * slow(13, 3))),
      raining: slow(210, 5) > 0.93,
    };
  }
}
