import type { HubListener, ThermometerHub } from '../ports';
import type { SimulatedWorld } from '../../core/world';

/** A hub of the simulated world, driven by whoever owns its clock: `advanceTo` is what time passing is. */
export class SimulatedHub implements ThermometerHub {
  readonly id: string;
  private listener?: HubListener;

  constructor(
    private readonly world: SimulatedWorld,
    deviceId: string,
  ) {
    this.id = deviceId;
  }

  start(listener: HubListener): Promise<void> {
    if (this.listener) return Promise.resolve();
    this.listener = listener;
    listener.link('connected');
    return Promise.resolve();
  }

  stop(): Promise<void> {
    this.listener?.link('lost');
    this.listener = undefined;
    return Promise.resolve();
  }

  advanceTo(atMs: number): void {
    const readings = this.world.advanceTo(atMs);
    if (readings.length > 0) this.listener?.readings(readings);
  }
}
