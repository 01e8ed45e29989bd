import type { LaidFly } from '../model/index.ts';
import { isPair } from './constraints.ts';
import { threadOf } from './threadOf.ts';

type Point = readonly [x: number, y: number];

/** A stroke of a small drawing: along points, so broad, of wire, thread, or what is tied. mm, y down, the shank's axis at 0. */
export interface Stroke {
  readonly points: readonly Point[];
  readonly breadthMm: number;
  readonly tone: 'wire' | 'thread' | 'stuff';
  /** An arrow at its end: which way the hand goes. */
  readonly goes?: boolean;
}

/** How much of the shank is drawn, and how far above and below it, mm. */
export const DRAWN = { acrossMm: 14, aboveMm: 4.5, belowMm: 5.5 } as const;

/** What the drawings are made of: the fly's own wire and thread. */
interface Made {
  readonly r: number;
  readonly wire: Stroke;
  readonly cord: number;
  readonly flat: number;
  /** Across one of the eyes it has, else of usual ones. */
  readonly eyeMm: number;
}

const line = (tone: Stroke['tone'], breadthMm: number, ...points: Point[]): Stroke => ({ tone, breadthMm, points });
const arrow = (...points: Point[]): Stroke => ({ tone: 'thread', breadthMm: 0.12, points, goes: true });

/** Broad turns lie nearly square, mm. */
const MOST_LEAN_MM = 0.08;

/** Turns round a shank of radius r from one place to another, each leaning forward as it is wound. */
function turns(
  from: number,
  to: number,
  pitch: number,
  r: number,
  breadthMm: number,
  tone: Stroke['tone'] = 'thread',
): Stroke[] {
  const count = Math.max(1, Math.round(Math.abs(to - from) / pitch));
  const step = (to - from) / count;
  return Array.from({ length: count }, (_, i) => {
    const x = from + (i + 0.5) * step;
    const lean = Math.min(0.2 * pitch, MOST_LEAN_MM);
    return line(tone, breadthMm, [x + lean, -r], [x - lean, r]);
  });
}

/** Fibres from one place that end at others. */
const fan = (from: Point, ends: readonly Point[], breadthMm = 0.12): Stroke[] =>
  ends.map((end) => line('stuff', breadthMm, from, end));
const ends = (count: number, at: (share: number) => Point): Point[] =>
  Array.from({ length: count }, (_, i) => at(count === 1 ? 0.5 : i / (count - 1)));
/** Points round a circle, from one angle to another, radians. */
const arc = ([x, y]: Point, rx: number, ry: number, from: number, to: number): Point[] =>
  ends(17, (share) => [x + rx * Math.cos(from + share * (to - from)), y + ry * Math.sin(from + share * (to - from))]);

