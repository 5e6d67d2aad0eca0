/** Below this nobody feels a push any more. */
const TENDER_PUSH = 0.115;

/** How hard a probe has to be pushed, on its way from the surface to the middle. */
export function GiveCurve({ resistance }: { resistance: readonly number[] }) {
  const [width, height] = [200, 64];
  const points = resistance.map(
    (push, i) => `${(8 + ((width - 16) * i) / (resistance.length - 1)).toFixed(1)},${(height - 8 - push * (height - 20)).toFixed(1)}`,
  );
  return (
    <figure className="w-full max-w-64">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Push along the way in: ${wordOf(resistance)}`}
        className="w-full rounded border border-line bg-paper"
      >
        <path d={`M8,${height - 8} H${width - 8}`} stroke="var(--line)" />
        <path
          d={`M8,${height - 8 - TENDER_PUSH * (height - 20)} H${width - 8}`}
          stroke="var(--soft)"
          strokeDasharray="3 3"
          strokeWidth="0.8"
        />
        <path d={`M${points.join(' L')} L${width - 8},${height - 8} L8,${height - 8} Z`} fill="var(--fill)" />
        <path d={`M${points.join(' L')}`} fill="none" stroke="var(--ember)" strokeWidth="2" />
        <text x="10" y="11" fontSize="9" fill="var(--soft)">
          push
        </text>
      </svg>
      <figcaption className="flex justify-between text-[0.75rem] text-soft">
        <span>surface</span>
        <span>dashed: tender below</span>
        <span>middle</span>
      </figcaption>
    </figure>
  );
}

const wordOf = (resistance: readonly number[]): string => {
  const [crust, middle] = [Math.max(...resistance.slice(0, 3)), resistance.at(-1) ?? 0];
  const say = (push: number) => (push > 0.6 ? 'hard' : push > 0.3 ? 'some' : push > 0.12 ? 'little' : 'hardly any');
  return `${say(crust)} at the crust, ${say(middle)} in the middle`;
};
