import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { CUTS, METHODS, RECIPES } from '../../src/core/model';
import { eventFileOf, writeEventFile, writeEventFileV1 } from '../../src/formats/open';
import { SHIPPED_LIBRARY } from '../../src/core/model';
import { batchOf, BOX, eventOf, OFFSET, SUPPER_MS } from '../fixtures/events';
import { supperFile } from '../fixtures/supper';

/** Every door of the program, found by walking the code: a new one has to be told here, or the walk fails. */

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const file = () =>
  writeEventFile(
    eventFileOf(
      eventOf([batchOf('brisket-whole', 2), batchOf('chicken-half', 4)], { pitIds: [OFFSET.id], boxIds: [BOX.id] }),
      { equipment: { pits: [OFFSET], boxes: [BOX], warmers: [], probes: [], crew: [] }, library: SHIPPED_LIBRARY },
      SUPPER_MS - 86_400_000 * 3,
    ),
  );

/** What each action takes when it is right. `EVENT` stands for an event that is there. */
export const ACTIONS: Record<string, unknown> = {
  createEvent: { name: 'Hostile', place: 'Here', timeZone: 'America/Halifax', date: '2027-07-15', time: '18:00', adults: 40, children: 2 },
  duplicateEvent: { eventId: 'EVENT' },
  renameEvent: { eventId: 'EVENT', name: 'Renamed' },
  deleteEvent: { eventId: 'EVENT' },
  restoreEvent: { eventId: 'EVENT' },
  importEvent: { text: 'FILE' },
  readPlanFile: { eventId: 'EVENT', text: 'PLAN' },
  savePit: plain({ ...OFFSET, id: 'hostile-pit' }),
  saveBox: plain({ ...BOX, id: 'hostile-box' }),
  saveWarmer: { id: 'hostile-warmer', name: 'Warmer', kind: 'warmer', slots: 8, setC: 65 },
  saveProbe: { id: 'hostile-probe', name: 'Probe', channels: 2, iceC: 0.2, boilC: 99.8, altitudeM: 20 },
  saveCrew: { id: 'hostile-crew', name: 'Ann', drives: true },
  putGearAway: { kind: 'pit', id: 'hostile-pit' },
  bringGearBack: { kind: 'pit', id: 'hostile-pit' },
  addSet: { id: 'nobody' },
  saveCut: plain({ ...CUTS[0]!, id: 'hostile-cut' }),
  saveMethod: plain({ ...METHODS[0]!, id: 'hostile-method', pitRangeC: [110, 130], pitC: 121 }),
  saveRecipe: plain({ ...RECIPES[0]!, id: 'hostile-recipe' }),
  restoreEntry: { kind: 'cut', id: 'hostile-cut' },
  startDay: { eventId: 'EVENT', by: 'Ann' },
  setDaySpeed: { eventId: 'EVENT', speed: 10, forMin: 10 },
  takeMachineTime: {},
  guessLog: { text: 'Time,A\n2027-06-19 05:00,250\n' },
  importLog: {
    eventId: 'EVENT',
    deviceId: 'Box',
    text: 'Time,A\n2026-06-19 05:00,250\n',
    columns: { time: 'Time', temps: ['A'], unit: 'F' },
  },
  saveDaySettings: { brokerUrl: '', topic: 'anachron', escalateMin: 10, hotHoldEveryMin: 120 },
  makeToken: { name: 'Kettle' },
  endToken: { id: 'nobody' },
  makeCopy: {},
  previewCopy: { name: 'copy-2026-06-19T050000.sqlite' },
  putCopyBack: { name: 'copy-2026-06-19T050000.sqlite' },
  saveCookWords: { id: 'nobody', verdict: { bark: 'right' }, notes: 'x', nextTime: 'y' },
  takeCookOut: { id: 'nobody' },
  bringCookBack: { id: 'nobody' },
  importCooks: { text: 'cook_id,cut,piece_lb,pit_f,done,hours\nx,pork-butt,8,250,tender,11\n' },
  typeCook: { cutId: 'pork-butt', massKg: 3.5, pitC: 121, wrap: 'none', hours: 11, nextTime: '' },
  attachCurve: { id: 'nobody', text: 'Time,A\n2026-06-19 05:00,250\n', columns: { time: 'Time', temps: ['A'], unit: 'F' } },
  takeFigure: { figure: 'gauge/trailer/low' },
  putFigureBack: { figure: 'gauge/trailer/low' },
  takeFire: { id: 'nobody/trailer' },
  putFiresBack: { pitId: 'trailer', fires: [{ pitC: 121, wood: 'oak' }] },
  writeMeasure: { figure: 'gauge/trailer/low', value: 4, date: '2026-05-01' },
  takeMeasureOut: { id: 'typed/x' },
  planTrial: {
    name: 'Two rubs',
    kind: 'rubs',
    first: 'Salt',
    second: 'Kelp',
    eventId: 'EVENT',
    batchId: 'nobody',
    tasters: 8,
    traits: ['bark', 'taste'],
  },
  takeTrialOut: { id: 'nobody' },
  bringTrialBack: { id: 'nobody' },
  takePaperOut: { id: 'nobody', paper: 1 },
  takeKitchen: {},
  putKitchenBack: {},
  openYard: { joinsAs: 'helper' },
  closeYard: {},
  setMemberRole: { id: 'nobody', role: 'cook' },
  putOut: { id: 'nobody' },
};

