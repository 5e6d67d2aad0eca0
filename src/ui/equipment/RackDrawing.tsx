import type { Pit } from '../../core/model';
import { formatLength, type Units } from '../../formats/units';

const WIDE_PX = 260;
const DEEP_PX = 110;

/** A pit's racks from above, all to one scale, the topmost first. */
export function RackDrawing({ pit, units }: { pit: Pit; units: Units }) {
  const widest = Math.max(...pit.racks.map((rack) => rack.widthMm), 1);
  const deepest = Math.max(...pit.racks.map((rack) => rack.depthMm), 1);
  const scale = Math.min(WIDE_PX / widest, DEEP_PX / deepest);
  const racks = [...pit.racks].sort((a, b) => b.level - a.level);
  return (
    <ul className="flex flex-wrap items-end gap-4">
      {racks.map((rack) => (
        <li key={rack.id}>
          <svg width={rack.widthMm * scale + 2} height={rack.depthMm * scale + 2} role="img" aria-label={`${rack.name}, from above`}>
            <rect
              x="1"
              y="1"
              width={rack.widthMm * scale}
              height={rack.depthMm * scale}
              fill="var(--paper)"
              stroke="var(--soft)"
              strokeWidth="1.5"
            />
            {Array.from({ length: Math.floor((rack.widthMm * scale) / 9) }, (_, i) => (
              <line key={i} x1={9 * (i + 1)} x2={9 * (i + 1)} y1="1" y2={rack.depthMm * scale + 1} stroke="var(--line)" />
            ))}
          </svg>
          <p className="text-[0.9rem] font-semibold">{rack.name}</p>
          <p className="figures text-[0.85rem] text-soft">
            {formatLength(rack.widthMm, units)} × {formatLength(rack.depthMm, units)}, {formatLength(rack.clearanceMm, units)} high
          </p>
        </li>
      ))}
    </ul>
  );
}
