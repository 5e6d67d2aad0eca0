import { COLD_C } from '../forecast';
import { isPoultry } from '../model';
import { seededRandom, type Random } from '../numerics';
import { MS_PER_MIN } from '../units';
import { copyOf, Fire, HandFire, keptByHand, SimulatedWorld, smokeWord, worldMeat, type CloseUp, type WorldFault } from '../world';
import {
  CHIMNEY_KG,
  CHIMNEY_MIN,
  CHUNK_KG,
  HANDS_MIN,
  SCOOP_KG,
  SPLIT_KG,
  WARMED_DRIES_SHARE,
  WATER_KG,
  type PracticeDeed,
  type Refusal,
} from './deed';
import { servedAs, type Done, type FireRecord, type News, type PieceSoFar, type Trail } from './dayParts';
import { refusalOf } from './refusal';
import { faultsOf } from './troubleFaults';
import { cutOf, type PracticePiece, type Scenario } from './scenario';
import { feltOf, pressedOf, seenOf } from './seen';

const HELD_WITHIN_C = 12;
const TRAIL_MIN = 5;
/** Nobody waits longer for their supper. */
export const WAITS_MIN = 90;
const READ_EVERY_S = 60;
/** The world's own step. */
export const TICK_MS = 10_000;
const FLARE_STOPS_AFTER_MIN = 2;

/**
 * A day with hands on it: the simulated world, what was done to it and when, and what of it can be known. The same
 * scenario, seed and deeds give the same day; `fork` gives another that goes its own way from here.
 */
export class PracticeDay {
  readonly world: SimulatedWorld;
  readonly startMs: number;
  readonly done: Done[] = [];
  readonly news: News[] = [];
  readonly pieces: Record<string, PieceSoFar> = {};
  readonly fires: Record<string, FireRecord> = {};
  readonly trail: Trail[] = [];
  /** Cores that were probed by hand, as they were read. */
  readonly feltCores: { key: string; atMs: number; coreC: number }[] = [];
  /** What the probe that stays in said. */
  readonly probed: { atMs: number; tempC: number }[] = [];
  nowMs: number;
  serveAtMs: number;
  handsFreeAtMs: number;
  chimneyAtMs: Record<string, number> = {};
  /** Put out by water on hot fat: nobody is asked to learn that with their eyebrows. */
  burned = false;
  private readonly burnedBeforeKg: Record<string, number> = {};
  /** Until it is taken over, a steady hand cooks: its deeds are not the player's. */
  private mine = false;
  private readonly chance: Random;
  private readonly faults: WorldFault[] = [];
  private readonly waiting: News[];
  private shutSinceMs?: number;
  private readonly told: Record<string, true> = {};

  constructor(
    readonly scenario: Scenario,
    readonly seed: number,
  ) {
    const { pieces, pits } = scenario;
    // A day that is tried another way has the same scenario: only what changes is copied.
    Object.freeze(scenario);
    this.chance = seededRandom(seed);
    this.serveAtMs = scenario.serveAtMs;
    const firstOnMin = Math.max(...pieces.map((piece) => piece.onBeforeMin ?? 0), scenario.takeOverMin);
    this.startMs = scenario.serveAtMs - firstOnMin * MS_PER_MIN;
    this.nowMs = this.startMs;
    this.handsFreeAtMs = this.startMs;
    this.waiting = scenario.troubles
      .map((trouble): News => {
        const { kind, afterMin, pitId, key, much } = trouble;
        // Nobody can set a clock by what goes wrong.
        const jitterMin = afterMin > 0 ? Math.round((this.chance.uniform() - 0.5) * 10) : 0;
        const atMs = this.takeOverAtMs + (afterMin + jitterMin) * MS_PER_MIN;
        this.faults.push(...faultsOf(trouble, atMs, pits[0]!.pit.id));
        return { kind, atMs, pitId, key, much };
      })
      .sort((a, b) => a.atMs - b.atMs);
    this.world = new SimulatedWorld({
      seed,
      startMs: this.startMs,
      altitudeM: scenario.altitudeM,
      weather: scenario.weather,
      deviceId: 'practice',
      everyS: READ_EVERY_S,
      closeUp: true,
      faults: this.faults,
      meats: pieces.map((piece) => {
        const cut = cutOf(scenario, piece);
        const meat = worldMeat(piece.key, cut, piece.kg, piece.thicknessMm, COLD_C);
        return { ...meat, sweats: scenario.sweats, thinShare: cut.thinEnd?.thicknessShare };
      }),
      fires: pits.map(({ pit }) =>
        keptByHand(pit.kind)
          ? { pitId: pit.id, kind: pit.kind, openingDropC: pit.openingDropC, gaugeOffsetC: 0 }
          : { pitId: pit.id, feedsItself: true, blower: pit.blower ?? false, openingDropC: pit.openingDropC, lastsMin: 1e5, wanderC: 0.8 },
      ),
    });
    for (const { pit, pitC } of pits) {
      this.fires[pit.id] = { minutes: 0, heldMin: 0, dirtyMin: 0, openings: 0, burnedKg: 0 };
      this.warmUp(pit.id, pitC);
    }
    for (const { key } of pieces) this.pieces[key] = { wrap: 'none', hottestC: COLD_C };
    if (scenario.probeIn) this.world.act(this.startMs, { did: 'channel', channel: 'probe', key: scenario.probeIn });
  }

