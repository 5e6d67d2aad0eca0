import type { SmokeWord } from '../../core/world';

/** How a plume of each kind is drawn: what is burned rises in a few thin threads, what is not in billows. */
const PLUMES: Record<SmokeWord, { threads: number; puffs: number; puffPx: number; token: string }> = {
  none: { threads: 0, puffs: 0, puffPx: 0, token: 'smoke-blue' },
  blue: { threads: 3, puffs: 0, puffPx: 0, token: 'smoke-blue' },
  grey: { threads: 1, puffs: 5, puffPx: 7, token: 'smoke-grey' },
  white: { threads: 0, puffs: 8, puffPx: 12, token: 'smoke-white' },
  black: { threads: 0, puffs: 8, puffPx: 12, token: 'smoke-black' },
};

/** A plume from (x, y) upwards. It moves, and stands still where motion is unwanted. */
export function SmokeDrawing({
  word,
  thickness,
  x,
  y,
  leansPx = 0,
}: {
  word: SmokeWord;
  thickness: number;
  x: number;
  y: number;
  leansPx?: number;
}) {
  const { threads, puffs, puffPx, token } = PLUMES[word];
  const colour = `var(--${token})`;
  if (word === 'none')
    return (
      <g stroke="var(--scene-line)" fill="none" strokeWidth="1.2" opacity="0.7">
        {[0, 1].map((i) => (
          <path key={i} className="smoke-sway" d={`M${x - 5 + i * 10},${y} q6,-9 0,-18 t0,-18`} />
        ))}
      </g>
    );
  return (
    <g>
      {Array.from({ length: threads }, (_, i) => (
        <path
          key={`thread-${i}`}
          className="smoke-sway"
          style={{ animationDelay: `${-i * 0.9}s` }}
          d={`M${x - 6 + i * 6},${y} c14,-20 ${-16 + leansPx / 4},-36 ${leansPx / 3},-56 s${leansPx / 2 + 10},-30 ${leansPx / 2},-52`}
          fill="none"
          stroke={colour}
          strokeWidth={2.4}
          strokeLinecap="round"
          opacity={0.5 + thickness}
        />
      ))}
      {Array.from({ length: puffs }, (_, i) => (
        <circle
          key={`puff-${i}`}
          className="smoke-rise"
          style={{ animationDelay: `${(-i * 3.2) / puffs}s` }}
          cx={x + ((i * 37) % 13) - 6 + (leansPx * i) / puffs}
          cy={y - 6 - i * 12}
          r={puffPx * (0.6 + i * 0.16)}
          fill={colour}
          opacity={Math.min(0.92, 0.35 + 0.6 * thickness) * (1 - (0.5 * i) / puffs)}
        />
      ))}
    </g>
  );
}
