import type { LinePiece } from './line.ts';

/** Line is laid in pieces so long at most, mm. */
const LONGEST = { line: 450, tip: 450, leader: 270 } as const;

/** A piece of line short enough to be one link of a chain. */
export interface Segment extends Omit<LinePiece, 'lengthMm'> {
  lengthMm: number;
}

/** A line cut into pieces that are short enough, from the rod on. @param finer how many times shorter than usual */
export const segmentsOf = (pieces: readonly LinePiece[], finer = 1): Segment[] =>
  pieces.flatMap((piece) => {
    const count = Math.max(1, Math.ceil((finer * piece.lengthMm) / LONGEST[piece.kind]));
    return Array.from({ length: count }, () => ({ ...piece, lengthMm: piece.lengthMm / count }));
  });

/** Cuts the piece of a leader in which a second fly is tied in. */
export function cutAt(pieces: readonly LinePiece[], aboveMm: number): LinePiece[] {
  let left = aboveMm;
  const cut: LinePiece[] = [];
  for (const piece of [...pieces].reverse()) {
    const [below, over] = [Math.max(0, Math.min(left, piece.lengthMm)), piece.lengthMm - Math.max(0, left)];
    if (below > 0) cut.unshift({ ...piece, lengthMm: below });
    if (over > 0) cut.unshift({ ...piece, lengthMm: Math.min(over, piece.lengthMm) });
    left -= piece.lengthMm;
  }
  return cut;
}

/** How many segments, from the fly on, are so long together. */
export function piecesIn(segments: readonly LinePiece[], lengthMm: number): number {
  let [count, left] = [0, lengthMm];
  for (const { lengthMm: long } of [...segments].reverse()) {
    if (left < long / 2) break;
    left -= long;
    count += 1;
  }
  return count;
}