  get takeOverAtMs(): number {
    return this.scenario.serveAtMs - this.scenario.takeOverMin * MS_PER_MIN;
  }
  get over(): boolean {
    return (
      this.nowMs >= this.serveAtMs + WAITS_MIN * MS_PER_MIN || Object.values(this.pieces).every((piece) => piece.servedAtMs !== undefined)
    );
  }
  fork(): PracticeDay {
    return copyOf(this);
  }
  /** From here on what is done is the player's. */
  takeOver(): void {
    this.mine = true;
    for (const { pit } of this.scenario.pits) this.burnedBeforeKg[pit.id] = this.fire(pit.id)?.burnedKg ?? 0;
    this.news.push({ kind: 'tookOver', atMs: this.nowMs });
  }
  piece(key: string): PracticePiece | undefined {
    return this.scenario.pieces.find((piece) => piece.key === key);
  }
  truth(key: string): CloseUp {
    return this.world.closeUp(key)!;
  }
  fire(pitId: string): HandFire | undefined {
    const fire = this.world.fire(pitId);
    return fire instanceof HandFire ? fire : undefined;
  }
  wishC(pitId: string): number {
    return this.wishes[pitId] ?? this.scenario.pits.find(({ pit }) => pit.id === pitId)!.pitC;
  }
  private wishes: Record<string, number> = {};
  /** What the fire is to be held at from now on: the player's own aim. */
  wish(pitId: string, pitC: number): void {
    this.wishes[pitId] = pitC;
  }
  has(kind: News['kind']): boolean {
    return this.news.some((each) => each.kind === kind);
  }

  /** Lives on to an instant, in steps of TICK_MS; ends where the day does. */
  advanceTo(untilMs: number): void {
    while (this.nowMs + TICK_MS <= untilMs && !this.over) {
      const readings = this.world.advanceTo(this.nowMs + TICK_MS);
      this.nowMs += TICK_MS;
      for (const { atMs, tempC, channel } of readings) if (channel === 'probe') this.probed.push({ atMs, tempC });
      if ((this.nowMs - this.startMs) % MS_PER_MIN === 0) this.minute();
    }
  }

  private minute(): void {
    while (this.waiting[0] && this.waiting[0].atMs <= this.nowMs) this.happens(this.waiting.shift()!);
    for (const [pitId, atMs] of Object.entries(this.chimneyAtMs))
      if (atMs <= this.nowMs && !this.told[`chimney ${pitId} ${atMs}`]) {
        this.told[`chimney ${pitId} ${atMs}`] = true;
        if (this.mine) this.news.push({ kind: 'chimneyReady', atMs: this.nowMs, pitId });
      }
    this.flares();
    for (const { key } of this.scenario.pieces) {
      const piece = this.pieces[key]!;
      piece.hottestC = Math.max(piece.hottestC, this.truth(key).coreC);
    }
    for (const { pit } of this.scenario.pits) this.keepsBook(pit.id);
    if ((this.nowMs - this.startMs) % (TRAIL_MIN * MS_PER_MIN) === 0) this.trail.push(this.point());
    if (this.over && this.nowMs >= this.serveAtMs + WAITS_MIN * MS_PER_MIN) this.news.push({ kind: 'timeUp', atMs: this.nowMs });
  }

  private keepsBook(pitId: string): void {
    const [fire, record] = [this.world.fire(pitId)!, this.fires[pitId]!];
    if (fire instanceof HandFire && this.mine) record.burnedKg = fire.burnedKg - this.burnedBeforeKg[pitId]!;
    const cooks = this.scenario.pieces.some((piece) => piece.pitId === pitId && this.isOn(piece.key));
    if (!this.mine || !cooks) return;
    record.minutes++;
    if (Math.abs(fire.airC - this.wishC(pitId)) <= HELD_WITHIN_C) record.heldMin++;
    const word = smokeWord(fire.smoke);
    const bare = this.scenario.pieces.some(
      (piece) => piece.pitId === pitId && this.isOn(piece.key) && this.pieces[piece.key]!.wrap === 'none',
    );
    if (bare && (word === 'white' || word === 'black')) record.dirtyMin++;
  }

