import { pieceKey } from '../src/core/day';
import { liveDay } from '../src/devices/simulated/livedDay';
import type { WorldFault } from '../src/core/world';
import * as edits from '../src/document';
import type { Edit } from '../src/document';
import { localTime, localDate } from '../src/formats/clock';
import { addEntries, loadDay } from '../src/persistence';
import { simulatedHub } from '../src/runtime/dayRoom';
import { createEvent, editEvent, keepReadings, settlePlan, startDay, type Context } from '../src/services';

/**
 * The demo's second event: Ember & Tide feed the harbour pilots between two tides, whatever the hour. Its cook is under
 * way on the simulated world, begun some hours before the demo was filled. Everything here is invented.
 */
const NAME = 'The pilots’ table';
const ZONE = 'America/Halifax';
const MIN_MS = 60_000;
/** Serving is so long after the demo is filled, on the quarter of an hour; the crew began so long before it. */
const SERVED_IN_MIN = 390;
const BEGAN_BEFORE_MIN = 960;
const SEED = 4;

export async function fillPilotsTable(context: Context): Promise<void> {
  const realMs = context.nowMs();
  const servingMs = Math.ceil((realMs + SERVED_IN_MIN * MIN_MS) / (15 * MIN_MS)) * 15 * MIN_MS;
  const past: Context = { ...context, days: undefined, nowMs: () => servingMs - BEGAN_BEFORE_MIN * MIN_MS };
  const must = <T>(outcome: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
    if (!outcome.ok) throw new Error(`the demo was refused: ${JSON.stringify(outcome.problems)}`);
    return outcome.value;
  };
  const date = localDate(servingMs, ZONE);
  const time = localTime(servingMs, ZONE);
  const event = must(
    await createEvent(past, { name: NAME, place: 'Pilot station, Gannet Point', timeZone: ZONE, date, time, adults: 34, children: 0 }),
  );
  const does = async <Input>(edit: Edit<Input>, input: Input) => void must(await editEvent(past, event.id, edit, input));
  await does(edits.chooseEquipment, { pitIds: ['trailer', 'oven'], boxIds: ['box-1'], warmerIds: [], probeIds: ['probe-1'] });
  const pieces = (id: string, weights: readonly number[]) => weights.map((kg, i) => ({ id: `${id}-${i + 1}`, kg }));
  const serving = {
    id: 'meal',
    name: 'Meal',
    serveForMin: 60,
    carveLeadMin: 30,
    guests: { adults: 34, children: 0, heartyShare: 0.3 },
    buffet: true,
  };
  await does(edits.saveBrief, {
    name: NAME,
    place: 'Pilot station, Gannet Point',
    timeZone: ZONE,
    altitudeM: 5,
    confidence: 0.9,
    servings: [
      {
        ...serving,
        atMs: 0,
        date,
        time,
        batches: [
          {
            id: 'pilot-pork',
            servingId: 'meal',
            cutId: 'pork-butt',
            methodId: 'middle-paper',
            label: '',
            sizedBy: 'hand',
            pieces: pieces('pork', [3.8, 3.5, 3.3]),
          },
          {
            id: 'pilot-birds',
            servingId: 'meal',
            cutId: 'chicken-half',
            methodId: 'poultry-middle',
            label: '',
            sizedBy: 'hand',
            pieces: pieces('bird', [1, 1.05, 0.95, 1, 1.1, 0.9]),
          },
        ],
      },
    ],
  });
  const near = (minutes: number) => servingMs + minutes * MIN_MS;
  const onDuty = (memberId: string, fromMin: number, toMin: number) => ({
    memberId,
    fromDate: localDate(near(fromMin), ZONE),
    fromTime: localTime(near(fromMin), ZONE),
    toDate: localDate(near(toMin), ZONE),
    toTime: localTime(near(toMin), ZONE),
  });
  await does(edits.saveDay, {
    venue: { setUpMin: 0, power: 'Station, 1 x 16 A', rules: 'Fire on the slipway only.', quietFrom: '00:00', quietTo: '00:00' },
    weather: { airC: 11, windMPerS: 6 },
    places: [{ id: 'base', name: 'Base' }],
    roads: [],
    servedAt: [],
    standing: [],
    duty: [onDuty('crew-isa', -BEGAN_BEFORE_MIN, 150), onDuty('crew-tam', -BEGAN_BEFORE_MIN, 150)],
  });
  must(await settlePlan(past, { eventId: event.id, iterations: 40 }));
  const startedAtMs = servingMs - BEGAN_BEFORE_MIN * MIN_MS + 10 * MIN_MS;
  must(
    await startDay(past, {
      eventId: event.id,
      by: 'Isa',
      startedAtMs,
      seed: 7,
      clock: {
        mode: 'simulated',
        seed: SEED,
        worldStartMs: startedAtMs,
        realFromMs: realMs,
        dayFromMs: realMs,
        speed: 1,
        crew: 'tends',
        faults: faultsAt(realMs),
      },
    }),
  );
  const { kept } = (await loadDay(event.id))!;
  const deviceId = simulatedHub(event.id);
  const lived = liveDay(kept, {
    seed: SEED,
    startMs: startedAtMs,
    untilMs: realMs,
    deviceId,
    everyS: 60,
    by: 'Isa',
    faults: faultsAt(realMs),
    channels: [
      { kind: 'channel', deviceId, channel: '1', piece: pieceKey('pilot-pork', 'pork-1'), spot: 'thickest' },
      { kind: 'channel', deviceId, channel: '2', piece: pieceKey('pilot-pork', 'pork-3'), spot: 'thickest' },
      { kind: 'channel', deviceId, channel: '3', pitId: 'trailer' },
      { kind: 'channel', deviceId, channel: '4', pitId: 'oven' },
    ],
  });
  await keepReadings(past, lived.readings);
  // The alarm of the probe is left for whoever looks.
  const entries = lived.journal.entries.filter(
    ({ deed }) => !(deed.kind === 'alarm' && deed.did === 'acknowledged' && deed.causeId.startsWith('probeLies')),
  );
  await context.db.write((transaction) => addEntries(event.id, entries.slice(1), realMs, transaction));
}

/** A probe that slipped out a little while ago. */
const faultsAt = (nowMs: number): WorldFault[] => [
  { kind: 'probe', channel: '2', fault: 'slipsOut', fromMs: nowMs - 22 * MIN_MS, toMs: nowMs + 900 * MIN_MS },
];
