'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import type { Plan } from '../../core/model';
import { mapPieces, type PlanInput } from '../../core/planning';
import { dayAndTime } from '../../formats/clock';
import { batchName, list, standingWords, type MessageContext } from '../../formats/messages/names';
import { formatMass, formatShare } from '../../formats/units';
import { BackPans, backOnAt } from '../racks/BackPans';
import { PieceName } from '../racks/PieceName';
import { depthOf, RackFloor, RIM_MM } from '../racks/RackFloor';
import { fullShare, isAt } from '../racks/shownRacks';

const TALLEST_PX = 118;
const WIDEST_PX = 300;

interface PlanRacksProps {
  messageContext: MessageContext;
  input: PlanInput;
  plan: Plan;
  atMs: number;
  fromMs: number;
  toMs: number;
  selectedId?: string;
  onMove(atMs: number): void;
  onSelect(runId: string): void;
}

/** The racks of every pit in use at the moment under the scrubber, from above and to scale. */
export function PlanRacks({ messageContext, input, plan, atMs, fromMs, toMs, selectedId, onMove, onSelect }: PlanRacksProps) {
  const { units, event } = messageContext;
  const pits = input.pits.filter((pit) => plan.runs.some((run) => run.legs.some((leg) => leg.pitId === pit.id)));
  const pieces = useMemo(() => new Map(pits.map((pit) => [pit.id, mapPieces(input, plan, pit.id)])), [input, plan, pits]);
  const when = dayAndTime(atMs, event.timeZone, units.clock);
  return (
    <section
      aria-label={`Racks at ${when}`}
      className="md:sticky md:bottom-0 z-10 flex max-h-44 flex-nowrap items-start gap-x-5 overflow-x-auto border-t border-line bg-sheet px-3 py-2 shadow-[0_-6px_12px_-8px_rgb(0_0_0/0.25)] print:hidden"
    >
      <div className="w-28 shrink-0">
        <p className="font-bold leading-tight">Racks at</p>
        <p className="figures text-[1.15rem] font-bold leading-tight">{when}</p>
        <input
          type="range"
          aria-label="Moment shown on the racks"
          aria-valuetext={when}
          className="mt-1 w-full accent-(--ember)"
          min={fromMs}
          max={toMs}
          step={5 * 60_000}
          value={atMs}
          onChange={(change) => onMove(Number(change.target.value))}
        />
        <p className="text-[0.8rem] leading-tight text-soft">
          or drag the ember line;{' '}
          <Link href={`/events/${event.id}/racks`} className="underline">
            lay by hand
          </Link>
        </p>
      </div>
      {pits.flatMap((pit) =>
        [...pit.racks]
          .sort((a, b) => b.level - a.level)
          .map((rack) => {
            const own = pieces.get(pit.id)!.filter((piece) => piece.rackId === rack.id);
            const back = backOnAt(plan, pit.id, atMs);
            const isUsed = plan.backOn?.some((each) => each.legs.some((leg) => leg.pitId === pit.id && leg.rackId === rack.id));
            if (own.length === 0 && !isUsed) return null;
            const there = own.filter((piece) => isAt(piece, atMs));
            const next = own.filter((piece) => piece.fromMs > atMs).sort((a, b) => a.fromMs - b.fromMs)[0];
            const pxPerMm = Math.min(TALLEST_PX / (depthOf(rack) + 2 * RIM_MM), WIDEST_PX / (rack.widthMm + 2 * RIM_MM));
            const state =
              there.length > 0
                ? `${formatShare(fullShare(rack, there))} full`
                : back.length > 0
                  ? list(back.map((each) => each.name.toLowerCase()))
                  : next
                    ? `empty until ${dayAndTime(next.fromMs, event.timeZone, units.clock)}`
                    : 'empty from here on';
            return (
              <figure key={`${pit.id}/${rack.id}`} className="shrink-0">
                <figcaption className="mb-0.5 text-[0.82rem] text-soft">
                  <span className="font-semibold text-ink">{pit.name}</span>
                  {standingWords(messageContext, plan.runs, pit.id)}, {rack.name} · <span className="figures">{state}</span>
                </figcaption>
                <RackFloor rack={rack} units={units} pxPerMm={pxPerMm} label={`${pit.name}, ${rack.name}: ${state}`}>
                  {there.map((piece) => {
                    const y = depthOf(rack) - piece.yMm - piece.depthMm;
                    const wrapped = piece.wrappedFromMs !== undefined && piece.wrappedFromMs <= atMs;
                    const name = batchName(messageContext, piece.piece.batchId);
                    return (
                      <g key={piece.key} className="cursor-pointer" onClick={() => onSelect(piece.run.id)}>
                        <title>{`${name}, ${formatMass(piece.kg, units)}${wrapped ? ', wrapped' : ''}`}</title>
                        <rect
                          x={piece.xMm}
                          y={y}
                          width={piece.widthMm}
                          height={piece.depthMm}
                          rx={14}
                          fill={wrapped ? 'var(--wrap)' : 'var(--bark)'}
                          stroke={piece.run.id === selectedId ? 'var(--ember)' : 'var(--sheet)'}
                          strokeWidth={(piece.run.id === selectedId ? 3 : 1) / pxPerMm}
                        />
                        <PieceName
                          name={name}
                          rect={{ x: piece.xMm, y, width: piece.widthMm, height: piece.depthMm }}
                          pxPerMm={pxPerMm}
                          ink={wrapped ? 'var(--ink)' : 'var(--on-chip)'}
                        />
                      </g>
                    );
                  })}
                  <BackPans backOn={back} rack={rack} pxPerMm={pxPerMm} />
                </RackFloor>
              </figure>
            );
          }),
      )}
    </section>
  );
}
