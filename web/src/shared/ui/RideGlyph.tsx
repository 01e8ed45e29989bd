import { useSettings } from '../settings/settings.ts';

interface RideGlyphProps {
  readonly ride: string;
  readonly heelDeg: number | null;
  readonly balls: boolean;
  readonly size?: number;
}

const WORDS: Readonly<Record<string, string>> = {
  'point-up': 'point-up',
  'point-down': 'point-down',
  'on-its-side': 'on its side',
  undecided: 'undecided',
};
export const rideWords = (ride: string): string => WORDS[ride] ?? ride;

/** The fly from the front over the bed, turned to its heel: a dot for the shank, an arrow for the point, two balls where eyes are fitted. */
export function RideGlyph({ ride, heelDeg, balls, size = 40 }: RideGlyphProps) {
  // What is seen from the front is mirrored for a right-handed tier, as the drawing is.
  const turn = (heelDeg ?? 90) * (useSettings((now) => now.hand) === 'right' ? -1 : 1);
  const firm = ride !== 'undecided';
  return (
    <svg width={size} height={size} viewBox="-20 -20 40 40" aria-hidden="true">
      <line x1={-18} x2={18} y1={18} y2={18} stroke="var(--rule)" strokeWidth={1.4} strokeDasharray="4 3" />
      <g transform={`rotate(${String(-turn)})`} fill="var(--ink)" stroke="var(--ink)">
        <line x1={0} x2={0} y1={0} y2={11} strokeWidth={2.4} />
        <path d="M0 16l-4.5-7h9z" stroke="none" />
        {balls ? (
          <>
            <circle cx={-5.4} cy={-4} r={5} stroke="none" />
            <circle cx={5.4} cy={-4} r={5} stroke="none" />
          </>
        ) : (
          <circle r={4.2} cy={-3} fill={firm ? 'var(--sheet)' : 'none'} strokeWidth={2.2} />
        )}
      </g>
    </svg>
  );
}
