'use client';
import { Printer, Table } from 'lucide-react';
import type { CookEvent } from '../../core/model';
import type { ShoppingItem } from '../../core/quantities';
import { capital } from '../../formats/messages/names';
import { amountMessage } from '../../formats/messages/shopping';
import { callAction, complain, type Action } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';

/** Everything to be bought, by where it is bought, each line to be ticked off. */
export function ShoppingList({ event, items, tickItem }: { event: CookEvent; items: ShoppingItem[]; tickItem: Action<CookEvent> }) {
  const units = useUnits();
  const ticked = event.ticked ?? [];
  const groups = [...new Set(items.map((item) => item.group))];
  const toggle = async (id: string, on: boolean) => {
    const outcome = await callAction(tickItem, { itemId: id, ticked: on });
    if (!outcome.ok) complain(outcome.problems);
  };
  return (
    <section aria-label="Shopping list">
      <div className="mb-2 flex items-center justify-between gap-2">
        <h2 className="whitespace-nowrap text-[1.05rem]">Shopping list</h2>
        <div className="flex gap-2 print:hidden">
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <a href={`/events/${event.id}/buying/csv`} download className={buttonClass()}>
            <Table size={16} aria-hidden /> CSV
          </a>
        </div>
      </div>
      <div className="print:columns-2">
        {groups.map((group) => (
          <div key={group} className="mb-3 break-inside-avoid">
            <h3 className="border-b border-line pb-1 font-text text-[0.85rem] text-soft">{group}</h3>
            <ul>
              {items
                .filter((item) => item.group === group)
                .map((item) => (
                  <li key={item.id} className="border-b border-line">
                    <label className="flex min-h-8 cursor-pointer items-center gap-2 py-0.5">
                      <input
                        type="checkbox"
                        className="size-4.5 shrink-0"
                        checked={ticked.includes(item.id)}
                        onChange={(change) => toggle(item.id, change.target.checked)}
                      />
                      <span className={`grow leading-tight ${ticked.includes(item.id) ? 'text-soft line-through' : ''}`}>
                        {capital(item.name)}
                      </span>
                      <span className="figures shrink-0 font-bold">{amountMessage(item.amount, units)}</span>
                    </label>
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}