  isOn(key: string): boolean {
    const piece = this.pieces[key]!;
    return piece.onAtMs !== undefined && piece.onAtMs <= this.nowMs && piece.pulledAtMs === undefined;
  }

  private point(): Trail {
    const { pits, pieces } = this.scenario;
    return {
      atMs: this.nowMs,
      pitC: Object.fromEntries(pits.map(({ pit }) => [pit.id, Math.round(this.world.fire(pit.id)!.airC)])),
      gaugeC: Object.fromEntries(pits.map(({ pit }) => [pit.id, Math.round(this.world.fire(pit.id)!.gaugeC)])),
      coreC: Object.fromEntries(pieces.map(({ key }) => [key, Math.round(this.truth(key).coreC * 10) / 10])),
      smoke: smokeWord(this.world.fire(pits[0]!.pit.id)!.smoke),
    };
  }

  private happens(news: News): void {
    if (news.kind === 'guestsEarly') this.serveAtMs -= news.much! * MS_PER_MIN;
    if (news.kind === 'truckLate') this.serveAtMs += news.much! * MS_PER_MIN;
    this.news.push(news);
  }

  private flares(): void {
    for (const fault of this.faults) {
      if (fault.kind !== 'flare' || this.nowMs < fault.fromMs || this.nowMs >= fault.toMs) continue;
      const fire = this.world.fire(fault.pitId);
      const shut = fire instanceof HandFire && fire.bottom <= 0.1 && !fire.lidOpen;
      this.shutSinceMs = shut ? (this.shutSinceMs ?? this.nowMs) : undefined;
      if (this.shutSinceMs !== undefined && this.nowMs - this.shutSinceMs >= FLARE_STOPS_AFTER_MIN * MS_PER_MIN) {
        fault.toMs = this.nowMs;
        if (this.mine) this.news.push({ kind: 'flareOver', atMs: this.nowMs, pitId: fault.pitId });
      }
    }
  }

  /** A fire that has been burning well for an hour when the day begins. */
  private warmUp(pitId: string, pitC: number): void {
    const fire = this.world.fire(pitId)!;
    if (fire instanceof HandFire) fire.readyAt(pitC);
    else if (fire instanceof Fire) {
      this.world.act(this.startMs, { did: 'lit', pitId, pitC });
      fire.standAt(pitC);
    }
  }

  /** Does it as soon as hands are free; what is looked at or felt is known then. */
  do(deed: PracticeDeed): Refusal | undefined {
    const refused = refusalOf(this, deed);
    if (refused) return refused;
    const atMs = Math.max(this.nowMs, this.handsFreeAtMs);
    this.handsFreeAtMs = atMs + HANDS_MIN[deed.kind] * MS_PER_MIN;
    if (this.mine) this.done.push({ askedAtMs: this.nowMs, atMs, freeAtMs: this.handsFreeAtMs, deed });
    this.perform(deed, atMs);
    return undefined;
  }

  private perform(deed: PracticeDeed, atMs: number): void {
    const { world } = this;
    switch (deed.kind) {
      case 'vents':
        return world.act(atMs, { did: 'vents', pitId: deed.pitId, bottom: deed.bottom, top: deed.top });
      case 'chimney':
        this.chimneyAtMs[deed.pitId] = atMs + CHIMNEY_MIN * MS_PER_MIN;
        return;
      case 'coals':
        this.opened(deed.pitId);
        if (deed.lit) delete this.chimneyAtMs[deed.pitId];
        return world.act(atMs, { did: 'coals', pitId: deed.pitId, lit: deed.lit, kg: deed.lit ? CHIMNEY_KG : SCOOP_KG });
      case 'wood': {
        const dry = deed.warmed ? WARMED_DRIES_SHARE : 1;
        const waterShare = this.scenario.woodWaterShare * dry;
        const kg = deed.size === 'split' ? SPLIT_KG : CHUNK_KG;
        return world.act(atMs, { did: 'wood', pitId: deed.pitId, kg, waterShare, warmed: deed.warmed });
      }
      case 'lid':
        if (deed.open) this.opened(deed.pitId);
        return world.act(atMs, { did: 'lid', pitId: deed.pitId, open: deed.open });
      case 'water':
        this.opened(deed.pitId);
        return world.act(atMs, { did: 'water', pitId: deed.pitId, kg: WATER_KG });
      case 'ash':
        return world.act(atMs, { did: 'ash', pitId: deed.pitId });
      case 'shelter':
        return world.act(atMs, { did: 'sheltered', pitId: deed.pitId });
      case 'douse':
        return this.douse(deed.pitId, atMs);
      case 'look':
        this.opened(deed.pitId);
        for (const piece of this.scenario.pieces)
          if (piece.pitId === deed.pitId && this.isOn(piece.key) && this.pieces[piece.key]!.wrap === 'none')
            this.pieces[piece.key]!.seen = { atMs, seen: seenOf(this.truth(piece.key)) };
        return world.act(atMs, { did: 'opened', pitId: deed.pitId });
      case 'setPoint':
        this.wish(deed.pitId, deed.pitC);
        return world.act(atMs, { did: 'setPoint', pitId: deed.pitId, pitC: deed.pitC });
      case 'sendHelper':
        for (const fault of this.faults) if (fault.kind === 'lidOpen') fault.toMs = Math.min(fault.toMs, Math.max(fault.fromMs, atMs));
        return;
      case 'forecast':
        return;
      default:
        return this.performOn(deed, atMs);
    }
  }

