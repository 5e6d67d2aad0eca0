import { MqttHub } from '../devices/mqtt/hub';
import type { HubReading } from '../devices/ports';
import type { LinkView } from './dayRoom';

/** Readings are kept together, this often: one write for all that came meanwhile. */
const FLUSH_MS = 1000;
const MOST_WAITING = 20_000;

/** The broker of the owner's settings: readings from it are kept; how it stands is shown. */
export class BrokerLink {
  private hub?: MqttHub;
  private view?: LinkView;
  private waiting: HubReading[] = [];
  private flushing?: NodeJS.Timeout;
  private to = '';

  constructor(
    private readonly keep: (readings: HubReading[]) => Promise<void>,
    private readonly nowMs: () => number,
  ) {}

  connectTo(url: string, topic: string): void {
    const to = `${url} ${topic}`;
    if (to === this.to) return;
    this.to = to;
    void this.hub?.stop();
    this.hub = undefined;
    this.view = undefined;
    if (url === '') return;
    this.hub = new MqttHub({ url, topic, nowMs: this.nowMs });
    void this.hub.start({
      readings: (readings) => this.take(readings),
      link: (state, why) => {
        if (this.view?.state !== state) this.view = { id: url, state, sinceMs: this.nowMs(), ...(why !== undefined && { why }) };
      },
    });
  }

  private take(readings: HubReading[]): void {
    this.waiting.push(...readings);
    // A database that is busy for long must not eat the memory: the oldest are let go of.
    if (this.waiting.length > MOST_WAITING) this.waiting.splice(0, this.waiting.length - MOST_WAITING);
    this.flushing ??= setTimeout(() => void this.flush(), FLUSH_MS);
  }

  private async flush(): Promise<void> {
    const taken = this.waiting;
    this.waiting = [];
    try {
      await this.keep(taken);
      this.flushing = undefined;
      if (this.waiting.length > 0) this.flushing = setTimeout(() => void this.flush(), FLUSH_MS);
    } catch {
      // Kept for the next round: nothing of it is lost while the program runs.
      this.waiting = [...taken, ...this.waiting];
      this.flushing = setTimeout(() => void this.flush(), FLUSH_MS);
    }
  }

  links(): LinkView[] {
    return this.view ? [this.view] : [];
  }
}
