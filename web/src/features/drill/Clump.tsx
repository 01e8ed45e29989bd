import { noise } from '@jobbet/core/numeric';

type Px = readonly [number, number];

interface ClumpProps {
  readonly from: Px;
  readonly to: Px;
  readonly seed: number;
  readonly stroke: string;
  readonly hairs?: number;
  /** How far the hairs fan out at the tips, px. */
  readonly fan?: number;
}

/** Hair from where it is tied in to where its tips end, for the eye: every hair a line of its own, the longest as long as is asked. */
export function Clump({ from, to, seed, stroke, hairs = 46, fan = 9 }: ClumpProps) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [-dy / length, dx / length];
  const lines = Array.from({ length: hairs }, (_, i) => {
    // The first is the longest: the tip is where it ends.
    const share = i === 0 ? 1 : 1 - 0.22 * noise(seed, i, 0) ** 2;
    const aside = i === 0 ? 0 : fan * (2 * noise(seed, i, 1) - 1);
    const root = 2.5 * (2 * noise(seed, i, 2) - 1);
    const [x1, y1] = [from[0] + root * nx, from[1] + root * ny];
    const [x2, y2] = [from[0] + share * dx + aside * nx, from[1] + share * dy + aside * ny];
    const [cx, cy] = [from[0] + 0.45 * dx + 0.8 * aside * nx, from[1] + 0.45 * dy + 0.8 * aside * ny];
    return `M${x1.toFixed(1)} ${y1.toFixed(1)}Q${cx.toFixed(1)} ${cy.toFixed(1)} ${x2.toFixed(1)} ${y2.toFixed(1)}`;
  });
  return <path d={lines.join('')} fill="none" stroke={stroke} strokeWidth={0.9} strokeLinecap="round" opacity={0.8} />;
}
