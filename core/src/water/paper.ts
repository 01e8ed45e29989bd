import { sentence } from '../base/index.ts';
import type { Item, Page } from '../drawing/index.ts';
import { formatNumber, METRIC, MM_PER, saying, type Style } from '../units/index.ts';
import { ended, runWater, type WaterAsked } from './ask.ts';
import { onLine, readAsked, type WaterTexts } from './asked.ts';
import type { Moment } from './fish.ts';
import { type Known, lineWords } from './reach.ts';
import { lengthOf, linesOf } from './tackle.ts';

const words = (
  at: readonly [number, number],
  text: string,
  size: number,
  more: Partial<Extract<Item, { kind: 'text' }>> = {},
): Item => ({
  kind: 'text',
  at: [at[0], at[1]],
  text: text.slice(0, 500),
  size,
  ...more,
});
const stroke = (
  points: readonly (readonly [number, number])[],
  width: number,
  grey = 0,
  more: Partial<Extract<Item, { kind: 'line' }>> = {},
): Item => ({
  kind: 'line',
  points: points.map(([x, y]) => [x, y] as const),
  width,
  grey,
  ...more,
});

const M = 1000;
/** How long a fly on each line is counted to each depth, s; null where it does not come down to it. */
export interface CountRow {
  readonly line: string;
  readonly words: string;
  readonly leaderMm: number;
  readonly seconds: readonly (number | null)[];
}

/** A fly counted down: the depths, mm, and a row for each line. */
export interface Counted {
  readonly depthsMm: readonly number[];
  readonly rows: readonly CountRow[];
}

const COUNTED_S = 60;
/** Depths are counted to in so many steps at most. */
const MOST_DEPTHS = 6;
const DEPTH_STEPS = { mm: [0.25, 0.5, 1, 2, 5], in: [1, 2, 3, 5, 10] } as const;
/** A fly on the bed lies its own height over it. */
const BED_MM = 60;

/** The depths a card counts to: round figures of the tier's unit, down to the bed. */
export function countedDepths(depthMm: number, { length }: Pick<Style, 'length'> = METRIC): readonly number[] {
  const per = MM_PER[length === 'in' ? 'ft' : 'm'];
  const steps = DEPTH_STEPS[length];
  const step = per * (steps.find((each) => depthMm / (each * per) <= MOST_DEPTHS) ?? steps[steps.length - 1] ?? 1);
  return Array.from({ length: Math.floor(depthMm / step + 1e-9) }, (_, i) => (i + 1) * step);
}

/** Counts a fly down on every line of the drawers, in the water of a beat as if it stood still. @param own how it is asked now */
export function* countRows(
  asked: WaterAsked,
  own: WaterTexts,
  { file, tackle }: Known,
  style: Style = METRIC,
): Generator<{ readonly share: number }, Counted> {
  const depthsMm = countedDepths(asked.beat.depthMm, style);
  const rows: CountRow[] = [];
  const lines = linesOf(tackle);
  for (const [i, line] of lines.entries()) {
    const texts = onLine(own, line, tackle);
    const read = readAsked({ ...texts, manner: 'count-down', seconds: `${String(COUNTED_S)} s` }, file, tackle);
    if (!read.ok) continue;
    const still = { ...asked, ...read.value, beat: { ...asked.beat, meanMmS: 0 } };
    const run = ended(runWater(still));
    yield { share: (i + 1) / lines.length };
    if (!run.ok) continue;
    const { moments } = run.value.track;
    rows.push({
      line,
      words: lineWords(line),
      leaderMm: lengthOf(read.value.leader),
      seconds: depthsMm.map((mm) => moments.find(({ fly }) => -fly[2] >= mm - BED_MM)?.t ?? null),
    });
  }
  return { depthsMm, rows };
}

const CARD = { widthMm: 105, heightMm: 74, margin: 6 } as const;

/** So many lines stand on a card. */
const MOST_ROWS = 6;
/** A name is cut to so many letters. */
const MOST_LETTERS = 29;
const cut = (name: string): string => (name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name);

/** Count-down cards at pocket size: seconds by line and depth. */
export function countCards(name: string, beat: string, counted: Counted, style: Style = METRIC): readonly Page[] {
  const cards = Math.max(1, Math.ceil(counted.rows.length / MOST_ROWS));
  return Array.from({ length: cards }, (_, i) =>
    countCard(name, beat, { ...counted, rows: counted.rows.slice(i * MOST_ROWS, (i + 1) * MOST_ROWS) }, style),
  );
}

