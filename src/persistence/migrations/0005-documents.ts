import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';

type Row = Record<string, unknown>;
type Json = Record<string, unknown>;

/**
 * An event is kept as one document, equipment likewise, in the order it was made. What a list asks for
 * (first and last serving, guests, cuts) stands beside the document, made anew whenever it is saved.
 */
export const documents: Migration = {
  name: '0005-documents',
  statements: [
    `ALTER TABLE events ADD COLUMN body TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE events ADD COLUMN first_serving_ms INTEGER`,
    `ALTER TABLE events ADD COLUMN last_serving_ms INTEGER`,
    `ALTER TABLE events ADD COLUMN guests INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE events ADD COLUMN cuts INTEGER NOT NULL DEFAULT 0`,
    `CREATE TABLE weighed_pieces (
      event_id TEXT NOT NULL REFERENCES events(id) ON DELETE CASCADE, position INTEGER NOT NULL, cut_id TEXT NOT NULL,
      bought_kg REAL NOT NULL, trimmed_kg REAL NOT NULL, PRIMARY KEY (event_id, position)
    )`,
    `CREATE TABLE gear_next (
      seq INTEGER PRIMARY KEY AUTOINCREMENT, kind TEXT NOT NULL CHECK (kind IN ('pit', 'box', 'warmer', 'probe', 'crew')), id TEXT NOT NULL,
      body TEXT NOT NULL, created_at_ms INTEGER NOT NULL, deleted_at_ms INTEGER, UNIQUE (kind, id)
    )`,
  ],
  rewrite: {
    version: '1',
    run: rewrite,
    after: [
      `DROP TABLE pieces`,
      `DROP TABLE batches`,
      `DROP TABLE servings`,
      `DROP TABLE event_pits`,
      `DROP TABLE event_boxes`,
      `DROP TABLE racks`,
      `DROP TABLE pits`,
      `DROP TABLE boxes`,
      `DROP TABLE gear`,
      `ALTER TABLE gear_next RENAME TO gear`,
      `ALTER TABLE events DROP COLUMN place`,
      `ALTER TABLE events DROP COLUMN altitude_m`,
      `ALTER TABLE events DROP COLUMN confidence`,
      `ALTER TABLE events DROP COLUMN extras`,
    ],
  },
};

async function rewrite(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const all = (sql: string) => sequelize.query<Row>(sql, { type: QueryTypes.SELECT, transaction });
  const put = (sql: string, replacements: unknown[]) => sequelize.query(sql, { transaction, replacements });
  const servings = await all('SELECT * FROM servings ORDER BY position');
  const batches = await all('SELECT * FROM batches ORDER BY position');
  const pieces = await all('SELECT * FROM pieces ORDER BY position');
  const eventPits = await all('SELECT * FROM event_pits');
  const eventBoxes = await all('SELECT * FROM event_boxes');
  const pits = await all('SELECT * FROM pits ORDER BY created_at_ms, rowid');
  const racks = await all('SELECT * FROM racks ORDER BY position');
  const boxes = await all('SELECT * FROM boxes ORDER BY created_at_ms, rowid');
  const gear = await all('SELECT * FROM gear ORDER BY created_at_ms, rowid');
  const gearRow = (kind: string, row: Row, body: Json) =>
    put('INSERT INTO gear_next (kind, id, body, created_at_ms, deleted_at_ms) VALUES (?, ?, ?, ?, ?)', [
      kind,
      row.id,
      JSON.stringify(body),
      row.created_at_ms,
      row.deleted_at_ms,
    ]);
  for (const pit of pits) {
    const own = racks.filter((rack) => rack.pit_id === pit.id);
    await gearRow('pit', pit, pitBody(pit, own));
  }
  for (const box of boxes)
    await gearRow('box', box, { id: box.id, name: box.name, litres: box.litres, lossWPerK: box.loss_w_per_k, ...parsed(box.extras) });
  for (const each of gear) await gearRow(String(each.kind), each, parsed(each.body));

  for (const event of await all('SELECT * FROM events')) {
    const mine = (rows: Row[]) => rows.filter((row) => row.event_id === event.id);
    const body: Json = {
      id: event.id,
      name: event.name,
      place: event.place,
      timeZone: event.time_zone,
      altitudeM: event.altitude_m,
      confidence: event.confidence,
      ...eventExtras(parsed(event.extras)),
      revision: event.revision,
      servings: mine(servings).map(servingBody),
      batches: mine(batches).map((batch) => batchBody(batch, mine(pieces))),
      pitIds: pits.filter((pit) => mine(eventPits).some((each) => each.pit_id === pit.id)).map((pit) => pit.id),
      boxIds: boxes.filter((box) => mine(eventBoxes).some((each) => each.box_id === box.id)).map((box) => box.id),
    };
    const times = mine(servings).map((serving) => Number(serving.at_ms));
    await put('UPDATE events SET body = ?, first_serving_ms = ?, last_serving_ms = ?, guests = ?, cuts = ? WHERE id = ?', [
      JSON.stringify(body),
      times.length > 0 ? Math.min(...times) : null,
      times.length > 0 ? Math.max(...times) : null,
      Math.max(0, ...mine(servings).map((serving) => Number(serving.adults) + Number(serving.children))),
      mine(batches).length,
      event.id,
    ]);
    const weighed = mine(batches).flatMap((batch) =>
      mine(pieces)
        .filter((piece) => piece.batch_id === batch.id && piece.bought_kg !== null && piece.trimmed_kg !== null)
        .map((piece) => [batch.cut_id, piece.bought_kg, piece.trimmed_kg]),
    );
    for (const [position, row] of weighed.entries())
      await put('INSERT INTO weighed_pieces VALUES (?, ?, ?, ?, ?)', [event.id, position, ...row]);
  }
  for (const entry of await all('SELECT kind, id, body FROM library_entries')) {
    const body = entryBody(String(entry.kind), parsed(entry.body));
    await put('UPDATE library_entries SET body = ? WHERE kind = ? AND id = ?', [JSON.stringify(body), entry.kind, entry.id]);
  }
}

