import { withFire, type FiresBefore, type MadeFire } from '../../core/learn';
import { failure, success, type Outcome } from '../../core/outcome';
import { listMadeFires, saveGear } from '../../persistence';
import type { Context } from '../context';
import { storedEquipment } from '../stored';

/** How fires were made on the days that are over, the newest first. */
export const readMadeFires = (_context: Context): Promise<MadeFire[]> => listMadeFires();

/** From now on a pit's fire for that heat is made as it was on that day: the run sheet prints it, and its woods are bought. */
export async function takeFire(context: Context, { id }: { id: string }): Promise<Outcome<FiresBefore>> {
  const made = (await listMadeFires()).find((each) => each.id === id);
  return context.db.write(async (transaction): Promise<Outcome<FiresBefore>> => {
    const pit = (await storedEquipment(transaction)).pits.find((each) => each.id === made?.pitId);
    if (!made || !pit) return failure({ code: 'fireGone' });
    await saveGear('pit', withFire(pit, made.recipe), context.nowMs(), transaction);
    return success({ pitId: pit.id, fires: pit.fires ?? [] });
  });
}

/** A pit's fires as they stood before. */
export function putFiresBack(context: Context, { pitId, fires }: FiresBefore): Promise<Outcome<object>> {
  return context.db.write(async (transaction): Promise<Outcome<object>> => {
    const pit = (await storedEquipment(transaction)).pits.find((each) => each.id === pitId);
    if (!pit) return failure({ code: 'fireGone' });
    await saveGear('pit', { ...pit, fires: fires.length > 0 ? fires : undefined }, context.nowMs(), transaction);
    return success({});
  });
}
