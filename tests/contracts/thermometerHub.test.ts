import net from 'node:net';
import { Aedes } from 'aedes';
import mqtt from 'mqtt';
import { afterEach, describe, expect, it } from 'vitest';
import { MqttHub } from '../../src/devices/mqtt/hub';
import type { HubReading, LinkState, ThermometerHub } from '../../src/devices/ports';
import { SimulatedHub } from '../../src/devices/simulated/hub';
import { SimulatedWorld } from '../../src/core/world';

/** A hub with the means to make it send one reading of a channel. */
interface Rig {
  hub: ThermometerHub;
  /** Makes the hub send something of channel 1. */
  send(): Promise<void>;
  close(): Promise<void>;
}

const NOW = Date.parse('2027-06-19T08:00:00Z');

async function broker(port = 0) {
  const aedes = await Aedes.createBroker();
  const server = net.createServer(aedes.handle);
  const sockets = new Set<net.Socket>();
  server.on('connection', (socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
  });
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  return {
    port: (server.address() as net.AddressInfo).port,
    stop: async () => {
      for (const socket of sockets) socket.destroy();
      await new Promise<void>((resolve) => server.close(() => resolve()));
      await new Promise<void>((resolve) => aedes.close(() => resolve()));
    },
  };
}

const RIGS: Record<string, () => Promise<Rig>> = {
  'the simulated hub': () => {
    const world = new SimulatedWorld({
      seed: 3,
      startMs: NOW,
      altitudeM: 0,
      weather: { airC: 15, windMPerS: 1 },
      meats: [],
      fires: [{ pitId: 'pit', feedsItself: true, blower: false, openingDropC: 10, lastsMin: 100, wanderC: 1 }],
      deviceId: 'sim',
      everyS: 10,
    });
    world.act(NOW, { did: 'channel', channel: '1', pitId: 'pit' });
    const hub = new SimulatedHub(world, 'sim');
    return Promise.resolve({
      hub,
      send: () => {
        hub.advanceTo(world.timeMs + 60_000);
        return Promise.resolve();
      },
      close: () => Promise.resolve(),
    });
  },
  'thermometers over a broker': async () => {
    const own = await broker();
    const url = `mqtt://127.0.0.1:${own.port}`;
    const sender = await mqtt.connectAsync(url);
    return {
      hub: new MqttHub({ url, topic: 'yard', nowMs: () => NOW, retryMs: 50 }),
      send: async () => void (await sender.publishAsync('yard/kettle/1', '{"c": 61.5}', { qos: 1 })),
      close: async () => {
        await sender.endAsync(true);
        await own.stop();
      },
    };
  },
};

const until = async (holds: () => boolean) => {
  for (let tries = 0; tries < 400 && !holds(); tries++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(holds()).toBe(true);
};

describe.each(Object.entries(RIGS))('%s', (_, make) => {
  let rig: Rig | undefined;
  afterEach(async () => {
    await rig?.hub.stop();
    await rig?.close();
    rig = undefined;
  });
  const started = async () => {
    rig = await make();
    const heard: HubReading[] = [];
    const links: LinkState[] = [];
    const listener = { readings: (more: HubReading[]) => void heard.push(...more), link: (state: LinkState) => void links.push(state) };
    await rig.hub.start(listener);
    await until(() => links.includes('connected'));
    return { rig, heard, links, listener };
  };

  it('says that it is connected, and sends readings with device, channel, instant and degrees C', async () => {
    const { rig, heard } = await started();
    await until(() => {
      void rig.send();
      return heard.length > 0;
    });
    expect(heard[0]).toEqual({
      deviceId: expect.any(String) as string,
      channel: '1',
      atMs: expect.any(Number) as number,
      tempC: expect.any(Number) as number,
    });
  });

  it('started twice is started once, and stopped it sends no more', async () => {
    const { rig, heard, listener } = await started();
    await rig.hub.start(listener);
    await until(() => {
      void rig.send();
      return heard.length > 0;
    });
    await new Promise((resolve) => setTimeout(resolve, 60));
    const times = heard.map((each) => `${each.channel}@${each.atMs}@${each.tempC}`);
    if (rig.hub instanceof SimulatedHub) expect(new Set(times).size).toBe(times.length);
    await rig.hub.stop();
    await rig.hub.stop();
    const count = heard.length;
    await rig.send();
    await new Promise((resolve) => setTimeout(resolve, 40));
    expect(heard.length).toBe(count);
  });
});

describe('a broker that vanishes', () => {
  it('is said, looked for, and heard again once it is back', async () => {
    const first = await broker();
    const url = `mqtt://127.0.0.1:${first.port}`;
    const hub = new MqttHub({ url, topic: 'yard', nowMs: () => NOW, retryMs: 40 });
    const heard: HubReading[] = [];
    const links: LinkState[] = [];
    await hub.start({ readings: (more) => void heard.push(...more), link: (state) => void links.push(state) });
    await until(() => links.at(-1) === 'connected');
    await first.stop();
    await until(() => links.at(-1) === 'lost');
    const again = await broker(first.port);
    await until(() => links.at(-1) === 'connected');
    const sender = await mqtt.connectAsync(url);
    await until(() => {
      sender.publish('yard/kettle/2', '140.2');
      return heard.length > 0;
    });
    expect(heard[0]).toMatchObject({ deviceId: 'kettle', channel: '2', tempC: 140.2, atMs: NOW });
    await sender.endAsync(true);
    await hub.stop();
    await again.stop();
  });

  it('takes 2,000 messages without losing one', async () => {
    const own = await broker();
    const url = `mqtt://127.0.0.1:${own.port}`;
    const hub = new MqttHub({ url, topic: 'yard', nowMs: () => NOW });
    const heard: HubReading[] = [];
    const links: LinkState[] = [];
    await hub.start({ readings: (more) => void heard.push(...more), link: (state) => void links.push(state) });
    await until(() => links.at(-1) === 'connected');
    const sender = await mqtt.connectAsync(url);
    for (let i = 0; i < 2000; i++)
      await sender.publishAsync(`yard/hub/${i % 16}`, `{"c": ${20 + i / 100}, "at": "2027-06-19T08:00:00Z"}`, { qos: 1 });
    await until(() => heard.length === 2000);
    expect(new Set(heard.map((each) => each.tempC.toFixed(2))).size).toBe(2000);
    await sender.endAsync(true);
    await hub.stop();
    await own.stop();
  });
});
