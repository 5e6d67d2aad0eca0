'use client';
import Link from 'next/link';
import { Tabs } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { type Batch, type CarveManner, cutIn, type CookEvent, type CoolingWay, type Plan, type Serving } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import { carveManner, carvePlan, type CarveTurn } from '../../core/quantities';
import type { CoolingForecast } from '../../core/safety';
import { clockTime } from '../../formats/clock';
import {
  batchName,
  capital,
  gearName,
  list,
  memberName,
  pieceTag,
  type MessageContext,
  messageContextOf,
} from '../../formats/messages/names';
import { formatMinutes, formatTemp } from '../../formats/units';
import type { Action } from '../kit/actions';
import { buttonClass } from '../kit/Button';
import { KitchenDialog } from '../kit/KitchenDialog.client';
import { useUnits } from '../kit/UnitsProvider';
import { WordsHere } from '../kit/WordsHere';

const Cards = lazy(() => import('./Cards.client').then((made) => ({ default: made.Cards })));
const Leftovers = lazy(() => import('./Leftovers.client').then((made) => ({ default: made.Leftovers })));

export interface ServiceActions {
  saveKitchen: Action<CookEvent>;
  saveLeftover: Action<CookEvent>;
  signCards: Action<CookEvent>;
}

interface ServiceDeskProps {
  input: PlanInput;
  plan: Plan;
  /** Forecasts of the leftovers that are written down, by batch, and what would keep the rule. */
  cooling: Record<string, CoolingForecast>;
  keeps: { way: CoolingWay; thicknessMm?: number }[];
  actions: ServiceActions;
}

const MANNERS: Record<CarveManner, string> = { slice: 'Slice', pull: 'Pull', chop: 'Chop', joint: 'Joint', dress: 'Set out' };

