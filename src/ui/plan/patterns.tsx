import type { Phase } from '../../core/timeline';

export const PHASE_WORDS: Record<Phase, string> = {
  bare: 'bare in smoke',
  wrapped: 'wrapped',
  vent: 'venting',
  rest: 'resting',
  holdMaybe: 'hold, if early',
  holdSure: 'hold, certain',
};

/** One pattern a phase, so that none is told by colour alone: waves, folds, blank, dots, springs. */
export function PhasePatterns() {
  return (
    <defs>
      <pattern id="phase-bare" width="12" height="6" patternUnits="userSpaceOnUse">
        <rect width="12" height="6" fill="var(--bark)" />
        <path d="M0 4q3 -3 6 0t6 0" fill="none" stroke="var(--bark-wave)" strokeWidth="1" />
      </pattern>
      <pattern id="phase-wrapped" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="var(--wrap)" />
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--wrap-fold)" strokeWidth="2" />
      </pattern>
      <pattern id="phase-rest" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="var(--rest)" />
        <circle cx="3" cy="3" r="0.9" fill="var(--bark)" />
      </pattern>
      <pattern id="phase-hold" width="12" height="8" patternUnits="userSpaceOnUse">
        <rect width="12" height="8" fill="var(--hold-ground)" />
        <path d="M0 6l3 -4l3 4l3 -4l3 4" fill="none" stroke="var(--hold)" strokeWidth="1.1" />
      </pattern>
      <pattern id="phase-hot" width="5" height="6" patternUnits="userSpaceOnUse">
        <rect width="5" height="6" fill="var(--ember)" />
        <path d="M0 6l2.5 -5l2.5 5" fill="none" stroke="var(--sheet)" strokeWidth="0.9" />
      </pattern>
      <linearGradient id="finish-fade">
        <stop offset="0" stopColor="var(--paper)" stopOpacity="0" />
        <stop offset="1" stopColor="var(--paper)" stopOpacity="0.94" />
      </linearGradient>
    </defs>
  );
}

const FILLS: Record<Phase, string> = {
  bare: 'url(#phase-bare)',
  wrapped: 'url(#phase-wrapped)',
  vent: 'var(--sheet)',
  rest: 'url(#phase-rest)',
  holdMaybe: 'url(#phase-hold)',
  holdSure: 'url(#phase-hold)',
};

export const phaseFill = (phase: Phase): string => FILLS[phase];

/** A small flap on a pit's heat line, where its lid is lifted. */
export const openingPath = (x: number, y: number) => `M${x - 3.5} ${y}h7l-3.5 6z`;

/** The key to the drawing, for the foot of the plan and for print. */
export function PhaseKey() {
  const phases: Phase[] = ['bare', 'wrapped', 'vent', 'rest', 'holdMaybe', 'holdSure'];
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 text-[0.85rem] text-soft">
      {phases.map((phase) => (
        <li key={phase} className="flex items-center gap-1.5">
          <svg width="30" height="14" aria-hidden>
            <rect
              x="0.5"
              y="0.5"
              width="29"
              height="13"
              fill={phaseFill(phase)}
              stroke="var(--soft)"
              strokeDasharray={phase === 'holdMaybe' ? '3 2' : undefined}
            />
          </svg>
          {PHASE_WORDS[phase]}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <svg width="30" height="14" aria-hidden>
          <rect x="0.5" y="0.5" width="29" height="13" fill="url(#phase-wrapped)" />
          <rect x="0.5" y="0.5" width="29" height="13" fill="url(#finish-fade)" />
        </svg>
        done, early to late
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="30" height="14" aria-hidden>
          <rect x="0.5" y="0.5" width="29" height="13" fill="url(#phase-hot)" />
        </svg>
        hot finish, over the coals
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="14" height="14" aria-hidden>
          <path d={openingPath(7, 4)} fill="var(--soft)" />
        </svg>
        the pit is opened
      </li>
    </ul>
  );
}
