import { cookSetup, runCook, SHIPPED_PARAMETERS, type LoggedCook, type ModelParameters, type ParameterSet } from '../../core/forecast';
import { FIGURE, figureName, type FigureKey } from '../../core/learn';
import { findCut, METHODS, type Method, type PitKind } from '../../core/model';
import { seededRandom, seedOfName, type Random } from '../../core/numerics';

/** A kitchen as it truly is, hidden from whoever learns of it: its air, its pits' gauges, its idea of tender, its luck. */
export interface HiddenKitchen {
  seed: number;
  parameters: ParameterSet;
  /** How much later (above 1) its cooks call meat tender. */
  tender: number;
}

/** How strangers' kitchens differ (log-sds; the pit's gauge in C), and one cook from the next in one kitchen. */
const KITCHENS = Object.freeze({ film: 0.25, radiation: 0.2, wet: 0.25, tender: 0.2, cut: 0.09, cutTender: 0.14, method: 0.05, gaugeC: 6 });
const COOKS = Object.freeze({ pitC: 3, thick: 0.06, tender: 0.12, startC: 1.2, wild: 0.03 });
const GRID_CELLS = 20;

export function hiddenKitchen(seed: number): HiddenKitchen {
  const random = seededRandom(seed);
  const times = (sdLog: number) => Math.exp(sdLog * random.normal());
  const { global } = SHIPPED_PARAMETERS;
  const differ: Partial<ModelParameters> = {
    filmWPerM2K: global.filmWPerM2K * times(KITCHENS.film),
    radiationFactor: global.radiationFactor * times(KITCHENS.radiation),
    wetShare: global.wetShare * times(KITCHENS.wet),
  };
  return { seed, parameters: { ...SHIPPED_PARAMETERS, global: { ...global, ...differ } }, tender: times(KITCHENS.tender) };
}

/** What one kitchen has of one cut, pit or method: always the same for its name. */
const lasting = (kitchen: Pick<HiddenKitchen, 'seed'>, name: string): Random => seededRandom(kitchen.seed + seedOfName(name));

export interface KitchenCook {
  id: string;
  cutId: string;
  methodId: string;
  massKg: number;
  pit: { id: string; kind: PitKind };
  pitC: number;
  airC: number;
  altitudeM: number;
}

/** A log tells a core or a time; by the bark there is only the time. */
const wrapAsLogged = ({ wrap, wrapWhen }: Method, wrapAtMin: number | undefined): LoggedCook['wrapWhen'] =>
  wrap === 'none'
    ? {}
    : wrapWhen.coreC !== undefined
      ? { coreC: wrapWhen.coreC }
      : { afterMin: wrapWhen.afterMin ?? Math.round(wrapAtMin ?? 0) };

