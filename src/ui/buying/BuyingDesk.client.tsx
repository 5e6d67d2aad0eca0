'use client';
import Link from 'next/link';
import { Tabs } from 'radix-ui';
import { lazy, Suspense, useMemo, useState } from 'react';
import { cutIn, type CookEvent, type Plan } from '../../core/model';
import type { MethodPrices, PlanInput } from '../../core/planning';
import { batchContents, costBeside, costOf, demandOf, shoppingList, sumOfCost, supplyOf, type LearnedTrim } from '../../core/quantities';
import { carriedName } from '../../formats/messages/carried';
import { mealAt } from '../../formats/clock';
import { batchName, list, type MessageContext, messageContextOf } from '../../formats/messages/names';
import { formatMoney } from '../../formats/units';
import type { DocumentAction } from '../document/documentActions';
import type { Action } from '../kit/actions';
import { buttonClass } from '../kit/Button';
import { KitchenDialog } from '../kit/KitchenDialog.client';
import { useUnits } from '../kit/UnitsProvider';
import { Ledger, type LedgerLine } from './Ledger.client';
import { ShoppingList } from './ShoppingList.client';
import { WeightsTable } from './WeightsTable.client';

const loadForms = () => import('./BatchBuying.client');
const BuyingForm = lazy(() => loadForms().then((made) => ({ default: made.BuyingForm })));
const ReceivingForm = lazy(() => loadForms().then((made) => ({ default: made.ReceivingForm })));
const OtherCuts = lazy(() => loadForms().then((made) => ({ default: made.OtherCuts })));

export interface BuyingActions {
  saveWeights: DocumentAction;
  saveBuying: Action<CookEvent>;
  saveReceipt: Action<CookEvent>;
  saveKitchen: Action<CookEvent>;
  tickItem: Action<CookEvent>;
}

interface BuyingDeskProps {
  prices: MethodPrices;
  input: PlanInput;
  plan: Plan;
  learned: LearnedTrim[];
  actions: BuyingActions;
}

const tab = 'min-h-9 border-b-[3px] border-transparent px-3 font-semibold data-[state=active]:border-ember';

/** Buying: from guests to whole pieces, what they cost, what else to fetch, and the real pieces once they come. */
export function BuyingDesk({ prices, input, plan, learned, actions }: BuyingDeskProps) {
  const units = useUnits();
  const { event, library, pits } = input;
  const messageContext = messageContextOf(input, units);
  const currency = event.currency ?? 'USD';
  const lines = useMemo(() => linesOf(event, library), [event, library]);
  const items = useMemo(() => shoppingList({ event, library, pits, plan }), [event, library, pits, plan]);
  const [chosenId, setChosenId] = useState(lines[0]?.batch.id);
  const chosen = lines.find((line) => line.batch.id === chosenId) ?? lines[0];
  const beside = useMemo(() => costBeside(event, plan, items), [event, plan, items]);
  const net = lines.reduce((sum, line) => sum + (line.cost?.net ?? 0), 0);
  const whole = lines.reduce((sum, line) => sum + sumOfCost(beside.get(line.batch.id)!), net);
  if (lines.length === 0)
    return (
      <main className="mx-auto max-w-4xl px-4 py-5">
        <h1 className="text-2xl">Buying</h1>
        <div className="mt-4 rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">Nothing to buy yet</h2>
          <p className="mt-1 text-soft">Once the brief has guests and a menu, every weight, piece and sack stands here.</p>
          <Link href={`/events/${event.id}/brief`} className={`${buttonClass('ember')} mt-4`}>
            Go to the brief
          </Link>
        </div>
      </main>
    );
  const cut = cutIn(library, chosen!.batch.cutId)!;
  return (
    <main className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_20rem] print:block">
      <h1 className="sr-only">Buying for {event.name}</h1>
      <div className="min-w-0 p-4 print:hidden">
        <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h2 className="text-xl">From guests to pieces</h2>
            <p className="text-[0.92rem] text-soft">
              {guestsLine(event)} Meat {formatMoney(net, currency)}, with rub, fire, wrap and hands {formatMoney(whole, currency)}.
            </p>
          </div>
          <KitchenDialog event={event} saveKitchen={actions.saveKitchen} />
        </div>
        <div className="overflow-x-auto">
          <div className="min-w-[54rem]">
            <Ledger
              messageContext={messageContext}
              lines={lines}
              beside={beside}
              currency={currency}
              chosenId={chosen!.batch.id}
              onChoose={setChosenId}
            />
          </div>
        </div>
        <Tabs.Root key={chosen!.batch.id} defaultValue={cut.species === 'dish' ? 'buying' : 'weights'} className="mt-4">
          <Tabs.List aria-label={`Details of ${batchName(messageContext, chosen!.batch.id)}`} className="mb-3 flex border-b border-line">
            {cut.species !== 'dish' && (
              <Tabs.Trigger value="weights" className={tab}>
                Weights
              </Tabs.Trigger>
            )}
            {cut.species !== 'dish' && (
              <Tabs.Trigger value="receiving" className={tab}>
                Receiving
              </Tabs.Trigger>
            )}
            <Tabs.Trigger value="buying" className={tab}>
              Source and price
            </Tabs.Trigger>
            {cut.species !== 'dish' && (
              <Tabs.Trigger value="cuts" className={tab}>
                Other cuts
              </Tabs.Trigger>
            )}
          </Tabs.List>
          <Tabs.Content value="weights">
            <WeightsTable
              key={chosen!.batch.id}
              messageContext={messageContext}
              batch={chosen!.batch}
              demand={chosen!.demand}
              cost={chosen!.cost}
              plan={plan}
              learned={learned.find((each) => each.cutId === cut.id)}
              currency={currency}
              saveWeights={actions.saveWeights}
            />
          </Tabs.Content>
          <Suspense fallback={null}>
            <Tabs.Content value="receiving">
              <ReceivingForm batch={chosen!.batch} saveReceipt={actions.saveReceipt} />
            </Tabs.Content>
            <Tabs.Content value="buying">
              <BuyingForm messageContext={messageContext} batch={chosen!.batch} saveBuying={actions.saveBuying} />
            </Tabs.Content>
            <Tabs.Content value="cuts">
              <OtherCuts
                messageContext={messageContext}
                prices={prices}
                batch={chosen!.batch}
                demand={chosen!.demand}
                currency={currency}
              />
            </Tabs.Content>
          </Suspense>
        </Tabs.Root>
      </div>
      <aside aria-label="To buy" className="border-l border-line bg-sheet p-4 print:border-0 print:p-0">
        <ShoppingList event={event} items={items} tickItem={actions.tickItem} />
        <Watch messageContext={messageContext} />
      </aside>
    </main>
  );
}

