import type { RawReading } from '../day';
import { seededRandom } from '../numerics';
import { Crust } from './crust';
import { doByHand } from './byHand';
import type { CloseUp } from './closeUp';
import { Fire, type PitFire } from './fire';
import { HandFire } from './handFire';
import { Meat, TENDER_SOFT } from './meat';
import { Sensor } from './sensor';
import type { WorldDeed, WorldSpec } from './worldSpec';
import { WorldWeather, type WeatherNow } from './weather';

const STEP_S = 10;
const FLARE_W = 5200;
const ROOM_DRAUGHT = 0.75;

interface Piece {
  meat: Meat;
  where: Where;
  crust?: Crust;
  /** The thin end of a tapered piece, as a body of its own. */
  thin?: Meat;
}

type Where = { in: 'cold' } | { in: 'pit'; pitId: string } | { in: 'board' | 'box' | 'warmer'; sinceMs: number } | { in: 'gone' };

/**
 * Meat, fires and thermometers, as they might truly be: nothing here is what a forecast assumes. It lives in steps of
 * STEP_S on a clock of its own, and comes to the same however it is asked to advance.
 */
export class SimulatedWorld {
  private readonly luck;
  private readonly weather;
  private readonly meats = new Map<string, Piece>();
  private readonly fires = new Map<string, PitFire>();
  private readonly sensors = new Map<string, { core: Sensor; air: Sensor; key?: string; pitId?: string }>();
  private readonly boilsC: number;
  private nowMs: number;
  private waiting: { atMs: number; deed: WorldDeed }[] = [];

  constructor(private readonly spec: WorldSpec) {
    this.luck = seededRandom(spec.seed);
    this.weather = new WorldWeather(spec.weather, spec.seed % 97, spec.utcOffsetMin);
    this.nowMs = spec.startMs;
    this.boilsC = 100 - spec.altitudeM / 300;
    const own = (name: string) => seededRandom(spec.seed + [...name].reduce((sum, letter) => (sum * 33 + letter.charCodeAt(0)) % 1e6, 5));
    for (const meat of spec.meats) {
      const piece: Piece = { meat: new Meat(meat, own(meat.key)), where: { in: 'cold' } };
      if (spec.closeUp) {
        piece.crust = new Crust(Math.exp(0.15 * own(`${meat.key} crust`).normal()));
        if (meat.thinShare !== undefined)
          piece.thin = new Meat({ ...meat, thicknessM: meat.thicknessM * meat.thinShare }, own(`${meat.key} thin`));
      }
      this.meats.set(meat.key, piece);
    }
    for (const fire of spec.fires)
      this.fires.set(
        fire.pitId,
        'kind' in fire ? new HandFire(fire, own(fire.pitId), spec.weather.airC) : new Fire(fire, own(fire.pitId), spec.weather.airC),
      );
  }

  get timeMs(): number {
    return this.nowMs;
  }

  /** Something is done at an instant that is still to come; what lies in the past is done at once. */
  act(atMs: number, deed: WorldDeed): void {
    this.waiting.push({ atMs: Math.max(atMs, this.nowMs), deed });
    this.waiting.sort((a, b) => a.atMs - b.atMs);
  }

  /** Lives on to an instant, and tells what the hub sent on the way. */
  advanceTo(untilMs: number): RawReading[] {
    const readings: RawReading[] = [];
    while (this.nowMs + STEP_S * 1000 <= untilMs) {
      while (this.waiting[0] && this.waiting[0].atMs <= this.nowMs) this.do(this.waiting.shift()!.deed);
      this.step();
      this.nowMs += STEP_S * 1000;
      this.sample(readings);
    }
    return readings;
  }

