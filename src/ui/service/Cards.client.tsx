'use client';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { ALLERGENS, cutIn, methodIn, type Carried, type CookEvent, type Plan, type Serving } from '../../core/model';
import { batchContents, carriedIn, dishesServed, undeclaredDishes } from '../../core/quantities';
import { ASK_THE_KITCHEN, carriedName, contentsMessage, servedName } from '../../formats/messages/carried';
import { dayAndTime } from '../../formats/clock';
import { capital, list, pieceTag, type MessageContext } from '../../formats/messages/names';
import { formatMass } from '../../formats/units';
import { callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { inputClass } from '../kit/Field';

const US = new Set<string>(ALLERGENS.filter((each) => each.us).map((each) => each.id));

/** What each dish carries, for the table; and a tag for every piece, for the pit. A card waits until its dishes are declared or somebody answers for it. */
export function Cards({ messageContext, plan, signCards }: { messageContext: MessageContext; plan: Plan; signCards: Action<CookEvent> }) {
  const { event, library, units } = messageContext;
  const waiting = event.servings.filter((serving) => !serving.cardsSignedBy && undeclaredDishes(event, serving, library).length > 0);
  return (
    <>
      <div className="mb-2 flex items-center justify-between gap-3 print:hidden">
        <p className="text-[0.93rem] text-soft">
          The US nine in bold; the EU’s fourteen are all named. A guest with an allergy asks the cook: this card only knows what was
          declared.
        </p>
        <Button onClick={() => window.print()} disabled={waiting.length > 0}>
          <Printer size={16} aria-hidden /> Print cards
        </Button>
      </div>
      <div className="grid gap-4 md:grid-cols-2">
        {event.servings.map((serving) => (
          <Card
            key={serving.id}
            messageContext={messageContext}
            serving={serving}
            waits={waiting.includes(serving)}
            signCards={signCards}
          />
        ))}
      </div>
      <h2 className="mb-2 mt-4 text-lg">Piece tags</h2>
      <ul className="grid grid-cols-2 gap-2 md:grid-cols-4">
        {event.batches.flatMap((batch) => {
          const cut = cutIn(library, batch.cutId);
          const contents = batchContents(batch, library);
          return batch.pieces.map((piece, i) => {
            const run = plan.runs.find((each) => each.pieceIds.includes(piece.id));
            return (
              <li key={piece.id} className="break-inside-avoid rounded border border-ink bg-sheet p-2 text-[0.85rem] leading-snug">
                <p className="flex items-baseline justify-between">
                  <span className="figures text-[1.3rem] font-bold">{pieceTag(messageContext, batch.id, i)}</span>
                  <span className="figures font-bold">{formatMass(piece.kg, units)}</span>
                </p>
                <p className="font-semibold">{batch.label || capital(cut?.name ?? '')}</p>
                <p className="text-soft">{methodIn(library, batch.methodId)?.name}</p>
                {run && <p className="figures">On {dayAndTime(run.onAtMs, event.timeZone, units.clock)}</p>}
                <p>{contentsMessage(contents)}</p>
              </li>
            );
          });
        })}
      </ul>
    </>
  );
}

interface CardProps {
  messageContext: MessageContext;
  serving: Serving;
  /** Something on it is not declared, and nobody answers for it. */
  waits: boolean;
  signCards: Action<CookEvent>;
}

function Card({ messageContext, serving, waits, signCards }: CardProps) {
  const { event, library } = messageContext;
  const [name, setName] = useState('');
  const undeclared = undeclaredDishes(event, serving, library);
  const nameOf = (id: string) => {
    const batch = event.batches.find((each) => each.id === id);
    return batch && batch.servingId !== serving.id && batch.second ? batch.second.name : servedName(messageContext, id);
  };
  const sign = async (cardsSignedBy: string | undefined) => {
    const outcome = await callAction(signCards, { servingId: serving.id, cardsSignedBy });
    if (!outcome.ok) complain(outcome.problems);
  };
  return (
    <section aria-label={`Card of ${serving.name}`} className="break-inside-avoid rounded-md border border-line bg-sheet p-4">
      <h2 className="border-b-2 border-ink pb-1 text-lg">{serving.name}, buffet card</h2>
      {waits && (
        <form
          className="mt-2 rounded border border-warn p-3 text-[0.92rem]"
          onSubmit={(submitted) => {
            submitted.preventDefault();
            if (name.trim() !== '') void sign(name.trim());
          }}
        >
          <p className="font-semibold text-warn">
            Not to be put out yet: nobody has declared {list([...new Set(undeclared.flatMap((dish) => dish.contents.undeclared))])}.
          </p>
          <p className="mt-1 print:hidden">
            Declare it under Brief or in its recipe. Or sign: the card then tells guests to ask the kitchen about{' '}
            {list(undeclared.map((dish) => nameOf(dish.id).toLowerCase()))}.
          </p>
          <div className="mt-2 flex items-end gap-2 print:hidden">
            <label className="grow text-[0.85rem] text-soft">
              Signed by
              <input
                className={inputClass()}
                value={name}
                maxLength={40}
                aria-label={`Who signs the card of ${serving.name}`}
                onChange={(typed) => setName(typed.target.value)}
              />
            </label>
            <Button type="submit" disabled={name.trim() === ''}>
              Sign the card
            </Button>
          </div>
        </form>
      )}
      <dl className={waits ? 'print:hidden' : undefined}>
        {dishesServed(event, serving, library).map((dish) => (
          <div key={dish.id} className="flex justify-between gap-4 border-b border-line py-1">
            <dt className="font-title font-bold">{nameOf(dish.id)}</dt>
            <dd className="text-right text-[0.92rem]">
              <Carries carries={carriedIn(dish.contents)} />
              {dish.contents.undeclared.length > 0 && (
                <span className="font-semibold text-warn">
                  {dish.contents.carries.length > 0 && '; '}
                  {ASK_THE_KITCHEN}
                </span>
              )}
              {dish.contents.undeclared.length === 0 && dish.contents.carries.length === 0 && (
                <span className="text-soft">none of the lists, as declared</span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {serving.cardsSignedBy && undeclared.length > 0 && (
        <p className="mt-2 text-[0.88rem]">
          Signed by {serving.cardsSignedBy}.{' '}
          <Button look="quiet" className="print:hidden" onClick={() => sign(undefined)}>
            Take the signature back
          </Button>
        </p>
      )}
    </section>
  );
}

function Carries({ carries }: { carries: Carried[] }) {
  return carries.map((each, i) => (
    <span key={each}>
      {i > 0 && ', '}
      {US.has(each) ? <strong>{carriedName(each)}</strong> : carriedName(each)}
    </span>
  ));
}
