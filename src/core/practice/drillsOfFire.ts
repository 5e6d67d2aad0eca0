import type { PitKind } from '../model';
import { seededRandom } from '../numerics';
import { MS_PER_MIN } from '../units';
import { HandFire, smokeWord } from '../world';
import type { PracticeDeed } from './deed';
import { CALM, questionId, type DrillQuestion } from './drill';
import { scenarioIn } from './scenarios';
import { begin } from './steadyHand';

/** How a fire was brought to smoke as it does. */
const FIRES: { code: string; kind: PitKind; make(fire: HandFire, run: (minutes: number) => void): void; flareW?: number }[] = [
  { code: 'cleanSplit', kind: 'offset', make: (fire, run) => (fire.vents(0.45, 0.9), run(26), fire.wood(1.1, 0.16, true), run(9)) },
  { code: 'wetSplit', kind: 'offset', make: (fire, run) => (fire.wood(1.1, 0.4, false), run(5)) },
  { code: 'coalsOnly', kind: 'kettle', make: (_, run) => run(25) },
  {
    code: 'choked',
    kind: 'offset',
    make: (fire, run) => (fire.wood(1.1, 0.16, true), fire.wood(1.1, 0.16, true), run(6), fire.vents(0.05, 0.3), run(4)),
  },
  { code: 'freshCoals', kind: 'bullet', make: (fire, run) => (run(10), fire.coals(1.2, false), run(2)) },
  { code: 'greaseFlare', kind: 'drum', make: (_, run) => run(4), flareW: 5200 },
  { code: 'cleanChunk', kind: 'kettle', make: (fire, run) => (run(5), fire.wood(0.12, 0.12, true), run(7)) },
  { code: 'coldSplit', kind: 'offset', make: (fire, run) => (fire.wood(1.1, 0.18, false), run(3)) },
];

/** What comes out of the stack, and what it is called. */
export function smokeQuestion(n: number): DrillQuestion {
  const { code, kind, make, flareW = 0 } = FIRES[n % FIRES.length]!;
  const fire = new HandFire({ pitId: 'pit', kind, openingDropC: 18, gaugeOffsetC: 0 }, seededRandom(40 + n), CALM.airC);
  fire.readyAt(121);
  make(fire, (minutes) => {
    for (let i = 0; i < minutes * 6; i++) fire.step(10, CALM, 150, flareW);
  });
  return {
    id: questionId('smoke', n),
    set: 'smoke',
    scene: { kind: 'smoke', smoke: fire.smoke, pit: kind },
    choices: ['none', 'blue', 'grey', 'white', 'black'],
    right: [smokeWord(fire.smoke)],
    why: { code },
  };
}

type NightAct = { choice: string; deeds: PracticeDeed[] };
const PIT = 'pit';
const NIGHT_ACTS: NightAct[] = [
  { choice: 'openBottom', deeds: [{ kind: 'vents', pitId: PIT, bottom: 0.6, top: 1 }] },
  { choice: 'closeBottom', deeds: [{ kind: 'vents', pitId: PIT, bottom: 0.12, top: 0.6 }] },
  { choice: 'litCoals', deeds: [{ kind: 'coals', pitId: PIT, lit: true }] },
  { choice: 'clearAsh', deeds: [{ kind: 'ash', pitId: PIT }] },
  { choice: 'nothing', deeds: [] },
];

/** What a night fire is like, and how it was brought there. */
const NIGHTS: { code: string; set(fire: HandFire): void; minutes: number }[] = [
  { code: 'coalsGone', set: (fire) => (fire.burnedDownTo(0.12), fire.vents(0.5, 0.9)), minutes: 14 },
  { code: 'choked', set: (fire) => fire.vents(0.08, 0.6), minutes: 25 },
  { code: 'runsAway', set: (fire) => fire.vents(0.75, 1), minutes: 14 },
  { code: 'steady', set: (fire) => fire.vents(0.37, 0.7), minutes: 12 },
  { code: 'ashes', set: (fire) => (fire.filledWithAsh(), fire.vents(0.45, 0.8)), minutes: 30 },
  { code: 'coalsGone', set: (fire) => (fire.burnedDownTo(0.2), fire.vents(0.5, 1)), minutes: 24 },
  { code: 'wobbles', set: (fire) => fire.vents(0.34, 0.66), minutes: 6 },
  { code: 'choked', set: (fire) => fire.vents(0.3, 0.1), minutes: 30 },
];
const LOOKED_AT_MIN = 60;

/** What to do at ten past four: each thing done, and an hour lived with nothing else. */
export function fourAmQuestion(n: number): DrillQuestion {
  const night = NIGHTS[n % NIGHTS.length]!;
  const { coalsLeftKg: _few, untendedMin: _left, ...quiet } = scenarioIn('three-in-the-morning')!;
  const day = begin({ ...quiet, troubles: [] }, 30 + n);
  const fire = day.fire(PIT)!;
  const wishC = day.wishC(PIT);
  const wasC = fire.gaugeC;
  night.set(fire);
  day.advanceTo(day.nowMs + night.minutes * MS_PER_MIN);
  const strays = NIGHT_ACTS.map(({ choice, deeds }) => {
    const tried = day.fork();
    tried.chimneyAtMs[PIT] = 0;
    for (const deed of deeds) tried.do(deed);
    let [sum, minutes] = [0, 0];
    while (minutes < LOOKED_AT_MIN) {
      tried.advanceTo(tried.nowMs + MS_PER_MIN);
      sum += Math.abs(tried.fire(PIT)!.airC - wishC);
      minutes++;
    }
    return { choice, offC: sum / minutes };
  });
  // Where doing nothing is as good as anything, nothing is done.
  const best = strays.reduce((least, each) =>
    each.offC < least.offC - 0.5 || (each.choice === 'nothing' && each.offC < least.offC + 2.5) ? each : least,
  );
  return {
    id: questionId('fourAm', n),
    set: 'fourAm',
    scene: {
      kind: 'fire',
      pit: fire.spec.kind,
      gaugeC: fire.gaugeC,
      wasC,
      wishC,
      litKg: fire.litKg,
      unlitKg: fire.unlitKg,
      bottom: fire.bottom,
      top: fire.top,
      smoke: fire.smoke,
      ashFull: fire.ashFull,
    },
    choices: NIGHT_ACTS.map(({ choice }) => choice),
    right: [best.choice],
    why: { code: `night.${best.choice}`, values: strays.map(({ offC }) => Math.round(offC)) },
  };
}
