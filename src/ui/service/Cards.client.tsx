'use client';
import { Printer } from 'lucide-react';
import { ALLERGENS, cutIn, methodIn, sidesOf, type Carried, type Plan } from '../../core/model';
import { batchCarries, sideCarries } from '../../core/quantities';
import { carriedName } from '../../formats/messages/carried';
import { dayAndTime } from '../../formats/clock';
import { batchName, capital, list, pieceTag, type MessageContext } from '../../formats/messages/names';
import { formatMass } from '../../formats/units';
import { Button } from '../kit/Button';

const US = new Set<string>(ALLERGENS.filter((each) => each.us).map((each) => each.id));

/** What each dish carries, for the table; and a tag for every piece, for the pit. */
export function Cards({ messageContext, plan }: { messageContext: MessageContext; plan: Plan }) {
  const { event, library, units } = messageContext;
  return (
    <>
      <div className="mb-2 flex items-center justify-between gap-3 print:hidden">
        <p className="text-[0.93rem] text-soft">
          The US nine in bold; the EU’s fourteen are all named. A guest with an allergy asks the cook: this card only knows the recipes.
        </p>
        <Button onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print cards
        </Button>
      </div>
      <div className="grid gap-4 md:grid-cols-2">
        {event.servings.map((serving) => {
          const dishes = [
            ...event.batches
              .filter((batch) => batch.servingId === serving.id)
              .map((batch) => ({
                id: batch.id,
                name: batchName(messageContext, batch.id),
                carries: batchCarries(batch, library).map((each) => each.carried),
              })),
            ...event.batches
              .filter((batch) => batch.second?.servingId === serving.id)
              .map((batch) => ({
                id: `${batch.id}/second`,
                name: batch.second!.name,
                carries: batchCarries(batch, library).map((each) => each.carried),
              })),
            ...sidesOf(serving).map((side) => ({ id: side.id, name: side.name, carries: sideCarries(side, library) })),
          ];
          return (
            <section
              key={serving.id}
              aria-label={`Card of ${serving.name}`}
              className="break-inside-avoid rounded-md border border-line bg-sheet p-4"
            >
              <h2 className="border-b-2 border-ink pb-1 text-lg">{serving.name}, buffet card</h2>
              <dl>
                {dishes.map((dish) => (
                  <div key={dish.id} className="flex justify-between gap-4 border-b border-line py-1">
                    <dt className="font-title font-bold">{dish.name}</dt>
                    <dd className="text-right text-[0.92rem]">
                      {dish.carries.length > 0 ? <Carries carries={dish.carries} /> : <span className="text-soft">nothing listed</span>}
                    </dd>
                  </div>
                ))}
              </dl>
            </section>
          );
        })}
      </div>
      <h2 className="mb-2 mt-4 text-lg">Piece tags</h2>
      <ul className="grid grid-cols-2 gap-2 md:grid-cols-4">
        {event.batches.flatMap((batch) => {
          const cut = cutIn(library, batch.cutId);
          const carries = batchCarries(batch, library).map((each) => each.carried);
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
                {carries.length > 0 && <p>{list(carries.map(carriedName))}</p>}
              </li>
            );
          });
        })}
      </ul>
    </>
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