function countCard(name: string, beat: string, { depthsMm, rows }: Counted, style: Style): Page {
  const { widthMm, heightMm, margin } = CARD;
  const first = 44;
  const room = widthMm - 2 * margin - first;
  const [leader, top] = [margin + first + 4, 20];
  const column = (i: number): number => leader + ((i + 1) / depthsMm.length) * (room - 4);
  const rule = (y: number, width: number, grey = 0): Item =>
    stroke(
      [
        [margin, y],
        [widthMm - margin, y],
      ],
      width,
      grey,
    );
  const { depth } = saying(style);
  return {
    widthMm,
    heightMm,
    correction: 1,
    items: [
      words([margin, 10], `${name}: count it down`, 4.4, { bold: true }),
      words([widthMm - margin, 10], `${beat}, still water`, 3, { grey: 0.35, anchor: 'end' }),
      words([leader, top], 'leader', 2.6, { grey: 0.35, anchor: 'end' }),
      ...depthsMm.map((mm, i) => words([column(i), top], depth(mm), 3.2, { bold: true, anchor: 'end' })),
      rule(top + 2, 0.3),
      ...rows.flatMap((row, r): Item[] => {
        const y = top + 8 + r * 6;
        return [
          words([margin, y], cut(row.words.replace(/^an? /, '')), 3),
          words([leader, y], depth(row.leaderMm), 2.6, { grey: 0.35, anchor: 'end' }),
          ...row.seconds.map((s, i) =>
            words([column(i), y], s === null ? '–' : `${formatNumber(s, 0, style)} s`, 3.2, { anchor: 'end' }),
          ),
          rule(y + 2, 0.1, 0.6),
        ];
      }),
      words(
        [margin, heightMm - 6],
        'Seconds from where the fly comes down, in still water, on a straight line; good to a quarter.',
        2.6,
        { grey: 0.35 },
      ),
    ],
  };
}

/** What is drawn of a moment. */
export interface SectionDrawn {
  readonly name: string;
  readonly beat: string;
  readonly asked: Pick<WaterAsked, 'beat' | 'wantMm' | 'fishing'>;
  readonly moments: readonly Moment[];
  readonly moment: Moment;
  readonly words: readonly string[];
}

const SECTION = { widthMm: 210, heightMm: 148, margin: 12 } as const;

/** Nodes along the line, m: how far out over the level, and how high. */
export function alongLine({ nodes }: Pick<Moment, 'nodes'>): (readonly [out: number, high: number])[] {
  let out = 0;
  return Array.from({ length: nodes.length / 3 }, (_, i) => {
    const k = 3 * i;
    if (i > 0) out += Math.hypot((nodes[k] ?? 0) - (nodes[k - 3] ?? 0), (nodes[k + 1] ?? 0) - (nodes[k - 2] ?? 0)) / M;
    return [out, (nodes[k + 2] ?? 0) / M] as const;
  });
}

function graph(top: number, height: number, right: number, asked: SectionDrawn['asked'], style: Style) {
  const left = SECTION.margin + 10;
  const end = SECTION.widthMm - SECTION.margin;
  const deep = asked.beat.depthMm / M;
  const x = (value: number): number => left + (value / right) * (end - left);
  const y = (m: number): number => top + (Math.max(m, -0.4) / deep) * height;
  const scene: Item[] = [
    stroke(
      [
        [left, y(0)],
        [end, y(0)],
      ],
      0.35,
    ),
    stroke(
      [
        [left, y(deep)],
        [end, y(deep)],
      ],
      0.5,
    ),
    words([left - 2, y(0) + 1], '0', 3, { anchor: 'end' }),
    words([left - 2, y(deep) + 1], saying(style).depth(asked.beat.depthMm), 3, { anchor: 'end' }),
    ...(asked.wantMm === null
      ? []
      : [
          stroke(
            [
              [left, y(asked.wantMm / M)],
              [end, y(asked.wantMm / M)],
            ],
            0.2,
            0.4,
            { dash: [2, 1.5] },
          ),
          words([end, y(asked.wantMm / M) - 1], `wanted ${saying(style).depth(asked.wantMm)}`, 2.8, {
            anchor: 'end',
            grey: 0.35,
          }),
        ]),
  ];
  return { x, y, scene };
}

const mark = (x: number, y: number): Item =>
  stroke(
    [
      [x, y - 2],
      [x + 2, y],
      [x, y + 2],
      [x - 2, y],
    ],
    0.3,
    0,
    { close: true },
  );

/** A moment in section along the line, the depth by the second under it, and what is said of it: on paper, or as a drawing. */
export function sectionPage(
  { name, beat, asked, moments, moment, words: said }: SectionDrawn,
  style: Style = METRIC,
): Page {
  const line = alongLine(moment);
  const far = Math.max(2, line.at(-1)?.[0] ?? 1) * 1.05;
  const end = moments.at(-1)?.t ?? 1;
  const above = graph(30, 40, far, asked, style);
  const below = graph(82, 32, end, asked, style);
  const { margin, widthMm, heightMm } = SECTION;
  const [out, high] = line.at(-1) ?? [0, 0];
  return {
    widthMm,
    heightMm,
    correction: 1,
    items: [
      words([margin, 12], `${name} over ${beat}`, 5, { bold: true }),
      words(
        [margin, 19],
        `along the line at ${formatNumber(moment.t, 1, style)} s; fly at ${saying(style).depth(-moment.fly[2])}`,
        3.2,
        { grey: 0.3 },
      ),
      ...above.scene,
      stroke(
        line.map(([x, z]) => [above.x(x), above.y(-z)] as const),
        0.5,
      ),
      mark(above.x(out), above.y(-high)),
      ...below.scene,
      stroke(
        moments.map(({ t, fly }) => [below.x(t), below.y(-fly[2] / M)] as const),
        0.5,
      ),
      mark(below.x(moment.t), below.y(-moment.fly[2] / M)),
      words([below.x(end), 120], `${formatNumber(end, 0, style)} s`, 3, { anchor: 'end' }),
      ...said.slice(0, 5).map((text, i) => words([margin, 124 + 4.6 * i], sentence(text), 3.2)),
    ],
  };
}
