import type { Bounds } from '../../model/index.ts';
import { viewOf, type Hand, type View, type ViewName } from './view.ts';

type Along = Pick<Bounds, 'front' | 'rear'>;
type Upright = Pick<Bounds, 'top' | 'bottom'>;

/** px of the eye where the drawing of a fly begins at `left`: with its tail for a right hand, with its head for a left one. @param scale px per mm */
export const eyeAt = (hand: Hand, left: number, { front, rear }: Along, scale: number): number =>
  left + (hand === 'right' ? rear : -front) * scale;

/** px of the shank's axis where a fly stands in the middle of a height. @param height px @param scale px per mm */
export const axisAt = (height: number, { top, bottom }: Upright, scale: number): number =>
  height / 2 + ((top + bottom) / 2) * scale;

/** A frame to fill, px. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** Left bare of its width and of its height, both sides together. */
  readonly bare: readonly [across: number, down: number];
  readonly hand: Hand;
  readonly name?: ViewName;
  /** With the hook turned over. */
  readonly turned?: boolean;
}

/** The view in which a fly fills a frame, in its middle. @param bounds of the fly, mm */
export function fitView(bounds: Bounds, frame: Frame): View {
  const { width, height, bare, hand, name = 'profile', turned = false } = frame;
  const { front, rear, top, bottom, aside } = bounds;
  const upright = name === 'plan' ? { top: aside, bottom: -aside } : turned ? { top: -bottom, bottom: -top } : bounds;
  const tall = name === 'plan' ? 2 * aside : top - bottom;
  const scale = Math.min((width - bare[0]) / (rear - front), (height - bare[1]) / tall);
  const left = (width - (rear - front) * scale) / 2;
  const [ox, oy] = [eyeAt(hand, left, bounds, scale), axisAt(height, upright, scale)];
  return viewOf(name, ox, oy, scale, hand, turned ? Math.PI : 0);
}
