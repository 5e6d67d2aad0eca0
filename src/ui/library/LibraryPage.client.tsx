'use client';
import { Tabs } from 'radix-ui';
import { useState } from 'react';
import {
  CUTS,
  METHODS,
  methodsFor,
  schoolOf,
  type Cut,
  type HeatStep,
  type Library,
  type LibraryList,
  type Method,
} from '../../core/model';
import type { MethodPrices } from '../../core/planning';
import type { CutRecord, MethodRecord } from '../../inputs';
import {
  formatLength,
  formatMass,
  formatMinutes,
  formatSetPoint,
  formatShare,
  formatTemp,
  type Units,
  withFigures,
} from '../../formats/units';
import { COLOUR_WORDS } from '../../formats/messages/colour';
import { readyAt, SCHOOL_NAMES } from '../../formats/messages/method';
import { capital } from '../../formats/messages/names';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Dialog } from '../kit/Dialog';
import { useUnits } from '../kit/UnitsProvider';
import { NeedsRepair, type Unusable } from '../shell/NeedsRepair.client';
import { CutForm } from './CutForm.client';
import { copyOf, plain } from './entries';
import { Entry, EntryList, Facts, grouped, markOf } from './EntryView';
import { PriceOf, Prices } from './Prices';
import { MethodForm } from './MethodForm.client';
import { Words } from './Words';
import { Recipes } from './Recipes.client';

export interface LibraryActions {
  saveCut: Action<{ id: string }>;
  saveMethod: Action<{ id: string }>;
  saveRecipe: Action<{ id: string }>;
  restoreEntry: Action<{ id: string }>;
}

interface LibraryPageProps {
  library: Library;
  prices: MethodPrices;
  own: Record<LibraryList, string[]>;
  unusable: readonly Unusable[];
  actions: LibraryActions;
}

const PURPOSES: Record<Method['purpose'], string> = {
  tender: 'Tender cuts',
  ribs: 'Ribs',
  roast: 'Roasts',
  poultry: 'Poultry',
  dish: 'Pan dishes',
};
/** Methods for tender cuts stand by their schools; of the others there are few. */
const groupOf = (method: Method): string => (method.purpose === 'tender' ? SCHOOL_NAMES[schoolOf(method)] : PURPOSES[method.purpose]);

const SPECIES: Record<Cut['species'], string> = {
  beef: 'Beef',
  pork: 'Pork',
  lamb: 'Lamb',
  chicken: 'Chicken',
  turkey: 'Turkey',
  dish: 'Dishes',
};
const tab = 'min-h-9 border-b-[3px] border-transparent px-3 font-semibold data-[state=active]:border-ember';

