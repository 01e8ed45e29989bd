import type { Surface } from '@jobbet/core/drawing';

/** Paths kept for one part: each view, side and tint has one; older ones make way. */
const MOST_KEPT = 60;

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Paints on a 2D canvas. Kept from one painting to the next, it remembers the paths of what has not changed. */
export class CanvasSurface implements Surface {
  private readonly context: Context;
  private readonly kept = new WeakMap<object, Map<string, Path2D>>();
  private path = new Path2D();

  constructor(context: Context) {
    this.context = context;
  }

  begin(): void {
    this.path = new Path2D();
  }

  reuse(matter: object, key: string, build: () => void): void {
    const paths = this.kept.get(matter) ?? new Map<string, Path2D>();
    this.kept.set(matter, paths);
    const known = paths.get(key);
    if (known) {
      this.path = known;
      return;
    }
    this.begin();
    build();
    const [oldest] = paths.keys();
    if (paths.size >= MOST_KEPT && oldest !== undefined) paths.delete(oldest);
    paths.set(key, this.path);
  }

  move(x: number, y: number): void {
    this.path.moveTo(x, y);
  }
  line(x: number, y: number): void {
    this.path.lineTo(x, y);
  }
  quad(cx: number, cy: number, x: number, y: number): void {
    this.path.quadraticCurveTo(cx, cy, x, y);
  }
  close(): void {
    this.path.closePath();
  }
  circle(x: number, y: number, r: number): void {
    this.path.moveTo(x + r, y);
    this.path.arc(x, y, Math.max(0, r), 0, 2 * Math.PI);
  }

  fill(colour: string, alpha = 1): void {
    this.context.globalAlpha = alpha;
    this.context.fillStyle = colour;
    this.context.fill(this.path);
    this.context.globalAlpha = 1;
  }

  stroke(colour: string, width: number, alpha = 1, dash: readonly number[] = []): void {
    const { context } = this;
    context.lineCap = 'round';
    context.lineJoin = 'round';
    context.globalAlpha = alpha;
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.setLineDash([...dash]);
    context.stroke(this.path);
    context.setLineDash([]);
    context.globalAlpha = 1;
  }

  ball(x: number, y: number, r: number, stops: readonly [string, string, string, string]): void {
    const gradient = this.context.createRadialGradient(x - r * 0.28, y - r * 0.36, r * 0.05, x, y, r * 1.02);
    gradient.addColorStop(0, stops[0]);
    gradient.addColorStop(0.3, stops[1]);
    gradient.addColorStop(0.82, stops[2]);
    gradient.addColorStop(1, stops[3]);
    this.begin();
    this.circle(x, y, r);
    this.context.fillStyle = gradient;
    this.context.fill(this.path);
  }
}
