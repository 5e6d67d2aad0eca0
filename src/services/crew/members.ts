import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Role } from '../../core/access';
import { failure, success, type Outcome } from '../../core/outcome';
import { changeSession, createSession, listEquipment, listSessions, sessionOfHash, type CrewSession } from '../../persistence';
import type { Context } from '../context';
import { readYard } from './yard';

/** Whoever was not seen for so long has gone home, and joins again. */
const GONE_AFTER_MS = 7 * 86_400_000;
/** When somebody was seen is written down this often. */
const SEEN_EVERY_MS = 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Compared in the same time whatever is sent; small letters and spaces are forgiven. */
function isCode(code: string, sent: string): boolean {
  const [a, b] = [code, sent.replaceAll(/[\s-]/g, '').toUpperCase()].map((text) => createHash('sha256').update(text).digest());
  return code !== '' && timingSafeEqual(a!, b!);
}

export interface Joined {
  /** Names to choose from, while none is said. */
  names?: string[];
  token?: string;
}

/** With the right code: the crew's names to choose from; with a name, too, a session whose token is told this once. */
export async function joinCrew(context: Context, { code, name }: { code: string; name?: string }): Promise<Outcome<Joined>> {
  const yard = await readYard(context);
  if (!yard.open || !isCode(yard.code, code)) return failure({ code: 'wrongCode', path: 'code' });
  if (name === undefined) {
    const { crew } = await listEquipment();
    return success({ names: crew.map((each) => each.name) });
  }
  const token = randomBytes(32).toString('base64url');
  const nowMs = context.nowMs();
  await context.db.write((transaction) =>
    createSession(
      { id: context.newId(), hash: hashOf(token), name: name.trim(), role: yard.joinsAs, joinedAtMs: nowMs, seenAtMs: nowMs },
      transaction,
    ),
  );
  return success({ token });
}

/** Whose token it is; undefined once they were put out, the yard was closed, or a week has gone by. */
export async function memberOf(context: Context, token: string): Promise<CrewSession | undefined> {
  const nowMs = context.nowMs();
  const member = await sessionOfHash(hashOf(token), nowMs - GONE_AFTER_MS);
  // Nobody waits for that, and nobody is out because it could not be written.
  if (member && nowMs - member.seenAtMs > SEEN_EVERY_MS)
    void context.db.write((transaction) => changeSession(member.id, { seenAtMs: nowMs }, transaction)).catch(() => {});
  return member;
}

export const listCrewIn = (context: Context): Promise<CrewSession[]> => listSessions(context.nowMs() - GONE_AFTER_MS);

export async function setMemberRole(context: Context, { id, role }: { id: string; role: Role }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => changeSession(id, { role }, transaction));
  return found ? success({ id }) : failure({ code: 'memberGone' });
}

/** Out at once: what is open on that phone is cut. */
export async function putOut(context: Context, { id }: { id: string }): Promise<Outcome<{ id: string }>> {
  const found = await context.db.write((transaction) => changeSession(id, { endedAtMs: context.nowMs() }, transaction));
  context.yard?.putOut(id);
  return found ? success({ id }) : failure({ code: 'memberGone' });
}
