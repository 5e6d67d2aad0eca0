import { randomInt } from 'node:crypto';
import { JOINING_ROLES, type JoiningRole } from '../../core/access';
import { success, type Outcome } from '../../core/outcome';
import { endSessions, loadSetting, saveSetting } from '../../persistence';
import type { Context } from '../context';

/** Whether crew may join from the yard, by which code, and as what. */
export interface Yard {
  open: boolean;
  code: string;
  joinsAs: JoiningRole;
}

const CLOSED: Yard = Object.freeze({ open: false, code: '', joinsAs: 'helper' });
const KEY = 'yard';
/** No letters that look like others on a wet screen. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 8;

const newCode = (): string => Array.from({ length: CODE_LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('');

/** What is kept but cannot be read stands for a closed yard. */
export async function readYard(_context: Context): Promise<Yard> {
  const stored = (await loadSetting(KEY)) as Partial<Yard> | undefined;
  const { open, code, joinsAs } = stored ?? {};
  if (open !== true || typeof code !== 'string' || code.length !== CODE_LENGTH) return { ...CLOSED, joinsAs: joinsAs ?? CLOSED.joinsAs };
  return { open, code, joinsAs: JOINING_ROLES.find((role) => role === joinsAs) ?? CLOSED.joinsAs };
}

async function keep(context: Context, yard: Yard): Promise<Outcome<Yard>> {
  await context.db.write((transaction) => saveSetting(KEY, yard, transaction));
  await context.yard?.changed();
  return success(yard);
}

/** Opens the yard, with a new code: who had an old one must ask for it. Who is in stays in. */
export const openYard = async (context: Context, { joinsAs }: { joinsAs: JoiningRole }): Promise<Outcome<Yard>> =>
  keep(context, { open: true, code: newCode(), joinsAs });

/** Closes it: nobody joins, and all who were in are out. */
export async function closeYard(context: Context): Promise<Outcome<Yard>> {
  await context.db.write((transaction) => endSessions(context.nowMs(), transaction));
  return keep(context, { ...CLOSED, joinsAs: (await readYard(context)).joinsAs });
}
