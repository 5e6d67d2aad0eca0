import { WorldWeather } from '../../core/world';
import type { WeatherNow, WeatherSource } from '../ports';

/** The weather of the simulated world, as a service would tell it. */
export class SimulatedWeather extends WorldWeather implements WeatherSource {
  at(atMs: number): Promise<WeatherNow> {
    return Promise.resolve(this.now(atMs));
  }
}
