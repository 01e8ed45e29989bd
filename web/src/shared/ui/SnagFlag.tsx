/** The snag flag: a pennant on a staff, always beside a warning. */
export const SnagFlag = () => (
  <svg width={14} height={16} viewBox="0 0 14 16" aria-hidden="true" className="inline-block shrink-0">
    <path d="M2 1v14" stroke="var(--warn)" strokeWidth={1.6} />
    <path d="M3 1.5l10 3.4-10 3.6z" fill="var(--warn)" />
  </svg>
);
