import { z } from 'zod';

/** Papers that are printed on, mm across and down when upright. */
export const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof PAPERS;

const mm = z.number().min(-2000).max(2000);
const point = z.tuple([mm, mm]).readonly();
const share = z.number().min(0).max(1);

/** A line through points, mm from the page's upper left corner, y downward. */
const line = z.strictObject({
  kind: z.literal('line'),
  points: z.array(point).min(1).max(5000).readonly(),
  width: z.number().min(0).max(50),
  grey: share.describe('0 black, 1 white'),
  dash: z.tuple([mm, mm]).readonly().optional(),
  close: z.boolean().optional(),
  name: z.string().max(200).optional(),
});
const text = z.strictObject({
  kind: z.literal('text'),
  at: point,
  text: z.string().max(500),
  size: z.number().min(0.5).max(50),
  bold: z.boolean().optional(),
  grey: share.optional(),
  anchor: z.enum(['start', 'middle', 'end']).optional(),
  upward: z.boolean().optional().describe('turned to read upward'),
});

const tint = z.string().regex(/^#[0-9a-f]{6}$/i);
/** A path in the terms of SVG, mm from a point of the page, filled or drawn. */
const shape = z.strictObject({
  kind: z.literal('shape'),
  at: point,
  path: z.string().max(400_000),
  fill: tint.optional(),
  stroke: tint.optional(),
  width: z.number().min(0).max(50).optional(),
  alpha: share.optional(),
  dash: z.array(mm).max(8).readonly().optional(),
});
/** A lit sphere: tints from its light to its edge. */
const ball = z.strictObject({
  kind: z.literal('ball'),
  at: point,
  r: z.number().min(0).max(500),
  stops: z.tuple([tint, tint, tint, tint]).readonly(),
});

/** Something on a printed page. */
export const itemSchema = z.discriminatedUnion('kind', [line, text, shape, ball]);
export type Item = z.infer<typeof itemSchema>;

/** An item moved across and down, mm. */
export function shifted(item: Item, dx: number, dy: number): Item {
  const moved = ([x, y]: readonly [number, number]): [number, number] => [x + dx, y + dy];
  return 'at' in item ? { ...item, at: moved(item.at) } : { ...item, points: item.points.map(moved) };
}

/** One page; everything on it is drawn larger by `correction`, which makes up for what a printer takes off. */
export const pageSchema = z.strictObject({
  widthMm: z.number().min(20).max(1500),
  heightMm: z.number().min(20).max(1500),
  correction: z.number().min(0.5).max(2),
  items: z.array(itemSchema).max(20000).readonly(),
});
export type Page = z.infer<typeof pageSchema>;
