import type { Leg, Plan, Run } from '../../core/model';
import { xAt, type TimelineLayout } from '../../core/timeline';
import { batchName, type MessageContext } from '../../formats/messages/names';

/** Where another plan has a run that the one drawn has not there and then. */
export interface Ghost extends Leg {
  batchId: string;
}

const legKey = ({ batchId }: Run, { pitId, rackId, fromMs, toMs, pieceIds }: Leg) =>
  [batchId, pitId, rackId, fromMs, toMs, pieceIds.length].join();

export function elsewhere(other: Plan, { runs }: Plan): Ghost[] {
  const here = new Set(runs.flatMap((run) => run.legs.map((leg) => legKey(run, leg))));
  return other.runs.flatMap((run) =>
    run.legs.filter((leg) => !here.has(legKey(run, leg))).map((leg) => ({ ...leg, batchId: run.batchId })),
  );
}

interface GhostsProps {
  scale: TimelineLayout['scale'];
  messageContext: MessageContext;
  row: { y: number; height: number; bars: readonly { x0: number; x1: number; label?: { x0: number; widthPx: number } }[] };
  ghosts: readonly Ghost[];
}

/** Outlines over one rack's runs, each with its name where it covers nothing. */
export function Ghosts({ scale, messageContext, row, ghosts }: GhostsProps) {
  let namedTo = -Infinity;
  return [...ghosts]
    .sort((a, b) => a.fromMs - b.fromMs)
    .map((leg) => {
      const x0 = Math.max(scale.leftPx, xAt(scale, leg.fromMs));
      const x1 = Math.max(x0 + 2, xAt(scale, leg.toMs));
      const name = `${batchName(messageContext, leg.batchId)} ${leg.pieceIds.length}`;
      const widthPx = name.length * 5.9 + 8;
      // Over a bar or its name it is told when it is pointed at.
      const covers = row.bars.some((bar) => {
        const [from, to] = [
          Math.min(bar.x0, bar.label?.x0 ?? bar.x0),
          Math.max(bar.x1, bar.label ? bar.label.x0 + bar.label.widthPx : bar.x1),
        ];
        return from < x0 + widthPx && to > x0;
      });
      const isNamed = x0 >= namedTo && !covers;
      if (isNamed) namedTo = x0 + widthPx;
      return (
        <g key={`${leg.batchId}${leg.pieceIds[0]}`} pointerEvents="none">
          <title>{name}</title>
          <rect
            x={x0}
            width={x1 - x0}
            y={row.y - 2}
            height={row.height - 4}
            fill="none"
            stroke="var(--ember)"
            strokeWidth={1.5}
            strokeDasharray="5 3"
          />
          {isNamed && (
            <>
              <rect x={x0 + 1} y={row.y + row.height - 19} width={widthPx} height={14} fill="var(--sheet)" opacity={0.92} />
              <text x={x0 + 5} y={row.y + row.height - 8} className="text-[11px] font-bold" fill="var(--ember-ink)">
                {name}
              </text>
            </>
          )}
        </g>
      );
    });
}
