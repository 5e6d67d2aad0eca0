import { useId, type ReactNode } from 'react';
import type { Rack, RackSide } from '../../core/model';
import { hotSideOf } from '../../core/packing';
import { formatTempDifference, type Units } from '../../formats/units';

export const depthOf = (rack: Pick<Rack, 'round' | 'widthMm' | 'depthMm'>): number => (rack.round ? rack.widthMm : rack.depthMm);

/** Bars of the grate lie this far apart. */
const BAR_MM = 45;
/** The glow along the hot side. */
const GLOW_MM = 26;

interface RackFloorProps {
  rack: Rack;
  units: Units;
  pxPerMm: number;
  label: string;
  children?: ReactNode;
}

/** Room round the drawing for the rim and the glow, mm. */
export const RIM_MM = 14;

/**
 * One rack from above, to scale: its bars, hot side, bands and blocked parts. The door is below, so
 * y of the plan runs upward on the page. What is passed in is drawn in mm of the plan.
 */
export function RackFloor({ rack, units, pxPerMm, label, children }: RackFloorProps) {
  const id = useId();
  const width = rack.widthMm;
  const depth = depthOf(rack);
  const hot = hotSideOf(rack);
  return (
    <svg
      width={(width + 2 * RIM_MM) * pxPerMm}
      height={(depth + 2 * RIM_MM) * pxPerMm}
      viewBox={`${-RIM_MM} ${-RIM_MM} ${width + 2 * RIM_MM} ${depth + 2 * RIM_MM}`}
      role="group"
      aria-label={label}
      className="block max-w-full touch-none select-none"
    >
      <defs>
        <clipPath id={`${id}-clip`}>
          {rack.round ? <circle cx={width / 2} cy={depth / 2} r={width / 2} /> : <rect width={width} height={depth} rx={8} />}
        </clipPath>
        <pattern id={`${id}-bars`} width={BAR_MM} height={BAR_MM} patternUnits="userSpaceOnUse">
          <line x1={BAR_MM / 2} x2={BAR_MM / 2} y1={0} y2={BAR_MM} stroke="var(--line)" strokeWidth={5} />
        </pattern>
        <pattern id={`${id}-blocked`} width={34} height={34} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={34} height={34} fill="var(--sheet)" />
          <line x1={0} x2={0} y1={0} y2={34} stroke="var(--soft)" strokeWidth={9} />
        </pattern>
        {hot && <GlowGradient id={`${id}-glow`} side={hot} />}
      </defs>
      <g clipPath={`url(#${id}-clip)`}>
        <rect width={width} height={depth} fill="var(--paper)" />
        <rect width={width} height={depth} fill={`url(#${id}-bars)`} />
        {(rack.zones ?? []).map((band) => (
          <g key={band.fromMm}>
            <rect
              x={band.fromMm}
              width={Math.max(0, band.toMm - band.fromMm)}
              height={depth}
              fill={band.offsetC > 0 ? 'var(--ember)' : 'var(--slate)'}
              opacity={Math.min(0.3, 0.08 + Math.abs(band.offsetC) / 80)}
            />
            <text
              x={(band.fromMm + band.toMm) / 2}
              y={16 / pxPerMm}
              textAnchor="middle"
              fontSize={12 / pxPerMm}
              className="figures"
              fill="var(--ink)"
            >
              {band.offsetC > 0 ? '+' : '−'}
              {formatTempDifference(Math.abs(band.offsetC), units)}
            </text>
          </g>
        ))}
        {hot && <rect width={width} height={depth} fill={`url(#${id}-glow)`} />}
        {(rack.blocked ?? []).map((part, i) => (
          <g key={i} transform={`translate(${part.xMm} ${depth - part.yMm - part.depthMm})`}>
            <rect width={part.widthMm} height={part.depthMm} fill={`url(#${id}-blocked)`} stroke="var(--soft)" strokeWidth={3} />
            {part.widthMm * pxPerMm > 56 && (
              <text
                x={part.widthMm / 2}
                y={part.depthMm / 2 + 4 / pxPerMm}
                textAnchor="middle"
                fontSize={11 / pxPerMm}
                fill="var(--ink)"
                stroke="var(--sheet)"
                strokeWidth={4 / pxPerMm}
                paintOrder="stroke"
              >
                {part.by}
              </text>
            )}
          </g>
        ))}
      </g>
      {rack.round ? (
        <circle cx={width / 2} cy={depth / 2} r={width / 2} fill="none" stroke="var(--soft)" strokeWidth={2 / pxPerMm} />
      ) : (
        <rect width={width} height={depth} rx={8} fill="none" stroke="var(--soft)" strokeWidth={2 / pxPerMm} />
      )}
      {children}
    </svg>
  );
}

function GlowGradient({ id, side }: { id: string; side: RackSide }) {
  const ends = {
    left: { x1: 0, x2: 1, y1: 0, y2: 0 },
    right: { x1: 1, x2: 0, y1: 0, y2: 0 },
    near: { x1: 0, x2: 0, y1: 1, y2: 0 },
    far: { x1: 0, x2: 0, y1: 0, y2: 1 },
  }[side];
  return (
    <linearGradient id={id} {...ends}>
      <stop offset="0" stopColor="var(--ember)" stopOpacity={0.55} />
      <stop offset={GLOW_MM / 400} stopColor="var(--ember)" stopOpacity={0.2} />
      <stop offset="0.25" stopColor="var(--ember)" stopOpacity={0} />
    </linearGradient>
  );
}