function linesOf(event: CookEvent, library: PlanInput['library']): LedgerLine[] {
  const demands = demandOf(event, library, (serving) => mealAt(serving.atMs, event.timeZone));
  return event.batches.flatMap((batch): LedgerLine[] => {
    const demand = demands.get(batch.id);
    const cut = cutIn(library, batch.cutId);
    if (!demand || !cut) return [];
    const supply = supplyOf(demand, batch);
    return [{ batch, demand, supply, cost: costOf(demand, supply, cut, batch) }];
  });
}

const guestsLine = (event: CookEvent): string =>
  event.servings
    .map(
      ({ name, guests, buffet }) =>
        `${name}: ${guests.adults} adults${guests.children ? `, ${guests.children} children` : ''}, ${buffet ? 'buffet' : 'plated'}.`,
    )
    .join(' ');

/** Allergens that come in with what is bought. */
function Watch({ messageContext }: { messageContext: MessageContext }) {
  const found = messageContext.event.batches.flatMap((batch) => {
    const { carries: all, undeclared } = batchContents(batch, messageContext.library);
    const carries = all.filter(({ carried }) => carried !== 'beef' && carried !== 'pork');
    return carries.length > 0 || undeclared.length > 0 ? [{ batch, carries, undeclared }] : [];
  });
  if (found.length === 0) return null;
  return (
    <section aria-label="Watch" className="mt-4 text-[0.9rem]">
      <h3 className="border-b border-line pb-1 text-[0.85rem] text-soft">Watch</h3>
      {found.map(({ batch, carries, undeclared }) => (
        <p key={batch.id} className="border-b border-line py-1 leading-snug">
          {batchName(messageContext, batch.id)}:{' '}
          {carries.length > 0 && (
            <>
              <strong>{list(carries.map(({ carried }) => carriedName(carried)))}</strong>, from{' '}
              {list([...new Set(carries.flatMap((each) => each.from))])}. Onto the tags and the buffet card.
            </>
          )}
          {undeclared.length > 0 && <span className="font-semibold text-warn"> Not declared: {list(undeclared)}.</span>}
        </p>
      ))}
    </section>
  );
}