/** What is cooked and how: the trade's cuts and schools, each to be changed, copied and put back. */
export function LibraryPage({ library, prices, own, unusable, actions }: LibraryPageProps) {
  const [cutId, setCutId] = useState('brisket-whole');
  const [methodId, setMethodId] = useState('low-paper');
  const [cut, setCut] = useState<CutRecord>();
  const [method, setMethod] = useState<MethodRecord>();
  const units = useUnits();
  const shownCut = library.cuts.find((each) => each.id === cutId) ?? library.cuts[0]!;
  const shownMethod = library.methods.find((each) => each.id === methodId) ?? library.methods[0]!;

  const putBack = async (kind: 'cut' | 'method', entry: Cut | Method, shipped: boolean) => {
    const outcome = await callAction(actions.restoreEntry, { kind, id: entry.id });
    if (!outcome.ok) return complain(outcome.problems);
    announce(shipped ? `${capital(entry.name)} is as shipped again.` : `${capital(entry.name)} taken away.`, async () => {
      const again =
        kind === 'cut'
          ? await callAction(actions.saveCut, plain(entry as Cut))
          : await callAction(actions.saveMethod, plain(entry as Method));
      if (!again.ok) complain(again.problems);
    });
  };
  return (
    <main className="mx-auto max-w-6xl px-4 py-5">
      <h1 className="text-2xl">Cuts, methods &amp; recipes</h1>
      <p className="mb-3 text-soft">
        Starting values of the trade. Change them to what you see in your own pits; a changed one can always be put back.
      </p>
      <NeedsRepair entries={unusable} takeWords="Take away" take={actions.restoreEntry} />
      <Tabs.Root defaultValue="methods">
        <Tabs.List aria-label="Methods, cuts or recipes" className="mb-3 flex border-b border-line">
          <Tabs.Trigger value="methods" className={tab}>
            Methods <span className="figures text-soft">{library.methods.length}</span>
          </Tabs.Trigger>
          <Tabs.Trigger value="cuts" className={tab}>
            Cuts <span className="figures text-soft">{library.cuts.length}</span>
          </Tabs.Trigger>
          <Tabs.Trigger value="recipes" className={tab}>
            Recipes <span className="figures text-soft">{library.recipes.length}</span>
          </Tabs.Trigger>
          <Tabs.Trigger value="words" className={tab}>
            Words
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="methods" className="grid gap-4 md:grid-cols-[18rem_1fr]">
          <EntryList groups={grouped(library.methods, groupOf)} chosen={shownMethod.id} own={own.methods} onChoose={setMethodId} />
          <Entry
            name={shownMethod.name}
            mark={markOf(METHODS, own.methods, shownMethod.id)}
            onChange={() => setMethod(plain(shownMethod))}
            onCopy={() => setMethod(copyOf(plain(shownMethod)))}
            onPutBack={
              own.methods.includes(shownMethod.id)
                ? () =>
                    putBack(
                      'method',
                      shownMethod,
                      METHODS.some((each) => each.id === shownMethod.id),
                    )
                : undefined
            }
            shipped={METHODS.some((each) => each.id === shownMethod.id)}
          >
            <p className="max-w-2xl text-[1.05rem]">{withFigures(shownMethod.line, units)}</p>
            {shownMethod.practice && <p className="mt-2 max-w-2xl text-soft">{withFigures(shownMethod.practice, units)}</p>}
            <Facts rows={methodFacts(shownMethod, units)} />
            <Prices method={shownMethod} library={library} prices={prices} />
          </Entry>
        </Tabs.Content>
        <Tabs.Content value="cuts" className="grid gap-4 md:grid-cols-[18rem_1fr]">
          <EntryList
            groups={grouped(library.cuts, (each) => SPECIES[each.species])}
            chosen={shownCut.id}
            own={own.cuts}
            onChoose={setCutId}
          />
          <Entry
            name={capital(shownCut.name)}
            mark={markOf(CUTS, own.cuts, shownCut.id)}
            onChange={() => setCut(plain(shownCut))}
            onCopy={() => setCut(copyOf(plain(shownCut)))}
            onPutBack={
              own.cuts.includes(shownCut.id)
                ? () =>
                    putBack(
                      'cut',
                      shownCut,
                      CUTS.some((each) => each.id === shownCut.id),
                    )
                : undefined
            }
            shipped={CUTS.some((each) => each.id === shownCut.id)}
          >
            <dl className="max-w-2xl space-y-2">
              <div>
                <dt className="text-[0.85rem] text-soft">How to tell it is done</dt>
                <dd className="text-[1.05rem]">{withFigures(shownCut.signs, units)}</dd>
              </div>
              <div>
                <dt className="text-[0.85rem] text-soft">Where the probe goes</dt>
                <dd className="text-[1.05rem]">{withFigures(shownCut.probe, units)}</dd>
              </div>
              {shownCut.carving && (
                <div>
                  <dt className="text-[0.85rem] text-soft">How it is carved</dt>
                  <dd className="text-[1.05rem]">{withFigures(shownCut.carving, units)}</dd>
                </div>
              )}
            </dl>
            <Facts rows={cutFacts(shownCut, units)} />
            <h3 className="mb-1 mt-4 text-[0.95rem]">Methods for it</h3>
            <ul className="max-w-2xl">
              {methodsFor(library, shownCut).map((each) => (
                <li key={each.id} className="border-t border-line py-1">
                  <span className="font-semibold">{each.name}.</span>{' '}
                  <PriceOf method={each} cut={shownCut} library={library} prices={prices} />{' '}
                  <span className="text-soft">{withFigures(each.line, units)}</span>
                </li>
              ))}
            </ul>
          </Entry>
        </Tabs.Content>
        <Tabs.Content value="recipes">
          <Recipes library={library} own={own.recipes} saveRecipe={actions.saveRecipe} restoreEntry={actions.restoreEntry} />
        </Tabs.Content>
        <Tabs.Content value="words">
          <Words />
        </Tabs.Content>
      </Tabs.Root>
      <Dialog open={method !== undefined} onOpenChange={(open) => !open && setMethod(undefined)} title={method?.name ?? 'Method'} wide>
        {method && (
          <MethodForm
            method={method}
            saveMethod={actions.saveMethod}
            onDone={(id) => {
              if (id) setMethodId(id);
              setMethod(undefined);
            }}
          />
        )}
      </Dialog>
      <Dialog open={cut !== undefined} onOpenChange={(open) => !open && setCut(undefined)} title={cut ? capital(cut.name) : 'Cut'} wide>
        {cut && (
          <CutForm
            cut={cut}
            saveCut={actions.saveCut}
            onDone={(id) => {
              if (id) setCutId(id);
              setCut(undefined);
            }}
          />
        )}
      </Dialog>
    </main>
  );
}