/** From the box to the plate, staged over the serving window; then what is left, cooled and labelled. */
export function ServiceDesk({ input, plan, cooling, keeps, actions }: ServiceDeskProps) {
  const units = useUnits();
  const { event } = input;
  const messageContext = messageContextOf(input, units);
  return (
    <main className="mx-auto max-w-6xl px-4 py-5">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3 print:hidden">
        <div>
          <h1 className="text-2xl">Service</h1>
          <p className="text-[0.92rem] text-soft">
            Some is carved as carving begins, the rest as late as its guests allow: sliced meat dries in minutes.
          </p>
        </div>
        <KitchenDialog event={event} saveKitchen={actions.saveKitchen} />
      </div>
      {plan.runs.length === 0 && (
        <div className="rounded-md border border-dashed border-line bg-sheet p-8">
          <h2 className="text-lg">Nothing to carve yet</h2>
          <p className="mt-1 text-soft">Once the plan stands, every piece has its turn under the knife here.</p>
          <Link href={`/events/${event.id}/brief`} className={`${buttonClass('ember')} mt-4`}>
            Go to the brief
          </Link>
        </div>
      )}
      {event.batches.length > 0 && (
        <Tabs.Root defaultValue="carving">
          <Tabs.List aria-label="Service" className="mb-3 flex border-b border-line print:hidden">
            {(
              [
                ['carving', 'Carving'],
                ['cards', 'Cards and tags'],
                ['after', 'Afterwards'],
              ] as const
            ).map(([value, name]) => (
              <Tabs.Trigger
                key={value}
                value={value}
                className="min-h-9 border-b-[3px] border-transparent px-3 font-semibold data-[state=active]:border-ember"
              >
                {name}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value="carving">
            <WordsHere ids={['hold', 'rest', 'carryOver', 'core']} />
            {event.servings.map((serving) => (
              <Carving key={serving.id} messageContext={messageContext} plan={plan} serving={serving} />
            ))}
          </Tabs.Content>
          <Tabs.Content value="cards">
            <Suspense fallback={null}>
              <Cards messageContext={messageContext} plan={plan} signCards={actions.signCards} />
            </Suspense>
          </Tabs.Content>
          <Tabs.Content value="after">
            <Suspense fallback={null}>
              <Leftovers messageContext={messageContext} cooling={cooling} keeps={keeps} saveLeftover={actions.saveLeftover} />
            </Suspense>
          </Tabs.Content>
        </Tabs.Root>
      )}
    </main>
  );
}

const carve = (carvers: number) => (carvers === 1 ? '1 carves' : `${carvers} carve`);
const enoughMessage = (carvers: number, enough: number): string =>
  enough < carvers ? `${carve(carvers)} here; ${enough === 1 ? 'one alone' : enough} would be enough.` : `${carve(carvers)}, and in time.`;

function Carving({ messageContext, plan, serving }: { messageContext: MessageContext; plan: Plan; serving: Serving }) {
  const { event, library, units } = messageContext;
  const { turns, carvers, fewestCarvers, lateMin, labourMin } = carvePlan(event, library, plan, serving);
  if (turns.length === 0) return null;
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const batches = [...new Set(turns.map((turn) => turn.batchId))];
  const also = event.batches.filter((batch) => batch.second?.servingId === serving.id);
  return (
    <section aria-label={serving.name} className="mb-5 rounded-md border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 className="text-lg">
          {serving.name} <span className="figures">{time(serving.atMs)}</span>
        </h2>
        <p className={`figures text-[0.95rem] ${lateMin >= 1 ? 'font-semibold text-bad' : 'text-soft'}`}>
          {formatMinutes(labourMin)} of knife work.{' '}
          {lateMin >= 1
            ? `Too few hands: some comes ${formatMinutes(Math.ceil(lateMin))} after its guests. ${fewestCarvers ? `${fewestCarvers} carvers would do.` : 'Carve ahead longer.'}`
            : enoughMessage(carvers, fewestCarvers ?? carvers)}
        </p>
      </div>
      <CarveChart messageContext={messageContext} serving={serving} turns={turns} carvers={carvers} />
      <div className="mt-2 overflow-x-auto">
        <table className="w-full min-w-[44rem] text-[0.93rem]">
          <thead className="text-[0.82rem] text-soft">
            <tr>
              <th className="py-1 text-left font-normal">Dish</th>
              <th className="py-1 text-left font-normal">How</th>
              <th className="py-1 text-left font-normal">At its best</th>
              <th className="py-1 text-left font-normal">Pieces in turn</th>
              <th className="py-1 text-left font-normal">Waits in</th>
              <th className="py-1 text-right font-normal">A piece</th>
            </tr>
          </thead>
          <tbody>
            {batches.map((batchId) => {
              const batch = event.batches.find((each) => each.id === batchId)!;
              const cut = cutIn(library, batch.cutId)!;
              const { manner, bandC } = carveManner(cut);
              const own = turns.filter((turn) => turn.batchId === batchId);
              const gear = [...new Set(own.map((turn) => gearName(messageContext, turn.heldIn)))];
              return (
                <tr key={batchId} className="border-t border-line align-top">
                  <td className="py-1 pr-2 font-title font-bold">{batchName(messageContext, batchId)}</td>
                  <td className="py-1 pr-2">
                    {MANNERS[manner]}
                    {cut.id === 'brisket-whole' && ', flat and point apart, across the grain'}
                    {batch.second && `; also ${batch.second.name.toLowerCase()}`}
                  </td>
                  <td className="figures py-1 pr-2">
                    {bandC ? `${formatTemp(bandC[0], units)} to ${formatTemp(bandC[1], units)}` : 'hot, when rested'}
                  </td>
                  <td className="figures py-1 pr-2">{turnsMessage(messageContext, batchId, own, time)}</td>
                  <td className="py-1 pr-2">{list(gear)}</td>
                  <td className="figures py-1 text-right">{formatMinutes(cut.carveMin)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {also.map((batch) => (
        <p key={batch.id} className="mt-2 text-[0.93rem]">
          <strong>{batch.second!.name}</strong> comes from {batchName(messageContext, batch.id).toLowerCase()}
          {batch.servingId === serving.id
            ? ', carved beside it.'
            : `, cooked for another serving: hold it hot until ${time(serving.atMs)}, or cool it by the two-stage rule and reheat it to ${formatTemp(74, units)}.`}
        </p>
      ))}
    </section>
  );
}

const turnsMessage = (messageContext: MessageContext, batchId: string, turns: CarveTurn[], time: (ms: number) => string): string => {
  const batch = messageContext.event.batches.find((each) => each.id === batchId)!;
  const tag = (turn: CarveTurn) => tagOf(messageContext, batch, turn);
  if (turns.length <= 5) return turns.map((turn) => `${tag(turn)} ${time(turn.fromMs)}`).join(', ');
  return `${tag(turns[0]!)} ${time(turns[0]!.fromMs)}, then one about every ${formatMinutes((turns.at(-1)!.fromMs - turns[0]!.fromMs) / 60_000 / (turns.length - 1))} until ${time(turns.at(-1)!.fromMs)}`;
};

const tagOf = (messageContext: MessageContext, batch: Batch, { batchId, pieceIds }: CarveTurn) => {
  const at = (id: string) => batch.pieces.findIndex((piece) => piece.id === id);
  const first = pieceTag(messageContext, batchId, at(pieceIds[0]!));
  return pieceIds.length === 1 ? first : `${first} to ${pieceTag(messageContext, batchId, at(pieceIds.at(-1)!))}`;
};

const carverName = (messageContext: MessageContext, turns: readonly CarveTurn[], carver: number): string => {
  const [person] = turns.find((turn) => turn.carver === carver)?.who ?? [];
  return person === undefined ? `Carver ${carver + 1}` : capital(memberName(messageContext, person)).slice(0, 10);
};

const WIDTH = 1000;
const ROW = 24;

/** Who carves what when: a row a carver, to the serving line and the end of service. */
function CarveChart({
  messageContext,
  serving,
  turns,
  carvers,
}: {
  messageContext: MessageContext;
  serving: Serving;
  turns: CarveTurn[];
  carvers: number;
}) {
  const { event, units } = messageContext;
  const releaseMs = serving.atMs - serving.carveLeadMin * 60_000;
  const endMs = serving.atMs + serving.serveForMin * 60_000;
  const fromMs = Math.min(releaseMs, ...turns.map((turn) => turn.fromMs)) - 5 * 60_000;
  const x = (ms: number) => 70 + ((ms - fromMs) / (endMs - fromMs)) * (WIDTH - 80);
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const height = carvers * ROW + 26;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="mt-2 block w-full" role="img" aria-label={`Carving for ${serving.name}, by carver`}>
      {Array.from({ length: carvers }, (_, carver) => (
        <g key={carver}>
          <text x={0} y={carver * ROW + 16} className="text-[12px]" fill="var(--soft)">
            {carverName(messageContext, turns, carver)}
          </text>
          <line x1={70} x2={WIDTH - 10} y1={carver * ROW + 23} y2={carver * ROW + 23} stroke="var(--line)" />
        </g>
      ))}
      {turns.map((turn) => {
        const batch = event.batches.find((each) => each.id === turn.batchId)!;
        const whole = tagOf(messageContext, batch, turn);
        const early = turn.fromMs < releaseMs;
        const width = Math.max(2, x(turn.toMs) - x(turn.fromMs) - 1);
        const tag = width > whole.length * 7 ? whole : whole.split(' ')[0];
        return (
          <g key={turn.pieceIds.join()}>
            <title>{`${capital(batchName(messageContext, turn.batchId))} ${whole}: ${time(turn.fromMs)} to ${time(turn.toMs)}`}</title>
            <rect
              x={x(turn.fromMs)}
              width={width}
              y={turn.carver * ROW + 3}
              height={18}
              rx={2}
              fill={early ? 'var(--bad)' : 'var(--bark)'}
            />
            {width > 22 && (
              <text x={x(turn.fromMs) + 4} y={turn.carver * ROW + 16} className="text-[11px] font-bold" fill="var(--on-chip)">
                {tag}
              </text>
            )}
          </g>
        );
      })}
      {[
        [releaseMs, 'carving', 'var(--soft)'],
        [serving.atMs, 'served', 'var(--ember)'],
        [endMs, 'ends', 'var(--soft)'],
      ].map(([ms, word, ink]) => (
        <g key={word as string}>
          <line
            x1={x(ms as number)}
            x2={x(ms as number)}
            y1={0}
            y2={height - 18}
            stroke={ink as string}
            strokeWidth={word === 'served' ? 2.5 : 1}
          />
          <text
            x={x(ms as number)}
            y={height - 4}
            textAnchor={word === 'ends' ? 'end' : 'middle'}
            className="text-[11.5px]"
            fill="var(--ink)"
          >
            {`${word} ${time(ms as number)}`}
          </text>
        </g>
      ))}
    </svg>
  );
}
