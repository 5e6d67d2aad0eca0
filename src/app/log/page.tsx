import { dayAndTime } from '../../formats/clock';
import { figureName, isWritten } from '../../core/learn';
import { figureWords, measurable } from '../../formats/messages/figures';
import { capital } from '../../formats/messages/names';
import { context as openContext } from '../../runtime/context';
import { listEquipment, listEvents, readFigures, readLearning, readLibrary, readLog, readMadeFires } from '../../services';
import { LogPage } from '../../ui/log/LogPage.client';
import type { LogRow } from '../../ui/log/logRow';
import { SiteHeader } from '../../ui/shell/Header';
import {
  attachCurve,
  bringCookBack,
  guessLog,
  importCooks,
  putFigureBack,
  putFiresBack,
  putKitchenBack,
  saveCookWords,
  takeCookOut,
  takeFigure,
  takeFire,
  takeKitchen,
  takeMeasureOut,
  typeCook,
  writeMeasure,
} from '../actions';
import { preferences } from '../preferences';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cook log' };

/** Every cook of the house, and what they teach. */
export default async function Page() {
  const context = await openContext();
  const { library } = await readLibrary(context);
  const equipment = await listEquipment(context);
  const { pits } = equipment;
  const eventNames = new Map((await listEvents(context)).map(({ id, name }) => [id, `, ${name}`]));
  const { units } = await preferences();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const nameIn = (list: readonly { id: string; name: string }[], id: string | undefined) =>
    id === undefined ? undefined : (list.find((each) => each.id === id)?.name ?? id);
  const log = await readLog(context);
  const rows = log.map(({ cook: closed, log }): LogRow => {
    const { cook, times } = closed;
    return {
      id: closed.id,
      cut: capital(nameIn(library.cuts, cook.cutId)!),
      pit: nameIn(pits, cook.pitId),
      method: nameIn(library.methods, cook.methodId),
      event: closed.eventName,
      onMs: closed.onMs,
      massKg: cook.massKg,
      pitC: cook.pitSteps[0]!.pitC,
      wrap: cook.wrap,
      wrapAtMin: cook.wrapWhen.afterMin,
      wrapCoreC: closed.wrapCoreC ?? cook.wrapWhen.coreC,
      finalC: cook.observedFinalC,
      feel: closed.feel,
      lidOpenings: closed.lidOpenings,
      slicedCoreC: closed.slicedCoreC,
      windMPerS: closed.windMPerS,
      yieldShare: closed.yieldShare,
      leftKg: closed.leftKg,
      fuelKg: closed.fuelKg,
      costPerKg: closed.costPerKg,
      hasCurve: closed.curve !== undefined,
      hours: cook.observedH,
      toldMin: times?.toldMin,
      plannedOnMs: times?.plannedOnMs,
      ratio: log === undefined ? undefined : Math.exp(log),
      words: closed.words,
    };
  });
  const { paces, calibration, servings, taken, isNew } = await readLearning(context, log);
  const named = <T extends { id: string }>(list: T[], names: readonly { id: string; name: string }[]) =>
    list.map((each) => ({ ...each, name: capital(nameIn(names, each.id)!) }));
  const missesOf = (means: typeof calibration.byCut, names: readonly { id: string; name: string }[]) =>
    Object.entries(means).map(([id, mean]) => ({ ...mean, name: capital(nameIn(names, id)!) }));
  const ground = { equipment, library, units };
  const wordsOf = (figure: string) => figureWords(figureName(figure)!, ground);
  const all = measurable(ground);
  const found = (await readFigures(context)).sort((a, b) => all.indexOf(a.figure) - all.indexOf(b.figure));
  const figures = found.map(({ measures, ...each }) => ({
    ...each,
    ...wordsOf(each.figure),
    measures: measures.map(({ id, atMs, value, readings, source, eventId }) => ({
      id,
      atMs,
      value,
      readings,
      from: { typed: 'written down', scale: 'on the scale', day: 'on the day' }[source] + (eventNames.get(eventId ?? '') ?? ''),
      isTyped: source === 'typed',
    })),
  }));
  const fires = (await readMadeFires(context)).map((fire) => {
    const pit = pits.find(({ id }) => id === fire.pitId);
    return {
      ...fire,
      pit: pit?.name ?? fire.pitId,
      event: (eventNames.get(fire.eventId) ?? '').replace(/^, /, ''),
      inUse: pit !== undefined && isWritten(pit, fire.recipe),
      isGone: pit === undefined,
    };
  });
  return (
    <>
      <SiteHeader here="log" />
      <LogPage
        rows={rows}
        zone={zone}
        kitchen={{
          cuts: named(paces.cuts, library.cuts),
          pits: named(paces.pits, pits),
          methods: named(paces.methods, library.methods),
          calibration,
          misses: [...missesOf(calibration.byCut, library.cuts), ...missesOf(calibration.byPit, pits)],
          taken: taken && { cooks: taken.cooks, when: dayAndTime(taken.takenAtMs, zone, units.clock) },
          isNew,
          takeKitchen,
          putKitchenBack,
        }}
        servings={servings.map((each) => ({ ...each, when: dayAndTime(each.plannedCarveMs, zone, units.clock) }))}
        figures={{
          figures,
          measurable: all.map((figure) => ({ figure, ...wordsOf(figure) })),
          takeFigure,
          putFigureBack,
          writeMeasure,
          takeMeasureOut,
        }}
        fires={{ fires, takeFire, putFiresBack }}
        saveCookWords={saveCookWords}
        takeCookOut={takeCookOut}
        bringCookBack={bringCookBack}
        importCooks={importCooks}
        typeCook={typeCook}
        attaching={{ guessLog, attachCurve }}
        cuts={library.cuts.map(({ id, name }) => [id, capital(name)] as const)}
        pits={pits.map(({ id, name }) => [id, name] as const)}
      />
    </>
  );
}
