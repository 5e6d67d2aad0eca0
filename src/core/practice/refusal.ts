import type { PracticeDeed, Refusal } from './deed';
import type { News, PieceSoFar } from './dayParts';
import type { Scenario } from './scenario';

/** How a day stands, as far as it decides what can be done. */
interface Standing {
  over: boolean;
  nowMs: number;
  handsFreeAtMs: number;
  scenario: Scenario;
  pieces: Record<string, PieceSoFar>;
  chimneyAtMs: Record<string, number>;
  /** The fire of a pit that hands keep. */
  fire(pitId: string): object | undefined;
  has(kind: News['kind']): boolean;
  truth(key: string): { thin?: object };
}

/** What only hands can do, to a fire that only they keep. */
const BY_HAND = new Set<PracticeDeed['kind']>(['vents', 'chimney', 'coals', 'lid', 'water', 'ash', 'shelter', 'douse']);

/** Why a deed cannot be done; nothing where it can. */
export function refusalOf(day: Standing, deed: PracticeDeed): Refusal | undefined {
  if (day.over) return 'over';
  if ('pitId' in deed) {
    const pit = day.scenario.pits.find((each) => each.pit.id === deed.pitId)?.pit;
    if (!pit) return 'notThere';
    const hand = day.fire(deed.pitId);
    if (BY_HAND.has(deed.kind) && !hand) return 'notThisFire';
    if (deed.kind === 'setPoint' && hand) return 'notThisFire';
    if (deed.kind === 'setPoint' && (deed.pitC < pit.rangeC[0] || deed.pitC > pit.rangeC[1])) return 'outOfRange';
    if (deed.kind === 'coals' && deed.lit && !((day.chimneyAtMs[deed.pitId] ?? Infinity) <= Math.max(day.nowMs, day.handsFreeAtMs)))
      return 'nothingLit';
    return undefined;
  }
  if (deed.kind === 'sendHelper') return day.has('helperOpens') ? undefined : 'noHelper';
  const piece = day.pieces[deed.key];
  if (!piece) return 'notThere';
  if (piece.servedAtMs !== undefined) return 'alreadyServed';
  if (deed.kind === 'load') return piece.onAtMs === undefined ? undefined : 'alreadyOn';
  if (piece.onAtMs === undefined) return 'notOnPit';
  if (deed.kind === 'serve') return piece.pulledAtMs === undefined ? 'stillOnPit' : undefined;
  if (deed.kind === 'probe') return deed.spot === 'thin' && !day.truth(deed.key).thin ? 'noThinEnd' : undefined;
  if (deed.kind === 'forecast' || deed.kind === 'press') return undefined;
  if (piece.pulledAtMs !== undefined) return 'notOnPit';
  if (deed.kind === 'pull' && deed.to !== 'board' && !day.scenario.holds.includes(deed.to)) return 'noSuchHold';
  if (deed.kind === 'wrap' && piece.wrap !== 'none') return 'alreadyWrapped';
  if (deed.kind === 'unwrap' && piece.wrap === 'none') return 'notWrapped';
  if (deed.kind === 'shield' && !day.truth(deed.key).thin) return 'noThinEnd';
  if (deed.kind === 'moveProbe' && day.scenario.probeIn !== deed.key) return 'noProbe';
  return undefined;
}
