import { COLD_C } from '../../core/forecast';
import type { ClosedCook } from '../../core/learn';
import { cutIn, libraryWith } from '../../core/model';
import { failure, success, type Outcome } from '../../core/outcome';
import { instantOf } from '../../formats/clock';
import type { TypedCookInput } from '../../inputs';
import { saveCooks } from '../../persistence';
import type { Context } from '../context';
import { storedEquipment, storedLibrary } from '../stored';
import { heldAgainst } from './heldAgainst';

/** Where a notebook does not say, meat is wrapped at the stall. */
const USUAL_WRAP_C = 71;

/** A cook from an old notebook, typed in: what it does not say is as usual. */
export async function typeCook(context: Context, typed: TypedCookInput, zone: string): Promise<Outcome<{ id: string }>> {
  const { cutId, massKg, pitId, pitC, wrap, wrapAtC, hours, finalC, date, nextTime } = typed;
  const cut = cutIn(libraryWith(await storedLibrary()), cutId);
  if (!cut) return failure({ code: 'cutGone', path: 'cutId' });
  const pit = pitId === undefined ? undefined : (await storedEquipment()).pits.find((each) => each.id === pitId);
  const on = date === undefined ? undefined : instantOf(date, '06:00', zone);
  if (on && 'problem' in on) return failure({ code: 'noSuchDate', path: 'date' });
  if (on && on.ms > context.nowMs()) return failure({ code: 'cookToCome', path: 'date' });
  const id = `typed/${context.newId()}`;
  const cook: ClosedCook = {
    id,
    source: 'typed',
    ...(on && { onMs: on.ms }),
    cook: {
      id,
      cutId: cut.modelCutId ?? cut.id,
      pitId: pit?.id,
      massKg,
      startC: COLD_C,
      pitSteps: [{ fromMin: 0, pitC }],
      pitKind: pit?.kind,
      altitudeM: 0,
      airC: 20,
      wrap,
      wrapWhen: wrap === 'none' ? {} : { coreC: wrapAtC ?? USUAL_WRAP_C },
      done: cut.done.by === 'tender' || finalC === undefined ? { by: 'tender' } : { by: 'probe', coreC: finalC },
      observedH: hours,
      observedFinalC: finalC,
    },
    words: { verdict: {}, notes: '', nextTime: nextTime.trim() },
  };
  // What is done at a core cannot be told without it.
  if (cut.done.by === 'core' && finalC === undefined) return failure({ code: 'coreNeeded', path: 'finalC' });
  const held = await heldAgainst([cook]);
  await context.db.write((transaction) => saveCooks(held, context.nowMs(), transaction));
  return success({ id });
}
