import type { Label, LabelPrinter, PitController } from '../ports';
import type { SimulatedWorld } from '../../core/world';

/** A blower on a pit of the simulated world. */
export class SimulatedController implements PitController {
  private setC = 0;

  constructor(
    private readonly world: SimulatedWorld,
    readonly pitId: string,
  ) {}

  setTo(pitC: number): Promise<void> {
    this.setC = pitC;
    this.world.act(this.world.timeMs, { did: 'setPoint', pitId: this.pitId, pitC });
    return Promise.resolve();
  }

  now(): Promise<{ setC: number; fanShare: number }> {
    return Promise.resolve({ setC: this.setC, fanShare: this.world.vent(this.pitId) ?? 0 });
  }
}

/** Keeps what would have been printed. */
export class SimulatedPrinter implements LabelPrinter {
  readonly printed: Label[] = [];

  print(label: Label): Promise<void> {
    this.printed.push(label);
    return Promise.resolve();
  }
}
