import type { Migration } from './migration';

/** Events with their servings, batches and pieces; standing equipment; what an event uses of it. */
export const house: Migration = {
  name: '0001-house',
  statements: [
    `CREATE TABLE events (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, place TEXT NOT NULL, time_zone TEXT NOT NULL, altitude_m REAL NOT NULL,
      confidence REAL NOT NULL, revision INTEGER NOT NULL, created_at_ms INTEGER NOT NULL, updated_at_ms INTEGER NOT NULL, deleted_at_ms INTEGER
    )`,
    `CREATE TABLE servings (
      event_id TEXT NOT NULL REFERENCES events(id) ON DELETE CASCADE, id TEXT NOT NULL, position INTEGER NOT NULL, name TEXT NOT NULL,
      at_ms INTEGER NOT NULL, serve_for_min INTEGER NOT NULL, carve_lead_min INTEGER NOT NULL,
      adults INTEGER NOT NULL, children INTEGER NOT NULL, hearty_share REAL NOT NULL, buffet INTEGER NOT NULL,
      PRIMARY KEY (event_id, id)
    )`,
    `CREATE TABLE batches (
      event_id TEXT NOT NULL, id TEXT NOT NULL, serving_id TEXT NOT NULL, position INTEGER NOT NULL,
      cut_id TEXT NOT NULL, method_id TEXT NOT NULL, label TEXT NOT NULL, sized_by TEXT NOT NULL CHECK (sized_by IN ('guests', 'hand')),
      PRIMARY KEY (event_id, id), FOREIGN KEY (event_id, serving_id) REFERENCES servings(event_id, id) ON DELETE CASCADE
    )`,
    `CREATE TABLE pieces (
      event_id TEXT NOT NULL, batch_id TEXT NOT NULL, id TEXT NOT NULL, position INTEGER NOT NULL, kg REAL NOT NULL CHECK (kg > 0),
      PRIMARY KEY (event_id, batch_id, id), FOREIGN KEY (event_id, batch_id) REFERENCES batches(event_id, id) ON DELETE CASCADE
    )`,
    `CREATE TABLE pits (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, kind TEXT NOT NULL, smoke INTEGER NOT NULL, range_low_c REAL NOT NULL, range_high_c REAL NOT NULL,
      warm_up_min INTEGER NOT NULL, opening_drop_c REAL NOT NULL, recover_min REAL NOT NULL, created_at_ms INTEGER NOT NULL, deleted_at_ms INTEGER
    )`,
    `CREATE TABLE racks (
      pit_id TEXT NOT NULL REFERENCES pits(id) ON DELETE CASCADE, id TEXT NOT NULL, position INTEGER NOT NULL, name TEXT NOT NULL,
      width_mm REAL NOT NULL, depth_mm REAL NOT NULL, clearance_mm REAL NOT NULL, max_kg REAL NOT NULL, level INTEGER NOT NULL,
      PRIMARY KEY (pit_id, id)
    )`,
    `CREATE TABLE boxes (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, litres REAL NOT NULL, loss_w_per_k REAL NOT NULL, created_at_ms INTEGER NOT NULL, deleted_at_ms INTEGER
    )`,
    `CREATE TABLE event_pits (
      event_id TEXT NOT NULL REFERENCES events(id) ON DELETE CASCADE, pit_id TEXT NOT NULL REFERENCES pits(id) ON DELETE CASCADE, PRIMARY KEY (event_id, pit_id)
    )`,
    `CREATE TABLE event_boxes (
      event_id TEXT NOT NULL REFERENCES events(id) ON DELETE CASCADE, box_id TEXT NOT NULL REFERENCES boxes(id) ON DELETE CASCADE, PRIMARY KEY (event_id, box_id)
    )`,
    `CREATE INDEX servings_by_time ON servings (at_ms)`,
  ],
};