  private do(deed: WorldDeed): void {
    if ('pitId' in deed && deed.pitId !== undefined && !('key' in deed) && deed.did !== 'channel') {
      const fire = this.fires.get(deed.pitId);
      if (!fire) return;
      if (fire instanceof HandFire) return doByHand(fire, deed);
      if (!(fire instanceof Fire)) return;
      if (deed.did === 'wood') fire.wood();
      if (deed.did === 'lit') fire.light(deed.pitC);
      else if (deed.did === 'setPoint') fire.setTo(deed.pitC);
      else if (deed.did === 'fuelled') fire.reload();
      else if (deed.did === 'opened') fire.open();
      else if (deed.did === 'out') fire.out();
      return;
    }
    if (deed.did === 'channel') {
      const name = deed.channel;
      const luck = seededRandom(this.spec.seed * 7 + name.length * 131 + name.charCodeAt(0));
      const before = this.sensors.get(name);
      this.sensors.set(name, {
        core: before?.core ?? new Sensor('core', luck),
        air: before?.air ?? new Sensor('air', luck),
        key: deed.key,
        pitId: deed.pitId,
      });
      return;
    }
    if (!('key' in deed) || deed.key === undefined) return;
    const piece = this.meats.get(deed.key);
    if (!piece) return;
    const opens = (pitId: string | undefined) => pitId !== undefined && this.fires.get(pitId)?.open();
    const inPit = piece.where.in === 'pit' ? piece.where.pitId : undefined;
    if (deed.did === 'on' || deed.did === 'moved') {
      opens(inPit);
      piece.where = { in: 'pit', pitId: deed.pitId };
      opens(deed.pitId);
    } else if (deed.did === 'wrapped') {
      piece.meat.wrap = deed.wrap;
      if (piece.thin) piece.thin.wrap = deed.wrap;
      opens(inPit);
    } else if (deed.did === 'unwrapped') {
      piece.meat.wrap = 'none';
      if (piece.thin) piece.thin.wrap = 'none';
      opens(inPit);
    } else if (deed.did === 'pulled') {
      opens(inPit);
      piece.where = { in: 'board', sinceMs: this.nowMs };
    } else if (deed.did === 'sprayed') {
      opens(inPit);
      piece.crust?.spray();
    } else if (deed.did === 'shielded') {
      opens(inPit);
      if (piece.thin) piece.thin.wrap = 'foil';
    } else if (deed.did === 'boxed') piece.where = { in: 'box', sinceMs: this.nowMs };
    else if (deed.did === 'warmed') piece.where = { in: 'warmer', sinceMs: this.nowMs };
    else piece.where = { in: 'gone' };
  }

  private step(): void {
    const now = this.weatherNow;
    const taken = new Map<string, number>();
    for (const { meat, where, crust, thin } of this.meats.values()) {
      if (where.in === 'cold' || where.in === 'gone') continue;
      if (where.in === 'pit') {
        const fire = this.fires.get(where.pitId);
        const draught = fire?.feedsItself ? 1.05 : 1;
        const airC = fire?.airC ?? now.airC;
        const tookW = meat.step(STEP_S, airC, draught, this.boilsC);
        thin?.step(STEP_S, airC, draught, this.boilsC);
        this.browns(meat, crust, fire?.smoke);
        taken.set(where.pitId, (taken.get(where.pitId) ?? 0) + tookW);
      } else {
        const hours = (this.nowMs - where.sinceMs) / 3_600_000;
        const airC = where.in === 'warmer' ? 63 : where.in === 'box' ? 20 + 48 * Math.exp(-hours / 15) : 20;
        const draught = where.in === 'board' ? ROOM_DRAUGHT : 0.5;
        meat.step(STEP_S, airC, draught, this.boilsC);
        thin?.step(STEP_S, airC, draught, this.boilsC);
        this.browns(meat, crust, undefined);
      }
    }
    for (const [pitId, fire] of this.fires) {
      const own = (this.spec.faults ?? []).filter((fault) => 'pitId' in fault && fault.pitId === pitId && this.within(fault));
      const gauge = own.find((fault) => fault.kind === 'gauge');
      const lifted = own.some((fault) => fault.kind === 'lidOpen');
      if (fire instanceof Fire) {
        // Wet wood: whatever is put on does not burn.
        if (own.some((fault) => fault.kind === 'fireFails')) fire.fuel = Math.min(fire.fuel, 0.03);
        if (lifted) fire.airC -= 0.9;
        fire.gaugeFaultC = gauge?.offC ?? 0;
      } else if (fire instanceof HandFire) {
        if (lifted) fire.open();
        fire.gaugeFaultC = gauge?.offC ?? 0;
      }
      fire.step(STEP_S, now, taken.get(pitId) ?? 0, own.some((fault) => fault.kind === 'flare') ? FLARE_W : 0);
    }
  }