const WRAPS = { none: 'never', paper: 'paper', foil: 'foil', pan: 'covered pan' };

function methodFacts(method: Method, units: Units): [string, string][] {
  const { coreC, afterMin, bark, colour = 'usual', all } = method.wrapWhen;
  const whens = [
    coreC !== undefined && `core ${formatTemp(coreC, units)}`,
    afterMin !== undefined && `after ${formatMinutes(afterMin)}`,
    bark && `${COLOUR_WORDS[colour]} bark`,
  ].filter(Boolean);
  return [
    [
      'Pit',
      `${formatSetPoint(method.pitC, units)} (${formatSetPoint(method.pitRangeC[0], units)} to ${formatSetPoint(method.pitRangeC[1], units)})`,
    ],
    ...(method.steps ?? []).map((step): [string, string] => ['Steps', `to ${formatSetPoint(step.pitC, units)} ${stepMoment(step, units)}`]),
    ['Wrap', method.wrap === 'none' ? WRAPS.none : `${WRAPS[method.wrap]}, ${whens.join(all ? ' and ' : ' or ')}`],
    ...(method.unwrapAfterMin === undefined ? [] : [['Unwrapped', `after ${formatMinutes(method.unwrapAfterMin)}`] as [string, string]]),
    ...(method.blocksScale
      ? [['Blocks', `for spare ribs at ${formatSetPoint(method.pitC, units)}; other racks and heats in step`] as [string, string]]
      : []),
    ...(method.spray
      ? [['Sprayed', `from ${formatMinutes(method.spray.fromMin)}, every ${formatMinutes(method.spray.everyMin)}`] as [string, string]]
      : []),
    ...(method.hotFinish
      ? [
          ['Hot finish', `${formatSetPoint(method.hotFinish.pitC, units)} for ${formatMinutes(method.hotFinish.minutes)}`] as [
            string,
            string,
          ],
        ]
      : []),
    ...(method.restWrap ? [['Wrapped at the pull', `${method.restWrap}, to rest and hold`] as [string, string]] : []),
    ['Smoke', method.needsSmoke ? (method.finishOffSmoke ? 'until the wrap' : 'throughout') : 'not needed'],
    [
      'Vent, then rest',
      `${formatMinutes(method.ventMin)}, ${method.restToC === undefined ? formatMinutes(method.restMin) : `to a core of ${formatTemp(method.restToC, units)}`}`,
    ],
    [
      'Hold',
      `${formatMinutes(method.holdIdealMin[0])} to ${formatMinutes(method.holdIdealMin[1])}, at most ${formatMinutes(method.holdMaxMin)}`,
    ],
  ];
}

function stepMoment({ fromMin, fromCoreC, atColour }: HeatStep, units: Units): string {
  if (fromMin !== undefined) return `after ${formatMinutes(fromMin)}`;
  return fromCoreC === undefined ? `at a ${COLOUR_WORDS[atColour ?? 'usual']} bark` : `at a core of ${formatTemp(fromCoreC, units)}`;
}

function cutFacts(cut: Cut, units: Units): [string, string][] {
  return [
    ['Bought', `${formatMass(cut.typicalBoughtKg[0], units)} to ${formatMass(cut.typicalBoughtKg[1], units)}`],
    ['Size', `${formatLength(cut.lengthMm, units)} × ${formatLength(cut.widthMm, units)} × ${formatLength(cut.thicknessMm, units)}`],
    ['Trim', formatShare(cut.trimShare)],
    ['Yield', formatShare(cut.yieldShare)],
    ['Done', readyAt(cut, units)],
    ...(cut.done.by === 'tender'
      ? []
      : [['Usually pulled', `${formatTemp(cut.pulledAtC[0], units)} to ${formatTemp(cut.pulledAtC[1], units)}`] as [string, string]]),
    ...(cut.thinEnd
      ? [
          ['Thin end', `${formatShare(cut.thinEnd.thicknessShare)} as thick, ${formatShare(cut.thinEnd.weightShare)} of the weight`] as [
            string,
            string,
          ],
        ]
      : []),
    ...(cut.bones ? [['Bones', String(cut.bones)] as [string, string]] : []),
    ['Trimming', cut.trimMin ? `${cut.trimMin} min a piece` : 'none'],
    ['Carving', `${cut.carveMin} min a piece`],
    ...(cut.restMostMin === undefined ? [] : [['Rest', `${formatMinutes(cut.restMostMin)} at most`] as [string, string]]),
    ['Longest hold', formatMinutes(cut.holdMaxMin)],
  ];
}
