import { failure, success, type Outcome } from '../core/outcome';
import type { BoxInput, PitInput } from '../doors';
import { markBoxDeleted, markPitDeleted, saveBox, savePit } from '../persistence';
import type { House } from './house';

type Saved = Outcome<{ id: string }>;

/** Adds a pit or changes one; its racks are replaced by those given. */
export async function keepPit(house: House, input: PitInput): Promise<Saved> {
  const { rangeLowC, rangeHighC, racks, ...rest } = input;
  const names = racks.map((rack) => rack.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return failure({ code: 'rackNameTwice', path: `racks.${twice}.name` });
  await house.db.write((transaction) =>
    savePit(
      {
        ...rest,
        name: rest.name.trim(),
        rangeC: [rangeLowC, rangeHighC],
        racks: racks.map((rack) => ({ ...rack, name: rack.name.trim() })),
      },
      house.nowMs(),
      transaction,
    ),
  );
  return success({ id: input.id });
}

export async function keepBox(house: House, input: BoxInput): Promise<Saved> {
  await house.db.write((transaction) => saveBox({ ...input, name: input.name.trim() }, house.nowMs(), transaction));
  return success({ id: input.id });
}

const marked = (found: boolean, id: string): Saved => (found ? success({ id }) : failure({ code: 'equipmentGone' }));

/** Puts equipment away, or brings it back; events that use it find it again. */
export const putPitAway = async (house: House, id: string) =>
  marked(await house.db.write((transaction) => markPitDeleted(id, house.nowMs(), transaction)), id);
export const bringPitBack = async (house: House, id: string) =>
  marked(await house.db.write((transaction) => markPitDeleted(id, null, transaction)), id);
export const putBoxAway = async (house: House, id: string) =>
  marked(await house.db.write((transaction) => markBoxDeleted(id, house.nowMs(), transaction)), id);
export const bringBoxBack = async (house: House, id: string) =>
  marked(await house.db.write((transaction) => markBoxDeleted(id, null, transaction)), id);
