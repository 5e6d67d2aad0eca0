import type { BackOn, Plan, Rack } from '../../core/model';
import { PieceName } from './PieceName';
import { depthOf } from './RackFloor';

/** What is back on a pit at a moment, in pans. */
export const backOnAt = ({ backOn = [] }: Pick<Plan, 'backOn'>, pitId: string, atMs: number): BackOn[] =>
  backOn.filter((each) => each.pitId === pitId && each.fromMs <= atMs && each.toMs > atMs);

/** The pans of what was cubed and is back on a rack, drawn in mm of the rack. */
export function BackPans({ backOn, rack, pxPerMm }: { backOn: readonly BackOn[]; rack: Rack; pxPerMm: number }) {
  return backOn.flatMap(({ batchId, name, legs }) =>
    legs
      .filter((leg) => leg.rackId === rack.id)
      .flatMap((leg) => leg.places)
      .map((place) => {
        const y = depthOf(rack) - place.yMm - place.depthMm;
        return (
          <g key={`${batchId}/${place.pieceId}`}>
            <title>{name}</title>
            <rect
              x={place.xMm}
              y={y}
              width={place.widthMm}
              height={place.depthMm}
              rx={10}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={2 / pxPerMm}
              strokeDasharray={`${5 / pxPerMm} ${3 / pxPerMm}`}
            />
            <PieceName
              name={name}
              rect={{ x: place.xMm, y, width: place.widthMm, height: place.depthMm }}
              pxPerMm={pxPerMm}
              ink="var(--ink)"
            />
          </g>
        );
      }),
  );
}
