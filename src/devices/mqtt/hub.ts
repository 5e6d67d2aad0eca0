import mqtt from 'mqtt';
import type { HubListener, ThermometerHub } from '../ports';
import { readMessage } from './payload';

/** Tries again after so long when the broker is gone. */
const RETRY_MS = 5000;
const CONNECT_WITHIN_MS = 10_000;

export interface MqttOptions {
  url: string;
  topic: string;
  nowMs(): number;
  retryMs?: number;
}

/** Thermometers that send to a message broker. A broker that vanishes is said, and looked for until it is back. */
export class MqttHub implements ThermometerHub {
  readonly id: string;
  private client?: mqtt.MqttClient;

  constructor(private readonly options: MqttOptions) {
    this.id = options.url;
  }

  start(listener: HubListener): Promise<void> {
    if (this.client) return Promise.resolve();
    const { url, topic, nowMs, retryMs = RETRY_MS } = this.options;
    listener.link('connecting');
    const client = mqtt.connect(url, { reconnectPeriod: retryMs, connectTimeout: CONNECT_WITHIN_MS, clean: true });
    this.client = client;
    client.on('connect', () => {
      listener.link('connected');
      client.subscribe(`${topic}/+/+`, { qos: 1 }, (error) => {
        if (error) listener.link('lost', error.message);
      });
    });
    client.on('close', () => {
      if (this.client === client) listener.link('lost');
    });
    client.on('error', (error) => listener.link('lost', error.message));
    client.on('message', (at, payload) => {
      const read = readMessage(topic, at, payload, nowMs());
      if (!('refused' in read)) listener.readings([read]);
    });
    return Promise.resolve();
  }

  async stop(): Promise<void> {
    const { client } = this;
    this.client = undefined;
    await client?.endAsync(true).catch(() => {});
  }
}
