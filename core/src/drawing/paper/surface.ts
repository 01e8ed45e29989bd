import { PathSurface } from '../figure/surface.ts';
import type { Item } from './items.ts';

/** Lines on paper are no finer than this, mm. */
const FINEST_MM = 0.06;

/** A drawing as items of a page, at a place on it. */
export class PaperSurface extends PathSurface {
  readonly items: Item[] = [];
  private readonly at: readonly [x: number, y: number];

  /** @param mmPerPx of the paper, for each px that is drawn @param at where the drawing's upper left corner comes, mm */
  constructor(mmPerPx: number, at: readonly [x: number, y: number]) {
    super(mmPerPx);
    this.at = at;
  }

  fill(colour: string, alpha = 1): void {
    if (this.path === '') return;
    this.items.push({ kind: 'shape', at: [...this.at], path: this.path, fill: colour, alpha });
  }

  stroke(colour: string, width: number, alpha = 1, dash: readonly number[] = []): void {
    if (this.path === '') return;
    this.items.push({
      kind: 'shape',
      at: [...this.at],
      path: this.path,
      stroke: colour,
      width: Math.max(FINEST_MM, this.scale * width),
      alpha,
      ...(dash.length > 0 ? { dash: dash.map((each) => this.scale * each) } : {}),
    });
  }

  ball(x: number, y: number, r: number, stops: readonly [string, string, string, string]): void {
    const [left, top] = this.at;
    this.items.push({
      kind: 'ball',
      at: [left + this.scale * x, top + this.scale * y],
      r: this.scale * r,
      stops: [...stops],
    });
  }
}
