import type { Pit } from '../../core/model';
import { hotSideOf } from '../../core/packing';
import { formatLength, formatMass, type Units } from '../../formats/units';
import { depthOf, RackFloor } from '../racks/RackFloor';
import { SIDE_NAMES } from './sideNames';

const WIDE_PX = 260;
const DEEP_PX = 120;

/** A pit's racks from above, all to one scale, the topmost first. */
export function RackDrawing({ pit, units }: { pit: Pit; units: Units }) {
  const widest = Math.max(...pit.racks.map((rack) => rack.widthMm), 1);
  const deepest = Math.max(...pit.racks.map(depthOf), 1);
  const pxPerMm = Math.min(WIDE_PX / widest, DEEP_PX / deepest);
  const racks = [...pit.racks].sort((a, b) => b.level - a.level);
  return (
    <ul className="flex flex-wrap items-end gap-4">
      {racks.map((rack) => {
        const hot = hotSideOf(rack);
        return (
          <li key={rack.id}>
            <RackFloor rack={rack} units={units} pxPerMm={pxPerMm} label={`${rack.name}, from above`} />
            <p className="text-[0.9rem] font-semibold">{rack.name}</p>
            <p className="figures text-[0.85rem] text-soft">
              {rack.round
                ? `${formatLength(rack.widthMm, units)} across`
                : `${formatLength(rack.widthMm, units)} × ${formatLength(rack.depthMm, units)}`}
              , {formatLength(rack.clearanceMm, units)} high, {formatMass(rack.maxKg, units)}
            </p>
            {hot && <p className="text-[0.85rem] text-ember-ink">hot on the {SIDE_NAMES[hot]}</p>}
          </li>
        );
      })}
    </ul>
  );
}
