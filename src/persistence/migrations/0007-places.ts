import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';

type Json = Record<string, unknown>;
interface Kept {
  rowid: number;
  body: string;
}

/**
 * A drive becomes a road to a place of its own. A box is made to be carried, and whoever was on duty drove: what
 * could be planned before can be planned after.
 */
export const places: Migration = {
  name: '0007-places',
  statements: [],
  rewrite: { version: '1', run: rewrite, after: [] },
};

async function rewrite(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  // Named: where a table has a number of its own for its rows, SQLite calls it by that.
  const all = (sql: string) => sequelize.query<Kept>(sql, { type: QueryTypes.SELECT, transaction });
  // What cannot be read stays as it is: the door it comes in by says so.
  const read = (body: string): Json | undefined => {
    try {
      const value: unknown = JSON.parse(body);
      return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Json) : undefined;
    } catch {
      return undefined;
    }
  };
  const put = (table: string, rowid: number, body: Json) =>
    sequelize.query(`UPDATE ${table} SET body = ? WHERE rowid = ?`, { transaction, replacements: [JSON.stringify(body), rowid] });
  const change = async (table: string, where: string, how: (body: Json) => Json) => {
    for (const { rowid, body } of await all(`SELECT rowid AS rowid, body FROM ${table} WHERE ${where}`)) {
      const kept = read(body);
      if (kept) await put(table, rowid, how(kept));
    }
  };
  await change('events', 'TRUE', withPlaces);
  await change('gear', `kind = 'box'`, (box) => ({ travels: true, ...box }));
  await change('gear', `kind = 'crew'`, (member) => ({ drives: true, ...member }));
}

const BASE = { id: 'base', name: 'Base' };
const VENUE = 'venue';

function withPlaces({ venue, servings, ...event }: Json): Json {
  const { driveMin = 0, ...rest } = (venue ?? {}) as Json;
  const beyond: { id: string; name: string; minutes: number }[] = [];
  if (Number(driveMin) > 0) beyond.push({ id: VENUE, name: String(event.place || 'Venue').slice(0, 40), minutes: Number(driveMin) });
  const placed = (Array.isArray(servings) ? (servings as Json[]) : []).map(({ travelMin, ...serving }) => {
    const minutes = Number(travelMin ?? driveMin);
    if (!(minutes > 0)) return serving;
    if (travelMin === undefined) return { ...serving, placeId: VENUE };
    beyond.push({ id: `to/${String(serving.id)}`.slice(0, 80), name: String(serving.name).slice(0, 40), minutes });
    return { ...serving, placeId: beyond.at(-1)!.id };
  });
  return {
    ...event,
    ...(Array.isArray(servings) ? { servings: placed } : servings !== undefined && { servings }),
    ...(beyond.length > 0 && {
      places: [BASE, ...beyond.map(({ id, name }) => ({ id, name }))],
      roads: beyond.map(({ id, minutes }) => ({ fromId: BASE.id, toId: id, minutes })),
    }),
    ...(venue !== undefined && { venue: rest }),
  };
}
