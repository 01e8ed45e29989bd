import type { FlyFile } from '@jobbet/core/pattern';

type Part = FlyFile['parts'][number];

const PATHS: Readonly<Record<string, string>> = {
  ball: 'M6 10a3.5 3.5 0 1 1 0 .1M15 10a3.5 3.5 0 1 1 0 .1',
  bead: 'M10 4a6 6 0 1 1 -.1 0M8 10h4',
  wrap: 'M2 14l4-8 1 8 4-8 1 8 4-8 1 8',
  bundle: 'M3 15Q10 13 18 5M3 15Q11 14 19 9M3 15Q11 15 19 13',
  strip: 'M2 14h16M4 13l4-5M8 13l4-5M12 13l4-5M16 13l3-4',
  cone: 'M3 6l12 -2v12l-12 -2z',
  disc: 'M10 4a6 6 0 1 1 -.1 0M10 8a2 2 0 1 1 -.1 0',
  feather: 'M2 15Q8 6 18 4Q16 12 6 14M2 15L14 7',
  spun: 'M10 10L4 4M10 10L10 2M10 10L16 4M10 10L18 10M10 10L2 10M10 10L5 16M10 10L15 16',
  sheet: 'M3 13Q10 3 17 13L15 15Q10 7 5 15Z',
  coat: 'M10 3Q16 11 10 16Q4 11 10 3M8 11q0 3 2 3',
  hackle: 'M4 10L14 3M4 10L17 6M4 10h14M4 10l13 4M4 10l10 7',
};

/** What the mark of a part is drawn by: the shape of a ball, else its construction. */
export function markOf(part: Part): string {
  const shape = part.construction === 'ball' ? part.shape : part.construction;
  return [shape, part.construction].find((each) => PATHS[each] !== undefined) ?? 'bundle';
}

/** A small mark of how a part is built. */
export function PartIcon({ mark }: { readonly mark: string }) {
  const path = PATHS[mark];
  return (
    <svg
      width={20}
      height={20}
      viewBox="0 0 20 20"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.5}
      aria-hidden="true"
      className="shrink-0"
    >
      <path d={path} />
    </svg>
  );
}