const parsed = (text: unknown): Json => JSON.parse(String(text)) as Json;
/** A field under its new name, where it was there at all. */
function renamed(of: Json | undefined, names: Record<string, string>): Json | undefined {
  return of && Object.fromEntries(Object.entries(of).map(([key, value]) => [names[key] ?? key, value]));
}

const pitBody = (pit: Row, racks: Row[]): Json => ({
  id: pit.id,
  name: pit.name,
  kind: pit.kind,
  smoke: Boolean(pit.smoke),
  rangeC: [pit.range_low_c, pit.range_high_c],
  warmUpMin: pit.warm_up_min,
  openingDropC: pit.opening_drop_c,
  recoverMin: pit.recover_min,
  ...parsed(pit.extras),
  racks: racks.map((rack) => ({
    id: rack.id,
    name: rack.name,
    widthMm: rack.width_mm,
    depthMm: rack.depth_mm,
    clearanceMm: rack.clearance_mm,
    maxKg: rack.max_kg,
    level: rack.level,
    ...parsed(rack.extras),
  })),
});

const scheme = (value: unknown) => renamed(value as Json | undefined, { choices: 'overrides' });

function eventExtras(extras: Json): Json {
  const { laid, keptPlan, kitchen, scheme: own, namedPlans, ...rest } = extras;
  return {
    ...rest,
    manualPlacements: laid,
    baseline: renamed(keptPlan as Json | undefined, { keptAtMs: 'savedAtMs' }),
    kitchen: renamed(kitchen as Json | undefined, { hands: 'prepCrew' }),
    scheme: scheme(own),
    namedPlans: (namedPlans as Json[] | undefined)?.map((plan) => ({ ...plan, scheme: scheme(plan.scheme) })),
  };
}

function servingBody(row: Row): Json {
  const { sides, ...extras } = parsed(row.extras);
  return {
    id: row.id,
    name: row.name,
    atMs: Number(row.at_ms),
    serveForMin: row.serve_for_min,
    carveLeadMin: row.carve_lead_min,
    guests: { adults: row.adults, children: row.children, heartyShare: row.hearty_share },
    buffet: Boolean(row.buffet),
    ...extras,
    // An empty list was what nobody had said: from here on that is "not declared".
    sides: (sides as Json[] | undefined)?.map(({ carries, ...side }) => ((carries as unknown[]).length > 0 ? { ...side, carries } : side)),
  };
}

function batchBody(row: Row, pieces: Row[]): Json {
  const { measured, buying, ...extras } = parsed(row.extras) as { measured?: Record<string, Json>; buying?: Json };
  return {
    id: row.id,
    servingId: row.serving_id,
    cutId: row.cut_id,
    methodId: row.method_id,
    label: row.label,
    sizedBy: row.sized_by,
    ...extras,
    buying: renamed(buying, { keptTrimShare: 'usableTrimShare', keptTrimPerKg: 'usableTrimPerKg' }),
    pieces: pieces
      .filter((piece) => piece.batch_id === row.id)
      .map((piece) => ({
        id: piece.id,
        kg: piece.kg,
        boughtKg: piece.bought_kg ?? undefined,
        trimmedKg: piece.trimmed_kg ?? undefined,
        thicknessMm: piece.thickness_mm ?? undefined,
        grade: piece.grade ?? undefined,
        ...measured?.[String(piece.id)],
      })),
  };
}

/** Hot enough that nobody cooks whole muscle to it by the number: taken for ground, the stricter class, until its owner says otherwise. */
const GROUND_FROM_C = 68;

function entryBody(kind: string, body: Json): Json {
  // Nobody had been asked whether every ingredient was gone through.
  if (kind === 'recipe') return { ...body, declared: false };
  if (kind !== 'cut') return body;
  const { species, done } = body as { species: string; done: { by: string; coreC?: number } };
  const safetyClass =
    species === 'dish'
      ? 'dish'
      : species === 'chicken' || species === 'turkey'
        ? 'poultry'
        : done.by === 'core' && done.coreC! >= GROUND_FROM_C
          ? 'ground'
          : 'whole';
  const carved = species === 'dish' ? 'dress' : body.bones === undefined ? 'slice' : 'joint';
  return { ...body, safetyClass, carved };
}