  private browns({ surfaceC, lostKg, spec, wrap }: Meat, crust: Crust | undefined, smoke: PitFire['smoke'] | undefined): void {
    crust?.step(STEP_S, { surfaceC, lostShare: lostKg / spec.massKg, wrap, smoke });
  }

  /** The weather as it comes, with the wind and rain that were told to come. */
  get weatherNow(): WeatherNow {
    const now = this.weather.now(this.nowMs);
    const [wind, rain] = (['wind', 'rain'] as const).map((kind) =>
      this.spec.faults?.find((fault) => fault.kind === kind && this.within(fault)),
    );
    return {
      ...now,
      windMPerS: wind?.kind === 'wind' ? Math.max(now.windMPerS, wind.mPerS) : now.windMPerS,
      raining: now.raining || rain !== undefined,
    };
  }

  private within({ fromMs, toMs }: { fromMs: number; toMs: number }): boolean {
    return this.nowMs >= fromMs && this.nowMs < toMs;
  }

  /** Where a hub sends more often than the world steps, what it feels in between is the same, and its noise is not. */
  private sample(readings: RawReading[]): void {
    const { everyS, deviceId, startMs, faults = [] } = this.spec;
    const sinceS = (this.nowMs - startMs) / 1000;
    const times = everyS >= STEP_S ? (sinceS % everyS < STEP_S ? 1 : 0) : Math.round(STEP_S / everyS);
    const now = this.weatherNow;
    for (const [channel, { core, air, key, pitId }] of this.sensors) {
      const fault = faults.find((each) => each.kind === 'probe' && each.channel === channel && this.within(each));
      const piece = key === undefined ? undefined : this.meats.get(key);
      const where = piece?.where;
      const airC = this.fires.get(pitId ?? (where?.in === 'pit' ? where.pitId : ''))?.airC ?? now.airC;
      const around = { coreC: piece?.meat.coreC ?? airC, atC: (depth: number) => piece?.meat.atC(depth) ?? airC, airC };
      for (let i = 0; i < times; i++) {
        const atMs = this.nowMs - STEP_S * 1000 + Math.round(((i + 1) * STEP_S * 1000) / times);
        const seconds = times > 1 ? everyS : Math.max(everyS, STEP_S);
        const tempC = (key === undefined ? air : core).read(
          atMs / 1000,
          seconds,
          around,
          fault?.kind === 'probe' ? fault.fault : undefined,
        );
        if (tempC !== undefined) readings.push({ deviceId, channel, atMs, tempC });
      }
    }
  }

  /** What a hand would feel, and truly is: for the crew that is simulated, and for tests. */
  truth(key: string): { coreC: number; tenderShare: number; airC: number; lostShare: number } | undefined {
    const piece = this.meats.get(key);
    if (!piece) return undefined;
    const { meat, where } = piece;
    const airC = where.in === 'pit' ? (this.fires.get(where.pitId)?.airC ?? 0) : 0;
    return { coreC: meat.coreC, tenderShare: meat.tenderShare, airC, lostShare: meat.lostKg / meat.spec.massKg };
  }
  /** A piece as it truly is, outside and in; `thin` is its thin end, where it has one and somebody looks. */
  closeUp(key: string): CloseUp | undefined {
    const piece = this.meats.get(key);
    if (!piece) return undefined;
    const { meat, where, crust, thin } = piece;
    return {
      where: where.in,
      coreC: meat.coreC,
      surfaceC: meat.surfaceC,
      atC: (depth) => meat.atC(depth),
      wrap: meat.wrap,
      tenderShare: meat.tenderShare,
      lostShare: meat.lostKg / meat.spec.massKg,
      crust: crust ?? new Crust(1),
      thin: thin && { coreC: thin.coreC, tenderShare: thin.soft / TENDER_SOFT, lostShare: thin.lostKg / thin.spec.massKg },
    };
  }
  fire(pitId: string): PitFire | undefined {
    return this.fires.get(pitId);
  }
  pitC(pitId: string): number | undefined {
    return this.fires.get(pitId)?.airC;
  }
  fuel(pitId: string): number | undefined {
    const fire = this.fires.get(pitId);
    return fire instanceof Fire ? fire.fuel : undefined;
  }
  vent(pitId: string): number | undefined {
    return this.fires.get(pitId)?.vent;
  }
}