/** A cook as it went there: told with the grate's heat by the owner's own gauge. Undefined where it was never done. */
export function cookIn(kitchen: HiddenKitchen, asked: KitchenCook, luck: Random): LoggedCook | undefined {
  const cut = findCut(asked.cutId)!;
  const method = METHODS.find((each) => each.id === asked.methodId)!;
  const gaugeC = KITCHENS.gaugeC * lasting(kitchen, `pit/${asked.pit.id}`).normal();
  const ofCut = lasting(kitchen, `cut/${cut.id}`);
  const [thick, soft] = [Math.exp(KITCHENS.cut * ofCut.normal()), Math.exp(KITCHENS.cutTender * ofCut.normal())];
  const ofMethod = Math.exp(KITCHENS.method * lasting(kitchen, `method/${method.id}`).normal());
  const startC = Math.max(1, 4 + COOKS.startC * luck.normal());
  const pitC = asked.pitC + gaugeC + COOKS.pitC * luck.normal();
  const planned = cookSetup(cut, { massKg: asked.massKg, startC }, method, kitchen.parameters, {
    pit: { steps: [{ fromMin: 0, pitC }], openingDropC: 0, recoverMin: 0 },
    pitKind: asked.pit.kind,
    altitudeM: asked.altitudeM,
    roomC: asked.airC,
  });
  const cook = runCook(
    {
      ...planned,
      pace: planned.pace * ofMethod,
      softeningH: planned.softeningH * kitchen.tender * soft * Math.exp(COOKS.tender * luck.normal()),
      body: { ...planned.body, halfThicknessM: planned.body.halfThicknessM * thick * Math.exp(COOKS.thick * luck.normal()) },
    },
    kitchen.parameters,
    { cells: GRID_CELLS },
  );
  if (cook.status === 'never') return undefined;
  // Rain in the chimney, a fire that went out, a weight written down wrong.
  const astray = luck.uniform() < COOKS.wild ? 1.35 + 0.3 * luck.uniform() : 1;
  const hours = Number(((cook.doneAtMin * astray) / 60).toFixed(2));
  return {
    id: asked.id,
    cutId: cut.id,
    pitId: asked.pit.id,
    methodId: method.id,
    massKg: asked.massKg,
    startC: Number(startC.toFixed(1)),
    pitSteps: [{ fromMin: 0, pitC: asked.pitC }],
    pitKind: asked.pit.kind,
    altitudeM: asked.altitudeM,
    airC: asked.airC,
    wrap: method.wrap,
    wrapWhen: wrapAsLogged(method, cook.wrapAtMin),
    done: cut.done.by === 'tender' ? { by: 'tender' } : { by: 'probe', coreC: cook.doneCoreC },
    observedH: hours,
    observedFinalC: Number(cook.doneCoreC.toFixed(1)),
  };
}

/** What such a kitchen cooks: cut, methods, kg, heat. */
const KINDS = [
  ['brisket-whole', ['middle-paper', 'low-bare'], 5.5, 121],
  ['pork-butt', ['low-foil', 'low-bare', 'middle-paper'], 3.6, 121],
  ['spare-ribs-squared', ['ribs-bare'], 1.2, 121],
  ['chicken-half', ['poultry-hot'], 1, 149],
  ['beef-chuck-roast', ['middle-paper'], 1.7, 125],
] as const;
const PITS = [
  { id: 'trailer', kind: 'offset' },
  { id: 'cabinet', kind: 'cabinet' },
] as const;

/** The first cooks of a hidden kitchen, whatever it happened to cook, in two pits. */
export function cooksOfKitchen(seed: number, count: number): LoggedCook[] {
  const kitchen = hiddenKitchen(seed);
  const luck = seededRandom(seed + 1);
  const cooks: LoggedCook[] = [];
  for (let i = 0; cooks.length < count; i++) {
    const [cutId, methods, kg, pitC] = KINDS[Math.floor(luck.uniform() * KINDS.length)]!;
    const methodId = methods[Math.floor(luck.uniform() * methods.length)]!;
    const massKg = Number((kg * (0.85 + 0.3 * luck.uniform())).toFixed(2));
    const pit = PITS[Math.floor(luck.uniform() * PITS.length)]!;
    const cook = cookIn(kitchen, { id: `c${i}`, cutId, methodId, massKg, pit, pitC, airC: 14, altitudeM: 20 }, luck);
    if (cook) cooks.push(cook);
  }
  return cooks;
}

/** What so many days of a hidden kitchen measure of one of its figures, of which owners think `inUse`: its own truth, and each day's chance. */
export function measuredDays(seed: number, figure: FigureKey, inUse: number, days: number): { truth: number; values: number[] } {
  const { scale, priorSd, daySd, from, to } = FIGURE[figureName(figure)!.kind];
  const random = lasting({ seed }, `figure/${figure}`);
  const off = (about: number, sd: number) =>
    Math.min(to, Math.max(from, scale === 'ratio' ? about * Math.exp(sd * random.normal()) : about + sd * random.normal()));
  const truth = off(inUse, priorSd);
  return { truth, values: Array.from({ length: days }, () => off(truth, daySd)) };
}