/** An entry of a day, and readings, as they are sent; to be spoilt. */
export const ENTRIES = (eventId: string) => ({
  eventId,
  entries: [
    { id: 'hostile-1', atMs: Date.now(), by: 'Ann', deed: { kind: 'reading', piece: 'pilot-pork/pork-1', spot: 'thickest', coreC: 71.5 } },
    {
      id: 'hostile-2',
      atMs: Date.now(),
      by: 'Ann',
      deed: { kind: 'revision', lever: 'x', reason: 'y', changes: [{ what: 'setPoint', pitId: 'trailer', pitC: 130 }] },
    },
  ],
});
export const READINGS = { readings: [{ channel: '1', c: 63.2, at: '2026-06-19T05:00:00Z' }] };

/** Files as text, right and to be spoilt. */
export const FILES = {
  v1: () => writeEventFileV1(supperFile()),
  v2: file,
  plan: () => readFileSync('docs/formats/plan.example.json', 'utf8'),
};

/** How each route is asked; `edits` is asked on its own. */
export const ROUTES: Record<string, (eventId: string) => string[]> = {
  ready: () => ['/ready'],
  'events/[eventId]/file/[kind]': (id) => [`/events/${id}/file/event`, `/events/${id}/file/plan`, `/events/${id}/file/other`],
  'events/[eventId]/buying/csv': (id) => [`/events/${id}/buying/csv`],
  'events/[eventId]/edits': (id) => [`/events/${id}/edits`],
  'events/[eventId]/run-sheet/csv': (id) => [`/events/${id}/run-sheet/csv`],
  'events/[eventId]/run-sheet/calendar': (id) => [`/events/${id}/run-sheet/calendar`],
  // What streams has no end: only that of a day that is not there is asked for.
  'days/[eventId]/stream': () => ['/days/nobody/stream'],
  'days/[eventId]/state': (id) => [`/days/${id}/state`],
  'days/[eventId]/entries': (id) => [`/days/${id}/entries`],
  'days/[eventId]/curves': (id) => [`/days/${id}/curves`, `/days/${id}/curves?piece=__proto__`, `/days/${id}/curves?piece=%00`],
  'days/[eventId]/safety': (id) => [`/days/${id}/safety`],
  'api/readings': () => ['/api/readings'],
  'log/csv': () => ['/log/csv'],
  'log/curves': () => ['/log/curves', '/log/curves?id=nobody&id=__proto__&id=%00'],
  'yard/tasting/[trialId]/papers': () => ['/yard/tasting/nobody/papers'],
  'practice/papers': () => ['/practice/papers'],
  'settings/copies': () => ['/settings/copies'],
  'settings/house': () => ['/settings/house'],
  'settings/copies/[name]': () => ['/settings/copies/copy-2026-06-19T050000.sqlite', '/settings/copies/..%2f..%2fdemo.sqlite'],
  'join/enter': () => ['/join/enter'],
  'events/[eventId]/racks/svg': (id) => [`/events/${id}/racks/svg`],
};

/** Arguments of each command that must end with a line and a status, never with a stack; `schemas` takes none and writes into docs. */
export const COMMANDS: Record<string, string[][]> = {
  solve: [[], ['nowhere.json'], ['docs'], ['SPOILT'], ['SPOILT', '--iterations', '1e9'], ['SPOILT', '--seed', '-1']],
  predict: [[], ['nowhere.csv'], ['docs'], ['SPOILT']],
  reforecast: [[], ['nowhere.csv', 'nowhere.csv'], ['docs', 'docs'], ['SPOILT', 'SPOILT']],
  backup: [],
  restore: [['nowhere.sqlite'], ['..']],
  learning: [['-1'], ['kelp']],
  fit: [['nowhere.csv'], ['docs']],
  reference: [],
  schemas: [],
};

export const PAGES = ['brief', 'buying', 'prep', 'pits', 'plan', 'racks', 'run-sheet', 'service', 'safety', 'day'];

const below = (folder: string): string[] => readdirSync(folder, { recursive: true, encoding: 'utf8' });

/** Doors in the code that are not told above, and such as are told and are not there. */
export function strangers(): string[] {
  const actions = [...readFileSync('src/app/actions.ts', 'utf8').matchAll(/export (?:const|async function) (\w+)/g)].map(
    ([, name]) => name!,
  );
  const routes = below('src/app')
    .filter((each) => each.endsWith('route.ts'))
    .map((each) => path.dirname(each));
  const commands = below('src/runtime/commands').map((each) => path.basename(each, '.ts'));
  const compare = (what: string, found: string[], told: object) => [
    ...found.filter((each) => !(each in told)).map((each) => `${what} ${each} is not told`),
    ...Object.keys(told)
      .filter((each) => !found.includes(each))
      .map((each) => `${what} ${each} is not there`),
  ];
  return [...compare('action', actions, ACTIONS), ...compare('route', routes, ROUTES), ...compare('command', commands, COMMANDS)];
}

/** Numbers by which the build's pages call their actions. */
export function actionIds(): Map<string, string> {
  const { node } = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
    node: Record<string, { exportedName: string }>;
  };
  return new Map(Object.entries(node).map(([id, { exportedName }]) => [exportedName, id]));
}