const DRAWINGS: Readonly<Record<string, (made: Made) => Stroke[]>> = {
  start: ({ r, wire, cord }) => [
    wire,
    line('thread', cord, [10, -r], [5.4, -r]),
    ...turns(5.6, 8.2, 2 * cord, r + cord, cord),
    line('thread', cord, [8.2, r], [8.2, 4.8]),
    arrow([10.6, -2.2], [8.6, -2.2]),
  ],
  bed: ({ r, wire, cord, flat }) => [
    wire,
    ...turns(2, 11, flat, r + 0.1, 0.92 * flat),
    line('thread', cord, [2, r], [2, 4.8]),
  ],
  pinch: ({ r, wire, cord }) => [
    wire,
    ...fan(
      [5, -r - 0.3],
      ends(7, (share) => [12.6, -r - 0.4 - 2.2 * share]),
    ),
    ...fan(
      [5, -r - 0.3],
      ends(4, (share) => [3, -r - 0.2 - 0.6 * share]),
    ),
    line('thread', cord, [5.6, r], ...arc([5.6, -r - 0.4], 0.9, 2.4, Math.PI, 2 * Math.PI), [6.5, 4.6]),
    arrow([7.6, 1.4], [7.6, 4]),
  ],
  eight: ({ r, wire, cord }) => [
    wire,
    ...[-1, 1].flatMap((side) => [
      line('stuff', 0.4, ...arc([7, side * 2.6], 1.6, 1.6, 0, 2 * Math.PI)),
      line('stuff', 0.6, [7, side * r], [7, side * 1.2]),
    ]),
    ...[0, 1, 2].flatMap((i) => [
      line('thread', cord, [5.2 + 1.5 * i * cord, -r - 0.5], [8.8 + 1.5 * i * cord, r + 0.5]),
      line('thread', cord, [8.8 - 1.5 * i * cord, -r - 0.5], [5.2 - 1.5 * i * cord, r + 0.5]),
    ]),
  ],
  'cross-eyes': ({ r, wire, eyeMm }) => {
    const [middle, out, off] = [7, 0.62 * eyeMm, 0.5 * eyeMm + 0.5];
    const pass = (...points: Point[]): Stroke => ({ tone: 'thread', breadthMm: 0.3, points, goes: true });
    return [
      wire,
      ...[-1, 1].flatMap((side) => [
        line('stuff', 0.4, ...arc([middle, side * out], eyeMm / 2, eyeMm / 2, 0, 2 * Math.PI)),
        line('stuff', 0.6, [middle, side * r], [middle, side * (out - eyeMm / 2)]),
      ]),
      // Round behind, across to the front of the near eye, across to the front of the far one, round in front.
      pass([middle + off + 0.4, -r - 0.6], [middle + off + 0.4, r + 0.9]),
      pass([middle + off, -out], [middle, 0], [middle - off, out]),
      pass([middle + off, out], [middle, 0], [middle - off, -out]),
      pass([middle - off - 0.4, -r - 0.6], [middle - off - 0.4, r + 0.9]),
    ];
  },
  ramp: ({ r, wire, cord }) => [
    wire,
    ...turns(4, 9, 0.5, r + 0.5, 0.46, 'stuff'),
    ...ends(7, (share) => [2.4 + 1.5 * share, share]).map(([x, share]) =>
      line('thread', cord, [x, -r - 0.5 * share], [x, r + 0.5 * share]),
    ),
    ...ends(7, (share) => [10.6 - 1.5 * share, share]).map(([x, share]) =>
      line('thread', cord, [x, -r - 0.5 * share], [x, r + 0.5 * share]),
    ),
  ],
  rope: ({ r, wire, cord }) => [
    wire,
    line('thread', cord, [7, r], [7, 5.2]),
    ...ends(16, (share) => [share, Math.sin(Math.PI * share)]).flatMap(([share, thick]) => {
      const y = r + 0.4 + 3.8 * share;
      return [line('stuff', 0.14, [7 - 0.7 * thick, y + 0.2], [7 + 0.7 * thick, y - 0.2])];
    }),
    arrow(...arc([7, 4.9], 0.9, 0.35, -2.6, 0.4)),
  ],
  loop: ({ r, wire, cord }) => [
    wire,
    line('thread', cord, [6.6, r], [5.9, 2.6], [6.6, 5.2]),
    line('thread', cord, [7.4, r], [8.1, 2.6], [7.4, 5.2]),
    ...ends(14, (share) => [0, r + 0.6 + 3.6 * share]).map(([, y]) =>
      line('stuff', 0.12, [4.2, y + 0.2], [9.8, y - 0.2]),
    ),
    arrow(...arc([7, 5.2], 0.8, 0.3, -2.6, 0.4)),
  ],
  edge: ({ r, wire }) => [wire, ...turns(4, 11, 1.1, r + 0.12, 1.04, 'stuff'), arrow([6.4, -2], [3.6, -2])],
  part: ({ r, wire, cord }) => [
    wire,
    line('stuff', 0.5, [2, -r - 0.4], [12.4, -r - 0.4]),
    ...[0, 1, 2, 3].flatMap((i) =>
      fan(
        [3.4 + 2.5 * i, -r - 0.6],
        ends(6, (share) => [3.4 + 2.5 * i + 0.4 + 1.2 * share, -r - 3 + 0.8 * share]),
      ),
    ),
    ...[0, 1, 2].map((i) => line('thread', cord, [5 + 2.5 * i, -r - 0.8], [4.6 + 2.5 * i, r + 0.1])),
  ],
  wiggle: ({ r, wire, cord }) => [
    wire,
    ...turns(3, 12, 0.8, r + 0.6, 0.74, 'stuff'),
    ...[0, 1, 2, 3, 4].flatMap((i) =>
      [-1, 1].flatMap((side) =>
        fan(
          [3.6 + 1.9 * i, side * (r + 0.5)],
          ends(3, (share) => [4.4 + 1.9 * i + 0.7 * share, side * (r + 2.8)]),
          0.09,
        ),
      ),
    ),
    ...[0, 1, 2, 3].map((i) =>
      line(
        'thread',
        cord,
        [5 + 1.9 * i, -r - 0.7],
        [4.7 + 1.9 * i, -0.3],
        [5 + 1.9 * i, 0.2],
        [4.6 + 1.9 * i, r + 0.7],
      ),
    ),
  ],
};

/** Eyes that have room in a drawing, and those of a fly that has none. mm */
const MOST_EYE_MM = 3.7;
const USUAL_EYE_MM = 3.2;

/** Techniques that a drawing helps. */
export const DRAWN_TECHNIQUES: readonly string[] = Object.keys(DRAWINGS);

/** A technique drawn on this fly's own wire with its own thread; null for one that words alone tell. */
export function techniqueDrawing(key: string, { platform, file, parts }: LaidFly): readonly Stroke[] | null {
  const thread = threadOf(file);
  const wireMm = Math.min(2, platform.windMm);
  const eyes = parts.find(isPair);
  return (
    DRAWINGS[key]?.({
      r: wireMm / 2,
      wire: line('wire', wireMm, [1.2, 0], [DRAWN.acrossMm, 0]),
      cord: thread.cordMm,
      flat: thread.flatMm,
      eyeMm: Math.min(MOST_EYE_MM, eyes?.extent.lengthMm ?? USUAL_EYE_MM),
    }) ?? null
  );
}