  private performOn(deed: Extract<PracticeDeed, { key: string }>, atMs: number): void {
    const { world } = this;
    const { key } = deed;
    const [piece, { pitId }] = [this.pieces[key]!, this.piece(key)!];
    if (['load', 'wrap', 'unwrap', 'spray', 'shield', 'moveProbe'].includes(deed.kind) || (deed.kind === 'pull' && this.isOn(key)))
      this.opened(pitId);
    switch (deed.kind) {
      case 'load':
        piece.onAtMs = atMs;
        return world.act(atMs, { did: 'on', key, pitId });
      case 'wrap':
        Object.assign(piece, { wrap: deed.wrap, wrapAtMs: atMs });
        return world.act(atMs, { did: 'wrapped', key, wrap: deed.wrap });
      case 'unwrap':
        Object.assign(piece, { wrap: 'none', wrapAtMs: undefined });
        return world.act(atMs, { did: 'unwrapped', key });
      case 'spray':
        return world.act(atMs, { did: 'sprayed', key });
      case 'shield':
        piece.shielded = true;
        return world.act(atMs, { did: 'shielded', key });
      case 'moveProbe':
        for (const fault of this.faults) if (fault.kind === 'probe') fault.toMs = Math.min(fault.toMs, Math.max(fault.fromMs, atMs));
        return;
      case 'press':
        if (this.isOn(key)) {
          this.opened(pitId);
          world.act(atMs, { did: 'opened', pitId });
        }
        piece.pressed = { atMs, pressed: pressedOf(this.truth(key), cutOf(this.scenario, this.piece(key)!)) };
        return;
      case 'probe':
        if (this.isOn(key)) {
          this.opened(pitId);
          world.act(atMs, { did: 'opened', pitId });
        }
        piece.felt = { atMs, felt: feltOf(this.truth(key), cutOf(this.scenario, this.piece(key)!), deed.spot, 0.4 * this.chance.normal()) };
        // Through a wrap nothing is seen.
        if (piece.wrap === 'none') piece.seen = { atMs, seen: seenOf(this.truth(key)) };
        if (deed.spot === 'thick') this.feltCores.push({ key, atMs, coreC: piece.felt.felt.coreC });
        return;
      case 'pull':
        Object.assign(piece, { pulledAtMs: atMs, heldIn: deed.to });
        world.act(atMs, { did: 'pulled', key });
        if (deed.to !== 'board') world.act(atMs, { did: deed.to === 'box' ? 'boxed' : 'warmed', key });
        return;
      case 'serve':
        piece.servedAtMs = Math.max(atMs, this.nowMs);
        piece.served = servedAs(this.truth(key), piece.hottestC);
        return world.act(atMs, { did: 'carved', key });
      case 'forecast':
        return;
    }
  }

  private opened(pitId: string): void {
    if (this.mine) this.fires[pitId]!.openings++;
  }

  /** Water on burning fat throws it about. */
  private douse(pitId: string, atMs: number): void {
    const flare = this.faults.find((fault) => fault.kind === 'flare' && fault.pitId === pitId && atMs >= fault.fromMs && atMs < fault.toMs);
    if (!flare) return;
    this.burned = true;
    this.faults.push({ kind: 'flare', pitId, fromMs: atMs, toMs: atMs + 4 * MS_PER_MIN });
    this.news.push({ kind: 'flareWorse', atMs, pitId });
  }
}

export const isBird = (day: PracticeDay, key: string): boolean => isPoultry(cutOf(day.scenario, day.piece(key)!));
