import type { ChannelUse, DayState, KeptDay } from '../day';
import { COLD_C } from '../forecast';
import { cutIn, MILD_DAY } from '../model';
import type { FireSpec } from './fire';
import { worldMeat } from './pieces';
import type { WorldDeed, WorldFault, WorldSpec } from './worldSpec';

const FEED_THEMSELVES = new Set(['pellets', 'gas', 'electricity']);
/** A fire that is tended wanders less than one that burns as it will, C. */
const WANDERS_C = { wood: 3.8, coal: 2.5, fed: 0.8 } as const;
/** Longer than a reload takes to come round, as a fire that is a little late still burns. */
const LASTS_BEYOND = 1.9;

/** The world in which a kept plan is cooked for practice or for show. */
export function worldOf(
  { input, plan }: KeptDay,
  options: { seed: number; startMs: number; deviceId: string; everyS: number; utcOffsetMin?: number; faults?: WorldFault[] },
): WorldSpec {
  const { event, library } = input;
  const meats = event.batches.flatMap((batch) => {
    const cut = cutIn(library, batch.cutId);
    const planned = plan.runs.some((run) => run.batchId === batch.id);
    return cut && planned
      ? batch.pieces.map((piece) => worldMeat(`${batch.id}/${piece.id}`, cut, piece.kg, piece.thicknessMm, piece.startC ?? COLD_C))
      : [];
  });
  const fires = input.pits.map((pit): FireSpec => {
    const fuel = pit.fuel?.kind;
    const feedsItself =
      pit.kind === 'oven' || pit.kind === 'cabinet' || pit.kind === 'pellet' || (fuel !== undefined && FEED_THEMSELVES.has(fuel));
    const wood = pit.kind === 'offset' || pit.kind === 'reverse-flow' || pit.kind === 'open-pit';
    return {
      pitId: pit.id,
      feedsItself,
      blower: pit.blower ?? false,
      openingDropC: pit.openingDropC,
      lastsMin: LASTS_BEYOND * (pit.fuel?.reloadMin ?? (wood ? 40 : 400)),
      wanderC: feedsItself || pit.blower ? WANDERS_C.fed : wood ? WANDERS_C.wood : WANDERS_C.coal,
    };
  });
  return { ...options, altitudeM: event.altitudeM, weather: event.weather ?? MILD_DAY, meats, fires };
}

/** What was done to meat and fires between two states of a day. */
export function deedsBetween(before: DayState | undefined, after: DayState): WorldDeed[] {
  const deeds: WorldDeed[] = [];
  for (const pit of Object.values(after.pits)) {
    const was = before?.pits[pit.pitId];
    const { pitId } = pit;
    const set = pit.setPoints.at(-1);
    if (pit.litAtMs !== undefined && was?.litAtMs !== pit.litAtMs) deeds.push({ did: 'lit', pitId, pitC: set?.pitC ?? 121 });
    else if (set && set !== was?.setPoints.at(-1) && set.pitC !== was?.setPoints.at(-1)?.pitC)
      deeds.push({ did: 'setPoint', pitId, pitC: set.pitC });
    if (pit.fuelledAtMs.length > (was?.fuelledAtMs.length ?? 0)) deeds.push({ did: 'fuelled', pitId });
    if (pit.outAtMs !== undefined && was?.outAtMs === undefined) deeds.push({ did: 'out', pitId });
  }
  for (const piece of Object.values(after.pieces)) {
    const was = before?.pieces[piece.key];
    const { key } = piece;
    const isNew = (field: 'onAtMs' | 'wrappedAtMs' | 'unwrappedAtMs' | 'pulledAtMs' | 'heldAtMs' | 'carvedAtMs') =>
      piece[field] !== undefined && was?.[field] === undefined;
    if (isNew('onAtMs')) deeds.push({ did: 'on', key, pitId: piece.pits[0]!.pitId });
    if (isNew('wrappedAtMs')) deeds.push({ did: 'wrapped', key, wrap: piece.wrap ?? 'foil' });
    if (isNew('unwrappedAtMs')) deeds.push({ did: 'unwrapped', key });
    if (piece.pits.length > 1 && piece.pits.length > (was?.pits.length ?? 0))
      deeds.push({ did: 'moved', key, pitId: piece.pits.at(-1)!.pitId });
    if (isNew('pulledAtMs')) deeds.push({ did: 'pulled', key });
    if (isNew('heldAtMs') && piece.gearId !== 'board') deeds.push({ did: piece.gearId?.includes('warmer') ? 'warmed' : 'boxed', key });
    if (isNew('carvedAtMs')) deeds.push({ did: 'carved', key });
  }
  for (const use of newUses(before?.channels ?? [], after.channels))
    deeds.push({ did: 'channel', channel: use.channel, key: use.piece, pitId: use.pitId });
  return deeds;
}

const newUses = (before: readonly ChannelUse[], after: readonly ChannelUse[]): ChannelUse[] => after.filter((use) => !before.includes(use));
