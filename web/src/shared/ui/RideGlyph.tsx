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

/** Whether the hook stands the other way up on the platform, so that at no heel its point is up: what the ride says is what is drawn. */
function isTurned(ride: string, heelDeg: number): boolean {
  const away = Math.abs(((((heelDeg + 180) % 360) + 360) % 360) - 180);
  return (ride === 'point-up' && away < 90) || (ride === 'point-down' && away > 90);
}

/** The fly from the front over the bed, turned to its heel: a dot for the shank, an arrow for the point, two balls where eyes are fitted. */
export function RideGlyph({ ride, heelDeg, balls, size = 40 }: RideGlyphProps) {
  // What is seen from the front is mirrored for a right-handed tier, as the drawing is.
  const mirrored = useSettings((now) => now.hand) === 'right' ? -1 : 1;
  const turn = ((heelDeg ?? 90) + (isTurned(ride, heelDeg ?? 90) ? 180 : 0)) * mirrored;
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
