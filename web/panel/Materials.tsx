/** What every picture of a panel is drawn in: paper without glass, and solder. Inside an svg. */
export const Materials = () => (
  <defs>
    <pattern id="no-glass" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="7" height="7" fill="var(--paper)" />
      <path d="M0 0V7" stroke="var(--hatch)" strokeWidth="1.6" />
    </pattern>
    <radialGradient id="solder-dot" cx="0.35" cy="0.3" r="0.8">
      <stop offset="0" stopColor="var(--bright)" />
      <stop offset="0.5" stopColor="var(--tin)" />
      <stop offset="1" stopColor="var(--tin-dark)" />
    </radialGradient>
  </defs>
);
